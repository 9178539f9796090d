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
/** Letters are so large for the longer side of the picture, and about so wide for their height. */
const LETTERS = { part: 1 / 24, wide: 0.55 }
const box = computed(() => {
  const b = boundsOf(props.picture.strokes.flatMap((s) => [...s.path]))
  const aboutMm = Math.max(b.maxX - b.minX, b.maxY - b.minY) * LETTERS.part
  const words = props.picture.labels.flatMap((l) => {
    const half = (writeLengths(l.text, prefs.ruler).length * LETTERS.wide * aboutMm) / 2
    return [line({ x: l.at.x - half, y: l.at.y }, { x: l.at.x + half, y: l.at.y })]
  })
  const all = boundsOf([...props.picture.strokes.flatMap((s) => [...s.path]), ...words])
  return {
    x: all.minX - MARGIN_MM,
    y: all.minY - MARGIN_MM,
    w: all.maxX - all.minX + 2 * MARGIN_MM,
    h: all.maxY - all.minY + 2 * MARGIN_MM,
  }
})
/** Letters as large on the screen whatever the picture spans. */
const letterMm = computed(() => Math.max(box.value.w, box.value.h) * LETTERS.part)
const LOOKS = {
  was: { stroke: 'var(--ink-soft)', width: 1.3, dash: '5 4' },
  is: { stroke: 'var(--ink)', width: 2.2, dash: undefined },
  seam: { stroke: 'var(--ink-soft)', width: 1, dash: undefined },
  cap: { stroke: 'var(--ease)', width: 1.8, dash: undefined },
  body: { stroke: 'var(--note)', width: 1.6, dash: '2 3' },
} as const
/** What its lines mean, as far as they are there. */
const MEANINGS = {
  was: 'before',
  cap: 'the cap, from the underarm up: what goes beyond a mark is eased in',
  body: 'the body’s curve',
} as const
const KINDS = ['was', 'cap', 'body'] as const
const legend = computed(() => KINDS.filter((kind) => props.picture.strokes.some((s) => s.kind === kind)))
</script>

<template>
  <figure class="rounded-lg border border-edge bg-panel p-2" data-test="sewn-picture">
    <figcaption class="mb-1 text-sm font-semibold">{{ picture.title }}</figcaption>
    <svg :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" class="max-h-64 w-full" role="img" :aria-label="picture.title">
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
    <ul class="space-y-1 text-sm text-soft">
      <li v-for="kind in legend" :key="kind" class="flex items-start gap-2">
        <svg viewBox="0 0 24 12" class="mt-1 h-3 w-6 shrink-0" aria-hidden="true">
          <path d="M0 6H24" :stroke="LOOKS[kind].stroke" :stroke-width="LOOKS[kind].width" :stroke-dasharray="LOOKS[kind].dash" />
        </svg>
        {{ MEANINGS[kind] }}
      </li>
    </ul>
  </figure>
</template>
