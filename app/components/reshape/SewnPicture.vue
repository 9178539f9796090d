<script setup lang="ts">
import { computed } from 'vue'
import type { SewnPicture } from '~~/core/changes'
import { toPathData } from '~~/core/formats'
import { boundsOf, line } from '~~/core/geometry'
import { writeLengths } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** Pieces laid together as they will be sewn: the old line dashed, the new one drawn, a body's curve over them. */
const props = defineProps<{ picture: SewnPicture }>()
const prefs = usePrefs()

const MARGIN_MM = 26
const box = computed(() => {
  const words = props.picture.labels.map((l) => line(l.at, l.at))
  const b = boundsOf([...props.picture.strokes.flatMap((s) => [...s.path]), ...words])
  return { x: b.minX - MARGIN_MM, y: b.minY - MARGIN_MM, w: b.maxX - b.minX + 2 * MARGIN_MM, h: b.maxY - b.minY + 2 * MARGIN_MM }
})
/** Letters as large on the screen whatever the picture spans. */
const letterMm = computed(() => Math.max(box.value.w, box.value.h) / 24)
const LOOKS = {
  was: { stroke: 'var(--ink-soft)', width: 1.3, dash: '5 4' },
  is: { stroke: 'var(--ink)', width: 2.2, dash: undefined },
  seam: { stroke: 'var(--ink-soft)', width: 1, dash: undefined },
  body: { stroke: 'var(--note)', width: 1.6, dash: '2 3' },
} as const
const hasBody = computed(() => props.picture.strokes.some((s) => s.kind === 'body'))
</script>

<template>
  <figure class="rounded-lg border border-edge bg-panel p-2" data-test="sewn-picture">
    <figcaption class="mb-1 text-sm font-semibold">{{ picture.title }}</figcaption>
    <svg :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" class="h-64 w-full" role="img" :aria-label="picture.title">
      <path
        v-for="(s, i) in picture.strokes"
        :key="i"
        :d="toPathData(s.path)"
        fill="none"
        :stroke="LOOKS[s.kind].stroke"
        :stroke-width="LOOKS[s.kind].width"
        :stroke-dasharray="LOOKS[s.kind].dash"
        vector-effect="non-scaling-stroke"
      />
      <text
        v-for="(l, i) in picture.labels"
        :key="`l${i}`"
        :x="l.at.x"
        :y="l.at.y"
        :font-size="letterMm"
        text-anchor="middle"
        fill="var(--ink)"
      >
        {{ writeLengths(l.text, prefs.ruler) }}
      </text>
    </svg>
    <p class="text-xs text-soft">Dashed: before{{ hasBody ? '; dotted: the body’s curve' : '' }}.</p>
  </figure>
</template>
