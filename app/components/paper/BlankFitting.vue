<script setup lang="ts">
import { computed } from 'vue'
import { PLACES, placesOf } from '~~/core/fittings'
import type { Garment } from '~~/core/pattern'

/** A blank sheet for the fitting room: the list from the top down, a figure, room for pins. */
const props = defineProps<{ garment: Garment; name: string; wearer: string | null }>()
const places = computed(() => {
  const there = placesOf(props.garment)
  return PLACES.filter((p) => there.includes(p.id))
})
</script>

<template>
  <div class="space-y-3 text-[0.95rem]" data-test="blank-fitting">
    <p class="flex flex-wrap gap-x-6 gap-y-2">
      <span class="flex-1 border-b border-ink"
        >{{ name }}<template v-if="wearer">, for {{ wearer }}</template></span
      >
      <span class="w-40 border-b border-ink">day</span>
      <span class="w-56 border-b border-ink">version sewn</span>
    </p>
    <p class="flex flex-wrap gap-x-6">
      <span class="flex-1 border-b border-ink">cloth, washed?</span><span class="flex-1 border-b border-ink">shoes, underwear</span>
    </p>
    <div class="flex gap-4">
      <table class="flex-1 border-collapse">
        <thead>
          <tr class="text-left text-sm">
            <th class="border-b border-ink py-1">From the top down</th>
            <th class="w-10 border-b border-ink">well</th>
            <th class="border-b border-ink">what is seen, where</th>
            <th class="w-20 border-b border-ink">how much</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in places" :key="p.id" class="break-inside-avoid align-top">
            <td class="w-32 border-b border-edge py-1.5 font-semibold">{{ p.name }}</td>
            <td class="border-b border-edge py-1.5"><span class="inline-block size-4 border border-ink" /></td>
            <td class="border-b border-edge py-1.5 text-xs text-soft">{{ p.signs.map((s) => `☐ ${s.seen}`).join('  ') }}</td>
            <td class="border-b border-edge" />
          </tr>
        </tbody>
      </table>
      <div class="w-56 shrink-0">
        <div class="h-80"><FittingsPlaceFigure :at="null" :signs="[]" /></div>
        <p class="mt-3 text-sm font-semibold">Pins: edge, from which mark, how far, how deep, left or right</p>
        <p v-for="i in 9" :key="i" class="h-8 border-b border-edge" />
      </div>
    </div>
    <p class="text-sm">
      Pins out before it is taken off. Rotary blade closed, fusible web away from the hot iron. Hems clear of the floor on stairs; no cords
      at the neck of a child’s garment; near a flame the rules of the house decide.
    </p>
  </div>
</template>
