<script setup lang="ts">
import { computed } from 'vue'
import type { Applied } from '~~/core/changes'
import { usePrefs } from '~/stores/prefs'
import { useSelection } from '~/stores/selection'

/**
 * Where each point of a piece goes from one size to the next, drawn several times as long so that it can be seen; the one
 * whose rule is at hand stands out, with its figure.
 */
const props = defineProps<{ arrows: NonNullable<Applied['arrows']>; zoom: number }>()
const prefs = usePrefs()
const selection = useSelection()

const TIMES = 4
const shown = computed(() =>
  props.arrows.flatMap((a, i) => {
    const by = { x: a.to.x - a.from.x, y: a.to.y - a.from.y }
    const mm = Math.hypot(by.x, by.y)
    if (mm < 0.05) return []
    const tip = { x: a.from.x + by.x * TIMES, y: a.from.y + by.y * TIMES }
    const u = { x: by.x / mm, y: by.y / mm }
    const lit = a.label === selection.lit
    const head = 7 / props.zoom
    const wing = (way: 1 | -1) => `${tip.x - u.x * head - way * u.y * head * 0.5} ${tip.y - u.y * head + way * u.x * head * 0.5}`
    return [
      {
        i,
        d: `M${a.from.x} ${a.from.y}L${tip.x} ${tip.y}M${wing(1)}L${tip.x} ${tip.y}L${wing(-1)}`,
        lit,
        title: `${a.label}: ${prefs.length(mm)}`,
        figure: prefs.length(mm),
        // Written where it leads away from the piece.
        at: { x: tip.x + (u.x * 8) / props.zoom, y: tip.y + (u.y * 14 - 6) / props.zoom },
        anchor: u.x < -0.3 ? 'end' : u.x > 0.3 ? 'start' : 'middle',
      },
    ]
  }),
)
</script>

<template>
  <g data-test="grade-arrows">
    <g v-for="a in shown" :key="a.i" :data-test="a.lit ? 'lit-point' : undefined">
      <path :d="a.d" fill="none" stroke="var(--note)" :stroke-width="a.lit ? 4.5 : 2" vector-effect="non-scaling-stroke"
        ><title>{{ a.title }}</title></path
      >
      <text
        v-if="a.lit"
        :x="a.at.x"
        :y="a.at.y"
        :text-anchor="a.anchor"
        :font-size="14 / zoom"
        font-weight="600"
        paint-order="stroke"
        stroke="var(--water)"
        :stroke-width="5 / zoom"
        fill="var(--note)"
        >{{ a.figure }}</text
      >
    </g>
  </g>
</template>
