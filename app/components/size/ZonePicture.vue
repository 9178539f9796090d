<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { boundsOf, dot, joinBoxes, type Point } from '~~/core/geometry'
import { toPathData } from '~~/core/formats'
import { bestLayout } from '~~/core/paper'
import { grainDirection, outlineOf, shapeOf, type Garment } from '~~/core/pattern'
import { zoneLine, type Zone } from '~~/core/measure'
import type { Sizing } from '~~/core/size'
import { markMm } from '~~/core/units'
import { arrowOf, useDrag } from '~/composables/useDrag'
import { lineOfSize } from '~/composables/useSizeLines'
import { usePrefs } from '~/stores/prefs'

/** The pieces in all their sizes, nested, with the bands at which each zone is measured; a band can be moved. */
const props = defineProps<{ garment: Garment; zones: Zone[]; shifts: Sizing['shiftsMm']; lit: string | null }>()
const emit = defineEmits<{ shift: [zoneId: string, byMm: number]; light: [zoneId: string] }>()
const prefs = usePrefs()
const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame)
const base = computed(() => props.garment.baseSizeId)

/** Room around the pieces, px. */
const RIM = 12
const scaleOf = (l: { widthMm: number; heightMm: number }) =>
  Math.min((width.value - 2 * RIM) / Math.max(l.widthMm, 1), (height.value - 2 * RIM) / Math.max(l.heightMm, 1))
/** The layout that shows the pieces largest in this frame. */
const layout = computed(() => {
  const footprints = props.garment.pieces.map((p) => ({
    pieceId: p.id,
    box: joinBoxes(props.garment.sizes.map((s) => boundsOf(outlineOf(p, shapeOf(p, s.id))))),
  }))
  return bestLayout(footprints, { width: width.value - 2 * RIM, height: height.value - 2 * RIM }, 50)
})
const k = computed(() => Math.max(0.02, scaleOf(layout.value)))
const pieces = computed(() =>
  layout.value.pieces.map((laid) => {
    const piece = props.garment.pieces.find((p) => p.id === laid.pieceId)!
    return {
      piece,
      laid,
      outlines: props.garment.sizes.map((s, i) => ({
        id: s.id,
        d: toPathData(outlineOf(piece, shapeOf(piece, s.id)), true),
        line: lineOfSize(i, s.id === base.value),
      })),
      bands: props.zones.flatMap((zone) =>
        zone.parts
          .filter((part) => part.pieceId === piece.id)
          .flatMap((part) => {
            const line = zoneLine(props.garment, part, base.value, props.shifts[zone.id]?.[piece.id] ?? 0)
            return line ? [{ zone, line, down: grainDirection(shapeOf(piece, base.value)) }] : []
          }),
      ),
    }
  }),
)
/** How far the lit band has been dragged down the grain so far, mm. */
const moved = ref(0)
const { grab } = useDrag<{ zoneId: string; down: Point }>({
  move: ({ down }, by) => (moved.value = dot(by, down) / k.value),
  drop({ zoneId }, by) {
    const step = markMm(prefs.ruler)
    const byMm = by ? Math.round(moved.value / step) * step : 0
    moved.value = 0
    if (byMm !== 0) emit('shift', zoneId, byMm)
  },
})
function onDown(event: PointerEvent, zoneId: string, down: Point) {
  emit('light', zoneId)
  grab(event, { zoneId, down })
}
function onKey(event: KeyboardEvent, zoneId: string) {
  const way = arrowOf(event)
  if (way && way.y !== 0) emit('shift', zoneId, way.y * markMm(prefs.ruler) * (event.shiftKey ? 8 : 1))
}
</script>

<template>
  <div ref="frame" class="relative h-full w-full bg-water">
    <svg :width="width" :height="height" class="absolute inset-0">
      <g :transform="`translate(${RIM} ${RIM}) scale(${k})`">
        <g v-for="p in pieces" :key="p.piece.id" :transform="`translate(${p.laid.dx} ${p.laid.dy})`">
          <path
            v-for="o in p.outlines"
            :key="o.id"
            :d="o.d"
            :fill="o.id === base ? 'var(--land)' : 'none'"
            :fill-opacity="o.id === base ? 0.85 : undefined"
            stroke="var(--ink)"
            :stroke-width="o.line.width"
            :stroke-dasharray="o.line.dash"
            vector-effect="non-scaling-stroke"
          />
          <g
            v-for="b in p.bands"
            :key="b.zone.id"
            tabindex="0"
            role="slider"
            :aria-label="`${b.zone.name} on ${p.piece.name}: move the band`"
            :aria-valuenow="Math.round(shifts[b.zone.id]?.[p.piece.id] ?? 0)"
            :aria-valuetext="prefs.length(shifts[b.zone.id]?.[p.piece.id] ?? 0, { signed: true })"
            class="cursor-ns-resize"
            :data-test="`band-${b.zone.id}-${p.piece.id}`"
            @pointerdown="onDown($event, b.zone.id, b.down)"
            @keydown="onKey($event, b.zone.id)"
            @focus="emit('light', b.zone.id)"
          >
            <line :x1="b.line.from.x" :y1="b.line.from.y" :x2="b.line.to.x" :y2="b.line.to.y" stroke="transparent" :stroke-width="18 / k" />
            <line
              :x1="b.line.from.x"
              :y1="b.line.from.y + (lit === b.zone.id ? moved : 0)"
              :x2="b.line.to.x"
              :y2="b.line.to.y + (lit === b.zone.id ? moved : 0)"
              :stroke="lit === b.zone.id ? 'var(--note)' : 'var(--act)'"
              :stroke-width="lit === b.zone.id ? 4 : 2"
              vector-effect="non-scaling-stroke"
            />
            <text
              :x="
                b.zone.id === 'high-bust'
                  ? b.line.from.x + 8 / k
                  : b.zone.id === 'bust'
                    ? b.line.to.x - 8 / k
                    : (b.line.from.x + b.line.to.x) / 2
              "
              :y="b.line.from.y + (b.zone.id === 'bust' ? 14 : -5) / k"
              :font-size="12 / k"
              :text-anchor="b.zone.id === 'high-bust' ? 'start' : b.zone.id === 'bust' ? 'end' : 'middle'"
              :fill="lit === b.zone.id ? 'var(--note)' : 'var(--ink)'"
              font-weight="600"
            >
              {{ b.zone.name }}
            </text>
          </g>
        </g>
      </g>
    </svg>
  </div>
</template>
