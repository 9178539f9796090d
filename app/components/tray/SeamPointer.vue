<script setup lang="ts">
import { computed, ref } from 'vue'
import { toPathData } from '~~/core/formats'
import { boundsOf } from '~~/core/geometry'
import { pointedLength, type PointedEdge } from '~~/core/import'
import { bestLayout } from '~~/core/paper'
import { edgePath, outlineOf, shapeOf, type Seam } from '~~/core/pattern'
import { useTray } from '~/stores/tray'

/** All pieces that are ready: the edges of one side of a seam are pointed at, then those of the other. A seam of the list can be shown. */
const { shown = null } = defineProps<{ shown?: Seam | null }>()
const tray = useTray()
const sides = ref<[PointedEdge[], PointedEdge[]]>([[], []])
const side = ref<'first' | 'second'>('first')
/** Height of a piece’s name in the picture, and the room that one of its letters takes, mm. */
const NAME_MM = 22
const LETTER_MM = 12
const SIDES = [
  { value: 'first', label: 'One side' },
  { value: 'second', label: 'The other side' },
] as const

const sewn = computed(
  () =>
    new Set(
      [...tray.proposed.filter((s) => !tray.state.leftOutSeams.includes(s.id)), ...tray.added.map((a) => a.seam)].flatMap((s) =>
        s.sides.flat().map((r) => `${r.pieceId} ${r.edgeId}`),
      ),
    ),
)
const picture = computed(() => {
  const { pieces, baseSizeId } = tray.whole
  const items = pieces.map((piece) => ({ piece, shape: shapeOf(piece, baseSizeId) }))
  const prints = items.map(({ piece, shape }) => ({ pieceId: piece.id, box: boundsOf(outlineOf(piece, shape)) }))
  const laid = bestLayout(prints, { width: 1, height: 1 }, 60)
  return {
    box: `-30 -30 ${laid.widthMm + 60} ${laid.heightMm + 60}`,
    pieces: laid.pieces.map(({ pieceId, dx, dy }) => {
      const { piece, shape } = items.find((i) => i.piece.id === pieceId)!
      const box = boundsOf(outlineOf(piece, shape))
      // A name that is wider than its piece stands above it.
      const isNarrow = piece.name.length * LETTER_MM > box.maxX - box.minX || box.maxY - box.minY < 2 * NAME_MM
      return {
        id: piece.id,
        name: piece.name,
        move: `translate(${dx} ${dy})`,
        outline: toPathData(outlineOf(piece, shape), true),
        middle: { x: (box.minX + box.maxX) / 2, y: isNarrow ? box.minY - NAME_MM / 2 : (box.minY + box.maxY) / 2 },
        edges: piece.edges
          .filter((e) => !e.fold && e.role !== 'dart-leg')
          .map((e) => ({ id: e.id, name: e.name, d: toPathData(edgePath(shape, e.id)) })),
      }
    }),
  }
})
/** Which side of the seam that is shown an edge belongs to, or of the one that is pointed at; -1 for none. */
const shownAt = (pieceId: string, edgeId: string) =>
  shown ? shown.sides.findIndex((s) => s.some((r) => r.pieceId === pieceId && r.edgeId === edgeId)) : sideOf(pieceId, edgeId)
const countOf = (edges: readonly PointedEdge[]) =>
  edges.length === 0 ? 'no edge yet' : `${edges.length} ${edges.length === 1 ? 'edge' : 'edges'}`
const isIn = (edges: PointedEdge[], pieceId: string, edgeId: string) => edges.some((e) => e.pieceId === pieceId && e.edgeId === edgeId)
const sideOf = (pieceId: string, edgeId: string) => sides.value.findIndex((s) => isIn(s, pieceId, edgeId))
const colourOf = (pieceId: string, edgeId: string) =>
  ['var(--act)', 'var(--note)'][shownAt(pieceId, edgeId)] ?? (sewn.value.has(`${pieceId} ${edgeId}`) ? 'var(--good)' : 'var(--ink)')
/** Points at an edge: it goes to the side that is being shown, or out of it again. */
function point(pieceId: string, edgeId: string) {
  const at = side.value === 'first' ? 0 : 1
  const rest = sides.value.map((s) => s.filter((e) => e.pieceId !== pieceId || e.edgeId !== edgeId)) as typeof sides.value
  if (!isIn(sides.value[at], pieceId, edgeId)) rest[at].push({ pieceId, edgeId })
  sides.value = rest
}
async function sew() {
  const stored = await tray.addSeam(sides.value)
  if (!stored.ok) return
  sides.value = [[], []]
  side.value = 'first'
}
const lengths = computed(() => sides.value.map((s) => pointedLength(tray.whole, s)) as [number, number])
</script>

<template>
  <section aria-label="Point at a seam" data-test="seam-pointer">
    <h2 class="font-display text-xl italic">Point at a seam</h2>
    <p class="mb-2 text-soft">
      Click the edges of one side, then those of the other, one or several each. Green edges are sewn to something already.
    </p>
    <div class="mb-2 flex flex-wrap items-center gap-3">
      <UiSegmented v-model="side" :options="SIDES" label="Which side is pointed at" test="pointing" />
      <span class="text-sm"
        ><b class="text-act">{{ countOf(sides[0]) }}</b> <UiLengthText v-if="sides[0].length > 0" :mm="lengths[0]" /> to
        <b class="text-note">{{ countOf(sides[1]) }}</b>{{ ' ' }}<UiLengthText v-if="sides[1].length > 0" :mm="lengths[1]"
      /></span>
      <button class="btn-act" :disabled="sides.some((s) => s.length === 0)" data-test="sew-together" @click="sew">Sew them together</button>
    </div>
    <svg :viewBox="picture.box" class="max-h-[60vh] w-full rounded-lg bg-water p-2" role="group" aria-label="Pieces and their edges">
      <g v-for="p in picture.pieces" :key="p.id" :transform="p.move">
        <path :d="p.outline" fill="var(--land)" />
        <text :x="p.middle.x" :y="p.middle.y" :font-size="NAME_MM" text-anchor="middle" class="font-display italic" fill="var(--ink)">
          {{ p.name }}
        </text>
        <g
          v-for="e in p.edges"
          :key="e.id"
          role="checkbox"
          tabindex="0"
          class="cursor-pointer"
          :aria-checked="sideOf(p.id, e.id) >= 0"
          :aria-label="`${p.name}, ${e.name}`"
          :data-test="`point-${p.id}-${e.id}`"
          @click="point(p.id, e.id)"
          @keydown.space.prevent="point(p.id, e.id)"
        >
          <path :d="e.d" fill="none" stroke="transparent" stroke-width="22" vector-effect="non-scaling-stroke" />
          <path
            :d="e.d"
            fill="none"
            :stroke="colourOf(p.id, e.id)"
            :stroke-width="shownAt(p.id, e.id) >= 0 ? 5 : 2"
            :stroke-dasharray="shownAt(p.id, e.id) === 1 ? '10 5' : undefined"
            vector-effect="non-scaling-stroke"
          />
          <title>{{ p.name }}, {{ e.name }}</title>
        </g>
      </g>
    </svg>
  </section>
</template>
