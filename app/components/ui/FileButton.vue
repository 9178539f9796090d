<script setup lang="ts">
import { useTemplateRef } from 'vue'

/** A button that asks for one file of the machine. */
defineProps<{ accept: string; label: string; test: string; act?: boolean }>()
const emit = defineEmits<{ file: [file: File] }>()
const input = useTemplateRef('input')

function take() {
  const field = input.value
  const file = field?.files?.[0]
  // The same file can be chosen again.
  if (field) field.value = ''
  if (file) emit('file', file)
}
</script>

<template>
  <button type="button" :class="act ? 'btn-act' : 'btn'" :data-test="test" @click="input?.click()"><slot /></button>
  <input ref="input" type="file" :accept="accept" class="hidden" :aria-label="label" :data-test="`${test}-file`" @change="take" />
</template>
