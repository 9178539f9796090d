<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'

/** One of a few, side by side. */
defineProps<{ options: readonly { value: T; label: string }[]; label: string; test: string }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <RadioGroup v-model="model" class="flex rounded-lg border border-edge bg-panel" :aria-label="label">
    <RadioGroupOption v-for="o in options" :key="o.value" v-slot="{ checked }" :value="o.value" as="template">
      <button
        type="button"
        class="min-h-11 flex-auto px-3 font-semibold whitespace-nowrap first:rounded-l-md last:rounded-r-md"
        :class="checked ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
        :data-test="`${test}-${o.value}`"
      >
        {{ o.label }}
      </button>
    </RadioGroupOption>
  </RadioGroup>
</template>
