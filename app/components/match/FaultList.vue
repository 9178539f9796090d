<script setup lang="ts">
import { Wrench } from 'lucide-vue-next'
import type { Fault, Mend } from '~~/core/advice'

/** What is at fault with one thing, each with the changes that mend it. */
defineProps<{ faults: Fault[] }>()
const emit = defineEmits<{ mend: [mend: Mend] }>()
</script>

<template>
  <ul v-if="faults.length" class="mt-4 space-y-3" aria-label="Faults">
    <li v-for="f in faults" :key="f.id" class="panel p-4" :data-test="`fault-${f.id}`">
      <p class="font-medium" :class="f.verdict === 'fault' ? 'text-fault' : 'text-ease'"><UiSentenceText :text="f.message" /></p>
      <div v-if="f.mends.length" class="mt-3 flex flex-wrap gap-2">
        <button
          v-for="(m, i) in f.mends"
          :key="i"
          :class="i === 0 ? 'btn-act' : 'btn'"
          :data-test="`mend-${i}`"
          data-mend
          @click="emit('mend', m)"
        >
          <Wrench class="size-4 shrink-0" /><UiSentenceText :text="m.label" />
        </button>
      </div>
      <p v-if="f.mends.some((m) => m.how === 'add' && m.forEverybody)" class="mt-2 text-sm text-soft" data-test="for-everybody-words">
        It is so in the pattern as bought: what mends it becomes a stop for everybody who wears this garment.
      </p>
      <p v-if="f.mends.length === 0" class="mt-1 text-sm text-soft">
        No change that is known here mends it: true the line by hand on the paper, or go back to the stop that made it.
      </p>
    </li>
  </ul>
</template>
