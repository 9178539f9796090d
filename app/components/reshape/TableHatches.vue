<script setup lang="ts">
/** The hatches of what was added and taken away; they keep their size on the screen. */
defineProps<{ zoom: number }>()
</script>

<template>
  <defs>
    <pattern id="hatch-gain" :width="8 / zoom" :height="8 / zoom" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect :width="8 / zoom" :height="8 / zoom" fill="var(--gain)" opacity="0.16" />
      <line x1="0" y1="0" x2="0" :y2="8 / zoom" stroke="var(--gain)" :stroke-width="3.4 / zoom" />
    </pattern>
    <pattern id="hatch-loss" :width="8 / zoom" :height="8 / zoom" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
      <rect :width="8 / zoom" :height="8 / zoom" fill="var(--loss)" opacity="0.12" />
      <line x1="0" y1="0" x2="0" :y2="8 / zoom" stroke="var(--loss)" :stroke-width="3 / zoom" />
    </pattern>
  </defs>
</template>
