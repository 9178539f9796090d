<script setup lang="ts">
import { computed } from 'vue'
import type { Handle } from '~~/core/changes'
import { add, dot, nearestPlace, scale, type Point } from '~~/core/geometry'
import { DEG, markMm } from '~~/core/units'
import { arrowOf, useDrag } from '~/composables/useDrag'
import { usePrefs } from '~/stores/prefs'

/** The handles of the open stop: dragged or moved by keys, they set its figures; each shows its own. */
const props = defineProps<{
  handles: { handle: Handle; at: Point }[]
  zoom: number
  /** Where the table begins, px, and how wide it is: a figure near its right or upper rim stands on the other side. */
  fromX: number
  fromY: number
  width: number
}>()
const emit = defineEmits<{ drag: [handle: Handle, byMm: number]; drop: [] }>()
const prefs = usePrefs()
/** How far above or below its handle a figure stands, and half its height, px. */
const LABEL_AWAY = 32
const LABEL_HALF = 16
/** How wide a figure is at least, what it has free at its ends, and about what a letter of it takes, px. */
const LEAST_WIDTH = 84
const ROUND_WORDS = 20
const LETTER = 6.6
/** Half the size of a handle, px. */
const HANDLE = 10
/** Least distance of a figure from the table's rim, px. */
const RIM = 6

interface Figure {
  x: number
  y: number
  width: number
}
/** No handle lies where a figure would stand, and no figure that already stands. */
const isFree = (figure: Figure, handles: Point[], standing: Figure[]) =>
  !handles.some((h) => Math.abs(h.x - figure.x) < figure.width / 2 + HANDLE && Math.abs(h.y - figure.y) < LABEL_HALF + HANDLE) &&
  !standing.some((f) => Math.abs(f.x - figure.x) < (f.width + figure.width) / 2 && Math.abs(f.y - figure.y) < 2 * LABEL_HALF)

const shown = computed(() => {
  const places = props.handles.map(({ at }) => ({ x: at.x * props.zoom + props.fromX, y: at.y * props.zoom + props.fromY }))
  const standing: Figure[] = []
  return props.handles.map(({ handle, at }, index) => {
    const { x, y } = places[index]!
    const labelled = handle.kind === 'level'
    const words = `${labelled ? `${handle.label} ` : ''}${prefs.length(handle.valueMm, { signed: handle.isGrowth })}`
    const width = Math.max(LEAST_WIDTH, ROUND_WORDS + LETTER * words.length)
    const flip = x + 15 + width > props.width
    // An amount has its figure above it, or below: beside it lies what it changes, a dart or an edge.
    const stacked = handle.kind === 'amount'
    // Near a rim it is pushed inward.
    const inward = stacked ? Math.min(0, props.width - RIM - width / 2 - x) + Math.max(0, width / 2 + RIM - x) : 0
    const above = { x: x + inward, y: y - LABEL_AWAY, width }
    const others = places.filter((_, i) => i !== index)
    const isAbove = y >= LABEL_AWAY + LABEL_HALF && isFree(above, others, standing)
    const away = !stacked ? 0 : isAbove ? -LABEL_AWAY : LABEL_AWAY
    standing.push({ x: stacked ? x + inward : x + (flip ? -1 : 1) * (15 + width / 2), y: y + away, width })
    // A line of the stop always shows its figure; a mark that only says where shows it when it is taken hold of.
    return { handle, at, words, width, flip, stacked, away, inward, quiet: labelled && !handle.line }
  })
})

const { grab } = useDrag<{ handle: Handle; alongMm: number }>({
  move({ handle, alongMm }, by) {
    const byMm = scale(by, 1 / props.zoom)
    // Along a line the place follows the hand to wherever is nearest on it.
    if (handle.track) emit('drag', handle, nearestPlace(handle.track, add(handle.at, byMm)).lengthMm - alongMm)
    else emit('drag', handle, snap(handle, dot(byMm, handle.axis) / (handle.pace ?? 1), markMm(prefs.ruler)))
  },
  drop: () => emit('drop'),
})
function onDown(event: PointerEvent, handle: Handle) {
  event.preventDefault()
  event.stopPropagation()
  ;(event.currentTarget as SVGElement).focus()
  grab(event, { handle, alongMm: handle.track ? nearestPlace(handle.track, handle.at).lengthMm : 0 })
}
/** Dragged figures come to rest on a ruler's mark. */
function snap(handle: Handle, byMm: number, step: number): number {
  if (handle.kind === 'level') return Math.round(byMm / step) * step
  return Math.round((handle.valueMm + byMm) / step) * step - handle.valueMm
}
function onHandleKey(event: KeyboardEvent, handle: Handle) {
  const arrow = arrowOf(event)
  if (!arrow) return
  event.stopPropagation()
  const way = arrow.x + arrow.y
  const step = markMm(prefs.ruler) * (event.shiftKey ? 8 : 1)
  emit('drag', handle, snap(handle, way * step, markMm(prefs.ruler)))
  emit('drop')
}
</script>

<template>
  <g>
    <g
      v-for="h in shown"
      :key="h.handle.id"
      data-handle
      :data-test="`handle-${h.handle.id}`"
      tabindex="0"
      role="slider"
      :aria-label="h.handle.kind === 'level' ? `Move ${h.handle.label} along the grain` : `Amount (${h.handle.label})`"
      :aria-valuenow="Math.round(h.handle.valueMm)"
      :aria-valuetext="prefs.length(h.handle.valueMm, { signed: h.handle.isGrowth })"
      :class="Math.abs(h.handle.axis.y) > Math.abs(h.handle.axis.x) ? 'cursor-ns-resize' : 'cursor-ew-resize'"
      @pointerdown="onDown($event, h.handle)"
      @keydown="onHandleKey($event, h.handle)"
    >
      <circle :cx="h.at.x" :cy="h.at.y" :r="22 / zoom" fill="transparent" />
      <circle :cx="h.at.x" :cy="h.at.y" :r="9 / zoom" fill="var(--panel)" stroke="var(--note)" :stroke-width="2.6 / zoom" />
      <path
        :d="`M${h.at.x - 4 / zoom} ${h.at.y - 2 / zoom}l${4 / zoom} ${-4 / zoom}l${4 / zoom} ${4 / zoom}M${h.at.x - 4 / zoom} ${h.at.y + 2 / zoom}l${4 / zoom} ${4 / zoom}l${4 / zoom} ${-4 / zoom}`"
        :transform="`rotate(${Math.atan2(h.handle.axis.y, h.handle.axis.x) * DEG - 90} ${h.at.x} ${h.at.y})`"
        fill="none"
        stroke="var(--note)"
        :stroke-width="1.8 / zoom"
      />
      <!-- Marks that say where (a hinge, a cut) show their figure when they are taken hold of. -->
      <g
        :transform="`translate(${h.at.x + (h.stacked ? h.inward : h.flip ? -15 : 15) / zoom} ${h.at.y + h.away / zoom}) scale(${1 / zoom})`"
        :class="h.quiet && 'quiet-label'"
      >
        <rect
          :x="h.stacked ? -h.width / 2 : h.flip ? -h.width : 0"
          y="-14"
          :width="h.width"
          height="28"
          rx="7"
          fill="var(--note-pale)"
          stroke="var(--note)"
        />
        <text :x="h.stacked ? 9 - h.width / 2 : h.flip ? 9 - h.width : 9" y="5.5" font-size="15" font-weight="600" fill="var(--note)">
          {{ h.words }}
        </text>
      </g>
    </g>
  </g>
</template>

<style scoped>
.quiet-label {
  visibility: hidden;
}
[data-handle]:hover .quiet-label,
[data-handle]:focus .quiet-label {
  visibility: visible;
}
</style>
