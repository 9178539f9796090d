<script setup lang="ts">
import { computed } from 'vue'
import { halveDraft, type PieceDraft } from '~~/core/import'

/** A piece that is drawn whole beside pieces that are drawn as halves: half of it is offered, to lie on the fold. */
const props = defineProps<{
  draft: PieceDraft
  /** Other pieces are halves of what they are on the body. */
  besideHalves: boolean
}>()
defineEmits<{ take: [] }>()
const isOffered = computed(() => props.besideHalves && props.draft.kind !== 'sleeve' && halveDraft(props.draft) !== null)
</script>

<template>
  <fieldset v-if="isOffered" class="rounded-lg border border-edge p-3" data-test="half-field">
    <legend class="sr-only">Whole or half</legend>
    <p class="text-sm">
      It is drawn whole, and alike on both sides; others are drawn as halves. As a half, on the fold, it can be sewn to those.
    </p>
    <button class="btn mt-2" data-test="take-half" @click="$emit('take')">Take half of it, on the fold</button>
  </fieldset>
</template>
