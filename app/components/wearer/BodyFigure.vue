<script setup lang="ts">
import { computed } from 'vue'

/** A plain body, front and back, with the line along which each measure is taken; the one being typed is lit. */
const props = defineProps<{ lit: string | null; taken: string[] }>()

type View = 'front' | 'back'
/** Where each measure runs, in the drawing's own units: closed curves go round the body, the others along it. */
const RUNS: Record<string, { view: View; d: string }> = {
  neck: { view: 'front', d: 'M91 68C94 72 106 72 109 68' },
  'high-bust': { view: 'front', d: 'M64 114C80 121 120 121 136 114' },
  bust: { view: 'front', d: 'M64 131C80 140 120 140 136 131' },
  waist: { view: 'front', d: 'M71 170C84 176 116 176 129 170' },
  hip: { view: 'front', d: 'M58 222C76 230 124 230 142 222' },
  shoulder: { view: 'front', d: 'M110 72L142 84' },
  'back-neck-to-waist': { view: 'back', d: 'M100 66V172' },
  'front-slope': { view: 'front', d: 'M112 75C112 96 108 118 100 134C92 150 84 162 78 173' },
  'front-to-waist': { view: 'front', d: 'M112 75C116 100 120 122 119 134C118 150 113 160 112 173' },
  'underarm-to-waist': { view: 'back', d: 'M136 122C135 142 130 156 129 170' },
  bicep: { view: 'front', d: 'M140 128C144 132 152 131 156 127' },
  'arm-length': { view: 'back', d: 'M146 86C154 100 156 130 158 158L164 204' },
  thigh: { view: 'front', d: 'M102 254C112 259 132 258 142 251' },
  knee: { view: 'front', d: 'M110 322C116 326 127 326 133 322' },
  heel: { view: 'front', d: 'M112 408C118 400 126 400 131 408' },
  'waist-to-hip': { view: 'back', d: 'M129 170C130 186 140 200 142 222' },
  'waist-to-knee': { view: 'back', d: 'M129 170C130 190 142 204 142 226C143 256 138 292 134 322' },
  crotch: { view: 'front', d: 'M100 173V244' },
  'waist-to-hem-back': { view: 'back', d: 'M100 172V356' },
  'waist-to-hem-side': { view: 'back', d: 'M129 170C130 190 144 204 144 226C146 262 142 310 141 356' },
  'waist-to-hem-front': { view: 'front', d: 'M100 173V356' },
  'back-neck-to-hem': { view: 'back', d: 'M100 66V356' },
}
const views = computed(() =>
  (['front', 'back'] as const).map((view) => ({
    view,
    runs: Object.entries(RUNS)
      .filter(([, r]) => r.view === view)
      .map(([id, r]) => ({ id, d: r.d, lit: id === props.lit, taken: props.taken.includes(id) }))
      .sort((a, b) => Number(a.lit) - Number(b.lit)),
  })),
)
</script>

<template>
  <svg
    viewBox="0 0 420 436"
    class="h-full w-full"
    role="img"
    :aria-label="lit ? 'Body, the measure being taken is marked' : 'Body, front and back'"
  >
    <g v-for="(v, i) in views" :key="v.view" :transform="`translate(${i * 212} 0)`">
      <WearerBodyOutline :back="v.view === 'back'" />
      <path
        v-for="r in v.runs"
        :key="r.id"
        :d="r.d"
        fill="none"
        :stroke="r.lit ? 'var(--note)' : r.taken ? 'var(--act)' : 'var(--ink-soft)'"
        :stroke-width="r.lit ? 4 : 1.7"
        :stroke-dasharray="r.lit || r.taken ? undefined : '3 3'"
        stroke-linecap="round"
        :opacity="r.lit ? 1 : 0.75"
        :data-test="r.lit ? 'lit-measure' : undefined"
      />
      <text x="100" y="434" text-anchor="middle" font-size="14" fill="var(--ink-soft)">{{ v.view }}</text>
    </g>
  </svg>
</template>
