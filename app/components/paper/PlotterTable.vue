<script setup lang="ts">
import { computed } from 'vue'
import { toPathData } from '~~/core/formats'
import { usePlotter } from '~/composables/usePlotter'

/** The paper in the plotter: what will be drawn, pale, and what the machine says that it has drawn, by its pens. */
const { sheet, drawn, plot, done } = usePlotter()
const COLOURS = ['var(--ink)', 'var(--act)', 'var(--fault)', 'var(--gain)', 'var(--note)']
const view = computed(() => `-10 -10 ${plot.value.widthMm + 20} ${plot.value.heightMm + 20}`)
const used = computed(() => [...new Set(plot.value.strokes.map((s) => s.command.slice(0, 3)))].map((c) => Number(c.slice(2))).sort())
</script>

<template>
  <div class="flex h-full flex-col gap-3">
    <p class="text-sm text-soft" data-test="plotter-says">
      {{ done === 0 ? 'Nothing is drawn yet: the plot as it will be.' : 'What the machine says that it has drawn.' }}
      <span v-for="pen in used" :key="pen" class="ml-3 inline-flex items-center gap-1.5 whitespace-nowrap">
        <span class="inline-block h-0.5 w-6" :style="{ background: COLOURS[pen % COLOURS.length] }" />pen {{ pen }}
      </span>
    </p>
    <svg :viewBox="view" class="min-h-0 flex-1" role="img" aria-label="The paper in the plotter" data-test="plotter-table">
      <rect :width="plot.widthMm" :height="plot.heightMm" fill="var(--panel)" stroke="var(--edge)" vector-effect="non-scaling-stroke" />
      <path
        v-for="(p, i) in sheet.pieces"
        :key="i"
        :d="toPathData(p.cutLine, true)"
        fill="none"
        stroke="var(--ink-soft)"
        stroke-opacity="0.45"
        stroke-width="1.4"
        vector-effect="non-scaling-stroke"
      />
      <g :transform="`translate(0 ${plot.heightMm}) scale(1 -1)`" data-test="plotter-drawn">
        <path
          v-for="(s, i) in drawn"
          :key="i"
          :d="s.points"
          fill="none"
          :stroke="COLOURS[s.pen % COLOURS.length]"
          stroke-width="1.6"
          vector-effect="non-scaling-stroke"
        />
      </g>
    </svg>
  </div>
</template>
