<script setup lang="ts">
import type { LoggedFitting } from '~~/core/paper'
import { usePhotos } from '~/composables/usePhotos'
import { showDay } from '~/days'

/** The fittings of a garment as its notebook tells them: what was seen, what became of it, and small photographs. */
defineProps<{ fittings: LoggedFitting[] }>()
const { pictureUrl } = usePhotos()
</script>

<template>
  <section v-if="fittings.length" aria-label="Fittings" data-test="notebook-fittings">
    <h3 class="mb-1 text-lg font-semibold">Fittings</h3>
    <article v-for="f in fittings" :key="f.id" class="border-t border-edge py-3">
      <h4 class="font-semibold">
        {{ showDay(f.heldOn) }}<span v-if="f.version" class="font-normal text-soft">, of “{{ f.version }}”</span>
      </h4>
      <p v-if="f.facts.length" class="text-sm text-soft">{{ f.facts.join(' ') }}</p>
      <p v-if="f.notes" class="whitespace-pre-line">{{ f.notes }}</p>
      <dl v-if="f.items.length" class="mt-1">
        <div v-for="(i, k) in f.items" :key="k" class="break-inside-avoid py-1 md:grid md:grid-cols-2 md:gap-4">
          <dt><UiSentenceText :text="i.seen" /></dt>
          <dd class="text-soft">→ <UiSentenceText :text="i.became" /></dd>
        </div>
      </dl>
      <p v-if="f.well.length" class="mt-1 text-sm">Sits well: {{ f.well.join(', ') }}.</p>
      <ul v-if="f.photos.length" class="mt-2 flex flex-wrap gap-3">
        <li v-for="p in f.photos" :key="p.id" class="w-36 break-inside-avoid text-xs">
          <img v-if="pictureUrl(p.id)" :src="pictureUrl(p.id)" :alt="p.text || 'Photograph of the fitting'" class="mb-1 max-h-48 w-auto" />
          {{ p.text }}
          <span v-for="(m, i) in p.marks" :key="i" class="block text-soft">{{ i + 1 }} {{ m }}</span>
        </li>
      </ul>
    </article>
  </section>
</template>
