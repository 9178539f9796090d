<script setup lang="ts">
import { watch } from 'vue'
import { useWork } from '~/stores/work'

const route = useRoute()
const work = useWork()
watch(
  () => String(route.params.id ?? ''),
  (id) => id && work.open(id),
  { immediate: true },
)
</script>

<template>
  <NuxtPage v-if="work.project && work.computedPlan" />
  <div v-else class="grid h-full place-items-center text-soft" role="status">
    <p v-if="work.trouble" class="max-w-lg rounded-xl bg-fault-pale p-5 text-fault">
      This garment cannot be worked out: {{ work.trouble }}
    </p>
    <div v-else-if="work.missing" class="panel max-w-lg p-6 text-center">
      <p class="text-ink">There is no such garment in this browser: it was deleted, or it hangs in another one.</p>
      <NuxtLink to="/" class="btn-act mt-4">To the wardrobe</NuxtLink>
    </div>
    <p v-else>Laying the pieces out …</p>
  </div>
</template>
