<script setup lang="ts">
/** A front and a back, shortened at one line: what was, what is, and the seam between them walked. A drawing, not a garment. */
const FRONT = 'M24 34 C34 40 44 38 50 24 L86 34 C82 54 86 66 100 74 C96 108 96 132 104 {b} L24 {b} Z'
const BACK = 'M196 26 C188 32 178 32 170 22 L134 34 C136 52 132 64 120 74 C124 108 124 132 116 {b} L196 {b} Z'
const at = (path: string, bottom: number) => path.replaceAll('{b}', String(bottom))
const AS_BOUGHT = 196
const AS_ALTERED = 178
</script>

<template>
  <svg
    viewBox="0 0 220 226"
    class="max-h-80 w-full rounded-lg bg-water"
    role="img"
    aria-label="A front and a back, shortened together; the side seam still matches"
  >
    <g v-for="piece in [FRONT, BACK]" :key="piece">
      <path :d="at(piece, AS_BOUGHT)" fill="none" stroke="var(--ink)" stroke-width="0.9" stroke-dasharray="4 3" />
      <path :d="at(piece, AS_ALTERED)" fill="var(--land)" stroke="var(--ink)" stroke-width="1.6" stroke-linejoin="round" />
    </g>
    <g stroke="var(--loss)" stroke-width="1.2">
      <path
        v-for="x in [28, 36, 44, 52, 60, 68, 76, 84, 92, 122, 130, 138, 146, 154, 162, 170, 178, 186]"
        :key="x"
        :d="`M${x} 192l8 -10`"
      />
    </g>
    <g stroke="var(--note)" fill="none" stroke-width="1.4">
      <path d="M18 122H202" stroke-dasharray="7 3 1.5 3" />
      <path d="M110 128v34m-4 -6l4 6l4 -6" />
    </g>
    <g font-size="9" fill="var(--note)" font-weight="600">
      <rect x="86" y="98" width="48" height="17" rx="4" fill="var(--note-pale)" stroke="var(--note)" stroke-width="0.8" />
      <text x="110" y="110" text-anchor="middle">−1 3/8 in</text>
    </g>
    <g font-size="11" class="font-display italic" fill="var(--ink)">
      <text x="58" y="72" text-anchor="middle">Front</text>
      <text x="162" y="72" text-anchor="middle">Back</text>
    </g>
    <g font-size="9" fill="var(--good)" font-weight="600">
      <path d="M62 212l3 3l6 -7" fill="none" stroke="var(--good)" stroke-width="1.8" />
      <text x="76" y="215">side seam: both sides equal</text>
    </g>
  </svg>
</template>
