<script setup lang="ts">
import { computed } from 'vue'
import type { Applied } from '~~/core/changes'
import { usePrefs } from '~/stores/prefs'

/** Where each point of a piece goes from one size to the next, drawn several times as long so that it can be seen. */
const props = defineProps<{ arrows: NonNullable<Applied['arrows']>; zoom: number }>()
const prefs = usePrefs()

const TIMES = 4
const shown = computed(() =>
  props.arrows.flatMap((a, i) => {
    const by = { x: a.to.x - a.from.x, y: a.to.y - a.from.y }
    const mm = Math.hypot(by.x, by.y)
    if (mm < 0.05) return []
    const tip = { x: a.from.x + by.x * TIMES, y: a.from.y + by.y * TIMES }
    const u = { x: by.x / mm, y: by.y / mm }
    const head = 7 / props.zoom
    const wing = (way: 1 | -1) => `${tip.x - u.x * head - way * u.y * head * 0.5} ${tip.y - u.y * head + way * u.x * head * 0.5}`
    return [
      {
        i,
        d: `M${a.from.x} ${a.from.y}L${tip.x} ${tip.y}M${wing(1)}L${tip.x} ${tip.y}L${wing(-1)}`,
        title: `${a.label}: ${prefs.length(mm, { fraction: 16 })}`,
      },
    ]
  }),
)
</script>

<template>
  <g data-test="grade-arrows">
    <path v-for="a in shown" :key="a.i" :d="a.d" fill="none" stroke="var(--note)" stroke-width="2" vector-effect="non-scaling-stroke"
      ><title>{{ a.title }}</title></path
    >
  </g>
</template>
