<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A question over the page: a title, what is asked, and its buttons below. Escape closes it. */
defineProps<{ title: string; test: string; wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-4">
      <DialogPanel class="panel w-full p-5" :class="wide ? 'max-w-2xl' : 'max-w-lg'" :data-test="test">
        <DialogTitle class="font-display text-2xl italic">{{ title }}</DialogTitle>
        <slot />
        <div v-if="$slots.buttons" class="mt-4 flex flex-wrap justify-end gap-2"><slot name="buttons" /></div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
