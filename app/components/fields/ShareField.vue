<script setup lang="ts">
import { valueOf } from '~/typed'
/** A part of something, set in hundredths by a slider or typed. */
const share = defineModel<number>({ required: true })
defineProps<{ label: string; test: string }>()

const HUNDRED = 100
const set = (text: string) => {
  const typed = Number(text)
  if (Number.isFinite(typed)) share.value = Math.min(1, Math.max(0, Math.round(typed) / HUNDRED))
}
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-semibold">{{ label }}</legend>
    <div class="flex items-center gap-3">
      <input
        type="range"
        class="h-11 grow accent-(--act)"
        min="0"
        max="100"
        step="5"
        :aria-label="label"
        :value="Math.round(share * HUNDRED)"
        :data-test="`${test}-slider`"
        @input="set(valueOf($event))"
      />
      <input
        type="number"
        class="field w-20"
        min="0"
        max="100"
        :aria-label="`${label}, in hundredths`"
        :value="Math.round(share * HUNDRED)"
        :data-test="test"
        @change="set(valueOf($event))"
      />
      <span>%</span>
    </div>
  </fieldset>
</template>
