<script setup lang="ts">
import { computed } from 'vue'

/** A written length, its fraction set as a true fraction. */
const props = defineProps<{ text: string }>()
const parts = computed(() => {
  const match = /^(.*?)(\d+\/\d+)(.*)$/.exec(props.text)
  return match ? { before: match[1]!, fraction: match[2]!, after: match[3]! } : { before: props.text, fraction: '', after: '' }
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
