<script setup lang="ts">
import { CircleAlert, CircleCheck } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { countFaults, faultTotal, faultWords } from '~~/core/advice'
import { checkInputs, findKind, withInputs, type Change, type Handle } from '~~/core/changes'
import { boundsOf } from '~~/core/geometry'
import { footprintOf, bestLayout, stopInWords, type Layout } from '~~/core/paper'
import { doubleDartsOf, outlineOf, shapeOf, type Piece } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { writeLengths } from '~~/core/units'
import { usePlanSession } from '~/stores/plan-session'
import { usePrefs } from '~/stores/prefs'
import { useSelection } from '~/stores/selection'
import { useWork } from '~/stores/work'
import { stationAt } from '~/stations'

const work = useWork()
const session = usePlanSession()
const selection = useSelection()
const prefs = usePrefs()
const plan = computed(() => work.stops.map((c) => (session.draft?.id === c.id ? session.draft : c)))
const done = computed(() => session.computedPlan!)
const base = computed(() => done.value.garments[0]!)
const position = ref(work.stops.length)
const selectedIndex = computed(() => plan.value.findIndex((c) => c.id === selection.stopId))
const stop = computed(() => done.value.stops[selectedIndex.value] ?? null)
const selected = computed(() => plan.value[selectedIndex.value] ?? null)

// A stop that was just added or removed: show the pieces after it.
watch(
  () => [work.stops.length, selection.stopId] as const,
  () => (position.value = selectedIndex.value >= 0 ? selectedIndex.value + 1 : work.stops.length),
)

const dartCount = (piece: Piece) => piece.darts.length + doubleDartsOf(piece).length

const garments = computed(() => {
  const last = done.value.garments.length - 1
  const at = Math.min(position.value, last)
  const low = Math.min(Math.floor(at), Math.max(last - 1, 0))
  return { from: done.value.garments[low]!, to: done.value.garments[Math.min(low + 1, last)]!, t: last === 0 ? 0 : at - low }
})
const progress = computed(() => Math.min(1, Math.max(0, position.value - selectedIndex.value)))

const touchedIds = computed(() => stop.value?.applied?.touched.map((t) => t.pieceId) ?? [])
const atStop = computed(() => stop.value && position.value >= selectedIndex.value && position.value <= selectedIndex.value + 1)

/** What the table’s frame is like on a screen: somewhat broader than high. */
const TABLE = { width: 31, height: 20 }
/** Room between pieces on the table, mm: for handles and their figures. */
const GAP_MM = 110
const layout = shallowRef<Layout>({ pieces: [], widthMm: 0, heightMm: 0 })
/** All sizes of the nest: shown when asked for, and when the open stop has just made them. */
const wantSizes = ref(false)
const madeSizes = computed(() => {
  const { from, to } = garments.value
  return atStop.value && stop.value?.applied && to.sizes.length > from.sizes.length && progress.value > 0
})
const showSizes = computed(() => (wantSizes.value || Boolean(madeSizes.value)) && garments.value.to.sizes.length > 1)
watch(
  [done, showSizes],
  () => {
    // While an amount is being dragged the pieces keep their places.
    if (session.draft && layout.value.pieces.length > 0) return
    const size = base.value.baseSizeId
    // A stop can make a piece: left and right of a pair.
    const all = new Map(done.value.garments.flatMap((g) => g.pieces.map((p) => [p.id, p] as const)))
    const prints = [...all.values()].map((p) => {
      const outlines = done.value.garments.flatMap((g) =>
        g.pieces
          .filter((q) => q.id === p.id)
          .flatMap((q) => (showSizes.value ? g.sizes.map((s) => s.id) : [size]).map((id) => outlineOf(q, shapeOf(q, id)))),
      )
      const bought = boundsOf(outlines[0]!)
      return { ...footprintOf(p.id, outlines), rankMm: bought.maxY - bought.minY }
    })
    layout.value = bestLayout(prints, TABLE, GAP_MM)
  },
  { immediate: true },
)

let dragFrom: Change | null = null
function onDrag(handle: Handle, byMm: number) {
  const change = selected.value
  const kind = change && findKind(change.kind)
  if (!change || !kind) return
  dragFrom ??= work.stops.find((c) => c.id === change.id)!
  const before = done.value.garments[selectedIndex.value]!
  const inputs = kind.drag(before, dragFrom.inputs, handle.id, byMm, session.contextFor(before))
  // Dragged beyond what it can work with, it stays at the last place that it can.
  if (!checkInputs(change.kind, before, inputs)) session.draft = withInputs(change, inputs)
}
function onDrop() {
  dragFrom = null
  if (session.draft) void work.setStop(session.draft)
}

const faults = computed(() => countFaults(done.value.faults))
const matching = computed(() => done.value.walked.seams.filter((s) => s.verdict === 'good').length)
const nextStep = computed(() =>
  plan.value.length === 0
    ? 'Say below what should change: it finds the change, the lines and the partner pieces.'
    : 'Choose a stop on the tideline to see or edit it.',
)

/** What a screen reader hears when a stop was done, changed or chosen: its title, what it held, what stands in its way. */
const heard = computed(() => {
  const own = stop.value
  if (!own || session.draft) return ''
  const { words, applied, problem } = own
  const title = `Stop ${selectedIndex.value + 1}, ${stopInWords(words, prefs.ruler)}`
  if (problem) return `${title}: not done. ${writeLengths(problemSentence(problem), prefs.ruler)}`
  if (!applied) return `${title}: switched off.`
  const broken = applied.held.filter((h) => !h.held)
  const held = `held ${applied.held.length - broken.length} of ${applied.held.length}`
  return `${title}: ${[held, ...broken.map((h) => `broken: ${h.where}, ${h.label}`)].join('; ')}. ${applied.cautions.map((c) => writeLengths(c.message, prefs.ruler)).join(' ')}`.trim()
})
</script>

<template>
  <div class="flex h-full flex-col">
    <p class="sr-only" role="status" data-test="heard">{{ heard }}</p>
    <div class="min-h-0 flex-1 max-md:overflow-y-auto md:grid md:grid-cols-[minmax(0,1fr)_23rem]">
      <ReshapePieceTable
        class="max-md:h-[55vh]"
        :original="base"
        :from="garments.from"
        :to="garments.to"
        :t="garments.t"
        :layout="layout"
        :applied="atStop ? (stop?.applied ?? null) : null"
        :progress="progress"
        :handles="atStop && position === selectedIndex + 1 ? (stop?.handles ?? []) : []"
        :touched-ids="atStop ? touchedIds : []"
        :ghosts="atStop && session.ways?.changeId === selected?.id ? session.ways!.list.filter((w) => !w.chosen).map((w) => w.garment) : []"
        :show-sizes="showSizes"
        @drag="onDrag"
        @drop="onDrop"
        @sizes="wantSizes = !wantSizes"
        @step="position = selectedIndex + $event"
      />
      <aside
        class="border-edge bg-panel p-4 max-md:border-t md:min-h-0 md:overflow-y-auto md:border-l"
        aria-label="The stop that is open"
        tabindex="-1"
      >
        <ReshapeStopPanel
          v-if="selected && stop"
          :key="selected.id"
          :change="selected"
          :stop="stop"
          :index="selectedIndex"
          :count="plan.length"
          :before="done.garments[selectedIndex]!"
        />
        <div v-else class="space-y-4">
          <div>
            <h2 class="font-display text-xl italic">{{ plan.length === 0 ? 'As bought' : 'The whole plan' }}</h2>
            <p class="text-soft">{{ nextStep }}</p>
          </div>
          <section v-if="plan.length" aria-label="Ledger of the whole plan"><ReshapeLedgerTable :rows="done.ledger" /></section>
          <ul v-else class="space-y-1 text-sm">
            <li v-for="p in base.pieces" :key="p.id" class="flex justify-between border-b border-edge/60 py-1.5">
              <span class="font-medium">{{ p.name }}</span><span class="text-soft"
                >{{ p.edges.length }} edges, {{ p.notches.length }} {{ p.notches.length === 1 ? 'notch' : 'notches'
                }}<template v-if="dartCount(p)">, {{ dartCount(p) }} {{ dartCount(p) === 1 ? 'dart' : 'darts' }}</template></span
              >
            </li>
          </ul>
        </div>
      </aside>
    </div>
    <div class="flex min-w-0 flex-wrap items-center gap-x-4 gap-y-1 border-t border-edge bg-panel px-4 py-2 max-md:px-2">
      <ReshapeTidelineBar v-model:position="position" :plan="plan" :stops="done.stops" :garment="base" />
      <NuxtLink :to="stationAt(work.project!.garmentId, work.fitId, 'match')" class="btn-quiet shrink-0 text-sm" data-test="seam-summary">
        <CircleAlert v-if="faultTotal(faults) > 0" class="size-5 shrink-0 text-fault" aria-hidden="true" />
        <CircleCheck v-else class="size-5 shrink-0 text-good" aria-hidden="true" />
        <span class="max-w-44 text-left"
          >{{ matching }} of {{ done.walked.seams.length }} seams match<template v-if="faultWords(faults)"
            >, {{ faultWords(faults) }}</template
          ></span
        >
      </NuxtLink>
      <div class="w-full shrink-0 md:ml-auto md:w-80"><ReshapeWhatShouldChange :garment="done.garments.at(-1)!" /></div>
    </div>
  </div>
</template>
