<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

const route = useRoute()
const router = useRouter()
const work = useWork()
const session = usePlanSession()
watch(
  () => [route.params.id, route.query.fit] as const,
  ([id, fit]) => typeof id === 'string' && work.open(id, typeof fit === 'string' ? fit : null),
  { immediate: true },
)
// The open fit stands in the address: it stays open here when another one is worked on elsewhere. The address is asked of the router:
// what this page was last drawn for may be older, and an address written for the same place takes back a click on another station.
watch(
  () => work.project,
  (project) => {
    const { params, query } = router.currentRoute.value
    if (project && params.id === project.garmentId && query.fit === undefined) void router.replace({ query: { ...query, fit: project.id } })
  },
  { immediate: true },
)

// Nothing of it is looked at any more; unless it gives way to another garment, which is open already.
onUnmounted(() => {
  if (!router.currentRoute.value.path.startsWith('/garment/')) work.close()
})

/** The stop that the program was at when it could not go on. */
const culprit = computed(() => work.stops.find((c) => c.id === session.trouble?.stopId) ?? null)
async function leaveOut() {
  if (culprit.value && (await work.switchChange(culprit.value.id, false))) await session.tryAgain()
}
</script>

<template>
  <div class="flex h-full flex-col print:block">
    <div
      v-if="session.trouble"
      class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-edge bg-fault-pale px-4 py-1.5 text-fault print:hidden"
      role="alert"
      data-test="trouble"
    >
      <p class="min-w-0 flex-1">
        <span class="font-semibold">This plan cannot be worked out:</span> {{ session.trouble.sentence }}
        <template v-if="culprit">It was at <UiSentenceText :text="session.wordsOf(culprit)" />.</template>
        Nothing is lost.
      </p>
      <button v-if="culprit" class="btn" data-test="leave-out-stop" @click="leaveOut">Leave this stop out</button>
      <button class="btn" data-test="work-again" @click="session.tryAgain()">Try again</button>
    </div>
    <div
      v-else-if="session.long"
      class="flex flex-wrap items-center gap-4 border-b border-edge bg-note-pale px-4 py-1.5 text-note print:hidden"
      role="status"
    >
      <p class="flex-1">This takes long{{ session.progress ? `: ${session.progress}` : '' }}.</p>
      <button class="btn" data-test="stop-working" @click="session.stopWorking()">Stop</button>
    </div>
    <div class="min-h-0 flex-1 print:block">
      <NuxtPage v-if="work.project && session.computedPlan" />
      <div v-else class="grid h-full place-items-center text-soft" role="status">
        <div v-if="work.missing" class="panel max-w-lg p-6 text-center">
          <p class="text-ink">There is no such garment or fit in this browser: it was deleted, or it hangs in another one.</p>
          <NuxtLink to="/" class="btn-act mt-4">To the wardrobe</NuxtLink>
        </div>
        <NuxtLink v-else-if="session.trouble" to="/" class="btn-act">To the wardrobe</NuxtLink>
        <p v-else>Laying the pieces out …</p>
      </div>
    </div>
  </div>
</template>
