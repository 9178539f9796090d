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
/** A figure that was typed with a minus: it would turn the direction round, so it is asked about. */
const turned = ref<number | null>(null)
function take(mm: number) {
  if (mm < 0) turned.value = mm
  else settle(mm * way.value)
}
function settle(mm: number) {
  turned.value = null
  emit('update:modelValue', mm)
}
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
    <div v-if="turned !== null" class="mt-2 rounded-lg bg-ease-pale p-3 text-sm text-ease" role="alert" :data-test="`${test}-turned`">
      <p>A minus under “{{ way > 0 ? plus : minus }}” would turn it round. Which is meant?</p>
      <div class="mt-2 flex gap-2">
        <button type="button" class="btn" :data-test="`${test}-turned-minus`" @click="settle(turned)">
          {{ minus }} <UiLengthText :mm="-turned" />
        </button>
        <button type="button" class="btn" :data-test="`${test}-turned-plus`" @click="settle(-turned)">
          {{ plus }} <UiLengthText :mm="-turned" />
        </button>
      </div>
    </div>
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
