<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems, Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { Archive, ArchiveRestore, ChevronDown, Copy, EllipsisVertical, FilePlus2, Pencil, Sailboat, Trash2, Users } from 'lucide-vue-next'
import { formatDistanceToNow } from 'date-fns'
import { toast } from 'vue-sonner'
import { computed, nextTick, ref } from 'vue'
import type { Project } from '~~/core/formats'
import { today } from '~/days'
import { useLive } from '~/composables/useLive'
import { useSaveFile } from '~/composables/useSaveFile'
import { useUnsettled } from '~/composables/useUnsettled'
import { db } from '~/data/db'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

const wardrobe = useWardrobe()
const wearers = useWearers()
const prefs = usePrefs()
const work = useWork()
/** Read here and not in a store: while a garment is worked on, nobody looks at the others. */
const projects = useLive(() => db.projects.orderBy('updatedAt').reverse().toArray(), null as Project[] | null)
const saveFile = useSaveFile()
const unsettled = useUnsettled(
  computed(() => projects.value ?? []),
  computed(() => wearers.all),
  computed(() => prefs.tolerances),
)
const renaming = ref<string | null>(null)
const newName = ref('')
const restoreInput = ref<HTMLInputElement | null>(null)
const loadingDemo = ref(false)

const wearerOf = (p: Project) => wearers.all.find((w) => w.id === p.wearerId)
/** What was done last, once that is known. */
const lastStop = (p: Project) => {
  const last = p.plan.length === 0 ? 'as bought' : unsettled.value.get(p.id)?.last
  return last ? `${last} · ` : ''
}
const ago = (p: Project) => formatDistanceToNow(new Date(p.updatedAt), { addSuffix: true })

async function openDemo() {
  loadingDemo.value = true
  const done = await wardrobe.openDemo().finally(() => (loadingDemo.value = false))
  if (done.ok)
    toast.success(
      done.count > 0 ? `The demo wardrobe is here: ${done.count} garments.` : 'The demo wardrobe is here already; nothing was changed.',
    )
  else toast.error(done.sentence)
}
function startRename(p: Project) {
  renaming.value = p.id
  newName.value = p.name
  void nextTick(() => document.getElementById(`name-${p.id}`)?.focus())
}
async function finishRename(p: Project) {
  const name = newName.value.trim()
  renaming.value = null
  if (name && name !== p.name) await wardrobe.rename(p, name)
}
async function remove(p: Project) {
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
const stationOf = (p: Project) => `/garment/${p.id}/${unsettled.value.get(p.id)?.faults ? 'match' : 'reshape'}`
work.open('')
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto max-w-6xl px-5 py-6">
      <div class="mb-5 flex flex-wrap items-center gap-2">
        <h1 class="mr-auto font-display text-3xl italic">Wardrobe</h1>
        <NuxtLink to="/import" class="btn-act" data-test="new-from-file"><FilePlus2 class="size-5" />New from file</NuxtLink>
        <NuxtLink to="/wearers" class="btn" data-test="to-wearers"><Users class="size-5" />Wearers</NuxtLink>
        <button class="btn" data-test="open-demo" :disabled="loadingDemo" @click="openDemo"><Sailboat class="size-5" />Open demo</button>
        <button class="btn" data-test="back-up" :disabled="!projects?.length" @click="backUp"><Archive class="size-5" />Back up all</button>
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

      <div v-if="projects?.length === 0" class="panel grid gap-4 p-8 md:grid-cols-[1fr_auto]">
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
        <li v-for="p in projects ?? []" :key="p.id" class="panel relative overflow-hidden" data-test="garment-card" :data-id="p.id">
          <NuxtLink :to="stationOf(p)" class="block" :aria-label="`Open ${p.name}`" data-test="open-garment">
            <div class="h-44 bg-water p-3"><PiecePicture :garment="p.garment" /></div>
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
                <NuxtLink :to="stationOf(p)" class="hover:underline" tabindex="-1">{{ p.name }}</NuxtLink>
              </h2>
              <Menu as="div" class="relative">
                <MenuButton class="btn-quiet -mr-1.5" :aria-label="`More for ${p.name}`" data-test="garment-menu"
                  ><EllipsisVertical class="size-5"
                /></MenuButton>
                <MenuItems class="absolute right-0 bottom-11 z-10 w-44 rounded-lg border border-edge bg-panel p-1 shadow-lg">
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
            <Listbox
              as="div"
              class="relative mt-1"
              :model-value="p.wearerId"
              @update:model-value="(id: string | null) => wardrobe.setWearer(p, id)"
            >
              <ListboxButton class="-ml-2 inline-flex min-h-9 items-center gap-1 rounded-lg px-2 text-soft hover:bg-act-pale"
                >{{ wearerOf(p) ? `for ${wearerOf(p)!.name}` : 'no wearer yet' }}<ChevronDown class="size-4"
              /></ListboxButton>
              <ListboxOptions class="absolute bottom-10 z-10 w-56 rounded-lg border border-edge bg-panel p-1 shadow-lg">
                <ListboxOption
                  v-for="w in [null, ...wearers.all]"
                  :key="w?.id ?? 'none'"
                  v-slot="{ active, selected }"
                  :value="w?.id ?? null"
                >
                  <div
                    class="flex min-h-11 cursor-pointer items-center rounded-md px-3"
                    :class="[active && 'bg-act-pale', selected && 'font-semibold']"
                  >
                    {{ w?.name ?? 'no wearer yet' }}
                  </div>
                </ListboxOption>
              </ListboxOptions>
            </Listbox>
            <p class="text-sm text-soft">{{ lastStop(p) }}{{ ago(p) }}</p>
            <p v-if="unsettled.get(p.id)" class="mt-2 text-sm font-semibold">
              <span
                v-if="unsettled.get(p.id)!.faults || unsettled.get(p.id)!.stuck"
                class="rounded-full bg-fault-pale px-2.5 py-1 text-fault"
              >
                <template v-if="unsettled.get(p.id)!.faults"
                  >{{ unsettled.get(p.id)!.faults }} {{ unsettled.get(p.id)!.faults === 1 ? 'seam fault' : 'seam faults' }} to look
                  at</template
                >
                <template v-else
                  >{{ unsettled.get(p.id)!.stuck }} {{ unsettled.get(p.id)!.stuck === 1 ? 'change' : 'changes' }} not applied</template
                >
              </span>
              <span v-else class="rounded-full bg-good-pale px-2.5 py-1 text-good">every seam matches</span>
            </p>
          </div>
        </li>
      </ul>
    </div>
  </div>
</template>
