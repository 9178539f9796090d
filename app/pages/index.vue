<script setup lang="ts">
import { Archive, ArchiveRestore, Ellipsis, FilePlus2, ListChecks, Sailboat, Search, Table2, Trash2, Users } from 'lucide-vue-next'
import { useInfiniteScroll } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { faultWords } from '~~/core/advice/count-faults'
import type { GarmentRow, Keep } from '~~/core/formats'
import { problemSentence } from '~~/core/result'
import { useCards } from '~/composables/useCards'
import { useHung, type Hung } from '~/composables/useHung'
import { useSaveFile } from '~/composables/useSaveFile'
import { useUnsettled } from '~/composables/useUnsettled'
import { today } from '~/days'
import { fitTitle } from '~/fit-title'
import { say, sayDone, sayFault } from '~/messages'
import { readBytes } from '~/read-bytes'
import { stationAt } from '~/stations'
import { wordsIn } from '~/words-in'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe, type Backup } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'

const wardrobe = useWardrobe()
const wearers = useWearers()
const prefs = usePrefs()
const router = useRouter()
const saveFile = useSaveFile()
const garments = useHung()
/** What is kept of garments and fits is worked out again by another version; while one is being made, by every page. */
const build = import.meta.dev ? new Date().toISOString() : useRuntimeConfig().app.buildId
const unsettled = useUnsettled(
  computed(() => garments.value ?? []),
  computed(() => wearers.all),
  computed(() => prefs.tolerances),
  build,
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
    // Kept in mind once it hangs: a page that was left meanwhile gets it the next time.
    if (demo && list.length === 0 && !prefs.demoHung) void openDemo().then(() => (prefs.demoHung = true))
  },
  { immediate: true },
)

async function remove(rows: readonly Pick<GarmentRow, 'id' | 'name'>[]) {
  const stored = await wardrobe.remove(rows)
  if (!stored.ok) return
  choosing.value = null
  say(`Deleted ${rows.length === 1 ? `“${rows[0]!.name}”` : countOf(rows.length)}.`, undoable)
}

async function backUp() {
  saveFile(await wardrobe.backUp(), `tidal-seam-wardrobe-${today()}.zip`, 'application/zip')
  prefs.backedUpAt = new Date().toISOString()
}
const times = computed(() => (garments.value ?? []).flatMap((g) => [g.updatedAt, ...g.fits.map((f) => f.updatedAt)]).sort())
const firstAt = computed(
  () => [...(garments.value ?? []).flatMap((g) => g.fits.map((f) => f.createdAt)), ...times.value].sort()[0] ?? new Date().toISOString(),
)
const changedAt = computed(() => times.value.at(-1) ?? '')
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

/** What is looked for: every word in the name of a garment, its labels, who wears it, a fit, or what is left to settle there. */
const sought = ref('')
/** From so many garments on there is something to look for. */
const MANY = 7
const stateOf = (id: string) => {
  const known = unsettled.value.get(id)
  return [known ? (faultWords(known.faults) ?? 'everything matches') : '', known?.last ?? 'as bought']
}
const wordsOf = ({ id, name, labels, fits }: Hung) =>
  [name, ...labels, ...fits.flatMap((f) => [fitTitle(f, wearers.all), ...stateOf(f.id)]), ...(fits.length > 0 ? [] : stateOf(id))].join(' ')
/** All labels that there are, each as often as it is used. */
const labels = computed(() => {
  const counts = new Map<string, number>()
  for (const label of (garments.value ?? []).flatMap((g) => g.labels)) counts.set(label, (counts.get(label) ?? 0) + 1)
  return [...counts].sort((a, b) => a[0].localeCompare(b[0]))
})
/** The label that alone is looked at; none once no garment has it any more. */
const chosenLabel = ref('')
const label = computed(() => (labels.value.some(([own]) => own === chosenLabel.value) ? chosenLabel.value : ''))
const shown = computed(() => {
  const isFound = wordsIn(sought.value)
  const isSought = sought.value.trim() !== ''
  return (garments.value ?? []).filter((g) => (label.value === '' || g.labels.includes(label.value)) && (!isSought || isFound(wordsOf(g))))
})

/** So many cards are drawn at first, more than one sees, and so many more when one comes near the end of them. */
const CARDS = 9
const room = ref(CARDS)
watch([sought, label], () => (room.value = CARDS))
const scrolled = useTemplateRef('scrolled')
useInfiniteScroll(scrolled, () => void (room.value += CARDS), { distance: 900, canLoadMore: () => room.value < shown.value.length })
const seen = computed(() => shown.value.slice(0, room.value))
const cards = useCards(seen, build)
const hanging = computed(() =>
  seen.value.flatMap((garment) => {
    const card = cards.value.get(garment.id)
    return card ? [{ garment, card }] : []
  }),
)
/** Ids of the garments that are chosen; null while none are being chosen. */
const choosing = ref<string[] | null>(null)
const chosenRows = computed(() => (garments.value ?? []).filter((g) => choosing.value?.includes(g.id)))
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
const beginning = ref<Hung | null>(null)
const more = [
  { test: 'choose-several', words: 'Choose several', icon: ListChecks, run: () => (choosing.value = []) },
  { test: 'delete-everything', words: 'Delete everything', icon: Trash2, run: () => (deleting.value = true) },
]
</script>

<template>
  <div ref="scrolled" class="h-full overflow-y-auto">
    <div class="mx-auto max-w-6xl px-5 py-6">
      <div class="mb-5 flex flex-wrap items-center gap-2">
        <h1 class="mr-auto font-display text-3xl italic">Wardrobe</h1>
        <NuxtLink to="/import" class="btn-act" data-test="new-from-file"><FilePlus2 class="size-5" />New from file</NuxtLink>
        <NuxtLink to="/wearers" class="btn" data-test="to-wearers"><Users class="size-5" />Wearers</NuxtLink>
        <NuxtLink to="/many" class="btn" data-test="to-many"><Table2 class="size-5" />Many fits</NuxtLink>
        <button class="btn" data-test="open-demo" :disabled="loadingDemo" @click="openDemo"><Sailboat class="size-5" />Open demo</button>
        <button class="btn" data-test="back-up" :disabled="!garments?.length" @click="backUp"><Archive class="size-5" />Back up all</button>
        <UiFileButton accept=".zip,.json,application/zip,application/json" label="Backup file to restore" test="restore" @file="restore"
          ><ArchiveRestore class="size-5" />Restore</UiFileButton
        >
        <!-- Its room is kept until it has come. -->
        <div class="min-h-11 min-w-10">
          <LazyUiActMenu
            label="More for the wardrobe"
            test="wardrobe-menu"
            button="btn px-2.5"
            list="top-full mt-1 w-56"
            :acts="more"
            :disabled="!garments?.length && !wearers.all.length"
            ><Ellipsis class="size-5"
          /></LazyUiActMenu>
        </div>
      </div>

      <LazyWardrobeChosenBar
        v-if="choosing"
        :count="chosenRows.length"
        @all="choosing = shown.map((g) => g.id)"
        @back-up="backUpChosen"
        @give="giveTo"
        @remove="remove(chosenRows)"
        @end="choosing = null"
      />
      <LazyWardrobeFirstPage v-if="garments?.length === 0" :busy="loadingDemo" @demo="openDemo" />

      <div v-if="(garments?.length ?? 0) >= MANY" class="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label class="flex w-full max-w-md items-center gap-2">
          <Search class="size-5 shrink-0 text-soft" aria-hidden="true" />
          <span class="sr-only">Find a garment</span>
          <input v-model="sought" type="search" class="field" placeholder="garment, label, wearer, or “fault”" data-test="find-garment" />
        </label>
        <ul v-if="labels.length > 0" class="flex flex-wrap gap-1.5" aria-label="Labels">
          <li v-for="[own, count] in labels" :key="own">
            <button
              class="min-h-9 rounded-full border border-edge px-3 text-sm"
              :class="own === label ? 'bg-act text-act-ink' : 'bg-panel hover:bg-act-pale'"
              :aria-pressed="own === label"
              data-test="find-label"
              @click="chosenLabel = own === label ? '' : own"
            >
              {{ own }} <span :class="own !== label && 'text-soft'">{{ count }}</span>
            </button>
          </li>
        </ul>
      </div>
      <p v-if="shown.length === 0 && garments?.length" class="text-soft" role="status" data-test="none-found">
        Nothing here has all of these words: fewer of them find more.
      </p>
      <ul class="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        <WardrobeGarmentCard
          v-for="{ garment, card } in hanging"
          :key="garment.id"
          :garment="garment"
          :card="card"
          :unsettled="unsettled"
          :choosing="choosing !== null"
          :chosen="choosing?.includes(garment.id) ?? false"
          @update:chosen="choose(garment.id, $event)"
          @begin-fit="beginning = garment"
          @remove="remove([garment])"
        />
      </ul>
      <LazyWardrobeBackUpReminder v-if="hanging.length > 0" :first-at="firstAt" :changed-at="changedAt" @back-up="backUp" />
      <LazyShellNewFit
        v-if="beginning"
        :garment-id="beginning.id"
        @close="beginning = null"
        @begun="(id: string) => router.push(stationAt(beginning!.id, id, 'wearer'))"
      />
      <LazyWardrobeRestoreBackup v-if="asked" v-bind="asked" @close="asked = null" @take="takeIn(asked!, $event)" />
      <LazyWardrobeDeleteEverything
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
