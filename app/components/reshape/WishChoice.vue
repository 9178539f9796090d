<script setup lang="ts">
import { computed } from 'vue'
import { tryOffer, type Offer } from '~~/core/advice'
import type { Garment } from '~~/core/pattern'
import { usePlanSession } from '~/stores/plan-session'

/** What a wish may mean, to choose from: nothing is done before one is. */
const props = defineProps<{ wish: string; why: string; measure: string | null; offers: readonly Offer[]; garment: Garment }>()
const session = usePlanSession()
/** Each with the pieces that it would change; one that begins with nothing changes none yet. */
const shown = computed(() => {
  const context = session.contextFor(props.garment)
  return props.offers.map((offer) => {
    const tried = tryOffer(offer, props.garment, context)
    return { offer, pieces: 'pieces' in tried ? tried.pieces.join(', ') : '', sentence: 'sentence' in tried ? tried.sentence : '' }
  })
})
const emit = defineEmits<{ take: [offer: Offer]; close: [] }>()
</script>

<template>
  <UiDialog :title="`“${wish.trim()}”`" test="wish-choice" @close="emit('close')">
    <p class="mt-1 text-soft"><UiSentenceText :text="why" /></p>
    <p v-if="measure" class="mt-1" data-test="wish-choice-measure"><b>How much:</b> {{ measure }}.</p>
    <ul class="mt-4 space-y-2">
      <li v-for="(o, i) in shown" :key="i">
        <button class="btn h-auto w-full justify-start py-2 text-left" data-test="wish-choose" @click="emit('take', o.offer)">
          <span>
            <span class="block"><UiSentenceText :text="o.offer.sentence" /></span>
            <span v-if="o.pieces" class="block text-sm font-normal text-soft">{{ o.pieces }}</span>
            <span v-if="o.sentence" class="block text-sm font-normal text-fault"><UiSentenceText :text="o.sentence" /></span>
          </span>
        </button>
      </li>
    </ul>
    <template #buttons>
      <button class="btn" data-test="wish-choice-close" @click="emit('close')">
        {{ offers.length > 0 ? 'None of these' : 'Say it differently' }}
      </button>
    </template>
  </UiDialog>
</template>
