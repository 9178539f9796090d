<script setup lang="ts">
import { computed } from 'vue'
import { add, leftOf, measureLength, scale, type Point } from '~~/core/geometry'
import { FOLDED_ROLES, notchPlace, type Piece, type Shape } from '~~/core/pattern'
import { betweenOutlines, betweenPaths, betweenPoints, endsOf } from '~/composables/usePieceDrawing'

/** One piece lying on the table: as bought dashed, as it is at this place of the tideline, what was added and taken. */
const props = defineProps<{
  original: { piece: Piece; shape: Shape }
  before: { piece: Piece; shape: Shape }
  after: { piece: Piece; shape: Shape }
  t: number
  zoom: number
  dimmed: boolean
  /** Places of handles on it: their figures stand there, and its name elsewhere. */
  taken: Point[]
}>()

const ends = computed(() => endsOf(props.before, props.after, props.t))
const piece = computed(() => ends.value.piece)
const uid = computed(() => `p-${piece.value.id.replace(/[^a-z0-9]/gi, '')}`)
const shore = computed(() => betweenOutlines(props.original.piece, props.original.shape, props.original.shape, 0))
const land = computed(() => betweenOutlines(piece.value, ends.value.from, ends.value.to, ends.value.t))
const changed = computed(() => shore.value !== land.value)
const grain = computed(() => ({
  from: betweenPoints(ends.value.from.grain.from, ends.value.to.grain.from, ends.value.t),
  to: betweenPoints(ends.value.from.grain.to, ends.value.to.grain.to, ends.value.t),
}))
const fold = computed(() => {
  const edge = piece.value.edges.find((e) => e.fold)
  return edge ? betweenPaths(ends.value.from.edges[edge.id]!, ends.value.to.edges[edge.id]!, ends.value.t) : null
})
const lines = computed(() =>
  piece.value.lines.map((l) => ({
    id: l.id,
    name: l.name,
    /** Cloth is folded away inside it: drawn like an edge of the piece. */
    folded: FOLDED_ROLES.includes(l.role),
    d: betweenPaths(ends.value.from.lines[l.id]!, ends.value.to.lines[l.id]!, ends.value.t),
  })),
)
const points = computed(() =>
  piece.value.points.map((p) => ({ id: p.id, ...betweenPoints(ends.value.from.points[p.id]!, ends.value.to.points[p.id]!, ends.value.t) })),
)
/** Length of a notch mark, mm. */
const NOTCH_MM = 9
const notches = computed(() =>
  piece.value.notches.flatMap((n) => {
    const a = notchPlace(piece.value, ends.value.from, n.id, measureLength)
    const b = notchPlace(piece.value, ends.value.to, n.id, measureLength)
    if (!a || !b) return []
    const at = betweenPoints(a.point, b.point, ends.value.t)
    const inside = add(at, scale(leftOf(b.tangent), -NOTCH_MM))
    return [{ id: n.id, x1: at.x, y1: at.y, x2: inside.x, y2: inside.y }]
  }),
)
const arrow = computed(() => {
  const { from, to } = grain.value
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const u = { x: (to.x - from.x) / length, y: (to.y - from.y) / length }
  const head = (p: { x: number; y: number }, back: number) =>
    `M${p.x + back * 9 * u.x - 4 * u.y} ${p.y + back * 9 * u.y + 4 * u.x}L${p.x} ${p.y}L${p.x + back * 9 * u.x + 4 * u.y} ${p.y + back * 9 * u.y - 4 * u.x}`
  return `M${from.x} ${from.y}L${to.x} ${to.y}${head(from, 1)}${head(to, -1)}`
})
</script>

<template>
  <g :opacity="dimmed ? 0.45 : 1" :data-test="`piece-${piece.id}`">
    <path :d="land" fill="var(--land)" />
    <template v-if="changed">
      <mask :id="`${uid}-new`" maskUnits="userSpaceOnUse" x="-3000" y="-3000" width="9000" height="9000"
        ><rect x="-3000" y="-3000" width="9000" height="9000" fill="white" /><path :d="shore" fill="black"
      /></mask>
      <mask :id="`${uid}-gone`" maskUnits="userSpaceOnUse" x="-3000" y="-3000" width="9000" height="9000"
        ><rect x="-3000" y="-3000" width="9000" height="9000" fill="white" /><path :d="land" fill="black"
      /></mask>
      <path :d="land" fill="url(#hatch-gain)" :mask="`url(#${uid}-new)`" />
      <path :d="shore" fill="url(#hatch-loss)" :mask="`url(#${uid}-gone)`" />
      <path :d="shore" fill="none" stroke="var(--ink-soft)" stroke-width="1.2" stroke-dasharray="7 5" vector-effect="non-scaling-stroke" />
    </template>
    <path
      :d="land"
      fill="none"
      stroke="var(--ink)"
      stroke-width="2"
      stroke-linejoin="round"
      vector-effect="non-scaling-stroke"
      :data-test="`outline-${piece.id}`"
    />
    <path
      v-if="fold"
      :d="fold"
      fill="none"
      stroke="var(--ink)"
      stroke-width="4"
      stroke-dasharray="14 4 3 4"
      vector-effect="non-scaling-stroke"
    />
    <path
      v-for="l in lines"
      :key="l.id"
      :d="l.d"
      :fill="l.folded ? 'var(--water)' : 'none'"
      :stroke="l.folded ? 'var(--ink)' : 'var(--ink-soft)'"
      :stroke-width="l.folded ? 1.6 : 1"
      :stroke-dasharray="l.folded ? undefined : '10 4 2 4'"
      vector-effect="non-scaling-stroke"
      :data-test="l.folded ? `fold-${piece.id}-${l.id}` : undefined"
      ><title>{{ l.name }}</title></path
    >
    <path
      v-for="p in points"
      :key="p.id"
      :d="`M${p.x - 5} ${p.y}h10M${p.x} ${p.y - 5}v10`"
      stroke="var(--ink)"
      stroke-width="1.4"
      vector-effect="non-scaling-stroke"
    />
    <line
      v-for="n in notches"
      :key="n.id"
      :x1="n.x1"
      :y1="n.y1"
      :x2="n.x2"
      :y2="n.y2"
      stroke="var(--ink)"
      stroke-width="2.4"
      vector-effect="non-scaling-stroke"
    />
    <path :d="arrow" fill="none" stroke="var(--ink-soft)" stroke-width="1.4" vector-effect="non-scaling-stroke" />
    <ReshapePieceName :piece="piece" :shape="ends.to" :zoom="zoom" :taken="taken" />
  </g>
</template>
