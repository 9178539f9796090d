<script setup lang="ts">
import { computed } from 'vue'
import { usePrefs } from '~/stores/prefs'

/** A length as the reader's ruler shows it. */
const props = defineProps<{ mm: number; signed?: boolean; bare?: boolean }>()
const prefs = usePrefs()
const text = computed(() => prefs.length(props.mm, { signed: props.signed, bare: props.bare }))
</script>

<template>
  <UiFractionText :text="text" />
</template>
