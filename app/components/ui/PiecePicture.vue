<script setup lang="ts">
import type { GarmentPicture } from '~/garment-picture'

/** A garment as a small picture of its pieces; dashed, as they were before. */
defineProps<{ picture: GarmentPicture }>()
</script>

<template>
  <svg :viewBox="picture.box" class="h-full w-full" aria-hidden="true">
    <g v-for="p in picture.pieces" :key="p.id" :transform="p.move">
      <path :d="p.d" fill="var(--land)" stroke="var(--ink)" stroke-width="1.5" vector-effect="non-scaling-stroke" />
      <path
        v-if="p.was"
        :d="p.was"
        fill="none"
        stroke="var(--ink-soft)"
        stroke-width="1"
        stroke-dasharray="4 3"
        vector-effect="non-scaling-stroke"
      />
    </g>
  </svg>
</template>
