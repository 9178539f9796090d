<script setup lang="ts">
import { ref, watch } from 'vue'
import { lengthMissing } from '~~/core/measure'

/** Longer or shorter, and by how much. */
const props = defineProps<{
  modelValue: number
  label: string
  plus: string
  minus: string
  first?: 'plus'
  test?: string
  nowMm?: number
}>()
const emit = defineEmits<{ 'update:modelValue': [mm: number] }>()
const way = ref<1 | -1>(props.modelValue > 0 || (props.modelValue === 0 && props.first === 'plus') ? 1 : -1)
watch(
  () => props.modelValue,
  (mm) => {
    if (mm !== 0) way.value = mm > 0 ? 1 : -1
  },
)
function turn(to: 1 | -1) {
  way.value = to
  if (props.modelValue !== 0) emit('update:modelValue', Math.abs(props.modelValue) * to)
}
/** A typed minus turns the direction round, which is what it means. */
const take = (mm: number) => emit('update:modelValue', mm * way.value)
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-semibold">{{ label }}</legend>
    <div class="mb-2 inline-flex rounded-lg border border-edge" role="radiogroup" :aria-label="`${label}, direction`">
      <button
        v-for="w in [
          { to: -1 as const, name: minus },
          { to: 1 as const, name: plus },
        ]"
        :key="w.to"
        type="button"
        role="radio"
        :aria-checked="way === w.to"
        class="min-h-11 px-4 font-semibold first:rounded-l-md last:rounded-r-md"
        :class="way === w.to ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
        :data-test="`${test}-${w.to > 0 ? 'plus' : 'minus'}`"
        @click="turn(w.to)"
      >
        {{ w.name }}
      </button>
    </div>
    <FieldsLengthField :model-value="Math.abs(modelValue)" :label="label" hide-label :test="test" @update:model-value="take" />
    <div v-if="nowMm" class="mt-2">
      <FieldsLengthField
        :model-value="nowMm + modelValue"
        label="or the whole length wanted there"
        :test="`${test}-wanted`"
        positive
        @update:model-value="emit('update:modelValue', lengthMissing($event, [nowMm!]))"
      />
    </div>
  </fieldset>
</template>
