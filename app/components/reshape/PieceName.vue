<script setup lang="ts">
import { computed } from 'vue'
import { boundsOf, type Point, crossPoints } from '~~/core/geometry'

import { foldedAway, markLinesOf, outlineOf, type Piece, type Shape } from '~~/core/pattern'

/** The name of a piece on the table, and how often it is cut. */
const props = defineProps<{
  piece: Piece
  shape: Shape
  zoom: number
  /** Places of handles on it: their figures stand there, and its name elsewhere. */
  taken: Point[]
}>()

/** A piece lower than this carries its name below it, px. */
const LOW_PX = 70
/** Size of the name, px: a narrow piece carries a smaller one. */
const NAME_PX = { usual: 17, least: 12 }
const COUNT_PX = 13
/** Room that the two lines need to a handle with its figure, and to a level, px above and below the name. */
const CLEAR = { handle: { above: 40, below: 75 }, level: { above: 24, below: 30 } }
/** Width of a letter to its height, about: of the name, and of what stands below it. */
const LETTER = { name: 0.52, count: 0.42 }

/** The widest place of the piece that no level crosses, beside what is folded away; small pieces carry it below them. */
const place = computed(() => {
  const outline = outlineOf(props.piece, props.shape)
  const box = boundsOf(outline)
  const height = box.maxY - box.minY
  if (height * props.zoom < LOW_PX) return { x: box.minX, y: box.maxY + 18 / props.zoom, inside: false, roomPx: Infinity }
  const folded = foldedAway(props.piece, props.shape)
  const lines = markLinesOf(props.piece).flatMap((l) => props.shape.lines[l.id]!.map((s) => s.from.y))
  const within =
    (y: number, { above, below }: { above: number; below: number }) =>
    (at: number) =>
      at > y - above / props.zoom && at < y + below / props.zoom
  const free = Array.from({ length: 12 }, (_, i) => box.minY + (height * (i + 5)) / 20).filter(
    (y) => !props.taken.some((h) => within(y, CLEAR.handle)(h.y)),
  )
  const clear = free.filter((y) => !lines.some(within(y, CLEAR.level)))
  let best = { width: 0, x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }
  // Where lines leave no room, it lies over one rather than under a handle's figure.
  for (const y of clear.length > 0 ? clear : free) {
    const xs = [outline, ...folded]
      .flatMap((path) => crossPoints(path, { x: 0, y: 1 }, y))
      .map((p) => p.x)
      .sort((a, b) => a - b)
    for (let i = 0; i + 1 < xs.length; i += 2)
      if (xs[i + 1]! - xs[i]! > best.width) best = { width: xs[i + 1]! - xs[i]!, x: (xs[i]! + xs[i + 1]!) / 2, y }
  }
  return { x: best.x, y: best.y, inside: true, roomPx: best.width * props.zoom }
})
const ground = computed(() => (place.value.inside ? 'var(--land)' : 'var(--water)'))
const namePx = computed(() =>
  Math.min(NAME_PX.usual, Math.max(NAME_PX.least, place.value.roomPx / (props.piece.name.length * LETTER.name))),
)
/** How often it is cut, in two lines where one would be too wide. */
const counts = computed(() => {
  const words = [`cut ${props.piece.cut.count}`, ...(props.piece.edges.some((e) => e.fold) ? ['on the fold'] : [])]
  const one = words.join(' ')
  return one.length * LETTER.count * COUNT_PX > place.value.roomPx ? words : [one]
})
</script>

<template>
  <g :text-anchor="place.inside ? 'middle' : 'start'" paint-order="stroke" :stroke="ground">
    <text :x="place.x" :y="place.y" :stroke-width="5 / zoom" :font-size="namePx / zoom" class="font-display italic" fill="var(--ink)">{{
      piece.name
    }}</text>
    <text
      v-for="(line, i) in counts"
      :key="line"
      :x="place.x"
      :y="place.y + (17 + 15 * i) / zoom"
      :stroke-width="4 / zoom"
      :font-size="COUNT_PX / zoom"
      fill="var(--ink-soft)"
      >{{ line }}</text
    >
  </g>
</template>
