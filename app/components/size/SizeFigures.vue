<script setup lang="ts">
import type { WorksheetRow } from '~~/core/size'

/** One zone in figures: what every size measures when sewn, as printed where that is known, and its ease on this body. */
defineProps<{ row: WorksheetRow }>()
</script>

<template>
  <div class="mt-1 overflow-x-auto">
    <table class="text-ink" :data-test="`figures-${row.zone.id}`">
      <thead>
        <tr>
          <th class="pr-3 text-left font-medium text-soft">size</th>
          <th v-for="s in row.sizes" :key="s.sizeId" class="px-2 text-right" :class="s.sizeId === row.chosen?.sizeId && 'text-note'">
            {{ s.name }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th class="pr-3 text-left font-medium text-soft">finished</th>
          <td v-for="s in row.sizes" :key="s.sizeId" class="px-2 text-right"><UiLengthText :mm="s.mm" bare /></td>
        </tr>
        <tr v-if="row.sizes.some((s) => s.printedMm !== null)">
          <th class="pr-3 text-left font-medium text-soft">printed</th>
          <td v-for="s in row.sizes" :key="s.sizeId" class="px-2 text-right">
            <UiLengthText v-if="s.printedMm !== null" :mm="s.printedMm" bare /><span v-else class="text-soft">–</span>
          </td>
        </tr>
        <tr>
          <th class="pr-3 text-left font-medium text-soft">ease</th>
          <td v-for="s in row.sizes" :key="s.sizeId" class="px-2 text-right">
            <UiLengthChange v-if="s.easeMm !== null" :from="s.mm - s.easeMm" :to="s.mm" bare />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
