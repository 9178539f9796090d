<script setup lang="ts">
import { CircleAlert, CircleCheck, TriangleAlert, Wrench } from 'lucide-vue-next'
import { toast } from 'vue-sonner'
import { computed, ref } from 'vue'
import type { Mend } from '~~/core/advice'
import { writeLengths } from '~~/core/units'
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
const chosenId = ref<string | null>(null)
const RANK = { fault: 0, ease: 1, good: 2 } as const
const seams = computed(() =>
  [...done.value.walked.seams].sort((a, b) => {
    const worst = (s: typeof a) =>
      Math.min(RANK[s.verdict], ...s.marks.map((m) => RANK[m.verdict]), ...s.corners.map((c) => RANK[c.verdict]))
    return worst(a) - worst(b) || Math.abs(b.offMm) - Math.abs(a.offMm)
  }),
)
const chosen = computed(() => seams.value.find((s) => s.seam.id === chosenId.value) ?? seams.value[0] ?? null)
const faultsOf = (seamId: string | null) => done.value.faults.filter((f) => f.seamId === seamId)
const overall = (id: string) => {
  const f = faultsOf(id)
  return f.some((x) => x.verdict === 'fault') ? 'fault' : f.length > 0 ? 'ease' : 'good'
}
const LABEL = { good: 'matches', ease: 'can be eased', fault: 'fault' } as const

const ownLimits = (on: boolean) => work.setSeamTolerance(chosen.value!.seam.id, on ? { goodMm: prefs.goodMm, easeMm: prefs.easeMm } : null)

async function mend(m: Mend) {
  const stored =
    m.how === 'add'
      ? (await work.addChange(m.change)) !== null
      : m.how === 'edit'
        ? await work.setStop(m.change)
        : await work.switchChange(m.changeId, false)
  if (!stored) return
  if (m.how !== 'add') selection.stopId = m.how === 'edit' ? m.change.id : m.changeId
  toast.success(`Done: ${writeLengths(m.label, prefs.units)}.`, {
    action: { label: 'See it', onClick: () => void router.push(stationAt(work.project!.garmentId, work.fitId, 'reshape')) },
  })
}
const others = computed(() => done.value.faults.filter((f) => f.seamId === null))
</script>

<template>
  <div class="grid h-full grid-cols-[21rem_minmax(0,1fr)]">
    <nav class="min-h-0 overflow-y-auto border-r border-edge bg-panel p-3" aria-label="Seams, worst first">
      <h1 class="mb-2 px-2 font-display text-2xl italic">Match</h1>
      <p class="mb-3 px-2 text-sm text-soft" data-test="match-summary">
        {{ done.walked.seams.length }} seams walked on the seam line, worst first.
      </p>
      <ul class="space-y-1">
        <li v-for="s in seams" :key="s.seam.id">
          <button
            class="flex min-h-12 w-full items-center gap-2.5 rounded-lg px-2 text-left hover:bg-act-pale"
            :class="chosen?.seam.id === s.seam.id && 'bg-act-pale'"
            :aria-current="chosen?.seam.id === s.seam.id"
            :data-test="`seam-${s.seam.id}`"
            @click="chosenId = s.seam.id"
          >
            <CircleCheck v-if="overall(s.seam.id) === 'good'" class="size-5 shrink-0 text-good" aria-hidden="true" />
            <TriangleAlert v-else-if="overall(s.seam.id) === 'ease'" class="size-5 shrink-0 text-ease" aria-hidden="true" />
            <CircleAlert v-else class="size-5 shrink-0 text-fault" aria-hidden="true" />
            <span class="min-w-0 flex-1"
              ><span class="block font-semibold leading-tight">{{ s.seam.name }}</span
              ><span class="text-sm text-soft">{{ LABEL[overall(s.seam.id)] }}</span></span
            >
            <span class="text-sm font-semibold" :class="{ 'text-fault': s.verdict === 'fault', 'text-ease': s.verdict === 'ease' }"
              ><LengthText v-if="s.verdict !== 'good'" :mm="Math.abs(s.offMm)" fine
            /></span>
          </button>
        </li>
      </ul>
      <section class="mt-5 space-y-2 border-t border-edge px-2 pt-3" aria-label="What counts as matching">
        <h2 class="text-sm text-soft">Limits for every seam without its own</h2>
        <FieldsLengthField v-model="prefs.goodMm" label="Matches up to" test="tolerance-good" positive />
        <FieldsLengthField v-model="prefs.easeMm" label="Can be eased in up to" test="tolerance-ease" positive />
      </section>
    </nav>

    <div class="min-h-0 overflow-y-auto p-5">
      <template v-if="chosen">
        <div class="mb-3 flex flex-wrap items-baseline gap-3">
          <h2 class="font-display text-2xl">{{ chosen.seam.name }}</h2>
          <span
            class="rounded-full px-3 py-0.5 font-semibold"
            :class="{
              'bg-good-pale text-good': overall(chosen.seam.id) === 'good',
              'bg-ease-pale text-ease': overall(chosen.seam.id) === 'ease',
              'bg-fault-pale text-fault': overall(chosen.seam.id) === 'fault',
            }"
            data-test="seam-verdict"
            >{{ LABEL[overall(chosen.seam.id)] }}</span
          >
        </div>
        <SeamStrips :walked="chosen" />
        <section class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2" aria-label="Limits of this seam">
          <label class="flex min-h-11 items-center gap-2.5">
            <input
              type="checkbox"
              class="size-5 accent-(--act)"
              :checked="chosen.seam.tolerance !== undefined"
              data-test="own-tolerance"
              @change="ownLimits(($event.target as HTMLInputElement).checked)"
            />
            <span>Limits of its own</span>
          </label>
          <template v-if="chosen.seam.tolerance">
            <FieldsLengthField
              :model-value="chosen.seam.tolerance.goodMm"
              label="Matches up to"
              test="seam-good"
              positive
              @update:model-value="work.setSeamTolerance(chosen.seam.id, { ...chosen.seam.tolerance, goodMm: $event })"
            />
            <FieldsLengthField
              :model-value="chosen.seam.tolerance.easeMm"
              label="Can be eased in up to"
              test="seam-ease"
              positive
              @update:model-value="work.setSeamTolerance(chosen.seam.id, { ...chosen.seam.tolerance, easeMm: $event })"
            />
          </template>
        </section>
        <ul v-if="faultsOf(chosen.seam.id).length" class="mt-4 space-y-3" aria-label="Faults of this seam">
          <li v-for="f in faultsOf(chosen.seam.id)" :key="f.id" class="panel p-4" :data-test="`fault-${f.id}`">
            <p class="font-medium" :class="f.verdict === 'fault' ? 'text-fault' : 'text-ease'"><SentenceText :text="f.message" /></p>
            <div v-if="f.mends.length" class="mt-3 flex flex-wrap gap-2">
              <button
                v-for="(m, i) in f.mends"
                :key="i"
                :class="i === 0 ? 'btn-act' : 'btn'"
                :data-test="`mend-${i}`"
                data-mend
                @click="mend(m)"
              >
                <Wrench class="size-4" /><SentenceText :text="m.label" />
              </button>
            </div>
            <p v-else class="mt-1 text-sm text-soft">
              No change that is known here mends it: true the line by hand on the paper, or go back to the stop that made it.
            </p>
          </li>
        </ul>

        <section class="mt-6" aria-label="Corners as sewn">
          <h3 class="mb-2 font-semibold">How the edges run through when sewn</h3>
          <div v-if="chosen.corners.length" class="flex flex-wrap gap-4">
            <CornerPicture v-for="c in chosen.corners" :key="c.id" :garment="done.garments.at(-1)!" :seam="chosen.seam" :corner="c" />
          </div>
          <p v-else class="text-sm text-soft">No free edge runs through at the ends of this seam.</p>
        </section>
      </template>

      <section class="mt-6" aria-label="Darts">
        <h3 class="mb-2 font-semibold">Darts</h3>
        <p v-if="done.walked.darts.length === 0" class="text-sm text-soft">No darts.</p>
        <table v-else class="w-full max-w-2xl text-sm">
          <thead>
            <tr class="text-left text-soft">
              <th class="py-1 font-medium">dart</th>
              <th class="text-right font-medium">legs</th>
              <th class="text-right font-medium">apart by</th>
              <th class="text-right font-medium">edge across, closed</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="d in done.walked.darts" :key="d.dartId" class="border-t border-edge/60">
              <td class="py-1.5">{{ d.pieceName }}, {{ d.dartName }}</td>
              <td class="text-right"><LengthText :mm="d.firstMm" fine bare /> and <LengthText :mm="d.secondMm" fine /></td>
              <td class="text-right font-semibold" :class="d.verdict === 'good' ? 'text-good' : 'text-fault'">
                <LengthText :mm="Math.abs(d.offMm)" fine />
                <span class="ml-1 font-normal">{{ d.verdict === 'good' ? 'equal' : LABEL[d.verdict] }}</span>
              </td>
              <td class="text-right">
                {{
                  d.corner
                    ? `${Math.abs(d.corner.turnDeg).toFixed(0)}° ${d.corner.verdict === 'good' ? 'smooth' : 'corner'}`
                    : 'inside the piece'
                }}
              </td>
            </tr>
          </tbody>
        </table>
        <ul v-if="others.length" class="mt-3 space-y-2">
          <li v-for="f in others" :key="f.id" class="panel p-3" :data-test="`fault-${f.id}`">
            <p class="text-fault"><SentenceText :text="f.message" /></p>
            <div class="mt-2 flex flex-wrap gap-2">
              <button v-for="(m, i) in f.mends" :key="i" class="btn" data-mend @click="mend(m)">
                <Wrench class="size-4" /><SentenceText :text="m.label" />
              </button>
            </div>
          </li>
        </ul>
      </section>

      <section class="mt-6 max-w-2xl" aria-label="Ledger of the whole plan">
        <h3 class="mb-1 font-semibold">Ledger, as bought against as altered</h3>
        <LedgerTable :rows="done.ledger" />
      </section>
    </div>
  </div>
</template>
