<script setup lang="ts">
import { computed } from 'vue'
import { roomiestPoint } from '~~/core/cloth'
import { toPathData } from '~~/core/formats'
import { flattenPath } from '~~/core/geometry'
import type { Sheet } from '~~/core/paper'

/** Everybody’s lines on each piece, each dashed in a way of its own. */
const props = defineProps<{ sheet: Sheet; full: string }>()
const names = computed(() => [...new Set(props.sheet.pieces.flatMap((p) => p.others.map((o) => o.name)))])
const DASHES = ['18 6', '12 5 3 5', '5 5', '24 5 5 5 5 5', '3 6', '14 14', '8 8 3 8']
const INKS = ['var(--gain)', 'var(--note)', 'var(--act)', 'var(--loss)', 'var(--ink-soft)']
const lookOf = (name: string) => {
  const i = names.value.indexOf(name)
  return { dash: DASHES[i % DASHES.length], ink: INKS[i % INKS.length] }
}
const wordsAt = computed(() => props.sheet.pieces.map((p) => roomiestPoint(flattenPath(p.seamLine, 2))))
const sizeOf = ({ box, piece }: Sheet['pieces'][number]) =>
  Math.min(40, (box.maxY - box.minY) * 0.4, ((box.maxX - box.minX) * 1.4) / piece.name.length)
</script>

<template>
  <figure class="rounded-lg border border-edge bg-water p-3" data-test="nest-picture">
    <svg
      :viewBox="`0 0 ${sheet.widthMm} ${sheet.heightMm}`"
      class="max-h-[60vh] w-full"
      role="img"
      :aria-label="`Lines of ${full}, ${names.join(', ')}`"
    >
      <g v-for="(p, i) in sheet.pieces" :key="i">
        <path :d="toPathData(p.cutLine, true)" fill="var(--land)" stroke="var(--ink)" stroke-width="3" />
        <path
          v-for="o in p.others"
          :key="o.name"
          :d="toPathData(o.cutLine, true)"
          fill="none"
          :stroke="lookOf(o.name).ink"
          stroke-width="2.4"
          :stroke-dasharray="lookOf(o.name).dash"
        />
        <text
          :x="wordsAt[i]!.x"
          :y="wordsAt[i]!.y"
          text-anchor="middle"
          dominant-baseline="central"
          class="font-display italic"
          fill="var(--ink)"
          :font-size="sizeOf(p)"
        >
          {{ p.piece.name }}
        </text>
      </g>
    </svg>
    <figcaption class="mt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
      <span class="flex items-center gap-2"
        ><svg width="46" height="8" aria-hidden="true"><path d="M0 4h46" stroke="var(--ink)" stroke-width="2" /></svg>{{ full }}</span
      >
      <span v-for="name in names" :key="name" class="flex items-center gap-2">
        <svg width="46" height="8" aria-hidden="true">
          <path d="M0 4h46" :stroke="lookOf(name).ink" stroke-width="2" :stroke-dasharray="lookOf(name).dash" /></svg
        >{{ name }}
      </span>
    </figcaption>
  </figure>
</template>
