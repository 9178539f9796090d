<script setup lang="ts">
import { select } from 'd3-selection'
import { zoom as makeZoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3-zoom'
import { Layers2, Maximize, Minus, Plus } from 'lucide-vue-next'
import { useElementSize } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import type { Applied, Handle } from '~~/core/changes'
import type { Layout } from '~~/core/paper'
import { dot, type Point } from '~~/core/geometry'
import { openLike } from '~~/core/moves'
import { toPathData } from '~~/core/formats'
import { grainDirection, outlineOf, shapeOf, type Garment, type Piece } from '~~/core/pattern'
import { INCH_MM } from '~~/core/units'
import { useFrameLater } from '~/composables/useFrameLater'
import { lineOfSize, type SizeLine } from '~/composables/useSizeLines'
import { usePrefs } from '~/stores/prefs'
import { isOn } from '~/typed'
import { MOVE_DONE_PART } from '~~/core/tolerances'

/** The table: pieces laid out over water, pan and zoom, the lines and handles of the stop that is open. */
const props = defineProps<{
  original: Garment
  from: Garment
  to: Garment
  t: number
  layout: Layout
  applied: Applied | null
  /** 0 before the open stop, 1 after it. */
  progress: number
  handles: Handle[]
  touchedIds: string[]
  /** Garments after other ways to do the open stop. */
  ghosts: Garment[]
  /** All sizes of the nest are drawn. */
  showSizes: boolean
}>()
const emit = defineEmits<{
  drag: [handle: Handle, byMm: number]
  drop: []
  /** To a place inside the open stop, 0 to 1. */ step: [progress: number]
  /** Show the nest, or only the base size. */ sizes: []
}>()

const prefs = usePrefs()
const frame = ref<HTMLElement | null>(null)
const svg = ref<SVGSVGElement | null>(null)
const view = shallowRef({ x: 0, y: 0, k: 1 })
const { width: tableWidth, height } = useElementSize(frame)
let behaviour: ZoomBehavior<SVGSVGElement, unknown> | null = null
let touched = false

/** Room kept free around the pieces when they are fitted, px; below it the legend needs its own. */
const RIM = 34
const LEGEND = 74
/** And for the line of each size above it. */
const SIZE_KEY = 30
/** Room above the pieces while moves can be played, px: what each is called stands there. */
const CAPTION = 44

/** The moves of the open stop, piece by piece; pieces are worked on at the same time. */
const movesOf = (pieceId: string) => props.applied?.moves?.filter((m) => m.pieceId === pieceId) ?? []
const steps = computed(() => Math.max(0, ...(props.applied?.moves ?? []).map((m) => movesOf(m.pieceId).length)))
const playing = computed(() => steps.value > 0 && props.progress > 0 && props.progress < 1)
const caption = computed(() => (steps.value > 0 ? CAPTION : 0))
const legend = computed(() => LEGEND + (props.showSizes ? SIZE_KEY * Math.ceil(props.to.sizes.length / 10) : 0))

function fit() {
  if (!svg.value || !behaviour || tableWidth.value === 0) return
  const k = Math.min(
    (tableWidth.value - 2 * RIM) / Math.max(props.layout.widthMm, 1),
    (height.value - 2 * RIM - legend.value - caption.value) / Math.max(props.layout.heightMm, 1),
  )
  const x = (tableWidth.value - props.layout.widthMm * k) / 2
  const y = caption.value + (height.value - legend.value - caption.value - props.layout.heightMm * k) / 2
  select(svg.value).call(behaviour.transform, zoomIdentity.translate(x, y).scale(k))
  touched = false
}
function zoomBy(factor: number) {
  if (svg.value && behaviour) select(svg.value).call(behaviour.scaleBy, factor)
}
function panBy(dx: number, dy: number) {
  if (svg.value && behaviour) select(svg.value).call(behaviour.translateBy, dx / view.value.k, dy / view.value.k)
}
onMounted(() => {
  behaviour = makeZoom<SVGSVGElement, unknown>()
    .scaleExtent([0.05, 12])
    .filter((event: Event) => !isOn(event, '[data-handle]') && !(event as MouseEvent).button)
    .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => {
      view.value = event.transform
      if (event.sourceEvent) touched = true
    })
  select(svg.value!).call(behaviour).on('dblclick.zoom', null)
  fit()
})
watch([tableWidth, height, caption, legend, () => props.layout], () => {
  if (!touched) fit()
})

function onKey(event: KeyboardEvent) {
  if (isOn(event, '[data-handle]')) return
  const moves: Record<string, () => void> = {
    ArrowLeft: () => panBy(60, 0),
    ArrowRight: () => panBy(-60, 0),
    ArrowUp: () => panBy(0, 60),
    ArrowDown: () => panBy(0, -60),
    '+': () => zoomBy(1.25),
    '=': () => zoomBy(1.25),
    '-': () => zoomBy(0.8),
    '0': fit,
  }
  const move = moves[event.key]
  if (!move) return
  event.preventDefault()
  touched = event.key !== '0'
  move()
}

const grid = computed(() => {
  const fine = prefs.units === 'in' ? INCH_MM : 10
  const strong = prefs.units === 'in' ? 6 : 10
  return { fine, strong: fine * strong }
})

/** How many moves are done, with the one at hand as a fraction. */
const movesDone = computed(() => props.progress * steps.value)
const moveAt = computed(() => Math.min(steps.value, Math.floor(movesDone.value + MOVE_DONE_PART) + 1))
const moveLabel = computed(() => {
  const first = props.applied?.moves?.[0]
  return first ? (movesOf(first.pieceId)[moveAt.value - 1]?.label ?? '') : ''
})
/** The pieces as bought, opened out like those that are shown. */
const bought = computed(() => openLike(props.original, props.t >= 1 ? props.to : props.from))
const pieces = computed(() => {
  const size = props.original.baseSizeId
  return props.layout.pieces.flatMap((laid) => {
    const piece = props.to.pieces.find((p) => p.id === laid.pieceId)
    // One that is made by this stop is not there before it.
    const from = props.from.pieces.find((p) => p.id === laid.pieceId) ?? (props.t >= 1 ? piece : undefined)
    const original = bought.value.pieces.find((p) => p.id === laid.pieceId)
    if (!piece || !from || !original) return []
    const at = (p: Piece) => ({ piece: p, shape: shapeOf(p, size) })
    return [{ laid, piece, original: at(original), before: at(from), after: at(piece) }]
  })
})

/** The line that each size is drawn with. */
const sizeLines = computed(() =>
  props.to.sizes.map((s, i): SizeLine => ({ id: s.id, name: s.name, line: lineOfSize(i, s.id === props.original.baseSizeId) })),
)
/** All other sizes of a piece: a hundred dashed lines on a large garment, so they come after the pieces. */
const nests = useFrameLater(
  () => {
    const sizes = sizeLines.value.filter((s) => s.id !== props.original.baseSizeId)
    return props.showSizes ? props.to.pieces.map((piece) => ({ id: piece.id, piece, sizes })) : []
  },
  () => props.layout,
)

/** Other ways to do the open stop, as outlines with a line of their own each. */
const GHOST_DASHES = ['2 4', '9 4 2 4', '14 6']
const ghostsOf = (pieceId: string) =>
  props.ghosts.flatMap((garment, i) => {
    const piece = garment.pieces.find((p) => p.id === pieceId)
    if (!piece || !props.touchedIds.includes(pieceId)) return []
    return [
      { letter: i, d: toPathData(outlineOf(piece, shapeOf(piece, garment.baseSizeId)), true), dash: GHOST_DASHES[i % GHOST_DASHES.length] },
    ]
  })

const place = (pieceId: string, p: Point): Point => {
  const laid = props.layout.pieces.find((l) => l.pieceId === pieceId)
  return { x: p.x + (laid?.dx ?? 0), y: p.y + (laid?.dy ?? 0) }
}

/** Lines of the open stop; those below another move with the paper above them. */
const levels = computed(() => {
  if (!props.applied) return []
  const size = props.original.baseSizeId
  return props.applied.touched.flatMap((t) => {
    const piece = props.from.pieces.find((p) => p.id === t.pieceId)
    if (!piece) return []
    const grain = grainDirection(shapeOf(piece, size))
    return t.levels.map((l) => {
      const above = t.levels.filter((o) => dot(o.line.from, grain) < dot(l.line.from, grain))
      const by = above.reduce((s, o) => s + o.amountMm, 0) * props.progress
      const move = (p: Point) => place(t.pieceId, { x: p.x + grain.x * by, y: p.y + grain.y * by })
      return {
        key: `${t.pieceId}:${l.id}`,
        from: move(l.line.from),
        to: move(l.line.to),
        amountMm: l.amountMm,
        asked: t.how === 'asked',
        shift: { x: grain.x * by, y: grain.y * by },
        id: l.id,
      }
    })
  })
})

/** Handles where they lie on the table; one on a line of the stop goes with that line. */
const placed = computed(() =>
  props.handles.map((h) => {
    const level = h.kind === 'level' ? levels.value.find((l) => l.asked && `level:${l.id}` === h.id) : null
    return { handle: h, at: level ? level.to : place(h.pieceId, h.at) }
  }),
)
</script>

<template>
  <div ref="frame" class="relative h-full overflow-hidden bg-water">
    <!-- The table can be moved by keyboard, so it takes focus. -->
    <svg
      ref="svg"
      class="h-full w-full touch-none select-none"
      role="application"
      tabindex="0"
      aria-label="Table with the pattern pieces. Arrow keys move it, plus and minus zoom, zero fits all."
      data-test="table"
      @keydown="onKey"
    >
      <ReshapeTableHatches :zoom="view.k" />
      <ReshapeTableGrid :view="view" :width="tableWidth" :height="height" :fine-mm="grid.fine" :strong-mm="grid.strong" />
      <g :transform="`translate(${view.x} ${view.y}) scale(${view.k})`">
        <g v-for="p in pieces" :key="p.piece.id" :transform="`translate(${p.laid.dx} ${p.laid.dy})`">
          <ReshapePieceOnTable
            :original="p.original"
            :before="p.before"
            :after="p.after"
            :t="playing && movesOf(p.piece.id).length > 0 ? 0 : t"
            :zoom="view.k"
            :taken="handles.filter((h) => h.pieceId === p.piece.id).map((h) => h.at)"
            :dimmed="touchedIds.length > 0 && !touchedIds.includes(p.piece.id)"
          />
          <path
            v-for="g in ghostsOf(p.piece.id)"
            :key="g.letter"
            :d="g.d"
            fill="none"
            stroke="var(--note)"
            stroke-width="1.6"
            :stroke-dasharray="g.dash"
            vector-effect="non-scaling-stroke"
            data-test="ghost"
          />
          <ReshapeMovesOnTable
            v-if="playing && movesOf(p.piece.id).length > 0"
            :moves="movesOf(p.piece.id)"
            :at="movesDone"
            :zoom="view.k"
          />
          <template v-for="n in nests" :key="n.id">
            <ReshapeNestLines v-if="n.id === p.piece.id" :piece="n.piece" :sizes="n.sizes" />
          </template>
        </g>
        <template v-if="progress > 0 && applied?.arrows">
          <g v-for="p in pieces" :key="p.piece.id" :transform="`translate(${p.laid.dx} ${p.laid.dy})`">
            <ReshapeGradeArrows :arrows="applied.arrows.filter((a) => a.pieceId === p.piece.id)" :zoom="view.k" />
          </g>
        </template>
        <g v-for="l in levels" :key="l.key">
          <line
            :x1="l.from.x"
            :y1="l.from.y"
            :x2="l.to.x"
            :y2="l.to.y"
            stroke="var(--note)"
            :stroke-width="l.asked ? 2.4 : 1.8"
            :stroke-dasharray="l.asked ? undefined : '9 5'"
            vector-effect="non-scaling-stroke"
          />
        </g>
        <ReshapeTableHandles
          :handles="placed"
          :zoom="view.k"
          :from-x="view.x"
          :from-y="view.y"
          :width="tableWidth"
          @drag="(h: Handle, by: number) => emit('drag', h, by)"
          @drop="emit('drop')"
        />
      </g>
    </svg>
    <ReshapeMoveSteps v-if="steps > 0" :steps="steps" :done="movesDone" :label="moveLabel" @step="emit('step', $event)" />
    <div class="absolute bottom-3 left-3 flex gap-1 rounded-lg border border-edge bg-panel p-0.5">
      <button class="btn-quiet" aria-label="Zoom in" @click="zoomBy(1.25)"><Plus class="size-5" /></button>
      <button class="btn-quiet" aria-label="Zoom out" @click="zoomBy(0.8)"><Minus class="size-5" /></button>
      <button class="btn-quiet" aria-label="Fit all pieces" data-test="fit" @click="fit"><Maximize class="size-5" /></button>
      <button
        v-if="to.sizes.length > 1"
        class="btn-quiet"
        :class="showSizes && 'bg-act-pale'"
        :aria-pressed="showSizes"
        aria-label="Show all sizes"
        title="Show all sizes"
        data-test="show-sizes"
        @click="emit('sizes')"
      >
        <Layers2 class="size-5" />
      </button>
    </div>
    <ReshapeTableLegend :sizes="showSizes ? sizeLines : []" />
  </div>
</template>
