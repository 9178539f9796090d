<script setup lang="ts">
import { CircleHelp, Flag, GitCompareArrows, Plus, Scissors, Spool } from 'lucide-vue-next'
import { computed } from 'vue'
import { pinWords, questionsOf, seenWords, stopsSince, type Fitting, type Version } from '~~/core/fittings'
import { findKind, wordsWithAmount, type Change } from '~~/core/changes'
import { showDay } from '~/days'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { useSelection } from '~/stores/selection'
import { useWork } from '~/stores/work'
import { stationAt } from '~/stations'

/** The garment's story along one line in time: open questions on top, then fittings and versions, the newest first. */
defineProps<{ shown: { what: 'fitting' | 'version' | 'compare'; id: string } | null }>()
const emit = defineEmits<{ fitting: [id: string, of?: string]; version: [id: string]; compare: []; begin: []; keep: [] }>()
const log = useFittings()
const work = useWork()
const session = usePlanSession()

const questions = computed(() =>
  questionsOf(log.fittings).map((q) => {
    const one = 'pin' in q ? q.pin : q.sighting
    const words = 'pin' in q ? pinWords(work.project!.garment, q.pin) : seenWords(q.sighting)
    return { id: one.id, fitting: q.fitting, words, later: one.decision.is === 'later' }
  }),
)

type Entry = { at: string } & ({ fitting: Fitting } | { version: Version })
const entries = computed((): Entry[] => {
  const all: Entry[] = [
    ...log.fittings.map((fitting) => ({ at: `${fitting.heldOn}T${fitting.createdAt.slice(11)}`, fitting })),
    ...log.versions.map((version) => ({ at: version.madeAt, version })),
  ]
  return all.sort((a, b) => b.at.localeCompare(a.at))
})

const words = (stop: Change): string => {
  const known = session.computedPlan?.stops.find((s) => s.change.id === stop.id)?.words
  const own = known ?? findKind(stop.kind as string)?.describe(work.project!.garment, stop.inputs)
  return own ? wordsWithAmount(own) : stop.kind
}
const stopsOfFitting = (f: Fitting) => work.stops.filter((c) => c.seen?.fittingId === f.id)
/** Stops that a version has and the one before it had not, or otherwise; those that a fitting asked for are told there. */
function newIn(version: Version): Change[] {
  const before = log.versions.filter((v) => v.madeAt < version.madeAt)[0] ?? null
  const { added, changed } = stopsSince(before, version)
  return [...added, ...changed].filter((c) => !c.seen || !log.fittings.some((f) => f.id === c.seen!.fittingId))
}
const countOf = (n: number, one: string) => (n === 0 ? [] : [`${n} ${one}${n === 1 ? '' : 's'}`])
const inside = (f: Fitting) =>
  [
    ...countOf(f.sightings.filter((s) => !s.isWell).length, 'sign'),
    ...countOf(f.pins.length, 'pin'),
    ...countOf(log.photosOf(f.id).length, 'photograph'),
  ].join(', ') || 'nothing written down yet'
const HOW = { 'by-hand': 'kept by hand', printed: 'printed', exported: 'exported', 'before-going-back': 'kept before going back' } as const

const router = useRouter()
async function toStop(stop: Change) {
  useSelection().stopId = stop.id
  await router.push(stationAt(work.project!.garmentId, work.fitId, 'reshape'))
}
const isThere = (stop: Change) => work.stops.some((c) => c.id === stop.id)
</script>

<template>
  <div class="flex h-full min-h-0 flex-col">
    <div class="flex flex-wrap gap-2 border-b border-edge p-3 max-lg:[&>button]:w-full">
      <button class="btn-act flex-1 px-2 whitespace-nowrap" data-test="new-fitting" @click="emit('begin')">
        <Plus class="size-5" />New fitting
      </button>
      <button class="btn flex-1 px-2 whitespace-nowrap" data-test="keep-version" @click="emit('keep')">
        <Flag class="size-4" />Keep version
      </button>
      <button
        class="btn w-full"
        :class="shown?.what === 'compare' && 'border-act bg-act-pale'"
        data-test="to-compare"
        @click="emit('compare')"
      >
        <GitCompareArrows class="size-4" />Lay two over each other
      </button>
    </div>
    <div class="min-h-0 flex-1 overflow-y-auto p-3">
      <section v-if="questions.length" aria-label="Open questions" class="mb-4">
        <h2 class="mb-1 flex items-center gap-2 font-semibold text-note"><CircleHelp class="size-5" aria-hidden="true" />Open questions</h2>
        <ul>
          <li v-for="q in questions" :key="q.id">
            <button
              class="w-full rounded-lg px-2 py-2 text-left text-sm hover:bg-act-pale"
              data-test="question"
              @click="emit('fitting', q.fitting.id, q.id)"
            >
              <UiSentenceText :text="q.words" />
              <span class="block text-soft">{{ showDay(q.fitting.heldOn) }}{{ q.later ? ', to look at again' : '' }}</span>
            </button>
          </li>
        </ul>
      </section>
      <h2 class="mb-2 font-semibold">The story so far</h2>
      <ol class="relative ml-2 border-l-2 border-edge pl-4" data-test="story">
        <li class="relative mb-4">
          <span class="absolute top-1 -left-[1.47rem] size-3.5 rounded-full border-2 border-act bg-panel" aria-hidden="true" />
          <p class="font-semibold">Now</p>
          <p class="text-sm text-soft" data-test="story-now">
            {{ work.stops.length === 0 ? 'as bought' : `${work.stops.length} ${work.stops.length === 1 ? 'stop' : 'stops'}` }};
            {{ log.current ? `as “${log.current.name}”` : 'no version has it yet' }}
          </p>
        </li>
        <li v-for="e in entries" :key="'fitting' in e ? e.fitting.id : e.version.id" class="relative mb-4">
          <span
            class="absolute top-0 -left-[1.75rem] grid size-6 place-items-center rounded-full border border-edge bg-panel"
            aria-hidden="true"
          >
            <Spool v-if="'fitting' in e" class="size-4 text-note" /><Scissors v-else class="size-4 text-act" />
          </span>
          <template v-if="'fitting' in e">
            <button
              class="-ml-1 w-full rounded-lg px-1 text-left hover:bg-act-pale"
              :class="shown?.id === e.fitting.id && 'bg-act-pale'"
              :aria-current="shown?.id === e.fitting.id"
              data-test="story-fitting"
              @click="emit('fitting', e.fitting.id)"
            >
              <span class="block font-semibold">Fitting, {{ showDay(e.fitting.heldOn) }}</span>
              <span class="block text-sm text-soft">{{ inside(e.fitting) }}</span>
            </button>
            <button
              v-for="c in stopsOfFitting(e.fitting)"
              :key="c.id"
              class="block w-full rounded px-1 py-1.5 text-left text-sm underline decoration-edge underline-offset-4 hover:bg-act-pale"
              data-test="story-stop"
              @click="toStop(c)"
            >
              <UiSentenceText :text="words(c)" />
            </button>
          </template>
          <template v-else>
            <button
              class="-ml-1 w-full rounded-lg px-1 text-left hover:bg-act-pale"
              :class="shown?.id === e.version.id && 'bg-act-pale'"
              :aria-current="shown?.id === e.version.id"
              data-test="story-version"
              @click="emit('version', e.version.id)"
            >
              <span class="block font-semibold">“{{ e.version.name }}”</span>
              <span class="block text-sm text-soft">version {{ HOW[e.version.why] }}, {{ showDay(e.version.madeAt.slice(0, 10)) }}</span>
            </button>
            <template v-for="c in newIn(e.version)" :key="c.id">
              <button
                v-if="isThere(c)"
                class="block w-full rounded px-1 py-1.5 text-left text-sm underline decoration-edge underline-offset-4 hover:bg-act-pale"
                @click="toStop(c)"
              >
                <UiSentenceText :text="words(c)" />
              </button>
              <p v-else class="px-1 py-1 text-sm text-soft line-through"><UiSentenceText :text="words(c)" /></p>
            </template>
          </template>
        </li>
        <li class="relative">
          <span class="absolute top-1 -left-[1.47rem] size-3.5 rounded-full border-2 border-edge bg-panel" aria-hidden="true" />
          <p class="font-semibold">As bought</p>
          <p class="text-sm text-soft">{{ showDay(work.project!.bought.createdAt.slice(0, 10)) }}</p>
        </li>
      </ol>
    </div>
  </div>
</template>
