<script setup lang="ts">
import { ref, watch } from 'vue'

/** Free text that is kept when the field is left. What is half typed stays, also when another tab writes the same text. */
const props = defineProps<{ modelValue: string; label: string; placeholder?: string; test: string; longest?: number }>()
const emit = defineEmits<{ 'update:modelValue': [text: string] }>()

const text = ref(props.modelValue)
/** What was stored when one began to type. */
const base = ref(props.modelValue)
/** What another tab stored meanwhile. */
const theirs = ref<string | null>(null)

watch(
  () => props.modelValue,
  (stored) => {
    const isTyping = text.value !== base.value && stored !== text.value
    theirs.value = isTyping ? stored : null
    base.value = stored
    if (!isTyping) text.value = stored
  },
)
function keep() {
  theirs.value = null
  if (text.value !== base.value) emit('update:modelValue', text.value)
}
function takeTheirs() {
  text.value = base.value
  theirs.value = null
}
</script>

<template>
  <div>
    <label class="block">
      <span class="mb-1 block font-semibold">{{ label }}</span>
      <textarea
        v-model="text"
        class="field min-h-20 py-2"
        :maxlength="longest ?? 2000"
        :placeholder="placeholder"
        :data-test="test"
        @change="keep"
      />
    </label>
    <p v-if="theirs !== null" class="mt-1 rounded-lg bg-ease-pale p-2 text-sm text-ease" role="status" :data-test="`${test}-theirs`">
      Another tab has written here meanwhile: “{{ theirs }}”. Yours takes its place when you leave the field.
      <button type="button" class="btn mt-1 text-sm" @mousedown.prevent @click="takeTheirs">Take the other one</button>
    </p>
  </div>
</template>
