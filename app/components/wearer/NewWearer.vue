<script setup lang="ts">
import { UserPlus } from 'lucide-vue-next'
import { ref } from 'vue'
import { useWearers } from '~/stores/wearers'

/** A name and a button: makes a wearer of that name. */
const emit = defineEmits<{ made: [wearerId: string] }>()
const wearers = useWearers()
const name = ref('')

async function make() {
  if (!name.value.trim()) return
  const wearer = await wearers.create(name.value)
  if (!wearer) return
  name.value = ''
  emit('made', wearer.id)
}
</script>

<template>
  <form class="flex items-center gap-2" @submit.prevent="make">
    <input
      v-model="name"
      class="field w-44"
      maxlength="60"
      placeholder="the Ferryman"
      aria-label="Name of a new wearer"
      data-test="new-wearer-name"
    />
    <button class="btn" data-test="new-wearer"><UserPlus class="size-4" />New wearer</button>
  </form>
</template>
