<script setup lang="ts">
import { computed } from 'vue'
import type { StepDrawing } from '~~/core/changes'
import { toPathData } from '~~/core/formats'
import { boundsOf, joinBoxes } from '~~/core/geometry'

/** The small drawing beside a paper step. */
const props = defineProps<{ drawing: StepDrawing }>()
const box = computed(() => joinBoxes(props.drawing.strokes.map((s) => boundsOf(s.path))))
const size = computed(() => Math.max(box.value.maxX - box.value.minX, box.value.maxY - box.value.minY))
const view = computed(
  () =>
    `${box.value.minX - 20} ${box.value.minY - 20} ${box.value.maxX - box.value.minX + 40 + (props.drawing.labels.length ? size.value * 0.3 : 0)} ${box.value.maxY - box.value.minY + 40}`,
)
const STYLE = {
  outline: { stroke: 'var(--ink)', dash: undefined, width: 1.6, fill: 'var(--land)' },
  result: { stroke: 'var(--gain)', dash: undefined, width: 2.2, fill: 'none' },
  line: { stroke: 'var(--note)', dash: undefined, width: 1.8, fill: 'none' },
  cut: { stroke: 'var(--note)', dash: '7 4', width: 2, fill: 'none' },
  tape: { stroke: 'var(--act)', dash: '3 3', width: 2, fill: 'none' },
} as const
</script>

<template>
  <svg :viewBox="view" class="h-56 w-full" aria-hidden="true">
    <path
      v-for="(s, i) in drawing.strokes"
      :key="i"
      :d="toPathData(s.path)"
      :fill="STYLE[s.kind].fill"
      :stroke="STYLE[s.kind].stroke"
      :stroke-width="STYLE[s.kind].width"
      :stroke-dasharray="STYLE[s.kind].dash"
      vector-effect="non-scaling-stroke"
    />
    <text
      v-for="(l, i) in drawing.labels"
      :key="`t${i}`"
      :x="l.at.x + size * 0.01"
      :y="l.at.y"
      :font-size="size * 0.072"
      fill="var(--note)"
      font-weight="650"
      paint-order="stroke"
      stroke="var(--land)"
      :stroke-width="size * 0.02"
      stroke-linejoin="round"
    >
      {{ l.text }}
    </text>
  </svg>
</template>
