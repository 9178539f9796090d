<script setup lang="ts">
import { CircleAlert, CircleCheck, TriangleAlert } from 'lucide-vue-next'
import { computed, ref, useTemplateRef } from 'vue'
import { countFaults, faultWords, thingOf, type Mend } from '~~/core/advice'
import { cornersAsSewn, type WalkedSeam } from '~~/core/match'
import { tooTightWords } from '~~/core/size'
import { capital, writeLengths } from '~~/core/units'
import { sayDone } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { usePlanSession } from '~/stores/plan-session'
import { useSelection } from '~/stores/selection'
import { useWork } from '~/stores/work'
import { stationAt } from '~/stations'

const work = useWork()
const session = usePlanSession()
const selection = useSelection()
const prefs = usePrefs()
const router = useRouter()
const done = computed(() => session.computedPlan!)
const LABEL = { good: 'matches', ease: 'can be eased', fault: 'fault' } as const
const RANK = { fault: 0, ease: 1, good: 2 } as const

interface Thing {
  id: string
  name: string
  verdict: keyof typeof LABEL
  /** How bad it is, for the order of the list. */
  worst: number
}

const faultsOf = (id: string) => done.value.faults.filter((f) => f.under === id)
function thing(id: string, name: string): Thing {
  const own = faultsOf(id)
  const verdict = own.some((f) => f.verdict === 'fault') ? 'fault' : own.length > 0 ? 'ease' : 'good'
  return { id, name, verdict, worst: Math.max(0, ...own.map((f) => f.size)) }
}
const worstFirst = (things: Thing[]) => [...things].sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || b.worst - a.worst)

const seams = computed(() => new Map(done.value.walked.seams.map((s) => [thingOf.seam(s), s] as const)))
/** Edges that run on through seams, folds and closed darts, with every corner that they could turn there. */
const runningEdges = computed(() => {
  const corners = cornersAsSewn(done.value.walked)
  return new Map([...new Set(corners.map(thingOf.corner))].map((id) => [id, corners.filter((c) => thingOf.corner(c) === id)] as const))
})
const darts = computed(() => new Map(done.value.walked.darts.map((d) => [thingOf.dart(d), d] as const)))
const groups = computed(() =>
  [
    { title: 'Seams', things: worstFirst([...seams.value].map(([id, s]) => thing(id, s.seam.name))) },
    { title: 'Edges that run on', things: worstFirst([...runningEdges.value].map(([id, [c]]) => thing(id, capital(c!.edgeName)))) },
    { title: 'Darts', things: worstFirst([...darts.value].map(([id, d]) => thing(id, `${d.pieceName}, ${d.dartName}`))) },
  ].filter((g) => g.things.length > 0),
)
const chosenId = ref<string | null>(null)
/** What was chosen, which stands below the list on a phone. */
const shown = useTemplateRef('shown')
function show(id: string) {
  chosenId.value = id
  shown.value?.scrollIntoView({ block: 'start', behavior: prefs.stillness ? 'auto' : 'smooth' })
}
const all = computed(() => groups.value.flatMap((g) => g.things))
const chosen = computed(() => all.value.find((t) => t.id === chosenId.value) ?? worstFirst(all.value)[0] ?? null)
const chosenSeam = computed<WalkedSeam | null>(() => (chosen.value && seams.value.get(chosen.value.id)) ?? null)
const summary = computed(
  () =>
    `${done.value.walked.seams.length} seams walked on the seam line. ${faultWords(countFaults(done.value.faults)) ?? 'Everything matches'}.`,
)

const setOwnLimits = (limits: { goodMm: number; easeMm: number } | null) => work.setSeamTolerance(chosenSeam.value!.seam.id, limits)
const ownLimits = computed({
  get: () => chosenSeam.value?.seam.tolerance !== undefined,
  set: (on) => void setOwnLimits(on ? { goodMm: prefs.goodMm, easeMm: prefs.easeMm } : null),
})

async function mend(m: Mend) {
  const stored =
    m.how === 'add'
      ? (await work.addChange(m.change, m.forEverybody)) !== null
      : m.how === 'edit'
        ? await work.setStop(m.change)
        : await work.switchChange(m.changeId, false)
  if (!stored) return
  if (m.how !== 'add') selection.stopId = m.how === 'edit' ? m.change.id : m.changeId
  sayDone(`Done: ${writeLengths(m.label, prefs.ruler)}.`, {
    label: 'See it',
    run: () => void router.push(stationAt(work.project!.garmentId, work.fitId, 'reshape')),
  })
}
</script>

<template>
  <div class="station md:grid-cols-[21rem_minmax(0,1fr)]">
    <nav class="station-side p-3" aria-label="What was walked, worst first">
      <h1 class="mb-2 px-2 font-display text-2xl italic">Match</h1>
      <p class="px-2 text-sm text-soft" data-test="match-summary">{{ summary }}</p>
      <ul
        v-if="done.tight.length"
        class="mx-2 mt-2 space-y-1 rounded-lg bg-note-pale p-3 text-sm text-note"
        aria-label="Smaller than the body"
      >
        <li v-for="z in done.tight" :key="z.id" class="flex gap-2" :data-test="`tight-${z.id}`">
          <TriangleAlert class="mt-0.5 size-4 shrink-0" aria-hidden="true" />
          <UiSentenceText :text="`${capital(z.name)}: ${tooTightWords(z.mm)}.`" />
        </li>
      </ul>
      <section v-for="g in groups" :key="g.title" class="mt-3" :aria-label="g.title">
        <h2 class="px-2 text-sm text-soft">{{ g.title }}</h2>
        <ul>
          <li v-for="t in g.things" :key="t.id">
            <button
              class="flex min-h-12 w-full items-center gap-2.5 rounded-lg px-2 text-left hover:bg-act-pale"
              :class="chosen?.id === t.id && 'bg-act-pale'"
              :aria-current="chosen?.id === t.id"
              :data-test="t.id.replace(':', '-')"
              @click="show(t.id)"
            >
              <CircleCheck v-if="t.verdict === 'good'" class="size-5 shrink-0 text-good" aria-hidden="true" />
              <TriangleAlert v-else-if="t.verdict === 'ease'" class="size-5 shrink-0 text-ease" aria-hidden="true" />
              <CircleAlert v-else class="size-5 shrink-0 text-fault" aria-hidden="true" />
              <span class="min-w-0 flex-1"
                ><span class="block font-semibold leading-tight">{{ t.name }}</span
                ><span class="text-sm text-soft">{{ LABEL[t.verdict] }}</span></span
              >
            </button>
          </li>
        </ul>
      </section>
      <section class="mt-5 space-y-2 border-t border-edge px-2 pt-3" aria-label="What counts as matching">
        <h2 class="text-sm text-soft">Limits for every seam without its own</h2>
        <FieldsLengthField v-model="prefs.goodMm" label="Matches up to" test="tolerance-good" positive />
        <FieldsLengthField v-model="prefs.easeMm" label="Can be eased in up to" test="tolerance-ease" positive />
      </section>
    </nav>

    <div ref="shown" class="station-main p-3 md:p-5">
      <template v-if="chosen">
        <div class="mb-3 flex flex-wrap items-baseline gap-3">
          <h2 class="font-display text-2xl">{{ chosen.name }}</h2>
          <span
            class="rounded-full px-3 py-0.5 font-semibold"
            :class="{
              'bg-good-pale text-good': chosen.verdict === 'good',
              'bg-ease-pale text-ease': chosen.verdict === 'ease',
              'bg-fault-pale text-fault': chosen.verdict === 'fault',
            }"
            data-test="verdict"
            >{{ LABEL[chosen.verdict] }}</span
          >
        </div>
        <template v-if="chosenSeam">
          <MatchSeamStrips :walked="chosenSeam" />
          <section class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2" aria-label="Limits of this seam">
            <label class="flex min-h-11 items-center gap-2.5">
              <input v-model="ownLimits" type="checkbox" class="size-5 accent-(--act)" data-test="own-tolerance" />
              <span>Limits of its own</span>
            </label>
            <template v-if="chosenSeam.seam.tolerance">
              <FieldsLengthField
                :model-value="chosenSeam.seam.tolerance.goodMm"
                label="Matches up to"
                test="seam-good"
                positive
                @update:model-value="setOwnLimits({ ...chosenSeam.seam.tolerance, goodMm: $event })"
              />
              <FieldsLengthField
                :model-value="chosenSeam.seam.tolerance.easeMm"
                label="Can be eased in up to"
                test="seam-ease"
                positive
                @update:model-value="setOwnLimits({ ...chosenSeam.seam.tolerance, easeMm: $event })"
              />
            </template>
          </section>
        </template>
        <div v-else-if="runningEdges.has(chosen.id)" class="flex flex-wrap gap-4">
          <MatchCornerPicture v-for="c in runningEdges.get(chosen.id)" :key="c.id" :garment="done.garments.at(-1)!" :corner="c" />
        </div>
        <MatchDartTable v-else-if="darts.has(chosen.id)" :darts="[darts.get(chosen.id)!]" />
        <MatchFaultList :faults="faultsOf(chosen.id)" @mend="mend" />
      </template>

      <section class="mt-6 max-w-2xl" aria-label="Ledger of the whole plan">
        <h3 class="mb-1 font-semibold">Ledger, as bought against as altered</h3>
        <ReshapeLedgerTable :rows="done.ledger" />
      </section>
    </div>
  </div>
</template>
