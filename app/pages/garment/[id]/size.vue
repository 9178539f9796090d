<script setup lang="ts">
import { Check, ListPlus } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { layMore, layOnPlan, planWith, ownStops, type Proposed } from '~~/core/advice'
import { latestSet } from '~~/core/body'
import type { OwnZone } from '~~/core/measure'
import type { SchoolOutcome } from '~~/core/size'
import { db } from '~/data/db'
import { sayDone, sayFault } from '~/messages'
import { useWardrobe } from '~/stores/wardrobe'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import { SCHOOL_NAMES } from '~/school-names'
import { stationAt } from '~/stations'

/** Station 2: body, finished measures and ease, zone by zone; the size to cut where, why, and what to trace. */
const work = useWork()
const session = usePlanSession()
const wardrobe = useWardrobe()
const router = useRouter()
const project = computed(() => work.project!)
const garment = computed(() => project.value.garment)
const sizing = computed(() => project.value.sizing)
const set = computed(() => latestSet(work.wearer))
/** The pieces as the user's own stops leave them: the sheet adds to those, and takes nothing twice. */
const ownCount = computed(() => ownStops(work.stops).filter((c) => c.on).length)
/** The worksheet of the pieces that will be traced; the last one stays to be read while the next is worked out. */
const sized = computed(() => session.sized)
const sheet = computed(() => sized.value?.sheet ?? null)
/** What each way of choosing would lead to, when one wants to see it. */
const allSchools = ref(false)
const schools = shallowRef<SchoolOutcome[]>([])
watch([allSchools, sized], async () => {
  if (allSchools.value) schools.value = (await session.compareSchools()) ?? []
})
const lit = ref<string | null>(null)

/** A band is moved on every piece of its zone alike. */
const shift = (zoneId: string, byMm: number) =>
  work.setCharts('level of a zone', (s) => {
    const zone = sheet.value?.rows.find((r) => r.zone.id === zoneId)?.zone
    const now = s.shiftsMm[zoneId] ?? {}
    s.shiftsMm = { ...s.shiftsMm, [zoneId]: Object.fromEntries((zone?.parts ?? []).map((p) => [p.pieceId, (now[p.pieceId] ?? 0) + byMm])) }
  })
const tick = (pieceId: string) =>
  work.setChoices(
    'traced',
    (s) => void (s.traced = s.traced.includes(pieceId) ? s.traced.filter((id) => id !== pieceId) : [...s.traced, pieceId]),
  )

/** The zones as the altered pieces have them. */
const altered = computed(() => (sized.value?.altered ? new Map(sized.value.altered) : null))
const isOwn = (zoneId: string) => sizing.value.ownZones.some((z) => z.id === zoneId)
const rows = computed(() => (sheet.value?.rows ?? []).filter((r) => r.zone.measureId !== null || isOwn(r.zone.id)))
const addZone = (zone: OwnZone) => work.setCharts('zone of your own', (s) => void s.ownZones.push(zone))
const removeZone = (zoneId: string) => work.setCharts('remove a zone', (s) => void (s.ownZones = s.ownZones.filter((z) => z.id !== zoneId)))
/** The nest as the plan leaves it: sizes that a grade made are there too. */
const nest = computed(() => session.computedPlan?.garments.at(-1) ?? garment.value)
const outId = ref(garment.value.baseSizeId)
async function takeOut() {
  const id = await wardrobe.takeOut(project.value, nest.value, outId.value)
  if (id === null) return
  sayDone('It hangs in the wardrobe.', { label: 'Open it', run: () => void router.push(stationAt(id, null, 'reshape')) })
}
const nameOf = (sizeId: string) => garment.value.sizes.find((s) => s.id === sizeId)?.name ?? sizeId

watch(
  // Whether there is trouble, and not which: a worksheet that cannot be worked out is trouble too, and would be asked for without end.
  [() => session.computedPlan, () => session.trouble !== null, sizing, set],
  () => {
    void session.sizeUp()
    void session.propose()
  },
  { immediate: true },
)
/** The last list stays to be read while the next is worked out; it can be taken only when it is the newest. */
const proposed = shallowRef<Proposed[] | null>(null)
watch(
  () => session.proposed,
  (list) => list && (proposed.value = list),
  { immediate: true },
)
/** Nothing before a first list has come, nor without figures: a plan that is there is not to be taken out for want of an answer. */
const plan = computed(() =>
  proposed.value && set.value
    ? layOnPlan(
        proposed.value.map((p) => p.change),
        work.stops,
      )
    : [],
)
const missingStops = computed(() => plan.value.filter((l) => l.how !== 'there'))
const chosenStops = computed(() => plan.value.filter((l, i) => l.how !== 'there' && !leftOut.value.has(keyOf(i))))
/** What the body asks for beside what the pieces give as the plan leaves them, and lengths that one stop brings to the body’s. */
const asked = computed(() => sized.value?.asked ?? [])
const addable = computed(() => new Set(sized.value?.addable))
/** Proposed stops that are not to be taken, by what they are called and where they stand. */
const leftOut = ref(new Set<string>())
const keyOf = (i: number) => {
  const laid = plan.value[i]!
  return laid.how === 'drop' ? `drop ${laid.change.id}` : `${laid.proposed.kind} ${i}`
}
/** Whether stops that are there are set anew, or dropped, and not only new ones added. */
const isUpdate = computed(() => chosenStops.value.some((l) => l.how !== 'add'))
/** The lines of the list: what is proposed, then what is asked for no more. */
const lines = computed(() =>
  plan.value.map((laid, i) =>
    laid.how === 'drop'
      ? {
          laid,
          title: `Take out ${session.wordsOf(laid.change)}`,
          amountMm: null,
          note: 'The figures do not ask for it any more.',
          cautions: [],
        }
      : { laid, ...proposed.value![i]!.words, note: proposed.value![i]!.change.note, cautions: proposed.value![i]!.cautions },
  ),
)
const toggle = (i: number) => {
  const key = keyOf(i)
  leftOut.value = leftOut.value.has(key) ? new Set([...leftOut.value].filter((k) => k !== key)) : new Set([...leftOut.value, key])
}
watch(proposed, () => (leftOut.value = new Set()))
/** The plan that is being taken: whoever goes on to another station meanwhile waits for it, or sees what stands in its way. */
let taking: Promise<void> | null = null
const addPlan = () => (taking = tryPlan().finally(() => (taking = null)))
onBeforeRouteLeave(async () => {
  if (!taking) return
  await taking
  return inTheWay.value === null
})
async function tryPlan() {
  const lost = await session.lostBy(chosenStops.value)
  if (!lost) return
  if (lost.length > 0) inTheWay.value = lost
  else await takePlan([])
}
/** Stops of the plan that would no longer find what they are about: what is to become of them is asked. */
const inTheWay = ref<{ id: string; title: string }[] | null>(null)
async function takePlan(off: string[]) {
  inTheWay.value = null
  const count = chosenStops.value.length
  const done = isUpdate.value ? 'The plan goes by these figures now.' : `${count} ${count === 1 ? 'stop' : 'stops'} taken into the plan.`
  if (!(await work.takeProposed(chosenStops.value, off))) return
  sayDone(done, {
    label: 'See it',
    run: () => void router.push(stationAt(project.value.garmentId, work.fitId, 'reshape')),
  })
}
/** Another fit for the same wearer, in which only what the body asks for is done. */
async function planAnotherFit() {
  inTheWay.value = null
  const row = await db.garments.get(project.value.garmentId)
  const fit = work.fits.find((f) => f.id === work.fitId)
  if (!row || !fit) return sayFault('This garment or this fit was deleted in another tab. Look in the wardrobe.')
  const wanted = (proposed.value ?? []).filter((_, i) => !leftOut.value.has(keyOf(i))).map((p) => p.change)
  const { plan: stops } = planWith(layOnPlan(wanted, []), [], () => crypto.randomUUID())
  const id = await wardrobe.beginFit(row, project.value.wearerId, 'from the figures', { ...fit, plan: stops })
  if (id === null) return
  await router.push(stationAt(row.id, id, 'size'))
  sayDone('Another fit was begun with what the body asks for; the other one is as it was.')
}
async function addLength(id: string) {
  const stop = await session.lengthStop(id)
  if (!stop || !(await work.takeProposed([layMore(stop.change, work.stops)]))) return
  sayDone(`“${stop.title}” taken into the plan.`)
}
</script>

<template>
  <div v-if="sized && sheet" class="station md:grid-cols-[minmax(0,1fr)_22rem] print:block">
    <div class="station-main p-4 print:overflow-visible">
      <SizeSizingChoices :sizing="sizing" :school="sheet.school" @edit="work.setChoices" />
      <p class="mb-3 text-sm text-soft print:hidden">
        {{ sheet.schoolWhy }}
        <button
          v-if="garment.sizes.length > 1 && set"
          class="underline"
          :aria-expanded="allSchools"
          data-test="all-schools"
          @click="allSchools = !allSchools"
        >
          {{ allSchools ? 'Hide the other ways' : 'What every way would lead to' }}
        </button>
      </p>
      <SizeSchoolsTable v-if="allSchools && set" :outcomes="schools" :followed="sheet.school" :names="SCHOOL_NAMES" />
      <p v-if="ownCount" class="mb-3 text-sm print:hidden" data-test="worked-on">
        Measured on the pieces as {{ ownCount === 1 ? 'your own stop leaves' : `your ${ownCount} own stops leave` }} them.
      </p>
      <p v-if="!work.wearer || !set" class="mb-3 rounded-lg print:hidden bg-ease-pale p-3 text-ease">
        There are no figures of a body yet.
        <NuxtLink :to="stationAt(project.garmentId, work.fitId, 'wearer')" class="underline">Choose a wearer and measure</NuxtLink>; until
        then only the garment is measured.
      </p>

      <SizeWorksheetTable
        v-model:lit="lit"
        :rows="rows"
        :garment="garment"
        :altered="altered"
        :own="isOwn"
        @edit="work.setChoices"
        @remove="removeZone"
      />
      <p
        v-if="sheet.cup && rows.some((r) => r.zone.id === 'bust')"
        class="mt-2 rounded-lg p-3 text-sm print:hidden"
        :class="sheet.cup.change ? 'bg-note-pale text-note' : 'bg-act-pale'"
        data-test="cup"
      >
        <UiSentenceText :text="sheet.cup.message" />
      </p>

      <SizeZoneForm class="mt-3 print:hidden" :garment="garment" @add="addZone" />

      <section class="mt-5 rounded-lg border border-edge bg-panel p-4 print:hidden" aria-label="From body to plan">
        <h2 class="mb-1 font-display text-xl italic">From body to plan</h2>
        <ol v-if="lines.length" class="mb-3 max-w-3xl divide-y divide-edge/60">
          <li
            v-for="({ laid, title, amountMm, note, cautions }, i) in lines"
            :key="i"
            class="flex items-start gap-3 py-2"
            :data-test="`proposed-${i}`"
          >
            <input
              v-if="laid.how !== 'there'"
              type="checkbox"
              class="mt-0.5 size-5 accent-(--act)"
              :checked="!leftOut.has(keyOf(i))"
              :aria-label="laid.how === 'drop' ? 'Take this stop out of the plan' : `Take “${title}” into the plan`"
              :data-test="`take-${i}`"
              @change="toggle(i)"
            />
            <Check v-else class="mt-0.5 size-5 text-good" aria-hidden="true" />
            <div class="min-w-0 flex-1">
              <p>
                <span class="font-semibold">{{ i + 1 }}. <UiSentenceText :text="title" /></span>{{ ' '
                }}<UiLengthText v-if="amountMm !== null" :mm="amountMm" signed />
                <span v-if="laid.how === 'there'" class="ml-2 text-sm text-good">in the plan</span>
                <span v-else-if="laid.how === 'set'" class="ml-2 text-sm text-ease">in the plan with other figures</span>
              </p>
              <p v-if="note" class="text-sm text-soft">{{ note }}</p>
              <p v-for="(c, k) in cautions" :key="k" class="text-sm text-note"><UiSentenceText :text="c" /></p>
            </div>
          </li>
        </ol>
        <p v-else class="mb-2 text-soft">
          {{
            set
              ? work.stops.length
                ? 'Nothing more has to be changed for this body, as far as the figures go.'
                : 'Nothing has to be changed for this body, as far as the figures go.'
              : 'With figures of a body a plan is made here.'
          }}
        </p>
        <button
          v-if="session.proposed && missingStops.length"
          class="btn-act"
          data-test="make-plan"
          :disabled="chosenStops.length === 0"
          @click="addPlan"
        >
          <ListPlus class="size-5" />
          <template v-if="isUpdate">Set the plan by these figures</template>
          <template v-else>Take {{ chosenStops.length === 1 ? 'this stop' : `these ${chosenStops.length} stops` }} into the plan</template>
        </button>
      </section>

      <section v-if="asked.length" class="mt-5 print:hidden" aria-label="Asked, given, left over">
        <h2 class="mb-1 font-display text-xl italic">Asked, given, left over</h2>
        <p class="mb-2 text-sm text-soft">
          {{
            work.stops.length
              ? 'Measured on the pieces as your plan leaves them. Asked is the body and the ease wanted there.'
              : 'Measured on the pieces as bought. Asked is the body and the ease wanted there.'
          }}
        </p>
        <SizeAskedGivenTable :rows="asked" :is-bought="work.stops.length === 0" :addable="addable" @add="addLength" />
      </section>

      <SizeTraceList class="mt-5 print:mt-0" :garment="sized.traced" :sheet="sheet" :traced="sizing.traced" @tick="tick" />

      <SizeChartPanel class="mt-5 print:hidden" :garment="garment" :sizing="sizing" @edit="work.setCharts" />
    </div>
    <UiDialog v-if="inTheWay" title="Stops in the way" test="stops-in-the-way" @close="inTheWay = null">
      <p class="mt-2">
        This plan begins with other pieces or lines than {{ inTheWay.length === 1 ? 'this stop was' : 'these stops were' }} made for:
        {{ inTheWay.map((s) => `“${s.title}”`).join(', ') }}. Nothing has been changed yet.
      </p>
      <template #buttons>
        <button class="btn" data-test="in-the-way-cancel" @click="inTheWay = null">Cancel</button>
        <button class="btn" data-test="in-the-way-off" @click="takePlan(inTheWay!.map((s) => s.id))">
          Take the plan, switch {{ inTheWay.length === 1 ? 'it' : 'them' }} off
        </button>
        <button class="btn-act" data-test="in-the-way-fit" @click="planAnotherFit">Take it in another fit</button>
      </template>
    </UiDialog>
    <aside class="flex min-h-0 flex-col border-edge max-md:border-t md:border-l print:hidden" aria-label="Zones on the pieces">
      <div class="min-h-0 flex-1 max-md:h-[60vh] max-md:flex-none">
        <SizeZonePicture
          :garment="sized.traced"
          :zones="sheet.rows.map((r) => r.zone)"
          :shifts="sizing.shiftsMm"
          :lit="lit"
          @light="lit = $event"
          @shift="shift"
        />
      </div>
      <p class="border-t border-edge p-2 text-sm text-soft">
        {{
          garment.sizes.length === 1
            ? 'One size'
            : `${garment.sizes.length} sizes, ${garment.sizes[0]!.name} to ${garment.sizes.at(-1)!.name}; the filled one is ${nameOf(garment.baseSizeId)}`
        }}. Drag a band to measure higher or lower.
      </p>
      <form v-if="nest.sizes.length > 1" class="flex items-center gap-2 border-t border-edge p-2 text-sm" @submit.prevent="takeOut">
        <label class="flex flex-1 items-center gap-2"
          >Size
          <select v-model="outId" class="field" data-test="take-out-size">
            <option v-for="s in nest.sizes" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select></label
        >
        <button class="btn text-sm" data-test="take-out">as a garment of its own</button>
      </form>
    </aside>
  </div>
  <p v-else class="p-6 text-soft" role="status">The pieces are being measured.</p>
</template>
