<script setup lang="ts">
import { ROLE_NAMES } from '~~/core/pattern'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { toPathData } from '~~/core/formats'
import { boundsOf, joinBoxes, measureLength, placeAt, type Point } from '~~/core/geometry'
import { isUnnamed } from '~~/core/import'
import { lineOfSize } from '~/composables/useSizeLines'
import type { TrayPiece } from '~/data/tray-row'

/** One outline from the tray, large: click an edge to name it, or the outline to set a notch or a corner. */
const props = defineProps<{
  piece: TrayPiece
  edge: number
  mode: 'edges' | 'notches' | 'corners' | 'within' | 'pair'
  /** The corner that is being paired, and in which size. */ pairing?: { sizeName: string; corner: number } | null
}>()
/** A name stands beside its edge, and not over it, from this slant on. */
const ASIDE = 0.15
const emit = defineEmits<{ edge: [index: number]; place: [at: Point]; within: [part: 'lines' | 'points', index: number] }>()
const frame = ref<HTMLElement | null>(null)
const svg = ref<SVGSVGElement | null>(null)
const { width, height } = useElementSize(frame)

const box = computed(() =>
  joinBoxes([...props.piece.draft.edges.map((e) => e.path), ...props.piece.draft.sizes.map((s) => s.path)].map(boundsOf)),
)
const scale = computed(() => {
  const w = box.value.maxX - box.value.minX
  const h = box.value.maxY - box.value.minY
  return Math.max(0.05, Math.min((Math.max(width.value, 200) - 220) / w, (Math.max(height.value, 200) - 150) / h))
})
const view = computed(() => {
  const w = Math.max(width.value, 200) / scale.value
  const h = Math.max(height.value, 200) / scale.value
  return `${(box.value.minX + box.value.maxX) / 2 - w / 2} ${(box.value.minY + box.value.maxY) / 2 - h / 2 - 26 / scale.value} ${w} ${h}`
})
const px = (n: number) => n / scale.value
const edges = computed(() =>
  props.piece.draft.edges.map((e, i) => {
    const middle = placeAt(e.path, measureLength(e.path) / 2)
    // Outside of a clockwise outline is to the left of travel.
    const out = { x: middle.tangent.y, y: -middle.tangent.x }
    return {
      i,
      d: toPathData(e.path),
      isUnnamed: isUnnamed(e),
      isLeg: e.role === 'dart-leg',
      label: `${isUnnamed(e) ? `edge ${i + 1}?` : e.role === 'other' ? 'plain edge' : ROLE_NAMES[e.role]}${e.fold ? ' (fold)' : ''}`,
      fold: e.fold,
      at: { x: middle.point.x + out.x * px(12), y: middle.point.y + out.y * px(14) + px(4) },
      anchor: out.x > ASIDE ? 'start' : out.x < -ASIDE ? 'end' : 'middle',
      start: e.path[0]!.from,
    }
  }),
)
function onClick(event: MouseEvent) {
  const matrix = svg.value?.getScreenCTM()
  if (props.mode === 'edges' || props.mode === 'within' || !matrix) return
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
  emit('place', { x: p.x, y: p.y })
}
</script>

<template>
  <div ref="frame" class="h-full w-full bg-water">
    <svg
      ref="svg"
      :viewBox="view"
      class="h-full w-full"
      role="group"
      :aria-label="`Outline of ${piece.draft.name}`"
      data-test="tray-picture"
      @click="onClick"
    >
      <path :d="edges.map((e, i) => (i === 0 ? e.d : e.d.replace(/^M/, 'L'))).join('')" fill="var(--land)" />
      <path
        v-for="(s, i) in piece.draft.sizes"
        :key="`s${i}`"
        :d="toPathData(s.path, true)"
        fill="none"
        :stroke="s.name === pairing?.sizeName ? 'var(--note)' : 'var(--ink)'"
        :stroke-width="s.name === pairing?.sizeName ? 2.4 : 1"
        :stroke-dasharray="lineOfSize(i, false).dash"
        vector-effect="non-scaling-stroke"
        data-test="tray-size-line"
      />
      <g v-if="piece.draft.grain" stroke="var(--ink-soft)" fill="none">
        <line
          :x1="piece.draft.grain.from.x"
          :y1="piece.draft.grain.from.y"
          :x2="piece.draft.grain.to.x"
          :y2="piece.draft.grain.to.y"
          stroke-width="2"
          vector-effect="non-scaling-stroke"
        />
        <circle :cx="piece.draft.grain.to.x" :cy="piece.draft.grain.to.y" :r="px(4)" fill="var(--ink-soft)" />
      </g>
      <g
        v-for="(l, i) in piece.draft.lines"
        :key="`l${i}`"
        :class="mode === 'within' && !l.role && 'cursor-pointer'"
        :data-test="`line-${i}`"
        @click="mode === 'within' && !l.role && emit('within', 'lines', i)"
      >
        <title>{{ l.name }}{{ l.isOut ? ', taken out' : '' }}</title>
        <path
          :d="toPathData(l.path)"
          :stroke="l.isOut ? 'var(--loss)' : l.role ? 'var(--ink)' : 'var(--ink-soft)'"
          :stroke-width="mode === 'within' ? 2.4 : 1.2"
          :stroke-dasharray="l.isOut ? '2 5' : l.role ? undefined : '8 4'"
          :fill="l.role ? 'var(--water)' : 'none'"
          vector-effect="non-scaling-stroke"
        />
        <path
          v-if="mode === 'within' && !l.role"
          :d="toPathData(l.path)"
          stroke="transparent"
          stroke-width="14"
          fill="none"
          vector-effect="non-scaling-stroke"
        />
      </g>
      <g
        v-for="(p, i) in piece.draft.points ?? []"
        :key="p.name"
        :class="mode === 'within' && 'cursor-pointer'"
        :data-test="`place-${i}`"
        @click="mode === 'within' && emit('within', 'points', i)"
      >
        <title>{{ p.name }}{{ p.isOut ? ', taken out' : '' }}</title>
        <circle
          :cx="p.at.x"
          :cy="p.at.y"
          :r="px(mode === 'within' ? 7 : 4)"
          :fill="mode === 'within' ? 'var(--panel)' : 'none'"
          :stroke="p.isOut ? 'var(--loss)' : 'var(--ink-soft)'"
          :stroke-dasharray="p.isOut ? '2 3' : undefined"
          stroke-width="1.6"
          vector-effect="non-scaling-stroke"
          data-test="tray-point"
        />
      </g>
      <g
        v-for="e in edges"
        :key="e.i"
        role="button"
        tabindex="0"
        :aria-pressed="edge === e.i"
        :aria-label="`Edge ${e.i + 1}: ${e.label}`"
        class="cursor-pointer"
        :data-test="`edge-${e.i}`"
        @click="mode === 'edges' && emit('edge', e.i)"
        @keydown.enter.prevent="emit('edge', e.i)"
        @keydown.space.prevent="emit('edge', e.i)"
      >
        <path :d="e.d" fill="none" stroke="transparent" stroke-width="22" vector-effect="non-scaling-stroke" pointer-events="stroke" />
        <path
          :d="e.d"
          fill="none"
          :stroke="edge === e.i ? 'var(--note)' : e.isUnnamed ? 'var(--loss)' : 'var(--ink)'"
          :stroke-width="edge === e.i ? 5 : 2.6"
          :stroke-dasharray="e.fold ? '14 5 3 5' : undefined"
          vector-effect="non-scaling-stroke"
        />
        <text
          v-if="!e.isLeg || edge === e.i"
          :x="e.at.x"
          :y="e.at.y"
          :font-size="px(14)"
          :text-anchor="e.anchor"
          paint-order="stroke"
          :stroke="e.isLeg ? 'var(--land)' : 'var(--water)'"
          :stroke-width="px(5)"
          stroke-linejoin="round"
          :font-weight="edge === e.i ? 700 : 500"
          :fill="edge === e.i ? 'var(--note)' : 'var(--ink)'"
        >
          {{ e.label }}
        </text>
      </g>
      <circle
        v-for="e in edges"
        :key="`c${e.i}`"
        :cx="e.start.x"
        :cy="e.start.y"
        :r="px(pairing?.corner === e.i ? 9 : 4.5)"
        :fill="pairing?.corner === e.i ? 'var(--note)' : 'var(--ink)'"
      />
      <g v-for="(n, i) in piece.draft.notches" :key="`n${i}`">
        <circle :cx="n.x" :cy="n.y" :r="px(6)" fill="var(--panel)" stroke="var(--act)" :stroke-width="px(3)" />
      </g>
      <g v-if="piece.trouble">
        <circle
          :cx="piece.trouble.at.x"
          :cy="piece.trouble.at.y"
          :r="px(16)"
          fill="none"
          stroke="var(--fault)"
          :stroke-width="px(4)"
          data-test="trouble-place"
        />
        <text :x="piece.trouble.at.x + px(22)" :y="piece.trouble.at.y + px(5)" :font-size="px(15)" font-weight="700" fill="var(--fault)">
          {{ { open: 'open here', crosses: 'crosses itself here', 'too-fine': 'too many parts' }[piece.trouble.code] }}
        </text>
      </g>
    </svg>
  </div>
</template>
