<script setup lang="ts">
import { computed } from 'vue'
import { meetingsOf } from '~~/core/cloth'
import { useCloth } from '~/composables/useCloth'
import { useSheets } from '~/composables/useSheets'

/** At which of its notches each seam meets on the same stripe, chosen by hand. */
const { cloth, counts } = useCloth()
const { garment } = useSheets()
/** Chosen where a seam's stripes need not meet: no mark is called so. */
const NONE = ''

const meetings = computed(() => {
  const cut = Object.entries(counts.value).flatMap(([pieceId, count]) => (count > 0 ? [pieceId] : []))
  return meetingsOf(garment.value, new Set(cut), cloth.value.meets).map((m) => ({
    ...m,
    options: [...m.marks.map(({ id, name }) => ({ value: id, label: name })), { value: NONE, label: 'need not meet' }],
  }))
})
function choose(seamId: string, mark: string) {
  cloth.value = { ...cloth.value, meets: { ...cloth.value.meets, [seamId]: mark === NONE ? null : mark } }
}
</script>

<template>
  <details v-if="meetings.length" class="text-sm" data-test="stripe-meetings">
    <summary class="min-h-8 cursor-pointer font-semibold">Where stripes meet</summary>
    <ul class="mt-1 space-y-2">
      <li v-for="m in meetings" :key="m.seamId" class="grid grid-cols-2 items-center gap-2">
        <span aria-hidden="true">{{ m.seamName }}</span>
        <UiChoice
          :model-value="m.metAt ?? NONE"
          :options="m.options"
          :label="`Where stripes meet on ${m.seamName}`"
          :test="`meets-${m.seamId}`"
          hide-label
          @update:model-value="choose(m.seamId, $event)"
        />
      </li>
    </ul>
  </details>
</template>
