<script setup lang="ts">
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

/** Station 1: for whom the garment is, and the figures of that body. */
const work = useWork()
const wearers = useWearers()

const choose = (id: string | null) => work.act('wearer of the garment', { fit: (row) => void (row.wearerId = id) })
</script>

<template>
  <div class="flex h-full min-h-0 flex-col">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2">
      <h1 class="mr-2 font-display text-2xl italic">Wearer</h1>
      <label class="flex items-center gap-2">
        <span class="text-soft">This fit is for</span>
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
      <NewWearer @made="choose" />
    </div>
    <WearerSheet v-if="work.wearer" :wearer="work.wearer" :scope="work.fitId!" class="flex-1">
      <FitNotes :project="work.project!" />
    </WearerSheet>
    <div v-else class="grid flex-1 place-items-center p-6">
      <div class="max-w-md space-y-6">
        <p class="text-center text-soft">
          Choose for whom this fit is, or make a new wearer. With figures of the body, the next station says which size to cut where.
        </p>
        <FitNotes :project="work.project!" />
      </div>
    </div>
  </div>
</template>
