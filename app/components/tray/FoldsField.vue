<script setup lang="ts">
import { ROLE_NAMES } from '~~/core/pattern'
import { computed } from 'vue'
import { findFolds, takeFold, type Fold, type PieceDraft } from '~~/core/import'

/** Lines inside that look like a dart or a pleat: asked about, one by one. */
const props = defineProps<{ draft: PieceDraft }>()
const emit = defineEmits<{ take: [change: { label: string; change: Partial<PieceDraft> }] }>()
const folds = computed(() => [...findFolds(props.draft)])
const mouthWords = (edge: number) => ROLE_NAMES[props.draft.edges[edge]!.role]
const foldWords = (fold: Fold) =>
  fold.what === 'inside-dart'
    ? 'Yes, a dart with two tips'
    : `Yes, a ${fold.what} ${fold.what === 'dart' ? 'from' : 'in'} the ${mouthWords(fold.mouth.edge)}`
function makeFold(fold: Fold) {
  const { edges, lines } = takeFold(props.draft, fold)
  emit('take', { label: fold.what === 'pleat' ? 'pleat of two lines' : 'dart of inner lines', change: { edges, lines } })
}
</script>

<template>
  <fieldset v-if="folds.length > 0" class="rounded-lg bg-note-pale p-3" data-test="inner-folds">
    <legend class="sr-only">Darts and pleats</legend>
    <p class="text-note">Lines inside this piece look like a fold of the cloth. Is it one?</p>
    <button
      v-for="f in folds"
      :key="`${f.what}-${f.lines.join()}`"
      class="btn mt-2"
      :data-test="`make-${f.what}-${f.lines.join('-')}`"
      @click="makeFold(f)"
    >
      {{ foldWords(f) }}
    </button>
    <p class="mt-1 text-sm text-note">Otherwise leave them: they stay lines.</p>
  </fieldset>
</template>
