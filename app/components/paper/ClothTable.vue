<script setup lang="ts">
import { RotateCw } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { roomiestPoint, usableMm, type LaidOnCloth } from '~~/core/cloth'
import { toPathData } from '~~/core/formats'
import { boundsOf, type Point } from '~~/core/geometry'
import { useCloth } from '~/composables/useCloth'
import { arrowOf, unitsPerDot, useDrag } from '~/composables/useDrag'
import { usePrefs } from '~/stores/prefs'

/** The pieces as they lie on the cloth, its length to the right: dragged, moved by the arrow keys and turned where a person knows better. */
const prefs = usePrefs()
const { lay, faults, move, turn } = useCloth()
const svg = ref<SVGSVGElement | null>(null)
const chosenId = ref<string | null>(null)
const chosen = computed(() => lay.value?.laid.find((l) => l.id === chosenId.value) ?? null)
const wrong = computed(() => new Set(faults.value.flatMap((f) => f.ids)))

const shown = computed(() =>
  (lay.value?.laid ?? []).map((l) => {
    const box = boundsOf(l.cutLine)
    const [w, h] = [box.maxX - box.minX, box.maxY - box.minY]
    const at = roomiestPoint(l.polygon)
    return {
      l,
      at,
      cut: toPathData(l.cutLine, true),
      seam: toPathData(l.seamLine, true),
      size: Math.min(46, h * 0.32, (w * 1.7) / l.name.length),
    }
  }),
)
/** The grain, under the words: the way in which the piece was drawn. */
function arrow(at: Point, size: number, l: LaidOnCloth): string {
  const y = at.y + size * (l.words ? 1.9 : 1.1)
  const half = Math.min(60, size * 1.3) * (l.isTurned ? -1 : 1)
  const back = -half / 4
  return `M${at.x - half} ${y}H${at.x + half}l${back} ${back * 0.6}m${-back} ${-back * 0.6}l${back} ${-back * 0.6}`
}
const across = computed(() => (lay.value ? (lay.value.openedAtMm === null ? lay.value.acrossMm : usableMm(lay.value.cloth)) : 0))
const view = computed(() => `-70 -60 ${(lay.value?.lengthMm ?? 0) + 110} ${across.value + 130}`)
/** Stripes closer than this are not drawn: they would be one grey. */
const LEAST_DRAWN_MM = 10
const every = (stepMm: number, uptoMm: number) =>
  stepMm >= LEAST_DRAWN_MM ? Array.from({ length: Math.floor(uptoMm / stepMm) + 1 }, (_, i) => i * stepMm) : []
/** Stripes of the cloth, across it and along it: lines over both its folded and its opened part. */
const stripes = computed(() => {
  const made = lay.value
  if (!made) return []
  const { repeatMm, repeatAcrossMm } = made.cloth
  const endMm = made.openedAtMm ?? made.lengthMm
  const wide = (x: number) => (x < endMm || made.openedAtMm === null ? made.acrossMm : across.value)
  // On the opened part the stripe of the fold lies in the middle.
  const shift = (across.value / 2) % (repeatAcrossMm || 1)
  return [
    ...every(repeatMm, made.lengthMm).map((x) => ({ x1: x, x2: x, y1: 0, y2: wide(x) })),
    ...every(repeatAcrossMm, made.acrossMm).map((y) => ({ x1: 0, x2: endMm, y1: y, y2: y })),
    ...(made.openedAtMm === null
      ? []
      : every(repeatAcrossMm, across.value - shift).map((y) => ({ x1: endMm, x2: made.lengthMm, y1: y + shift, y2: y + shift }))),
  ]
})
/** Marks along the cloth: every half metre, or every half yard. */
const marks = computed(() => {
  const step = prefs.units === 'in' ? 457.2 : 500
  return Array.from({ length: Math.floor((lay.value?.lengthMm ?? 0) / step) + 1 }, (_, i) => i * step)
})

/** How far the piece in hand has come, dots of the screen: it is moved on from there. */
let came: Point = { x: 0, y: 0 }
const { grab } = useDrag<string>({
  move(id, by) {
    const per = unitsPerDot(svg.value)
    move(id, { x: (by.x - came.x) * per, y: (by.y - came.y) * per })
    came = by
  },
})
function onDown(event: PointerEvent, { id }: LaidOnCloth) {
  chosenId.value = id
  came = { x: 0, y: 0 }
  grab(event, id)
}
/** A press moves by so much, with Shift by one millimetre. */
const STEP_MM = 10
function onKey(event: KeyboardEvent, { id }: LaidOnCloth) {
  const way = arrowOf(event)
  const step = event.shiftKey ? 1 : STEP_MM
  if (way) move(id, { x: way.x * step, y: way.y * step })
  else if (event.key === 't' || event.key === 'T') turn(id)
}
/** What is turned leaves the stripes that it was laid on. */
const canTurn = computed(
  () => chosen.value !== null && !lay.value?.cloth.isOneWay && lay.value?.cloth.repeatMm === 0 && lay.value.cloth.repeatAcrossMm === 0,
)
</script>

<template>
  <div v-if="lay && lay.laid.length" class="space-y-3">
    <div class="flex min-h-11 flex-wrap items-center gap-3">
      <p class="text-sm text-soft">Drag a piece, or move it by the arrow keys. Grain runs to the right.</p>
      <button v-if="canTurn && chosen" class="btn" data-test="turn-piece" @click="turn(chosen.id)">
        <RotateCw class="size-4" />Turn {{ chosen.name }}
      </button>
    </div>
    <svg
      ref="svg"
      :viewBox="view"
      class="max-h-[62vh] w-full touch-none"
      role="group"
      aria-label="Pieces on the cloth"
      data-test="cloth-table"
    >
      <rect
        x="0"
        y="0"
        :width="lay.openedAtMm ?? lay.lengthMm"
        :height="lay.acrossMm"
        fill="var(--panel)"
        stroke="var(--ink-soft)"
        vector-effect="non-scaling-stroke"
      />
      <rect
        v-if="lay.openedAtMm !== null"
        :x="lay.openedAtMm"
        y="0"
        :width="lay.lengthMm - lay.openedAtMm"
        :height="usableMm(lay.cloth)"
        fill="var(--panel)"
        stroke="var(--ink-soft)"
        vector-effect="non-scaling-stroke"
      />
      <g v-if="lay.cloth.isFolded">
        <line
          x1="0"
          y1="0"
          :x2="lay.openedAtMm ?? lay.lengthMm"
          y2="0"
          stroke="var(--note)"
          stroke-width="3"
          vector-effect="non-scaling-stroke"
        />
        <text x="0" y="-14" font-size="30" fill="var(--note)" font-weight="650">fold</text>
        <text v-if="lay.openedAtMm !== null" :x="lay.openedAtMm" y="-14" font-size="30" fill="var(--note)" font-weight="650">
          opened, one layer
        </text>
      </g>
      <g v-for="x in marks" :key="`m${x}`">
        <line :x1="x" :x2="x" :y1="across" :y2="across + 14" stroke="var(--ink-soft)" vector-effect="non-scaling-stroke" />
        <text :x="x" :y="across + 48" font-size="30" fill="var(--ink-soft)" text-anchor="middle">{{ prefs.length(x) }}</text>
      </g>
      <g
        v-for="{ l, at, cut, seam, size } in shown"
        :key="l.id"
        :transform="`translate(${l.xMm} ${l.yMm})`"
        tabindex="0"
        role="group"
        class="cursor-grab outline-none"
        :aria-label="`${l.name}${l.words ? ` ${l.words}` : ''}, ${prefs.length(l.xMm)} along, ${prefs.length(l.yMm)} across`"
        :data-test="`laid-${l.id}`"
        @focus="chosenId = l.id"
        @pointerdown="onDown($event, l)"
        @keydown="onKey($event, l)"
      >
        <path
          :d="cut"
          :fill="wrong.has(l.id) ? 'var(--fault-pale)' : 'var(--land)'"
          :stroke="wrong.has(l.id) ? 'var(--fault)' : chosenId === l.id ? 'var(--act)' : 'var(--ink)'"
          :stroke-width="chosenId === l.id ? 3.2 : 1.8"
          vector-effect="non-scaling-stroke"
        />
        <path :d="seam" fill="none" stroke="var(--ink-soft)" stroke-width="1" stroke-dasharray="5 4" vector-effect="non-scaling-stroke" />
        <circle v-for="(n, i) in l.notches" :key="i" :cx="n.x" :cy="n.y" r="5" fill="var(--ink)" />
        <path :d="arrow(at, size, l)" fill="none" stroke="var(--ink-soft)" stroke-width="1.3" vector-effect="non-scaling-stroke" />
        <text
          :x="at.x"
          :y="at.y"
          text-anchor="middle"
          dominant-baseline="central"
          class="font-display italic"
          :font-size="size"
          fill="var(--ink)"
        >
          {{ l.name }}
        </text>
        <text
          v-if="l.words"
          :x="at.x"
          :y="at.y + size * 0.95"
          text-anchor="middle"
          dominant-baseline="central"
          :font-size="size * 0.6"
          fill="var(--ink-soft)"
        >
          {{ l.words }}
        </text>
      </g>
      <!-- Over the pieces: so one sees that they meet. -->
      <g class="pointer-events-none" stroke="var(--act)" stroke-opacity="0.28" stroke-width="6">
        <line v-for="(line, i) in stripes" :key="`s${i}`" v-bind="line" />
      </g>
    </svg>
    <ul v-if="faults.length" class="space-y-1 text-fault" data-test="cloth-faults">
      <li v-for="f in faults" :key="f.words">{{ f.words }}</li>
    </ul>
    <p v-if="lay.unmatched.length" class="text-note" data-test="cloth-unmatched">
      Stripes do not meet at {{ lay.unmatched.join(', ') }}: a piece keeps to its own centre, or to the first one that it meets.
    </p>
  </div>
</template>
