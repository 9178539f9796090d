<script setup lang="ts">
/** A plain body from the front or the back, drawn in a box of 200 by 436 with its middle at x = 100. */
defineProps<{ back?: boolean }>()

/** Half of the outline, right of the middle line; the other half is its mirror image. */
const HALF =
  'M100 60H108C109 70 111 74 120 77L139 83C150 87 153 96 155 110L161 160L166 206C167 216 158 218 155 209L148 162L140 122C138 114 136 116 136 124C136 142 130 154 129 170C129 186 140 200 142 222C144 252 137 292 133 322C131 342 136 362 130 402L132 414C132 420 112 420 111 412L113 400C113 370 110 342 110 322C108 290 104 262 100 242'
</script>

<template>
  <g>
    <ellipse cx="100" cy="36" rx="18" ry="23" fill="var(--land)" stroke="var(--ink)" stroke-width="1.6" />
    <path v-if="back" d="M84 30C86 12 114 12 116 30C114 24 106 20 100 20C94 20 86 24 84 30Z" fill="var(--ink-soft)" opacity="0.5" />
    <g fill="var(--land)" stroke="var(--ink)" stroke-width="1.6" stroke-linejoin="round">
      <path :d="HALF" />
      <path :d="HALF" transform="translate(200 0) scale(-1 1)" />
    </g>
    <path d="M92 62H108V76H92Z" fill="var(--land)" />
    <path d="M99 64H101V240H99Z" fill="var(--land)" />
  </g>
</template>
