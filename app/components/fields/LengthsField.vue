<script setup lang="ts">
import { computed } from 'vue'

/** As many lengths as there are steps; one left as it is follows the general figure. */
const props = defineProps<{ modelValue: number[]; label: string; count: number; fallbackMm: number; test: string }>()
const emit = defineEmits<{ 'update:modelValue': [mm: number[]] }>()
const open = computed(() => props.modelValue.length > 0)
const valueOf = (i: number) => props.modelValue[i] ?? props.fallbackMm
const take = (i: number, mm: number) =>
  emit(
    'update:modelValue',
    Array.from({ length: props.count }, (_, k) => (k === i ? mm : valueOf(k))),
  )
const flip = () => emit('update:modelValue', open.value ? [] : Array.from({ length: props.count }, () => props.fallbackMm))
</script>

<template>
  <fieldset v-if="count > 0">
    <label class="flex min-h-11 items-center gap-2.5">
      <input type="checkbox" class="size-5 accent-(--act)" :checked="open" :data-test="`${test}-open`" @change="flip" />
      <span class="font-semibold">{{ label }}</span>
    </label>
    <div v-if="open" class="space-y-1 pl-7">
      <FieldsLengthField
        v-for="i in count"
        :key="i"
        :model-value="valueOf(i - 1)"
        :label="`Step ${i}`"
        :test="`${test}-${i}`"
        positive
        @update:model-value="take(i - 1, $event)"
      />
    </div>
  </fieldset>
</template>
