<script setup lang="ts" generic="T extends string">
/** One of several, chosen from a list that opens. */
defineProps<{ options: readonly { value: T; label: string; disabled?: boolean }[]; label: string; test: string; hideLabel?: boolean }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <label class="block">
    <span :class="hideLabel ? 'sr-only' : 'mb-1 block font-semibold'">{{ label }}</span>
    <select v-model="model" class="field" :data-test="test">
      <option v-for="o in options" :key="o.value" :value="o.value" :disabled="o.disabled">{{ o.label }}</option>
    </select>
  </label>
</template>
