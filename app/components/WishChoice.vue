<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { Offer } from '~~/core/advice'

/** What a wish may mean, to choose from: nothing is done before one is. */
defineProps<{ wish: string; why: string; offers: readonly Offer[] }>()
const emit = defineEmits<{ take: [offer: Offer]; close: [] }>()
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-4">
      <DialogPanel class="panel w-full max-w-lg p-5" data-test="wish-choice">
        <DialogTitle class="font-display text-2xl italic">“{{ wish.trim() }}”</DialogTitle>
        <p class="mt-1 text-soft"><SentenceText :text="why" /></p>
        <ul class="mt-4 space-y-2">
          <li v-for="(o, i) in offers" :key="i">
            <button class="btn w-full justify-start text-left" data-test="wish-choose" @click="emit('take', o)">
              <SentenceText :text="o.sentence" />
            </button>
          </li>
        </ul>
        <div class="mt-4 flex justify-end">
          <button class="btn" data-test="wish-choice-close" @click="emit('close')">
            {{ offers.length > 0 ? 'None of these' : 'Say it differently' }}
          </button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
