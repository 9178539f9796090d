<script setup lang="ts">
import { computed, useId } from 'vue'
import type { ComparedPiece } from '~~/core/fittings'
import { toPathData } from '~~/core/formats'
import { boundsOf, joinBoxes } from '~~/core/geometry'
import { bestLayout } from '~~/core/paper'

/** Outlines of two garments, piece on piece: the first dashed, the second drawn out, what was added and taken hatched. */
const props = defineProps<{ pieces: readonly ComparedPiece[] }>()

const picture = computed(() => {
  const items = props.pieces.map((p) => ({ pieceId: p.id, box: joinBoxes([p.first, p.second].flatMap((o) => (o ? [boundsOf(o)] : []))) }))
  const best = bestLayout(items, { width: 7, height: 5 }, 60)
  return {
    box: `-20 -20 ${best.widthMm + 40} ${best.heightMm + 40}`,
    zoom: 620 / best.widthMm,
    pieces: best.pieces.map((l) => {
      const piece = props.pieces.find((p) => p.id === l.pieceId)!
      const { box } = items.find((i) => i.pieceId === l.pieceId)!
      return {
        ...piece,
        firstD: piece.first && toPathData(piece.first, true),
        secondD: piece.second && toPathData(piece.second, true),
        move: `translate(${l.dx} ${l.dy})`,
        label: { x: (box.minX + box.maxX) / 2, y: box.minY + 0.7 * (box.maxY - box.minY) },
      }
    }),
  }
})
const id = useId()
</script>

<template>
  <svg
    :viewBox="picture.box"
    class="h-full w-full"
    role="img"
    aria-label="Two outlines of each piece, one on the other"
    data-test="compare-picture"
  >
    <ReshapeTableHatches :zoom="picture.zoom" />
    <g v-for="(p, i) in picture.pieces" :key="p.id" :transform="p.move">
      <template v-if="p.firstD && p.secondD">
        <mask :id="`${id}-a-${i}`" maskUnits="userSpaceOnUse" x="-20000" y="-20000" width="40000" height="40000">
          <rect x="-20000" y="-20000" width="40000" height="40000" fill="#fff" />
          <path :d="p.firstD" fill="#000" />
        </mask>
        <mask :id="`${id}-b-${i}`" maskUnits="userSpaceOnUse" x="-20000" y="-20000" width="40000" height="40000">
          <rect x="-20000" y="-20000" width="40000" height="40000" fill="#fff" />
          <path :d="p.secondD" fill="#000" />
        </mask>
        <path :d="p.secondD" fill="var(--land)" />
        <path :d="p.secondD" fill="url(#hatch-gain)" :mask="`url(#${id}-a-${i})`" />
        <path :d="p.firstD" fill="url(#hatch-loss)" :mask="`url(#${id}-b-${i})`" />
      </template>
      <path
        v-if="p.secondD"
        :d="p.secondD"
        :fill="p.firstD ? 'none' : 'url(#hatch-gain)'"
        stroke="var(--ink)"
        stroke-width="2"
        vector-effect="non-scaling-stroke"
      />
      <path
        v-if="p.firstD"
        :d="p.firstD"
        :fill="p.secondD ? 'none' : 'url(#hatch-loss)'"
        stroke="var(--ink-soft)"
        stroke-width="1.4"
        stroke-dasharray="5 3"
        vector-effect="non-scaling-stroke"
      />
      <circle
        v-if="p.at"
        :cx="p.at.x"
        :cy="p.at.y"
        :r="5 / picture.zoom"
        fill="none"
        stroke="var(--note)"
        stroke-width="2"
        vector-effect="non-scaling-stroke"
      />
      <text :x="p.label.x" :y="p.label.y" text-anchor="middle" :font-size="14 / picture.zoom" fill="var(--ink)">{{ p.name }}</text>
    </g>
  </svg>
</template>
