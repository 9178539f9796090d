<script setup lang="ts">
import { computed } from 'vue'
import { toPathData } from '~~/core/formats'
import { outlineOf, shapeOf, type Piece } from '~~/core/pattern'
import type { SizeLine } from '~/composables/useSizeLines'

/** The other sizes of a piece around the one it is cut in, each with its own line. */
const props = defineProps<{ piece: Piece; sizes: readonly SizeLine[] }>()

const lines = computed(() => props.sizes.map((s) => ({ ...s, d: toPathData(outlineOf(props.piece, shapeOf(props.piece, s.id)), true) })))
</script>

<template>
  <g fill="none" stroke="var(--ink)">
    <path
      v-for="l in lines"
      :key="l.id"
      :d="l.d"
      :stroke-width="l.line.width"
      :stroke-dasharray="l.line.dash"
      vector-effect="non-scaling-stroke"
      data-test="nest-line"
    />
  </g>
</template>
