<script setup lang="ts">
import type { SizeLine } from '~/composables/useSizeLines'
import { usePrefs } from '~/stores/prefs'

/** What the lines and hatches of the table stand for; with a nest, the line of each size. */
defineProps<{ sizes: readonly SizeLine[] }>()
const prefs = usePrefs()
</script>

<template>
  <div
    class="pointer-events-none absolute right-3 bottom-3 max-w-[70%] max-md:top-2 max-md:right-2 max-md:bottom-auto max-md:max-w-none max-md:px-2 max-md:py-0.5 max-md:text-xs rounded-lg border border-edge bg-panel px-3 py-1.5 text-sm"
  >
    <ul v-if="sizes.length" class="mb-1 flex flex-wrap justify-end gap-x-3 border-b border-edge/60 pb-1" data-test="size-key">
      <li v-for="s in sizes" :key="s.id" class="flex items-center gap-1.5">
        <svg width="30" height="14" aria-hidden="true">
          <line x1="0" y1="7" x2="30" y2="7" stroke="var(--ink)" :stroke-width="s.line.width" :stroke-dasharray="s.line.dash" /></svg
        >{{ s.name }}
      </li>
    </ul>
    <div class="flex items-center justify-end gap-3">
      <span class="flex items-center gap-1.5"
        ><svg width="24" height="14" aria-hidden="true">
          <line x1="0" y1="7" x2="24" y2="7" stroke="var(--ink-soft)" stroke-width="1.4" stroke-dasharray="5 3" /></svg
        >as bought</span
      >
      <span class="flex items-center gap-1.5"
        ><svg width="24" height="14" aria-hidden="true">
          <path d="M-2 8L6 0M2 14L16 0M12 14L26 0" stroke="var(--gain)" stroke-width="2.4" /></svg
        >added</span
      >
      <span class="flex items-center gap-1.5"
        ><svg width="24" height="14" aria-hidden="true">
          <path d="M-2 6L6 14M2 0L16 14M12 0L26 14" stroke="var(--loss)" stroke-width="2.4" /></svg
        >taken away</span
      >
      <span>grid {{ prefs.units === 'in' ? '6 in' : '10 cm' }}</span>
    </div>
  </div>
</template>
