<script setup lang="ts">
import { ListPlus } from 'lucide-vue-next'
import { changeForLength } from '~~/core/advice'
import type { Garment } from '~~/core/pattern'
import type { LengthRow } from '~~/core/size'
import { usePlanSession } from '~/stores/plan-session'

/** Lengths of the body beside those of the garment; a missing length becomes a stop. */
const props = defineProps<{ garment: Garment; rows: LengthRow[] }>()
const emit = defineEmits<{ add: [row: LengthRow] }>()
const session = usePlanSession()
/** Is there a stop that would bring this length to the body's? */
const hasStop = (row: LengthRow) => changeForLength(props.garment, row, session.contextFor(props.garment)) !== null
</script>

<template>
  <section aria-label="Lengths">
    <h2 class="mb-1 font-display text-xl italic">Lengths</h2>
    <table v-if="rows.length" class="w-full max-w-2xl text-sm">
      <thead>
        <tr class="text-left text-soft">
          <th class="py-1 font-medium">length</th>
          <th class="text-right font-medium">body</th>
          <th class="text-right font-medium">garment</th>
          <th class="text-right font-medium">missing</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in rows" :key="l.id" class="border-t border-edge/60" :data-test="`length-${l.id}`">
          <td class="py-1">{{ l.name }}</td>
          <td class="text-right"><LengthText v-if="l.bodyMm !== null" :mm="l.bodyMm" /><span v-else class="text-soft">–</span></td>
          <td class="text-right"><LengthText :mm="l.garmentMm" /></td>
          <td class="text-right font-semibold">
            <LengthChange v-if="l.missingMm !== null" :from="l.garmentMm" :to="l.garmentMm + l.missingMm" />
          </td>
          <td class="pl-3 text-right">
            <button v-if="hasStop(l)" class="btn-quiet text-sm" :data-test="`add-${l.id}`" @click="emit('add', l)">
              <ListPlus class="size-4" />Add as a stop
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
