<script setup lang="ts">
import { Check, CircleAlert, Moon, Redo2, Sun, Undo2 } from 'lucide-vue-next'
import { computed, onMounted, onUnmounted } from 'vue'
import { countFaults, faultTotal } from '~~/core/advice'
import { latestSet } from '~~/core/body'
import { questionsOf } from '~~/core/fittings'
import { writeLengths } from '~~/core/units'
import { say } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { usePrefs } from '~/stores/prefs'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import { useScope } from '~/composables/useScope'
import { stationAt } from '~/stations'

const route = useRoute()
const prefs = usePrefs()
const work = useWork()
const session = usePlanSession()
const log = useFittings()

const inGarment = computed(() => route.path.startsWith('/garment/'))
const scope = useScope()
const canUndo = computed(() => scope.value.lastDone)
const canRedo = computed(() => scope.value.nextRedo)
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

const written = (label: string) => writeLengths(label, prefs.ruler)

async function undo() {
  const label = await scope.value.undo()
  if (label) say(`Undone: ${written(label)}`)
}
async function redo() {
  const label = await scope.value.redo()
  if (label) say(`Done again: ${written(label)}`)
}

function onKey(event: KeyboardEvent) {
  const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select')
  if (typing || !(event.ctrlKey || event.metaKey) || event.altKey) return
  const key = event.key.toLowerCase()
  if (key === 'z' && !event.shiftKey) {
    event.preventDefault()
    void undo()
  } else if (key === 'y' || (key === 'z' && event.shiftKey)) {
    event.preventDefault()
    void redo()
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <header
    class="flex print:hidden flex-wrap items-center gap-x-4 gap-y-1 border-b border-edge bg-panel px-4 py-1.5 max-md:gap-x-2 max-md:px-2"
  >
    <NuxtLink to="/" class="flex min-h-11 items-center gap-2.5 rounded-lg pr-1" aria-label="Tidal Seam, to the wardrobe">
      <img src="/mark.svg" alt="" class="size-8" />
      <span class="font-display text-xl italic" :class="inGarment && 'max-md:hidden'">Tidal Seam</span>
    </NuxtLink>
    <div
      v-if="inGarment && work.project"
      class="min-w-36 max-w-60 border-l border-edge pl-4 max-md:min-w-0 max-md:flex-1 max-md:border-0 max-md:pl-0"
    >
      <div class="truncate font-semibold leading-tight" data-test="garment-name">{{ work.project.name }}</div>
      <FitChoice :project="work.project" />
    </div>
    <nav v-if="inGarment" aria-label="Stations" class="flex gap-1 max-lg:order-last max-lg:w-full max-md:gap-0 max-md:overflow-x-auto">
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
    <div class="ml-auto flex items-center gap-1">
      <button
        class="btn-quiet"
        :disabled="!canUndo"
        :title="canUndo ? `Undo: ${written(canUndo.label)}` : 'Nothing to undo'"
        aria-label="Undo"
        data-test="undo"
        @click="undo"
      >
        <Undo2 class="size-5" />
      </button>
      <button
        class="btn-quiet"
        :disabled="!canRedo"
        :title="canRedo ? `Do again: ${written(canRedo.label)}` : 'Nothing to do again'"
        aria-label="Redo"
        data-test="redo"
        @click="redo"
      >
        <Redo2 class="size-5" />
      </button>
      <RulerChoice />
      <button
        class="btn-quiet"
        :aria-label="prefs.dark ? 'Light screen' : 'Dark screen'"
        data-test="theme"
        @click="prefs.light = prefs.dark ? 'light' : 'dark'"
      >
        <Sun v-if="prefs.dark" class="size-5" /><Moon v-else class="size-5" />
      </button>
    </div>
  </header>
</template>
