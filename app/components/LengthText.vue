<script setup lang="ts">
import { computed } from 'vue'
import type { FormatOptions } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** A length in the reader's units, its fraction set as a true fraction. */
const props = defineProps<{ mm: number; signed?: boolean; fine?: boolean; bare?: boolean }>()
const prefs = usePrefs()
const text = computed(() => {
  const options: FormatOptions = { signed: props.signed, bare: props.bare, fraction: props.fine ? 16 : 8 }
  return prefs.length(props.mm, options)
})
const parts = computed(() => {
  const match = /^(.*?)(\d+\/\d+)(.*)$/.exec(text.value)
  return match ? { before: match[1]!, fraction: match[2]!, after: match[3]! } : { before: text.value, fraction: '', after: '' }
})
</script>

<template>
  <span class="whitespace-nowrap"
    >{{ parts.before.trimEnd()
    }}<template v-if="parts.fraction"
      >{{ parts.before.match(/\d\s*$/) ? '\u2009' : '' }}<span class="frac">{{ parts.fraction }}</span></template
    >{{ parts.after }}</span
  >
</template>
