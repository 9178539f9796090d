<script setup lang="ts">
import { computed } from 'vue'
import { matchDraft, type PieceDraft } from '~~/core/import'

/** Sizes that lie over each other; corners without a counterpart in one are shown, and paired by hand. */
const props = defineProps<{ draft: PieceDraft; pairing: { sizeName: string; corner: number } | null }>()
const emit = defineEmits<{ pair: [corner: { sizeName: string; corner: number }] }>()
const unsure = computed(() =>
  matchDraft(props.draft).flatMap((m, i) =>
    m.sure.flatMap((sure, corner) => (sure ? [] : [{ sizeName: props.draft.sizes[i]!.name, corner }])),
  ),
)
</script>

<template>
  <fieldset data-test="tray-sizes">
    <legend class="mb-1 font-semibold">Sizes</legend>
    <p class="text-sm">
      {{ draft.sizes.length + 1 }} sizes lie over each other; size <b>{{ draft.sizeName }}</b> is the one you name the edges of.
    </p>
    <p v-if="unsure.length === 0" class="mt-1 text-sm text-good">Every corner was found in every size.</p>
    <ul v-else class="mt-1 space-y-1">
      <li v-for="u in unsure" :key="`${u.sizeName}:${u.corner}`" class="flex items-center gap-2 rounded-lg bg-ease-pale px-2 py-1 text-sm">
        <span class="flex-1">Size {{ u.sizeName }}: no corner where edge {{ u.corner + 1 }} begins</span>
        <button class="btn text-sm" :data-test="`pair-${u.sizeName}-${u.corner}`" @click="emit('pair', u)">
          {{ pairing?.corner === u.corner && pairing?.sizeName === u.sizeName ? 'Click on its line' : 'Show it' }}
        </button>
      </li>
    </ul>
  </fieldset>
</template>
