<script setup lang="ts">
import { ref, watch } from 'vue'

/** A line of text that is taken when the field is left, or at Enter. */
const props = defineProps<{ modelValue: string; label: string; test: string; placeholder?: string; longest?: number }>()
const emit = defineEmits<{ 'update:modelValue': [text: string] }>()
const text = ref(props.modelValue)
watch(
  () => props.modelValue,
  (stored) => (text.value = stored),
)
</script>

<template>
  <label class="block">
    <span class="mb-1 block font-semibold">{{ label }}</span>
    <input
      v-model="text"
      class="field"
      :maxlength="longest"
      :placeholder="placeholder"
      :data-test="test"
      @change="emit('update:modelValue', text)"
    />
  </label>
</template>
