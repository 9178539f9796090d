<script setup lang="ts">
import { computed } from 'vue'
import { formatDifference } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** How far a length moved, beside both of its figures: the difference of what is shown there, the exact one in its tip. */
const props = defineProps<{ from: number; to: number; bare?: boolean; unsigned?: boolean }>()
const prefs = usePrefs()
const text = computed(() => formatDifference(props.to, props.from, prefs.ruler, { signed: !props.unsigned, bare: props.bare }))
const exact = computed(() => `exactly ${prefs.figure(props.to - props.from, 2).replace('-', '−')} mm`)
</script>

<template>
  <span :title="exact"><UiFractionText :text="text" /></span>
</template>
