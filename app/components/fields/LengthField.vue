<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { formatLength, parseLength } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'
import { markAll } from '~/typed'

/** A length typed as one thinks it; shows in the other system what it understood. */
const props = defineProps<{ modelValue: number; label: string; hint?: string; hideLabel?: boolean; test?: string; positive?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [mm: number] }>()
const prefs = usePrefs()
const text = ref('')
const wrong = ref<string | null>(null)
const id = useId()
let typing = false

const shown = () => formatLength(props.modelValue, prefs.ruler, { bare: true }).replace('−', '-')
watch(
  [() => props.modelValue, () => prefs.units],
  () => {
    if (!typing) text.value = shown()
  },
  { immediate: true },
)
const read = computed(() => parseLength(text.value, prefs.units))
const understood = computed(() => {
  if (!read.value.ok) return ''
  const other = prefs.units === 'in' ? 'cm' : 'in'
  return `= ${formatLength(read.value.value, prefs.ruler)} = ${formatLength(read.value.value, other)}`
})
function settle() {
  // Left as it was: what is shown is rounded, the figure behind it is not.
  if (!typing) return
  typing = false
  if (!read.value.ok) {
    wrong.value = `${read.value.problem.message} ${read.value.problem.remedy}`
    return
  }
  if (props.positive && read.value.value < 0) {
    wrong.value = 'Type it without a minus sign.'
    return
  }
  wrong.value = null
  if (Math.abs(read.value.value - props.modelValue) > 0.0001) emit('update:modelValue', read.value.value)
  text.value = formatLength(read.value.value, prefs.ruler, { bare: true }).replace('−', '-')
}
</script>

<template>
  <div>
    <label :for="id" class="mb-1 block font-semibold" :class="hideLabel && 'sr-only'">{{ label }}</label>
    <div class="flex items-center gap-2">
      <div class="relative w-36">
        <input
          :id="id"
          v-model="text"
          class="field pr-10 text-lg"
          inputmode="text"
          autocomplete="off"
          :aria-invalid="wrong !== null"
          :aria-describedby="`${id}-help`"
          :data-test="test"
          @input="typing = true"
          @keydown.enter.prevent="settle"
          @blur="settle"
          @focus="markAll($event)"
        />
        <span class="pointer-events-none absolute top-0 right-3 flex h-full items-center text-soft">{{ prefs.units }}</span>
      </div>
      <span :id="`${id}-help`" class="text-sm" :class="wrong ? 'text-fault' : 'text-soft'" :role="wrong ? 'alert' : undefined">{{
        wrong ?? understood
      }}</span>
    </div>
    <p v-if="hint" class="mt-1 text-sm text-soft"><UiSentenceText :text="hint" /></p>
  </div>
</template>
