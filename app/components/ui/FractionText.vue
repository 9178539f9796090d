<script setup lang="ts">
import { computed } from 'vue'

/** A written length, or several, the fractions set as true fractions. */
const props = defineProps<{ text: string }>()
/** Plain text and fractions in turn; what joins a whole figure and its fraction is a thin space. */
const parts = computed(() => props.text.split(/(\d+\/\d+)/).map((part, i) => (i % 2 === 0 ? part.replace(/(\d) $/, '$1\u2009') : part)))
</script>

<template>
  <span class="whitespace-nowrap"
    ><template v-for="(part, i) in parts" :key="i"
      ><span v-if="i % 2" class="frac">{{ part }}</span
      ><template v-else>{{ part }}</template></template
    ></span
  >
</template>
