<script setup lang="ts">
import { Check, CircleAlert } from 'lucide-vue-next'
import { computed } from 'vue'
import { countFaults, faultTotal } from '~~/core/advice'
import { latestSet } from '~~/core/body'
import { questionsOf } from '~~/core/fittings'
import { stationAt } from '~/stations'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

/** In the head of a garment’s pages: which garment and fit is open, and its stations with what is left to do in each. */
const route = useRoute()
const work = useWork()
const session = usePlanSession()
const log = useFittings()
const faults = computed(() => countFaults(session.computedPlan?.faults ?? []))
const stuck = computed(() => session.computedPlan?.stops.filter((s) => s.status === 'refused' || s.status === 'orphan').length ?? 0)

/** Sizes are settled when every piece is ticked off as traced. */
const sized = computed(() => {
  const p = work.project
  return p !== null && p.garment.pieces.every((piece) => p.sizing.traced.includes(piece.id))
})

/** The tissue fitting is settled when something was looked at and ticked. */
const looked = computed(() => (work.project?.sizing.looked?.length ?? 0) > 0)

const questions = computed(() => questionsOf(log.fittings).length)

const stations = computed(() => {
  const to = (station: Parameters<typeof stationAt>[2]) => stationAt(String(route.params.id ?? ''), work.fitId, station)
  return [
    { name: 'Wearer', to: to('wearer'), open: 0, what: '', settled: Boolean(latestSet(work.wearer)) },
    { name: 'Size', to: to('size'), open: 0, what: '', settled: sized.value },
    { name: 'Reshape', to: to('reshape'), open: stuck.value, what: 'to look at', settled: true },
    {
      name: 'Match',
      to: to('match'),
      open: faultTotal(faults.value),
      what: faultTotal(faults.value) === 1 ? 'fault' : 'faults',
      settled: true,
    },
    { name: 'Tissue', to: to('tissue'), open: 0, what: '', settled: looked.value },
    { name: 'Paper', to: to('paper'), open: 0, what: '', settled: false },
    {
      name: 'Fittings',
      to: to('fittings'),
      open: questions.value,
      what: questions.value === 1 ? 'open question' : 'open questions',
      settled: log.fittings.length > 0,
    },
  ]
})
</script>

<template>
  <div v-if="work.project" class="min-w-36 max-w-60 border-l border-edge pl-4 max-md:min-w-0 max-md:flex-1 max-md:border-0 max-md:pl-0">
    <div class="truncate font-semibold leading-tight" data-test="garment-name">{{ work.project.name }}</div>
    <ShellFitChoice :project="work.project" />
  </div>
  <nav aria-label="Stations" class="flex gap-1 max-lg:order-last max-lg:w-full max-md:gap-0 max-md:overflow-x-auto">
    <NuxtLink
      v-for="s in stations"
      :key="s.name"
      :to="s.to"
      class="btn-quiet font-semibold max-md:shrink-0 max-md:grow max-md:gap-1 max-md:px-1.5 max-md:text-sm"
      active-class="bg-act text-act-ink hover:bg-act"
      :data-test="`station-${s.name.toLowerCase()}`"
    >
      {{ s.name }}
      <span v-if="s.open" class="inline-flex items-center gap-1 rounded-full bg-fault-pale px-2 text-sm font-semibold text-fault"
        ><CircleAlert class="size-4" aria-hidden="true" />{{ s.open }}<span class="sr-only"> {{ s.what }}</span></span
      >
      <Check v-else-if="session.computedPlan && s.settled" class="size-4" aria-label="settled" />
    </NuxtLink>
  </nav>
</template>
