<script setup lang="ts">
import { ref, watch } from 'vue'
import { sayFault } from '~/messages'

/** A number between two others: a count, or parts in a hundred. What is none of them is said, and the field shows what holds. */
const props = defineProps<{
  modelValue: number
  label: string
  min: number
  max: number
  /** Only whole numbers. */
  whole?: boolean
  hideLabel?: boolean
  /** Label and field side by side. */
  inline?: boolean
  test: string
}>()
const emit = defineEmits<{ 'update:modelValue': [number: number] }>()
const text = ref('')
const show = () => (text.value = String(props.modelValue))
watch(() => props.modelValue, show, { immediate: true })

function settle() {
  const plain = text.value.trim().replace(',', '.').replace(/\s*%$/, '')
  const read = Number(plain)
  const isOne = plain !== '' && Number.isFinite(read) && (!props.whole || Number.isInteger(read))
  if (isOne && read >= props.min && read <= props.max) {
    if (read !== props.modelValue) emit('update:modelValue', read)
  } else
    sayFault(
      `${props.label}: a ${props.whole ? 'whole number' : 'number'} from ${props.min} to ${props.max}, not “${text.value.slice(0, 20)}”.`,
    )
  show()
}
</script>

<template>
  <label :class="inline ? 'flex items-center gap-3' : 'block'">
    <span :class="hideLabel ? 'sr-only' : inline ? 'min-w-32 font-semibold' : 'mb-1 block font-semibold'">{{ label }}</span>
    <input v-model="text" class="field w-24" :inputmode="whole ? 'numeric' : 'decimal'" :data-test="test" @change="settle" />
  </label>
</template>
