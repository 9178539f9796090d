<script setup lang="ts">
import { USE_NAMES, USES } from '~~/core/cloth'
import { useCloth } from '~/composables/useCloth'
import { sayFault } from '~/messages'

/** For each piece how often it is cut from which cloth, and what to mind while cutting. */
const { cards, setCount } = useCloth()
const MOST = 99
function take(pieceId: string, use: (typeof USES)[number], event: Event) {
  const text = event.target instanceof HTMLInputElement ? event.target.value : ''
  const count = Number(text)
  if (text.trim() !== '' && Number.isInteger(count) && count >= 0 && count <= MOST) setCount(pieceId, use, count)
  else sayFault(`A piece is cut between 0 and ${MOST} times: type it again.`)
}
</script>

<template>
  <section data-test="cutting-cards">
    <h2 class="mb-2 font-display text-xl italic">Cutting cards</h2>
    <div class="grid gap-3 md:grid-cols-2">
      <article v-for="card in cards" :key="card.pieceId" class="panel break-inside-avoid space-y-2 p-3" :data-test="`card-${card.pieceId}`">
        <h3 class="flex flex-wrap items-baseline justify-between gap-2 font-semibold">
          {{ card.name }}
          <span class="text-sm font-normal text-soft"
            ><LengthText :mm="card.alongMm" /> along the grain, <LengthText :mm="card.acrossMm" /> across</span
          >
        </h3>
        <div class="flex flex-wrap gap-3">
          <label v-for="u in USES" :key="u" class="text-sm">
            <span class="block">{{ USE_NAMES[u] }}</span>
            <input
              type="number"
              min="0"
              :max="MOST"
              class="field w-20"
              :value="card.counts[u]"
              :data-test="`count-${card.pieceId}-${u}`"
              @change="take(card.pieceId, u, $event)"
            />
          </label>
        </div>
        <ul class="list-disc space-y-0.5 pl-5 text-sm">
          <li v-if="card.onFold">Its fold lies on a fold of the cloth.</li>
          <li v-if="card.isPair">Half of them are turned over.</li>
          <li v-if="card.isSmall">Small and exact: cut each in a single layer.</li>
          <li v-if="card.hiddenLayers">
            {{ card.hiddenLayers === 1 ? 'One layer is' : `${card.hiddenLayers} layers are` }} hidden: lining does there as well.
          </li>
          <li v-for="e in card.biasEdges" :key="e.name">
            {{ e.name }}: <LengthText :mm="e.lengthMm" /> near the bias. Stay-stitch it, handle it gently.
          </li>
        </ul>
      </article>
    </div>
  </section>
</template>
