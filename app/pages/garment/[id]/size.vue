<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { layMore, ownStops } from '~~/core/advice'
import { latestSet } from '~~/core/body'
import type { OwnZone } from '~~/core/measure'
import type { SchoolOutcome } from '~~/core/size'
import { sayDone } from '~/messages'
import { useWardrobe } from '~/stores/wardrobe'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import { SCHOOL_NAMES } from '~/school-names'
import { stationAt } from '~/stations'
import type { OfferedStop } from '~/workers/desk-sizes'

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
/** What the body asks for beside what the pieces give as the plan leaves them, and lengths that one stop brings to the body’s. */
const asked = computed(() => sized.value?.asked ?? [])
const addable = computed(() => new Set(sized.value?.addable))
const sided = computed(() => new Map(sized.value?.sided))
async function add(stop: OfferedStop | null) {
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

      <SizePlanPanel class="mt-5 print:hidden" />

      <section v-if="asked.length" class="mt-5 print:hidden" aria-label="Asked, given, left over">
        <h2 class="mb-1 font-display text-xl italic">Asked, given, left over</h2>
        <p class="mb-2 text-sm text-soft">
          {{
            work.stops.length
              ? 'Measured on the pieces as your plan leaves them. Asked is the body and the ease wanted there.'
              : 'Measured on the pieces as bought. Asked is the body and the ease wanted there.'
          }}
        </p>
        <SizeAskedGivenTable
          :rows="asked"
          :is-bought="work.stops.length === 0"
          :addable="addable"
          :sided="sided"
          @add="session.lengthStop($event).then(add)"
          @side="session.sideStop($event).then(add)"
        />
      </section>

      <SizeTraceList class="mt-5 print:mt-0" :garment="sized.traced" :sheet="sheet" :traced="sizing.traced" @tick="tick" />

      <SizeChartPanel class="mt-5 print:hidden" :garment="garment" :sizing="sizing" @edit="work.setCharts" />
    </div>
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
