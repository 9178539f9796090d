<script setup lang="ts">
import { computed } from 'vue'
import { writeLengths } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** A sentence from the core, its lengths in the reader's units. */
const props = defineProps<{ text: string }>()
const prefs = usePrefs()
const written = computed(() => writeLengths(props.text, prefs.ruler))
</script>

<template>
  <span>{{ written }}</span>
</template>
