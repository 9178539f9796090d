<script setup lang="ts">
import { computed } from 'vue'
import { bestLayout } from '~~/core/paper/best-layout'
import { boundsOf, joinBoxes, type Path } from '~~/core/geometry'
import { toPathData } from '~~/core/formats/path-data'
import { outlineOf, shapeOf, type Garment } from '~~/core/pattern'

/** A garment as a small picture of its pieces; dashed, as they were before. */
const props = defineProps<{ garment: Garment; before?: Garment }>()

const picture = computed(() => {
  const outlines = (garment: Garment) => new Map(garment.pieces.map((p) => [p.id, outlineOf(p, shapeOf(p, garment.baseSizeId))] as const))
  const now = outlines(props.garment)
  const old = props.before ? outlines(props.before) : new Map<string, Path>()
  const items = [...now].map(([pieceId, outline]) => {
    const was = old.get(pieceId)
    return { pieceId, outline, was, box: was ? joinBoxes([boundsOf(outline), boundsOf(was)]) : boundsOf(outline) }
  })
  const best = bestLayout(items, { width: 8, height: 5 }, 40)
  return {
    box: `-20 -20 ${best.widthMm + 40} ${best.heightMm + 40}`,
    pieces: best.pieces.map((l) => {
      const item = items.find((i) => i.pieceId === l.pieceId)!
      return {
        id: l.pieceId,
        d: toPathData(item.outline, true),
        was: item.was && toPathData(item.was, true),
        move: `translate(${l.dx} ${l.dy})`,
      }
    }),
  }
})
</script>

<template>
  <svg :viewBox="picture.box" class="h-full w-full" aria-hidden="true">
    <g v-for="p in picture.pieces" :key="p.id" :transform="p.move">
      <path :d="p.d" fill="var(--land)" stroke="var(--ink)" stroke-width="1.5" vector-effect="non-scaling-stroke" />
      <path
        v-if="p.was"
        :d="p.was"
        fill="none"
        stroke="var(--ink-soft)"
        stroke-width="1"
        stroke-dasharray="4 3"
        vector-effect="non-scaling-stroke"
      />
    </g>
  </svg>
</template>
