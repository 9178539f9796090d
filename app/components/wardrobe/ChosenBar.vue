<script setup lang="ts">
import { Archive, Trash2, UserPlus } from 'lucide-vue-next'
import { ref } from 'vue'
import { useWearers } from '~/stores/wearers'

/** What can be done with the garments that are chosen. */
defineProps<{ count: number }>()
const emit = defineEmits<{ all: []; backUp: []; give: [wearerId: string]; remove: []; end: [] }>()
const wearers = useWearers()
const wearerId = ref('')
</script>

<template>
  <div class="panel mb-4 flex flex-wrap items-center gap-2 p-3" role="group" aria-label="Chosen garments" data-test="chosen-bar">
    <span class="mr-2 font-semibold" role="status">{{ count }} chosen</span>
    <button class="btn" data-test="choose-all" @click="emit('all')">Choose all</button>
    <span class="mx-1 h-8 border-l border-edge" aria-hidden="true" />
    <select v-model="wearerId" class="field w-44" aria-label="Wearer to give them to" data-test="give-wearer">
      <option value="">for whom …</option>
      <option v-for="w in wearers.all" :key="w.id" :value="w.id">{{ w.name }}</option>
    </select>
    <button class="btn" :disabled="count === 0 || !wearerId" data-test="give-to" @click="emit('give', wearerId)">
      <UserPlus class="size-4" />Begin a fit in each
    </button>
    <button class="btn" :disabled="count === 0" data-test="back-up-chosen" @click="emit('backUp')">
      <Archive class="size-4" />Back up
    </button>
    <button class="btn text-fault" :disabled="count === 0" data-test="delete-chosen" @click="emit('remove')">
      <Trash2 class="size-4" />Delete
    </button>
    <button class="btn-quiet ml-auto" data-test="end-choosing" @click="emit('end')">Done choosing</button>
  </div>
</template>
