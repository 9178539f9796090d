<script setup lang="ts">
import { ArrowLeft, FileDown, FileUp } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { latestSet } from '~~/core/body'
import { sayDone, sayFault } from '~/messages'
import { useSaveFile } from '~/composables/useSaveFile'
import { readText } from '~/read-text'
import { useWearers } from '~/stores/wearers'

/** All wearers of this browser, with their figures; read from and written to CSV. */
const wearers = useWearers()
const saveFile = useSaveFile()
const chosenId = ref<string | null>(null)
const chosen = computed(() => wearers.all.find((w) => w.id === chosenId.value) ?? wearers.all[0] ?? null)

async function takeFile(file: File) {
  const text = await readText(file)
  if (text === null) return
  const done = await wearers.takeCsv(text)
  if (done.ok) sayDone(`${done.count} ${done.count === 1 ? 'wearer' : 'wearers'} read from ${file.name}.`)
  else sayFault(`${file.name}: ${done.sentence}`)
}
async function writeOut() {
  saveFile(await wearers.writeCsv(wearers.all), 'wearers.csv', 'text/csv')
}
</script>

<template>
  <div class="flex h-full min-h-0 flex-col">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2">
      <NuxtLink to="/" class="btn-quiet"><ArrowLeft class="size-5" />Wardrobe</NuxtLink>
      <h1 class="font-display text-2xl italic">Wearers</h1>
      <WearerNewWearer @made="chosenId = $event" />
      <div class="ml-auto flex gap-2">
        <button class="btn" :disabled="wearers.all.length === 0" data-test="save-csv" @click="writeOut">
          <FileDown class="size-4" />Save as CSV
        </button>
        <UiFileButton accept=".csv,text/csv" label="CSV file of wearers" test="csv" @file="takeFile"
          ><FileUp class="size-4" />Read CSV</UiFileButton
        >
      </div>
    </div>
    <div class="flex min-h-0 flex-1 max-md:flex-col">
      <nav class="shrink-0 overflow-auto border-edge bg-panel p-2 max-md:flex max-md:border-b md:w-48 md:border-r" aria-label="Wearers">
        <button
          v-for="w in wearers.all"
          :key="w.id"
          class="block min-h-12 w-full shrink-0 rounded-lg px-3 py-1.5 text-left hover:bg-act-pale max-md:w-auto"
          :class="chosen?.id === w.id && 'bg-act-pale'"
          :aria-current="chosen?.id === w.id"
          :data-test="`wearer-${w.name}`"
          @click="chosenId = w.id"
        >
          <span class="block font-semibold">{{ w.name }}</span>
          <span class="text-sm text-soft"
            >{{ w.sets.length }} {{ w.sets.length === 1 ? 'set' : 'sets'
            }}<template v-if="latestSet(w)">, last {{ latestSet(w)!.takenOn }}</template></span
          >
        </button>
        <p v-if="wearers.all.length === 0" class="p-2 text-sm text-soft">Nobody here yet.</p>
      </nav>
      <WearerSheet v-if="chosen" class="min-w-0 flex-1" :wearer="chosen" scope="wardrobe" @deleted="chosenId = null" />
    </div>
  </div>
</template>
