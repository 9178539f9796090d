<script setup lang="ts">
import { CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js'
import { computed } from 'vue'
import { Line } from 'vue-chartjs'
import { formatLength, INCH_MM } from '~~/core/units'
import type { Figure } from '~~/core/body'
import { showDayShort } from '~/days'
import { usePrefs } from '~/stores/prefs'

Chart.register(CategoryScale, LinearScale, LineElement, PointElement, Tooltip)

/** How one measure went over time. */
const props = defineProps<{ name: string; points: { takenOn: string; figure: Figure }[] }>()
const prefs = usePrefs()
const unit = computed(() => (prefs.units === 'in' ? INCH_MM : 10))
const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const data = computed(() => {
  const ink = css('--act')
  const line = (label: string, pick: (f: Figure) => number, dash: number[]) => ({
    label,
    data: props.points.map((p) => pick(p.figure) / unit.value),
    borderColor: ink,
    backgroundColor: ink,
    borderDash: dash,
    pointRadius: 4,
    tension: 0,
  })
  const sided = props.points.some((p) => 'leftMm' in p.figure)
  return {
    labels: props.points.map((p) => showDayShort(p.takenOn)),
    datasets: sided
      ? [line('left', (f) => ('mm' in f ? f.mm : f.leftMm), []), line('right', (f) => ('mm' in f ? f.mm : f.rightMm), [5, 4])]
      : [line(props.name, (f) => ('mm' in f ? f.mm : f.leftMm), [])],
  }
})
const options = computed(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false as const,
  plugins: {
    legend: { display: false },
    tooltip: {
      callbacks: {
        label: (c: { parsed: { y: number | null } }) => formatLength((c.parsed.y ?? 0) * unit.value, prefs.ruler),
      },
    },
  },
  scales: {
    x: { ticks: { color: css('--ink-soft') }, grid: { display: false } },
    y: {
      ticks: {
        color: css('--ink-soft'),
        maxTicksLimit: 5,
        callback: (v: string | number) => formatLength(Number(v) * unit.value, prefs.ruler, { bare: true }),
      },
      grid: { color: css('--panel-edge') },
      grace: '15%',
    },
  },
}))
</script>

<template>
  <div class="h-40">
    <Line
      :key="`${prefs.dark}`"
      :data="data"
      :options="options"
      :aria-label="`${name} over time: ${points.map((p) => p.takenOn).join(', ')}`"
    />
  </div>
</template>
