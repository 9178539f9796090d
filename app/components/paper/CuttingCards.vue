<script setup lang="ts">
import { cardNotes, MOST_LAYERS, USE_NAMES, USES } from '~~/core/cloth'
import { useCloth } from '~/composables/useCloth'

/** For each piece how often it is cut from which cloth, and what to mind while cutting. */
const { cards, setCount } = useCloth()
</script>

<template>
  <section data-test="cutting-cards">
    <h2 class="mb-2 font-display text-xl italic">Cutting cards</h2>
    <div class="grid gap-3 md:grid-cols-2">
      <article v-for="card in cards" :key="card.pieceId" class="panel break-inside-avoid space-y-2 p-3" :data-test="`card-${card.pieceId}`">
        <h3 class="flex flex-wrap items-baseline justify-between gap-2 font-semibold">
          {{ card.name }}
          <span class="text-sm font-normal text-soft"
            ><UiLengthText :mm="card.alongMm" /> along the grain, <UiLengthText :mm="card.acrossMm" /> across</span
          >
        </h3>
        <div class="flex flex-wrap gap-3">
          <FieldsNumberField
            v-for="u in USES"
            :key="u"
            class="text-sm"
            :model-value="card.counts[u]"
            :label="USE_NAMES[u]"
            :min="0"
            :max="MOST_LAYERS"
            whole
            :test="`count-${card.pieceId}-${u}`"
            @update:model-value="setCount(card.pieceId, u, $event)"
          />
        </div>
        <ul class="list-disc space-y-0.5 pl-5 text-sm">
          <li v-for="note in cardNotes(card)" :key="note"><UiSentenceText :text="note" /></li>
        </ul>
      </article>
    </div>
  </section>
</template>
