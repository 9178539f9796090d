<script setup lang="ts">
import { onMounted, watchEffect } from 'vue'
import { usePrefs } from '~/stores/prefs'

const prefs = usePrefs()
// Ask the browser not to clear the wardrobe when it runs short of room; it may say no.
onMounted(() => void navigator.storage?.persist?.())
watchEffect(() => document.documentElement.classList.toggle('dark', prefs.dark))
</script>

<template>
  <div class="flex h-full flex-col">
    <a href="#main" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-panel focus:p-3">To the work</a>
    <AppHeader />
    <StorageBanner />
    <main id="main" class="min-h-0 flex-1">
      <NuxtPage />
    </main>
    <FootLine />
  </div>
</template>
