<script setup lang="ts">
import { until, useTimeoutFn } from '@vueuse/core'
import { RefreshCw } from 'lucide-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { storage } from '~/data/storage'
import { opensOffline } from '~/offline'

/**
 * Has the application kept by the service worker, so that it opens without a network; says when a newer version is ready, and loads that
 * when one asks for it, never while something is not stored.
 */

/** So often a newer version is looked for while the page stays open, ms. */
const LOOK_MS = 3_600_000
/** A browser lets the version before finish what it is asked, some for minutes: nobody looks longer than this at a button, ms. */
const PATIENCE_MS = 4_000
/** The newer version, which waits. */
const waiting = shallowRef<ServiceWorker | null>(null)
/** It was loaded in another tab: what this page still has to fetch may be gone. */
const isReplaced = ref(false)

onMounted(async () => {
  // Where pages are served for development there is none; a browser that allows none works with a network only.
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  const registration = await navigator.serviceWorker.register('/sw.js').catch(() => null)
  if (!registration) return
  const first = registration.active
  const look = () => {
    isReplaced.value = first !== null && registration.active !== first
    opensOffline.value = registration.active !== null
    // The first of all has nothing to wait for.
    waiting.value = registration.active && registration.waiting
  }
  // One may be on its way already: the browser looks by itself when a page is opened.
  const follow = () => (registration.installing ?? registration.waiting)?.addEventListener('statechange', look)
  registration.addEventListener('updatefound', follow)
  follow()
  look()
  // Looked for now and then; what cannot be looked for without a network is looked for the next time.
  const find = () => void registration.update().catch(() => {})
  find()
  setInterval(find, LOOK_MS)
})

const isStored = computed(() => storage.pending === 0 && storage.where === 'browser' && storage.unstored.length === 0)
/** The page from the beginning, as soon as all that was done meanwhile is stored. */
const loadAnew = () =>
  void until(isStored)
    .toBe(true)
    .then(() => location.reload())
// A page that is left asks nothing more; where the newer version still waits then, it is said again.
const patience = useTimeoutFn(loadAnew, PATIENCE_MS, { immediate: false })
function load() {
  const worker = waiting.value
  // What waited a moment ago may have begun meanwhile, from another tab.
  if (isReplaced.value || worker?.state !== 'installed') return loadAnew()
  worker.addEventListener('statechange', () => worker.state === 'activated' && loadAnew())
  worker.postMessage({ type: 'SKIP_WAITING' })
  patience.start()
}
function putOff() {
  patience.stop()
  waiting.value = null
  isReplaced.value = false
}
</script>

<template>
  <div
    v-if="waiting || isReplaced"
    class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-edge bg-act-pale px-4 py-1.5 print:hidden"
    role="status"
    data-test="new-version"
  >
    <p class="min-w-0 flex-1">
      <span class="font-semibold">{{
        isReplaced ? 'A newer version of Tidal Seam was loaded in another tab.' : 'A newer version of Tidal Seam is ready.'
      }}</span>
      {{ isStored ? 'What you did is stored; what is half typed is not taken along.' : 'What is not stored has to be saved first.' }}
    </p>
    <button class="btn" :disabled="!isStored" data-test="load-version" @click="load"><RefreshCw class="size-4" />Load it</button>
    <button class="btn-quiet" data-test="later-version" @click="putOff">Later</button>
  </div>
</template>
