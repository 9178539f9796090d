<script setup lang="ts">
import { computed } from 'vue'
import type { WorksheetRow } from '~~/core/size'
import { usePrefs } from '~/stores/prefs'

/** Ease of every size in one zone along one scale: what is wanted as a line, the chosen size filled. */
const props = defineProps<{ row: WorksheetRow; fromMm: number; toMm: number }>()
const prefs = usePrefs()
const WIDTH = 340
const x = (mm: number) => 14 + ((mm - props.fromMm) / (props.toMm - props.fromMm)) * (WIDTH - 28)
const dots = computed(() => props.row.sizes.filter((s) => s.easeMm !== null && s.easeMm >= props.fromMm && s.easeMm <= props.toMm))
/** Sizes that lie closer than their marks are wide are drawn small, and only the chosen one is named. */
const crowded = computed(() => dots.value.some((d, i) => i > 0 && Math.abs(x(d.easeMm!) - x(dots.value[i - 1]!.easeMm!)) < 17))
const named = (sizeId: string) => !crowded.value || sizeId === props.row.chosen?.sizeId
const sorted = computed(() =>
  [...dots.value].sort((a, b) => Number(a.sizeId === props.row.chosen?.sizeId) - Number(b.sizeId === props.row.chosen?.sizeId)),
)
const words = computed(() =>
  props.row.sizes.map((s) => `${s.name}: ${s.easeMm === null ? 'no body figure' : prefs.length(s.easeMm, { signed: true })}`).join(', '),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} 46`"
    class="h-11.5 w-full"
    role="img"
    :aria-label="`Ease by size, ${row.zone.name}: ${words}; wanted ${prefs.length(row.wantedMm)}`"
  >
    <line x1="6" :x2="WIDTH - 6" y1="26" y2="26" stroke="var(--panel-edge)" stroke-width="1.5" />
    <line v-if="fromMm < 0" :x1="x(0)" :x2="x(0)" y1="14" y2="36" stroke="var(--ink-soft)" stroke-dasharray="2 3" />
    <text v-if="fromMm < 0" :x="x(0)" y="45" text-anchor="middle" font-size="10" fill="var(--ink-soft)">body</text>
    <g v-if="row.wantedMm >= fromMm && row.wantedMm <= toMm">
      <path :d="`M${x(row.wantedMm)} 14V38`" stroke="var(--note)" stroke-width="3" />
      <text :x="x(row.wantedMm)" y="11" text-anchor="middle" font-size="11" fill="var(--note)" font-weight="600">wanted</text>
    </g>
    <g v-for="s in sorted" :key="s.sizeId">
      <circle
        :cx="x(s.easeMm!)"
        cy="26"
        :r="named(s.sizeId) ? 9.5 : 4.5"
        :fill="s.sizeId === row.chosen?.sizeId ? 'var(--act)' : 'var(--panel)'"
        :stroke="s.easeMm! < row.wantedMm ? 'var(--ink-soft)' : 'var(--act)'"
        :stroke-dasharray="s.easeMm! < row.wantedMm && s.sizeId !== row.chosen?.sizeId ? '3 2' : undefined"
        stroke-width="1.8"
      />
      <text
        v-if="named(s.sizeId)"
        :x="x(s.easeMm!)"
        y="30"
        text-anchor="middle"
        font-size="11"
        font-weight="650"
        :fill="s.sizeId === row.chosen?.sizeId ? 'var(--act-ink)' : 'var(--ink)'"
      >
        {{ s.name.slice(0, 3) }}
      </text>
    </g>
  </svg>
</template>
