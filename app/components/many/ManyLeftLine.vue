<script setup lang="ts">
import type { FitFigures } from '~~/core/many'

/** Something that the body asks for and the pieces do not give. */
defineProps<{ left: FitFigures['left'][number] }>()
</script>

<template>
  <p>
    {{ left.name }} <UiLengthText :mm="Math.abs(left.leftMm)" />{{ ' '
    }}<span :class="left.leftMm > 0 ? 'text-fault' : 'text-soft'">{{ left.leftMm > 0 ? 'too little' : 'too much' }}</span>
  </p>
</template>
