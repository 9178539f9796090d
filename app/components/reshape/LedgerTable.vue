<script setup lang="ts">
import { computed } from 'vue'
import type { LedgerRow } from '~~/core/measure'
import { differenceOnRuler } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** Every figure that moved: before, after, difference. */
const props = defineProps<{ rows: LedgerRow[] }>()
const NAMES = { finished: 'Finished', seam: 'Seams', width: 'Widths', edge: 'Edges', dart: 'Darts' } as const
const prefs = usePrefs()
/** What reads the same before and after is counted, not listed. */
const seen = computed(() =>
  props.rows.filter((r) => r.beforeMm === null || r.afterMm === null || differenceOnRuler(r.afterMm, r.beforeMm, prefs.ruler) !== 0),
)
const unseen = computed(() => props.rows.length - seen.value.length)
const groups = computed(() =>
  (Object.keys(NAMES) as (keyof typeof NAMES)[])
    .map((g) => ({ name: NAMES[g], rows: seen.value.filter((r) => r.group === g) }))
    .filter((g) => g.rows.length > 0),
)
</script>

<template>
  <p v-if="seen.length === 0" class="text-sm text-soft">No figure has moved.</p>
  <table v-else class="w-full text-sm">
    <thead>
      <tr class="text-left text-soft">
        <th class="py-1 font-medium">What moved</th>
        <th class="font-medium text-right">before</th>
        <th class="pl-2 text-right font-medium">after</th>
        <th class="pl-2 text-right font-medium">change</th>
      </tr>
    </thead>
    <tbody v-for="g in groups" :key="g.name">
      <tr>
        <th colspan="4" scope="rowgroup" class="pt-2 text-left font-semibold">{{ g.name }}</th>
      </tr>
      <tr v-for="r in g.rows" :key="r.id" class="border-b border-edge/60 align-top">
        <td class="py-1 pr-1">
          {{ r.label }}<span class="block text-soft">{{ r.where }}</span>
        </td>
        <td class="py-1 text-right"><UiLengthText v-if="r.beforeMm !== null" :mm="r.beforeMm" bare /><template v-else>–</template></td>
        <td class="py-1 pl-2 text-right"><UiLengthText v-if="r.afterMm !== null" :mm="r.afterMm" bare /><template v-else>–</template></td>
        <td class="py-1 pl-2 text-right font-semibold">
          <UiLengthChange v-if="r.beforeMm !== null && r.afterMm !== null" :from="r.beforeMm" :to="r.afterMm" bare />
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="unseen > 0" class="mt-1 text-sm text-soft">{{ unseen }} more moved by less than a ruler shows.</p>
</template>
