<script setup lang="ts">
import { Moon, Redo2, Sun, Undo2 } from 'lucide-vue-next'
import { computed, onMounted, onUnmounted } from 'vue'
import { writeLengths } from '~~/core/units'
import { say } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { useScope } from '~/composables/useScope'

const route = useRoute()
const prefs = usePrefs()

const inGarment = computed(() => route.path.startsWith('/garment/'))
const { lastDone: canUndo, nextRedo: canRedo, undo: takeBack, redo: doAgain } = useScope()
const written = (label: string) => writeLengths(label, prefs.ruler)

async function undo() {
  const label = await takeBack()
  if (label) say(`Undone: ${written(label)}`)
}
async function redo() {
  const label = await doAgain()
  if (label) say(`Done again: ${written(label)}`)
}

function onKey(event: KeyboardEvent) {
  const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select')
  if (typing || !(event.ctrlKey || event.metaKey) || event.altKey) return
  const key = event.key.toLowerCase()
  if (key === 'z' && !event.shiftKey) {
    event.preventDefault()
    void undo()
  } else if (key === 'y' || (key === 'z' && event.shiftKey)) {
    event.preventDefault()
    void redo()
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <header
    class="flex print:hidden flex-wrap items-center gap-x-4 gap-y-1 border-b border-edge bg-panel px-4 py-1.5 max-md:gap-x-2 max-md:px-2"
  >
    <NuxtLink to="/" class="flex min-h-11 items-center gap-2.5 rounded-lg pr-1" aria-label="Tidal Seam, to the wardrobe">
      <img src="/mark.svg" alt="" class="size-8" />
      <span class="font-display text-xl italic" :class="inGarment && 'max-md:hidden'">Tidal Seam</span>
    </NuxtLink>
    <LazyShellGarmentBar v-if="inGarment" />
    <div class="ml-auto flex items-center gap-1">
      <button
        class="btn-quiet"
        :disabled="!canUndo"
        :title="canUndo ? `Undo: ${written(canUndo.label)}` : 'Nothing to undo'"
        aria-label="Undo"
        data-test="undo"
        @click="undo"
      >
        <Undo2 class="size-5" />
      </button>
      <button
        class="btn-quiet"
        :disabled="!canRedo"
        :title="canRedo ? `Do again: ${written(canRedo.label)}` : 'Nothing to do again'"
        aria-label="Redo"
        data-test="redo"
        @click="redo"
      >
        <Redo2 class="size-5" />
      </button>
      <!-- Its room is kept until it has come. -->
      <div class="min-h-11 min-w-15"><LazyShellRulerChoice /></div>
      <button
        class="btn-quiet"
        :aria-label="prefs.dark ? 'Light screen' : 'Dark screen'"
        data-test="theme"
        @click="prefs.light = prefs.dark ? 'light' : 'dark'"
      >
        <Sun v-if="prefs.dark" class="size-5" /><Moon v-else class="size-5" />
      </button>
    </div>
  </header>
</template>
