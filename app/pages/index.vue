<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Archive, ArchiveRestore, Ellipsis, FilePlus2, ListChecks, Sailboat, Trash2, Users } from 'lucide-vue-next'
import { computed, nextTick, ref, watch } from 'vue'
import { projectsOf, type GarmentRow, type Keep, type Project } from '~~/core/formats'
import { problemSentence } from '~~/core/result'
import { useLive } from '~/composables/useLive'
import { useSaveFile } from '~/composables/useSaveFile'
import { useUnsettled } from '~/composables/useUnsettled'
import { db } from '~/data/db'
import { today } from '~/days'
import { say, sayDone, sayFault } from '~/messages'
import { readBytes } from '~/read-bytes'
import { stationAt } from '~/stations'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe, type Backup } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

/** A garment with its fits, the one last worked on first. */
interface Hung {
  row: GarmentRow
  fits: Project[]
}

const work = useWork()
const wardrobe = useWardrobe()
const wearers = useWearers()
const prefs = usePrefs()
const router = useRouter()
const saveFile = useSaveFile()
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
const unsettled = useUnsettled(
  computed(() => (garments.value ?? []).flatMap((g) => g.fits)),
  computed(() => wearers.all),
  computed(() => prefs.tolerances),
)
const countOf = (n: number) => `${n} ${n === 1 ? 'garment' : 'garments'}`
const undoable = { label: 'Undo', run: () => void wardrobe.undo() }

const loadingDemo = ref(false)
async function openDemo() {
  loadingDemo.value = true
  const done = await wardrobe.openDemo().finally(() => (loadingDemo.value = false))
  if (!done.ok) sayFault(problemSentence(done.problem))
  else if (done.value > 0) sayDone(`The demo wardrobe is here: ${countOf(done.value)}.`)
  else say('The demo wardrobe is here already; nothing was changed.')
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

async function remove(rows: GarmentRow[]) {
  const stored = await wardrobe.remove(rows)
  if (!stored.ok) return
  choosing.value = null
  say(`Deleted ${rows.length === 1 ? `“${rows[0]!.name}”` : countOf(rows.length)}.`, undoable)
}

const backUp = async () => saveFile(await wardrobe.backUp(), `tidal-seam-wardrobe-${today()}.zip`, 'application/zip')
/** A backup of which something is here too and differs: what stays is asked. */
const asked = ref<(Backup & { fileName: string }) | null>(null)
async function restore(file: File) {
  const bytes = await readBytes(file)
  if (bytes === null) return
  const read = await wardrobe.openBackup(bytes)
  if (!read.ok) return sayFault(problemSentence(read.problem))
  const backup = { fileName: file.name, ...read.value }
  if (backup.differences.length > 0) asked.value = backup
  else await takeIn(backup, new Map())
}
async function takeIn(backup: Backup & { fileName: string }, keep: ReadonlyMap<string, Keep>) {
  asked.value = null
  const done = await wardrobe.takeIn(backup, `restore from ${backup.fileName}`, keep)
  if (!done.ok) return
  if (done.value === 0) say(`Nothing of ${backup.fileName} had to be brought back.`)
  else sayDone(`${countOf(done.value)} restored from ${backup.fileName}.`, undoable)
}
const deleting = ref(false)
async function deleteEverything() {
  deleting.value = false
  const done = await wardrobe.deleteEverything()
  if (done.ok) say('Everything was deleted.')
}

/** Ids of the garments that are chosen; null while none are being chosen. */
const choosing = ref<string[] | null>(null)
const chosenRows = computed(() => (garments.value ?? []).map((g) => g.row).filter((r) => choosing.value?.includes(r.id)))
const choose = (id: string, on: boolean) => (choosing.value = [...(choosing.value ?? []).filter((x) => x !== id), ...(on ? [id] : [])])
async function giveTo(wearerId: string) {
  const wearer = wearers.all.find((w) => w.id === wearerId)
  if (!wearer) return sayFault('This wearer was deleted in another tab. Choose another one.')
  const rows = chosenRows.value
  const stored = await wardrobe.giveTo(rows, wearer)
  if (!stored.ok) return
  choosing.value = null
  sayDone(`A fit for ${wearer.name} was begun in ${countOf(rows.length)}.`, undoable)
}
async function backUpChosen() {
  saveFile(await wardrobe.backUpOnly(chosenRows.value.map((r) => r.id)), `tidal-seam-garments-${today()}.zip`, 'application/zip')
}

/** The garment of which another fit is begun. */
const beginning = ref<GarmentRow | null>(null)
const more = [
  { test: 'choose-several', words: 'Choose several', icon: ListChecks, run: () => (choosing.value = []) },
  { test: 'delete-everything', words: 'Delete everything', icon: Trash2, run: () => (deleting.value = true) },
]
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
        <UiFileButton accept=".zip,.json,application/zip,application/json" label="Backup file to restore" test="restore" @file="restore"
          ><ArchiveRestore class="size-5" />Restore</UiFileButton
        >
        <Menu as="div" class="relative">
          <MenuButton class="btn px-2.5" aria-label="More for the wardrobe" data-test="wardrobe-menu"
            ><Ellipsis class="size-5"
          /></MenuButton>
          <MenuItems class="absolute top-full right-0 z-20 mt-1 w-56 rounded-lg border border-edge bg-panel p-1 shadow-lg">
            <MenuItem v-for="m in more" :key="m.test" v-slot="{ active }" :disabled="!garments?.length && !wearers.all.length">
              <button
                class="btn-quiet w-full justify-start"
                :class="active && 'bg-act-pale'"
                :disabled="!garments?.length && !wearers.all.length"
                :data-test="m.test"
                @click="m.run"
              >
                <component :is="m.icon" class="size-4" />{{ m.words }}
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
      </div>

      <WardrobeChosenBar
        v-if="choosing"
        :count="chosenRows.length"
        @all="choosing = (garments ?? []).map((g) => g.row.id)"
        @back-up="backUpChosen"
        @give="giveTo"
        @remove="remove(chosenRows)"
        @end="choosing = null"
      />
      <WardrobeFirstPage v-if="garments?.length === 0" :busy="loadingDemo" @demo="openDemo" />

      <ul class="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        <WardrobeGarmentCard
          v-for="{ row, fits } in garments ?? []"
          :key="row.id"
          :row="row"
          :fits="fits"
          :unsettled="unsettled"
          :choosing="choosing !== null"
          :chosen="choosing?.includes(row.id) ?? false"
          @update:chosen="choose(row.id, $event)"
          @begin-fit="beginning = row"
          @remove="remove([row])"
        />
      </ul>
      <NewFit
        v-if="beginning"
        :garment-id="beginning.id"
        @close="beginning = null"
        @begun="(id: string) => router.push(stationAt(beginning!.id, id, 'wearer'))"
      />
      <WardrobeRestoreBackup v-if="asked" v-bind="asked" @close="asked = null" @take="takeIn(asked!, $event)" />
      <WardrobeDeleteEverything
        v-if="deleting"
        :garments="garments?.length ?? 0"
        :wearers="wearers.all.length"
        @close="deleting = false"
        @back-up="backUp"
        @sure="deleteEverything"
      />
    </div>
  </div>
</template>
