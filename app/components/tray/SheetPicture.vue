<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { toPathData, type Drawing } from '~~/core/formats'
import { boundsOf, joinBoxes } from '~~/core/geometry'
import { ASIDES } from '~~/core/import'
import type { TrayPiece } from '~/data/tray-row'

/** The whole sheet as it came: what is taken for a piece is filled, what is not is dashed; a click takes an outline in or out. */
const props = defineProps<{ drawing: Drawing | null; times: number; pieces: readonly TrayPiece[]; chosenId: string }>()
const emit = defineEmits<{ flip: [id: string] }>()
const frame = useTemplateRef('frame')
const { width, height } = useElementSize(frame)

/** Words beyond these are small print, and are not shown. */
const MOST_WORDS = 600
/** Around the sheet, dots of the screen; there is more above for what a click does. */
const RIM = { top: 72, side: 20 }
/** Letters of names on the screen, dots; a letter is about so much of that wide. */
const LETTER = 14
const LETTER_WIDE = 0.62

const outlines = computed(() =>
  props.pieces
    .map((piece) => {
      const box = joinBoxes(piece.draft.edges.map((e) => boundsOf(e.path)))
      const d = piece.draft.edges.map((e, i) => toPathData(e.path).replace(/^M/, i === 0 ? 'M' : 'L')).join('')
      return { piece, box, d, area: (box.maxX - box.minX) * (box.maxY - box.minY) }
    })
    // The larger lie under the smaller, so that each can be clicked.
    .sort((a, b) => b.area - a.area),
)
const shapes = computed(() => [...(props.drawing?.shapes ?? []), ...(props.drawing?.apart ?? [])])
const box = computed(() => {
  const drawn = shapes.value.map((s) => boundsOf(s.path)).map((b) => scaled(b))
  return joinBoxes([...drawn, ...outlines.value.map((o) => o.box)])
})
const scaled = (b: ReturnType<typeof boundsOf>) => ({
  minX: b.minX * props.times,
  minY: b.minY * props.times,
  maxX: b.maxX * props.times,
  maxY: b.maxY * props.times,
})
const dot = computed(() => {
  const wide = Math.max(200, width.value - 2 * RIM.side)
  const high = Math.max(200, height.value - RIM.top - RIM.side)
  return Math.max((box.value.maxX - box.value.minX) / wide, (box.value.maxY - box.value.minY) / high)
})
const view = computed(() => {
  const w = Math.max(width.value, 200) * dot.value
  const h = Math.max(height.value, 200) * dot.value
  const down = (RIM.top - RIM.side) / 2
  return `${(box.value.minX + box.value.maxX) / 2 - w / 2} ${(box.value.minY + box.value.maxY) / 2 - h / 2 - down * dot.value} ${w} ${h}`
})
const nameOf = ({ draft, aside, taken }: TrayPiece) => (aside && !taken ? ASIDES[aside].name : draft.name)
/** A name fits into its outline; null where it would be too small to read, or lie in the middle of a frame’s pieces. */
function letters({ piece, box: b }: (typeof outlines.value)[number]): number | null {
  if (piece.aside === 'frame') return null
  const most = (b.maxX - b.minX) / (nameOf(piece).length * LETTER_WIDE)
  const size = Math.min(LETTER * dot.value, most, (b.maxY - b.minY) * 0.8)
  return size >= LETTER * 0.6 * dot.value ? size : null
}
const words = computed(() =>
  (props.drawing?.texts ?? []).slice(0, MOST_WORDS).map((t) => ({
    text: t.text,
    size: t.heightMm * props.times,
    at: `translate(${t.at.x * props.times} ${t.at.y * props.times}) rotate(${(Math.atan2(t.end.y - t.at.y, t.end.x - t.at.x) * 180) / Math.PI})`,
  })),
)
</script>

<template>
  <div ref="frame" class="h-full w-full bg-water">
    <svg :viewBox="view" class="h-full w-full" role="group" aria-label="The whole sheet" data-test="sheet-picture">
      <g
        v-for="o in outlines"
        :key="o.piece.draft.id"
        role="checkbox"
        tabindex="0"
        class="cursor-pointer"
        :aria-checked="o.piece.taken"
        :aria-label="nameOf(o.piece)"
        :data-test="`sheet-${o.piece.draft.id}`"
        @click="emit('flip', o.piece.draft.id)"
        @keydown.space.prevent="emit('flip', o.piece.draft.id)"
        @keydown.enter.prevent="emit('flip', o.piece.draft.id)"
      >
        <title>{{ nameOf(o.piece) }}: {{ o.piece.taken ? 'a piece' : 'left out' }}</title>
        <path
          :d="`${o.d}Z`"
          :fill="o.piece.taken ? 'var(--land)' : 'transparent'"
          :stroke="o.piece.draft.id === chosenId ? 'var(--note)' : o.piece.taken ? 'var(--ink)' : 'var(--loss)'"
          :stroke-width="o.piece.draft.id === chosenId ? 4 : 2"
          :stroke-dasharray="o.piece.taken ? undefined : '7 5'"
          vector-effect="non-scaling-stroke"
        />
      </g>
      <g class="pointer-events-none">
        <path
          v-for="s in shapes"
          :key="s.index"
          :d="toPathData(s.path, s.closed)"
          :transform="`scale(${times})`"
          fill="none"
          stroke="var(--ink-soft)"
          stroke-width="0.8"
          vector-effect="non-scaling-stroke"
        />
        <text v-for="(t, i) in words" :key="`w${i}`" :transform="t.at" :font-size="t.size" fill="var(--ink-soft)">{{ t.text }}</text>
        <template v-for="o in outlines" :key="`n${o.piece.draft.id}`">
          <text
            v-if="letters(o)"
            :x="(o.box.minX + o.box.maxX) / 2"
            :y="(o.box.minY + o.box.maxY) / 2"
            text-anchor="middle"
            dominant-baseline="central"
            :font-size="letters(o)!"
            font-weight="650"
            :fill="o.piece.taken ? 'var(--ink)' : 'var(--loss)'"
            paint-order="stroke"
            :stroke="o.piece.taken ? 'var(--land)' : 'var(--water)'"
            :stroke-width="4 * dot"
            stroke-linejoin="round"
          >
            {{ nameOf(o.piece) }}
          </text>
        </template>
      </g>
    </svg>
  </div>
</template>
