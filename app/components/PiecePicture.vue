<script setup lang="ts">
import { computed } from 'vue'
import { layOut } from '~~/core/paper'
import { boundsOf } from '~~/core/geometry'
import { toPathData } from '~~/core/formats'
import { outlineOf, shapeOf, type Garment } from '~~/core/pattern'

/** A garment as a small picture of its pieces. */
const props = defineProps<{ garment: Garment }>()

const picture = computed(() => {
  const size = props.garment.baseSizeId
  const items = props.garment.pieces.map((p) => ({ id: p.id, outline: outlineOf(p, shapeOf(p, size)) }))
  const layouts = [900, 1300, 1700, 2200].map((w) =>
    layOut(
      items.map((i) => ({ pieceId: i.id, box: boundsOf(i.outline) })),
      w,
      40,
    ),
  )
  // The one that fills a 8:5 picture best.
  const best = layouts.reduce((a, b) => (Math.max(b.widthMm / 1.6, b.heightMm) < Math.max(a.widthMm / 1.6, a.heightMm) ? b : a))
  return {
    box: `-20 -20 ${best.widthMm + 40} ${best.heightMm + 40}`,
    pieces: best.pieces.map((l) => ({
      id: l.pieceId,
      d: toPathData(items.find((i) => i.id === l.pieceId)!.outline, true),
      move: `translate(${l.dx} ${l.dy})`,
    })),
  }
})
</script>

<template>
  <svg :viewBox="picture.box" class="h-full w-full" aria-hidden="true">
    <path
      v-for="p in picture.pieces"
      :key="p.id"
      :d="p.d"
      :transform="p.move"
      fill="var(--land)"
      stroke="var(--ink)"
      stroke-width="1.5"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>
