<script setup lang="ts">
import { FilePlus2, Sailboat } from 'lucide-vue-next'

/** What a newcomer sees: what the tool does, in one picture and three sentences. */
defineProps<{ busy: boolean }>()
const emit = defineEmits<{ demo: [] }>()
</script>

<template>
  <div class="panel grid gap-6 p-6 md:grid-cols-[1fr_1.1fr] md:p-8">
    <div class="flex flex-col justify-center">
      <h2 class="font-display text-2xl">Nothing hangs here yet</h2>
      <p class="mt-3">
        Bring in the pieces of a pattern, and say what the body needs in your own words: “shorten the body 1 3/8”. Front, back and every
        partner piece change together, and each seam is walked to see that it still matches. What comes out is true-scale paper, or the same
        change as steps with ruler and scissors.
      </p>
      <div class="mt-5 flex flex-wrap gap-2">
        <button class="btn-act" data-test="open-demo-first" :disabled="busy" @click="emit('demo')">
          <Sailboat class="size-5" />Open the demo wardrobe
        </button>
        <NuxtLink to="/import" class="btn"><FilePlus2 class="size-5" />New from an SVG file</NuxtLink>
      </div>
    </div>
    <WardrobeFirstPicture />
  </div>
</template>
