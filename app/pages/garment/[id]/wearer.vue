<script setup lang="ts">
import { computed, ref } from 'vue'
import { stationAt } from '~/stations'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'

/** Station 1: for whom the garment is, and the figures of that body. */
const work = useWork()
const wearers = useWearers()

const router = useRouter()
/** Another wearer of a fit that has stops: that is another fit, which is asked about. */
const another = ref<string | null>(null)
const wearerId = computed({ get: () => work.project!.wearerId ?? '', set: choose })
function choose(id: string) {
  const { wearerId: now, plan } = work.project!
  if (now && id && id !== now && plan.length > 0) another.value = id
  else
    void work.act(`wearer: ${wearers.all.find((w) => w.id === id)?.name ?? 'nobody'}`, { fit: (row) => void (row.wearerId = id || null) })
}
</script>

<template>
  <div class="flex h-full min-h-0 flex-col">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2">
      <h1 class="mr-2 font-display text-2xl italic">Wearer</h1>
      <label class="flex items-center gap-2">
        <span class="text-soft">This fit is for</span>
        <select :key="another ?? ''" v-model="wearerId" class="field w-52" data-test="choose-wearer">
          <option value="">nobody yet</option>
          <option v-for="w in wearers.all" :key="w.id" :value="w.id">{{ w.name }}</option>
        </select>
      </label>
      <WearerNewWearer @made="choose" />
    </div>
    <ShellNewFit
      v-if="another"
      :garment-id="work.project!.garmentId"
      :for-wearer="another"
      @close="another = null"
      @begun="(id: string) => router.push(stationAt(work.project!.garmentId, id, 'wearer'))"
    />
    <WearerSheet v-if="work.wearer" :wearer="work.wearer" :scope="work.fitId!" class="flex-1">
      <WearerFitNotes :project="work.project!" />
    </WearerSheet>
    <div v-else class="grid flex-1 place-items-center p-6">
      <div class="max-w-md space-y-6">
        <p class="text-center text-soft">
          Choose for whom this fit is, or make a new wearer. With figures of the body, the next station says which size to cut where.
        </p>
        <WearerFitNotes :project="work.project!" />
      </div>
    </div>
  </div>
</template>
