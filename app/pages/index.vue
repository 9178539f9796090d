<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Archive, ArchiveRestore, Copy, EllipsisVertical, FilePlus2, Pencil, Sailboat, Trash2, UserPlus, Users } from 'lucide-vue-next'
import { formatDistanceToNow } from 'date-fns'
import { toast } from 'vue-sonner'
import { computed, nextTick, ref, watch } from 'vue'
import { faultTotal, faultWords } from '~~/core/advice'
import { projectsOf, type GarmentRow, type Project } from '~~/core/formats'
import { today } from '~/days'
import { useLive } from '~/composables/useLive'
import { useSaveFile } from '~/composables/useSaveFile'
import { useUnsettled } from '~/composables/useUnsettled'
import { db } from '~/data/db'
import { fitTitle } from '~/fit-title'
import { stationAt } from '~/stations'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

const router = useRouter()
const wardrobe = useWardrobe()
const wearers = useWearers()
const prefs = usePrefs()
const work = useWork()
/** A garment as it hangs here, with its fits: what was worked on last comes first. */
interface Hung {
  row: GarmentRow
  fits: Project[]
}
const newestFirst = (a: { updatedAt: string }, b: { updatedAt: string }) => b.updatedAt.localeCompare(a.updatedAt)

/** Read here and not in a store: while a garment is worked on, nobody looks at the others. */
const garments = useLive(
  async (): Promise<Hung[]> => {
    const [rows, fits] = await Promise.all([db.garments.toArray(), db.fits.toArray()])
    return rows
      .map((row) => ({ row, fits: projectsOf({ garments: [row], fits: fits.sort(newestFirst) }) }))
      .sort((a, b) => newestFirst(a.fits[0]!, b.fits[0]!))
  },
  null as Hung[] | null,
)
const saveFile = useSaveFile()
const unsettled = useUnsettled(
  computed(() => (garments.value ?? []).flatMap((g) => g.fits)),
  computed(() => wearers.all),
  computed(() => prefs.tolerances),
)
const renaming = ref<string | null>(null)
const newName = ref('')
const restoreInput = ref<HTMLInputElement | null>(null)
const loadingDemo = ref(false)

/** Fits that a card shows; the others are chosen where the garment is open. */
const SHOWN_FITS = 3
/** The garment of which another fit is begun. */
const beginning = ref<GarmentRow | null>(null)

/** What was done last, once that is known. */
const lastStop = (p: Project) => {
  const last = p.mends.length + p.plan.length === 0 ? 'as bought' : unsettled.value.get(p.id)?.last
  return last ? `${last} · ` : ''
}
const ago = (p: Project) => formatDistanceToNow(new Date(p.updatedAt), { addSuffix: true })
/** What is left to settle in a fit, in words; null when nothing is. */
function toSettle(p: Project): string | null {
  const known = unsettled.value.get(p.id)
  if (known === null) return 'it cannot be worked out: open it to see why'
  if (!known) return null
  const { faults, stuck } = known
  if (faultTotal(faults) > 0) return faultWords(faults)
  return stuck ? `${stuck} ${stuck === 1 ? 'change' : 'changes'} not applied` : null
}

/** What is said of a fit in which nothing is at fault. */
const matchWords = (p: Project) => {
  const known = unsettled.value.get(p.id)
  return (known && faultWords(known.faults)) ?? 'everything matches'
}

async function openDemo() {
  loadingDemo.value = true
  const done = await wardrobe.openDemo().finally(() => (loadingDemo.value = false))
  if (done.ok)
    toast.success(
      done.count > 0 ? `The demo wardrobe is here: ${done.count} garments.` : 'The demo wardrobe is here already; nothing was changed.',
    )
  else toast.error(done.sentence)
}
// Where the demo is served, an empty wardrobe gets it by itself, once.
const { demo } = useRuntimeConfig().public
const stopWaiting = watch(
  garments,
  (list) => {
    if (!list) return
    nextTick(() => stopWaiting())
    if (!demo || list.length > 0 || prefs.demoHung) return
    prefs.demoHung = true
    void openDemo()
  },
  { immediate: true },
)
function startRename(p: GarmentRow) {
  renaming.value = p.id
  newName.value = p.name
  void nextTick(() => document.getElementById(`name-${p.id}`)?.focus())
}
async function finishRename(p: GarmentRow) {
  const name = newName.value.trim()
  renaming.value = null
  if (name && name !== p.name) await wardrobe.rename(p, name)
}
async function remove(p: GarmentRow) {
  const stored = await wardrobe.remove(p)
  if (stored.ok) toast(`Deleted “${p.name}”.`, { action: { label: 'Undo', onClick: () => void wardrobe.undo() } })
}
async function backUp() {
  saveFile(await wardrobe.backUp(), `tidal-seam-wardrobe-${today()}.json`, 'application/json')
}
async function restore(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const done = await wardrobe.takeFile(await file.text(), `restore from ${file.name}`, 'replace')
  if (done.ok)
    toast.success(`${done.count} garments restored from ${file.name}.`, { action: { label: 'Undo', onClick: () => void wardrobe.undo() } })
  else toast.error(done.sentence)
}
const stationOf = (p: Project) => {
  const known = unsettled.value.get(p.id)
  return stationAt(p.garmentId, p.id, known && faultTotal(known.faults) > 0 ? 'match' : 'reshape')
}
work.close()
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto max-w-6xl px-5 py-6">
      <div class="mb-5 flex flex-wrap items-center gap-2">
        <h1 class="mr-auto font-display text-3xl italic">Wardrobe</h1>
        <NuxtLink to="/import" class="btn-act" data-test="new-from-file"><FilePlus2 class="size-5" />New from file</NuxtLink>
        <NuxtLink to="/wearers" class="btn" data-test="to-wearers"><Users class="size-5" />Wearers</NuxtLink>
        <button class="btn" data-test="open-demo" :disabled="loadingDemo" @click="openDemo"><Sailboat class="size-5" />Open demo</button>
        <button class="btn" data-test="back-up" :disabled="!garments?.length" @click="backUp"><Archive class="size-5" />Back up all</button>
        <button class="btn" data-test="restore" @click="restoreInput?.click()"><ArchiveRestore class="size-5" />Restore</button>
        <input
          ref="restoreInput"
          type="file"
          accept=".json,application/json"
          class="hidden"
          aria-label="Backup file to restore"
          data-test="restore-file"
          @change="restore"
        />
      </div>

      <div v-if="garments?.length === 0" class="panel grid gap-4 p-8 md:grid-cols-[1fr_auto]">
        <div>
          <h2 class="font-display text-2xl">Nothing hangs here yet</h2>
          <p class="mt-2 max-w-xl text-soft">
            Open the demo to try it on a made-up garment, or bring your own pattern pieces as an SVG file. Then say what the body needs;
            front, back and every partner piece change together, and each seam is walked to see that it still matches.
          </p>
        </div>
        <div class="flex flex-col justify-center gap-2">
          <button class="btn-act" data-test="open-demo-first" :disabled="loadingDemo" @click="openDemo">
            <Sailboat class="size-5" />Open the demo wardrobe
          </button>
          <NuxtLink to="/import" class="btn"><FilePlus2 class="size-5" />New from an SVG file</NuxtLink>
        </div>
      </div>

      <ul class="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        <li v-for="{ row: p, fits } in garments ?? []" :key="p.id" class="panel relative" data-test="garment-card" :data-id="p.id">
          <NuxtLink :to="stationOf(fits[0]!)" class="block" :aria-label="`Open ${p.name}`" data-test="open-garment">
            <div class="h-44 rounded-t-xl bg-water p-3"><PiecePicture :garment="p.garment" /></div>
          </NuxtLink>
          <div class="p-3.5">
            <div class="flex items-start gap-1">
              <form v-if="renaming === p.id" class="flex-1" @submit.prevent="finishRename(p)">
                <label :for="`name-${p.id}`" class="sr-only">New name</label>
                <input
                  :id="`name-${p.id}`"
                  v-model="newName"
                  class="field font-semibold"
                  data-test="rename-field"
                  @keydown.esc="renaming = null"
                  @blur="finishRename(p)"
                />
              </form>
              <h2 v-else class="flex-1 pt-1.5 text-lg font-semibold leading-tight">
                <NuxtLink :to="stationOf(fits[0]!)" class="hover:underline" tabindex="-1">{{ p.name }}</NuxtLink>
              </h2>
              <Menu as="div" class="relative">
                <MenuButton class="btn-quiet -mr-1.5" :aria-label="`More for ${p.name}`" data-test="garment-menu"
                  ><EllipsisVertical class="size-5"
                /></MenuButton>
                <MenuItems class="absolute right-0 bottom-11 z-10 w-52 rounded-lg border border-edge bg-panel p-1 shadow-lg">
                  <MenuItem v-slot="{ active }"
                    ><button
                      class="btn-quiet w-full justify-start"
                      :class="active && 'bg-act-pale'"
                      data-test="rename"
                      @click="startRename(p)"
                    >
                      <Pencil class="size-4" />Rename
                    </button></MenuItem
                  >
                  <MenuItem v-slot="{ active }"
                    ><button
                      class="btn-quiet w-full justify-start"
                      :class="active && 'bg-act-pale'"
                      data-test="card-begin-fit"
                      @click="beginning = p"
                    >
                      <UserPlus class="size-4" />Begin another fit
                    </button></MenuItem
                  >
                  <MenuItem v-slot="{ active }"
                    ><button
                      class="btn-quiet w-full justify-start"
                      :class="active && 'bg-act-pale'"
                      data-test="duplicate"
                      @click="wardrobe.duplicate(p)"
                    >
                      <Copy class="size-4" />Duplicate
                    </button></MenuItem
                  >
                  <MenuItem v-slot="{ active }"
                    ><button class="btn-quiet w-full justify-start" :class="active && 'bg-act-pale'" data-test="delete" @click="remove(p)">
                      <Trash2 class="size-4" />Delete
                    </button></MenuItem
                  >
                </MenuItems>
              </Menu>
            </div>
            <ul class="mt-1 space-y-1" :aria-label="`Fits of ${p.name}`">
              <li v-for="f in fits.slice(0, SHOWN_FITS)" :key="f.id">
                <NuxtLink
                  :to="stationOf(f)"
                  class="-mx-2 block rounded-lg px-2 py-1 hover:bg-act-pale"
                  data-test="card-fit"
                  :data-id="f.id"
                >
                  <span class="block leading-snug">{{ fitTitle({ wearerId: f.wearerId, name: f.fitName }, wearers.all) }}</span>
                  <span class="block text-sm text-soft">{{ lastStop(f) }}{{ ago(f) }}</span>
                  <span v-if="unsettled.has(f.id)" class="mt-1 block text-sm font-semibold">
                    <span v-if="toSettle(f)" class="inline-block rounded-full bg-fault-pale px-2.5 py-0.5 text-fault">{{
                      toSettle(f)
                    }}</span>
                    <span v-else class="inline-block rounded-full bg-good-pale px-2.5 py-0.5 text-good">{{ matchWords(f) }}</span>
                  </span>
                </NuxtLink>
              </li>
            </ul>
            <p v-if="fits.length > SHOWN_FITS" class="mt-1 text-sm text-soft">
              and {{ fits.length - SHOWN_FITS }} more {{ fits.length - SHOWN_FITS === 1 ? 'fit' : 'fits' }}
            </p>
          </div>
        </li>
      </ul>
      <NewFit
        v-if="beginning"
        :garment-id="beginning.id"
        @close="beginning = null"
        @begun="(id: string) => router.push(stationAt(beginning!.id, id, 'wearer'))"
      />
    </div>
  </div>
</template>
