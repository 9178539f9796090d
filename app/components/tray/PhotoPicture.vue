<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom as makeZoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3-zoom'
import { Maximize, Minus, Plus } from 'lucide-vue-next'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { Point } from '~~/core/geometry'
import type { Corners, PhotographedOutline } from '~~/core/photograph'
import { arrowOf, useDrag } from '~/composables/useDrag'
import { isOn } from '~/typed'

/** A photograph with what was read of it laid over: outlines to take in or out, four places to drag, marks. */
const props = defineProps<{
  url: string
  name: string
  widthPx: number
  heightPx: number
  outlines: readonly PhotographedOutline[]
  leftOut: readonly number[]
  corners: Corners | null
  /** The four places are those of a rectangle, and not of two rulers. */
  isRectangle: boolean
  marks: readonly (Point | null)[]
  isMarking: boolean
}>()
const emit = defineEmits<{ flip: [outline: number]; corners: [corners: Corners]; mark: [place: Point] }>()

const frame = useTemplateRef('frame')
const svg = useTemplateRef('svg')
const { width, height } = useElementSize(frame)
const view = ref({ x: 0, y: 0, k: 1 })
let behaviour: ZoomBehavior<SVGSVGElement, unknown> | null = null
/** Room around the picture where it is shown whole, dots of the screen. */
const RIM = 12

function fit() {
  if (!svg.value || !behaviour || width.value === 0) return
  const k = Math.min((width.value - 2 * RIM) / props.widthPx, (height.value - 2 * RIM) / props.heightPx)
  const at = zoomIdentity.translate((width.value - props.widthPx * k) / 2, (height.value - props.heightPx * k) / 2).scale(k)
  select(svg.value).call(behaviour.transform, at)
}
const zoomBy = (factor: number) => void (svg.value && behaviour && select(svg.value).call(behaviour.scaleBy, factor))
onMounted(() => {
  behaviour = makeZoom<SVGSVGElement, unknown>()
    .scaleExtent([0.05, 8])
    .filter((event: Event) => !isOn(event, '[data-handle]') && !(event as MouseEvent).button)
    .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => (view.value = event.transform))
  select(svg.value!).call(behaviour).on('dblclick.zoom', null)
  fit()
})
watch([width, height, () => props.url], fit)

const px = (n: number) => n / view.value.k
const toData = (points: readonly Point[]) =>
  `${points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('')}Z`

/** The places while one of them is dragged. */
const dragged = ref<readonly Point[] | null>(null)
const shown = computed<readonly Point[] | null>(() => dragged.value ?? props.corners)
function placeOf(event: MouseEvent): Point {
  const box = svg.value!.getBoundingClientRect()
  return { x: (event.clientX - box.left - view.value.x) / view.value.k, y: (event.clientY - box.top - view.value.y) / view.value.k }
}
const moved = (index: number, by: Point): Corners | null =>
  props.corners && (props.corners.map((p, i) => (i === index ? { x: p.x + by.x, y: p.y + by.y } : p)) as [Point, Point, Point, Point])
const { grab } = useDrag<number>({
  move: (index, by) => (dragged.value = moved(index, { x: px(by.x), y: px(by.y) })),
  drop(index, by) {
    dragged.value = null
    // A hand that only touched it has moved nothing.
    const corners = by && Math.hypot(by.x, by.y) > 1 ? moved(index, { x: px(by.x), y: px(by.y) }) : null
    if (corners) emit('corners', corners)
  },
})
function nudge(index: number, event: KeyboardEvent) {
  const way = arrowOf(event)
  const by = event.shiftKey ? 10 : 1
  const corners = way && moved(index, { x: way.x * by, y: way.y * by })
  if (corners) emit('corners', corners)
}
function onClick(event: MouseEvent) {
  if (props.isMarking && !isOn(event, '[data-handle]')) emit('mark', placeOf(event))
}
const flip = (index: number) => {
  if (!props.isMarking) emit('flip', index)
}
</script>

<template>
  <div ref="frame" class="relative h-full w-full bg-water">
    <svg
      ref="svg"
      class="h-full w-full touch-none"
      :class="isMarking ? 'cursor-crosshair' : 'cursor-grab'"
      role="group"
      :aria-label="`Photograph ${name} with what was read of it`"
      data-test="photo-picture"
      @click="onClick"
    >
      <g :transform="`translate(${view.x} ${view.y}) scale(${view.k})`">
        <image :href="url" :width="widthPx" :height="heightPx" preserveAspectRatio="none" />
        <g
          v-for="(o, i) in outlines"
          :key="i"
          role="button"
          tabindex="0"
          class="cursor-pointer outline-none focus-visible:[&>path]:stroke-[#a21063]"
          :aria-pressed="!leftOut.includes(i)"
          :aria-label="`Outline ${i + 1}: ${leftOut.includes(i) ? 'left out' : 'taken in'}`"
          :data-test="`photo-outline-${i}`"
          @click="flip(i)"
          @keydown.enter.prevent="flip(i)"
          @keydown.space.prevent="flip(i)"
        >
          <path :d="toData(o.seen)" fill="transparent" stroke="#ffffff" :stroke-width="px(leftOut.includes(i) ? 3 : 5)" />
          <path
            :d="toData(o.seen)"
            :fill="leftOut.includes(i) ? 'none' : '#14476b'"
            fill-opacity="0.14"
            :stroke="leftOut.includes(i) ? '#475569' : '#14476b'"
            :stroke-width="px(2.4)"
            :stroke-dasharray="leftOut.includes(i) ? `${px(7)} ${px(5)}` : undefined"
          />
        </g>
        <template v-if="shown">
          <path
            :d="
              isRectangle
                ? toData(shown)
                : `M${shown[1]!.x} ${shown[1]!.y}L${shown[0]!.x} ${shown[0]!.y}M${shown[2]!.x} ${shown[2]!.y}L${shown[3]!.x} ${shown[3]!.y}`
            "
            fill="none"
            stroke="#a21063"
            :stroke-width="px(2)"
            pointer-events="none"
          />
          <g
            v-for="(c, i) in shown"
            :key="`c${i}`"
            data-handle
            role="button"
            tabindex="0"
            class="cursor-move"
            :pointer-events="isMarking ? 'none' : undefined"
            :aria-label="`Place ${i + 1} of four; arrow keys move it`"
            :data-test="`photo-corner-${i}`"
            @pointerdown="grab($event, i)"
            @keydown="nudge(i, $event)"
          >
            <circle :cx="c.x" :cy="c.y" :r="px(14)" fill="#ffffff" fill-opacity="0.25" stroke="#ffffff" :stroke-width="px(4)" />
            <circle :cx="c.x" :cy="c.y" :r="px(14)" fill="none" stroke="#a21063" :stroke-width="px(2)" />
            <path
              :d="`M${c.x - px(6)} ${c.y}H${c.x + px(6)}M${c.x} ${c.y - px(6)}V${c.y + px(6)}`"
              stroke="#a21063"
              :stroke-width="px(1.4)"
            />
          </g>
        </template>
        <template v-for="(m, i) in marks" :key="`m${i}`">
          <g v-if="m" pointer-events="none" :data-test="`photo-mark-${i}`">
            <circle :cx="m.x" :cy="m.y" :r="px(4)" fill="none" stroke="#ffffff" :stroke-width="px(4)" />
            <circle :cx="m.x" :cy="m.y" :r="px(4)" fill="none" stroke="#a21063" :stroke-width="px(2)" />
            <text
              :x="m.x + px(9)"
              :y="m.y - px(7)"
              :font-size="px(17)"
              font-weight="700"
              fill="#a21063"
              stroke="#ffffff"
              :stroke-width="px(4)"
              paint-order="stroke"
            >
              {{ i + 1 }}
            </text>
          </g>
        </template>
      </g>
    </svg>
    <div class="absolute right-3 bottom-3 flex rounded-lg border border-edge bg-panel">
      <button class="btn-quiet" aria-label="Zoom in" @click="zoomBy(1.4)"><Plus class="size-5" /></button>
      <button class="btn-quiet" aria-label="Zoom out" @click="zoomBy(0.7)"><Minus class="size-5" /></button>
      <button class="btn-quiet" aria-label="Show all" @click="fit"><Maximize class="size-5" /></button>
    </div>
  </div>
</template>
