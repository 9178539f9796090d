<script setup lang="ts">
import { computed } from 'vue'

/** What the table is ruled with: the lines that are in sight, as lines. A pattern fill costs the browser ten times as much to draw. */
const props = defineProps<{
  /** Where the table's origin lies, px, and px per mm. */
  view: { x: number; y: number; k: number }
  width: number
  height: number
  fineMm: number
  strongMm: number
}>()

/** Fine lines closer than this are left out, px. */
const CLOSEST = 7

function rule(everyMm: number): string {
  const step = everyMm * props.view.k
  const places = (from: number, length: number) =>
    Array.from({ length: Math.max(0, Math.floor((length - from) / step) + 1) }, (_, i) => (from + i * step).toFixed(1))
  const first = (origin: number) => ((origin % step) + step) % step
  return (
    places(first(props.view.x), props.width)
      .map((x) => `M${x} 0V${props.height}`)
      .join('') +
    places(first(props.view.y), props.height)
      .map((y) => `M0 ${y}H${props.width}`)
      .join('')
  )
}
const fine = computed(() => (props.fineMm * props.view.k > CLOSEST ? rule(props.fineMm) : ''))
const strong = computed(() => rule(props.strongMm))
</script>

<template>
  <g fill="none">
    <path :d="fine" stroke="var(--water-line)" stroke-width="0.4" />
    <path :d="strong" stroke="var(--water-line-strong)" stroke-width="0.7" />
  </g>
</template>
