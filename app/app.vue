<script setup lang="ts">
import { ref, watchEffect } from 'vue'
import { usePrefs } from '~/stores/prefs'

const prefs = usePrefs()
// What every screen may have to say comes in, and is kept for later, when what one came for is there.
const isReady = ref(false)
onNuxtReady(() => (isReady.value = true))
watchEffect(() => document.documentElement.classList.toggle('dark', prefs.dark))
</script>

<template>
  <div class="flex h-full flex-col">
    <a href="#main" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-panel focus:p-3">To the work</a>
    <ShellAppHeader />
    <LazyShellStorageBanner v-if="isReady" />
    <LazyShellNewVersion v-if="isReady" />
    <main id="main" class="min-h-0 flex-1">
      <NuxtPage />
    </main>
    <ShellFootLine />
  </div>
</template>
