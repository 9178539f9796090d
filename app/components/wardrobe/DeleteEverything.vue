<script setup lang="ts">
import { ref } from 'vue'

/** Asks before all that is stored goes, and offers a backup first. */
defineProps<{ garments: number; wearers: number }>()
const emit = defineEmits<{ close: []; backUp: []; sure: [] }>()
const isBackedUp = ref(false)
</script>

<template>
  <UiDialog title="Delete everything" test="delete-everything-choice" @close="emit('close')">
    <p class="mt-2">
      All that is stored in this browser goes: {{ garments }} {{ garments === 1 ? 'garment' : 'garments' }} with every fit, {{ wearers }}
      {{ wearers === 1 ? 'wearer' : 'wearers' }} with all figures, your own changes, the import tray and the log.
      <span class="font-semibold">This cannot be undone.</span>
    </p>
    <p class="mt-2 text-soft">
      {{ isBackedUp ? 'The backup is among your downloads; look that it is there.' : 'A backup brings all of it back, here or elsewhere.' }}
    </p>
    <template #buttons>
      <button class="btn" data-test="delete-everything-cancel" @click="emit('close')">Cancel</button>
      <button :class="isBackedUp ? 'btn' : 'btn-act'" data-test="delete-everything-backup" @click="((isBackedUp = true), emit('backUp'))">
        Back up first
      </button>
      <button class="btn text-fault" data-test="delete-everything-sure" @click="emit('sure')">Delete everything</button>
    </template>
  </UiDialog>
</template>
