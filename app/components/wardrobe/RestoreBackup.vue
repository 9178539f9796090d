<script setup lang="ts">
import { ref } from 'vue'
import { usualKeep, type Contents, type Difference, type Keep } from '~~/core/formats'

/** What of a backup is here too and differs: which of both stays is asked, thing by thing. */
const props = defineProps<{ fileName: string; file: Contents; differences: Difference[] }>()
const emit = defineEmits<{ take: [keep: Map<string, Keep>]; close: [] }>()
const keep = ref<Record<string, Keep>>(Object.fromEntries(props.differences.map((d) => [d.id, usualKeep(d)])))
const CHOICES = { here: 'keep the one here', file: 'take the file’s', both: 'keep both' } as const
const newer = { here: 'newer here', file: 'newer in the file' } as const
</script>

<template>
  <UiDialog title="Restore" test="restore-choice" wide @close="emit('close')">
    <p class="mt-1 text-soft">
      {{ fileName }} holds {{ file.garments.length }} {{ file.garments.length === 1 ? 'garment' : 'garments' }}. These are here too, and
      differ:
    </p>
    <ul class="mt-3 max-h-[50vh] space-y-1 overflow-y-auto">
      <li v-for="d in differences" :key="d.id" class="flex flex-wrap items-center gap-x-4 border-t border-edge/60 py-1">
        <span class="min-w-40 flex-1"
          ><span class="font-semibold">{{ d.name }}</span
          ><span class="block text-sm text-soft">{{ d.what }}{{ d.newer ? `, ${newer[d.newer]}` : '' }}</span></span
        >
        <select v-model="keep[d.id]" class="field w-52" :aria-label="`What stays of ${d.name}`" data-test="restore-keep" :data-id="d.id">
          <option v-for="(words, how) in CHOICES" :key="how" :value="how">{{ words }}</option>
        </select>
      </li>
    </ul>
    <template #buttons>
      <button class="btn" data-test="restore-cancel" @click="emit('close')">Cancel</button>
      <button class="btn-act" data-test="restore-go" @click="emit('take', new Map(Object.entries(keep)))">Restore</button>
    </template>
  </UiDialog>
</template>
