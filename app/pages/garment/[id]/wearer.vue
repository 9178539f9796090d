<script setup lang="ts">
import { UserPlus } from 'lucide-vue-next'
import { ref } from 'vue'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

/** Station 1: for whom the garment is, and the figures of that body. */
const work = useWork()
const wearers = useWearers()
const name = ref('')

const choose = (id: string | null) => work.act('wearer of the garment', (row) => void (row.wearerId = id))
async function make() {
  if (!name.value.trim()) return
  const wearer = await wearers.create(name.value)
  name.value = ''
  await choose(wearer.id)
}
</script>

<template>
  <div class="flex h-full min-h-0 flex-col">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2">
      <h1 class="mr-2 font-display text-2xl italic">Wearer</h1>
      <label class="flex items-center gap-2">
        <span class="text-soft">This garment is for</span>
        <select
          class="field w-52"
          :value="work.project!.wearerId ?? ''"
          data-test="choose-wearer"
          @change="choose(($event.target as HTMLSelectElement).value || null)"
        >
          <option value="">nobody yet</option>
          <option v-for="w in wearers.all" :key="w.id" :value="w.id">{{ w.name }}</option>
        </select>
      </label>
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
    </div>
    <WearerSheet v-if="work.wearer" :wearer="work.wearer" :scope="work.projectId!" class="flex-1" />
    <div v-else class="grid flex-1 place-items-center p-6 text-center text-soft">
      <p class="max-w-md">
        Choose for whom this garment is, or make a new wearer. With figures of the body, the next station says which size to cut where.
      </p>
    </div>
  </div>
</template>
