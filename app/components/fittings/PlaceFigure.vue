<script setup lang="ts">
import { computed } from 'vue'

/** A plain body, front and back, with the place that is at hand ringed and the places with a sign marked. */
const props = defineProps<{ at: string | null; signs: readonly string[] }>()

/** Where each place lies in the drawing, front and back: the middle of a ring and its reach. */
const RINGS: Record<string, [view: 'front' | 'back', x: number, y: number, rx: number, ry: number][]> = {
  'shoulder-line': [
    ['front', 126, 78, 20, 9],
    ['back', 74, 78, 20, 9],
  ],
  'shoulder-end': [
    ['front', 146, 88, 11, 11],
    ['back', 54, 88, 11, 11],
  ],
  neck: [
    ['front', 100, 72, 17, 11],
    ['back', 100, 70, 17, 10],
  ],
  armhole: [
    ['front', 138, 108, 12, 22],
    ['back', 62, 108, 12, 22],
  ],
  sleeve: [
    ['front', 155, 128, 13, 34],
    ['back', 45, 128, 13, 34],
  ],
  bust: [['front', 100, 128, 38, 18]],
  waist: [
    ['front', 100, 171, 34, 11],
    ['back', 100, 171, 34, 11],
  ],
  balance: [
    ['front', 100, 140, 24, 40],
    ['back', 100, 140, 24, 40],
  ],
  hip: [
    ['front', 100, 218, 46, 16],
    ['back', 100, 218, 46, 16],
  ],
  'hem-back': [['back', 100, 300, 22, 12]],
  'hem-side': [
    ['front', 136, 300, 14, 14],
    ['back', 64, 300, 14, 14],
  ],
  'hem-front': [['front', 100, 300, 22, 12]],
  'side-seam': [
    ['front', 134, 200, 11, 70],
    ['back', 66, 200, 11, 70],
  ],
  crotch: [
    ['front', 100, 246, 22, 18],
    ['back', 100, 240, 30, 22],
  ],
  thigh: [
    ['front', 122, 268, 24, 18],
    ['back', 78, 268, 24, 18],
  ],
  knee: [
    ['front', 121, 324, 18, 16],
    ['back', 79, 324, 18, 16],
  ],
  opening: [['front', 100, 140, 16, 62]],
}
const views = computed(() =>
  (['front', 'back'] as const).map((view) => ({
    view,
    rings: Object.entries(RINGS).flatMap(([id, rings]) =>
      rings.flatMap(([own, cx, cy, rx, ry]) =>
        own === view && (id === props.at || props.signs.includes(id)) ? [{ id, cx, cy, rx, ry, lit: id === props.at }] : [],
      ),
    ),
  })),
)
</script>

<template>
  <svg viewBox="0 0 280 440" class="h-full w-full" role="img" aria-label="Body, front and back; the place being looked at is ringed">
    <g v-for="(v, i) in views" :key="v.view" :transform="`translate(${i * 140 - 30} 0)`">
      <WearerBodyOutline :back="v.view === 'back'" />
      <ellipse
        v-for="r in v.rings"
        :key="`${r.id} ${r.cx}`"
        :cx="r.cx"
        :cy="r.cy"
        :rx="r.rx"
        :ry="r.ry"
        :fill="r.lit ? 'var(--note)' : 'none'"
        :fill-opacity="r.lit ? 0.16 : 0"
        stroke="var(--note)"
        :stroke-width="r.lit ? 3 : 1.6"
        :stroke-dasharray="r.lit ? undefined : '4 3'"
      />
      <text x="100" y="434" text-anchor="middle" font-size="15" fill="var(--ink-soft)">{{ v.view }}</text>
    </g>
  </svg>
</template>
