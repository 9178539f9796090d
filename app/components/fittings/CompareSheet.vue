<script setup lang="ts">
import { Printer } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { latestSet, type Wearer } from '~~/core/body'
import { canCompare, compareFigures, comparePieces, type Anchor, type ComparedSide } from '~~/core/fittings'
import { projectsOf, type Project } from '~~/core/formats'
import { useLive } from '~/composables/useLive'
import { db } from '~/data/db'
import { fitTitle } from '~/fit-title'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

/** Two states of the pieces laid over each other: versions, the plan of now, as bought, other fits and other garments with such pieces. */
const props = defineProps<{ first: string | null }>()
const log = useFittings()
const work = useWork()
const session = usePlanSession()

/** Every other fit of this garment, and of garments with such pieces. */
const others = useLive(
  async (): Promise<{ project: Project; wearer: Wearer | null }[]> => {
    const open = work.project
    if (!open) return []
    const [garments, fits, wearers] = await Promise.all([db.garments.toArray(), db.fits.toArray(), db.wearers.toArray()])
    return projectsOf({ garments: garments.filter((g) => canCompare(open.garment, g.garment)), fits })
      .filter((p) => p.id !== open.id)
      .map((project) => ({ project, wearer: wearers.find((w) => w.id === project.wearerId) ?? null }))
  },
  [] as { project: Project; wearer: Wearer | null }[],
  () => work.fitId,
)
const choices = computed(() => [
  { value: 'bought', label: 'as bought' },
  { value: 'now', label: 'the plan of now' },
  ...log.versions.map((v) => ({ value: `version ${v.id}`, label: `version “${v.name}”` })),
  ...others.value.map(({ project, wearer }) => ({
    value: `fit ${project.id}`,
    label: `${project.name}, ${fitTitle({ wearerId: project.wearerId, name: project.fitName }, wearer ? [wearer] : [])}`,
  })),
])
/** The newest version that is not what lies there now; without one, the pieces as bought. */
const other = log.versions.find((v) => v.id !== log.current?.id)
const firstOf = ref(props.first ?? (other ? `version ${other.id}` : 'bought'))
const secondOf = ref('now')
watch(
  () => props.first,
  (first) => first && (firstOf.value = first),
)
const nameOf = (value: string) => choices.value.find((c) => c.value === value)?.label ?? 'as bought'

/** What is chosen, worked out. */
async function sideOf(value: string): Promise<ComparedSide | null> {
  const open = work.project!
  const body = latestSet(work.wearer)
  const side = (garment: ComparedSide['garment'], project: Project, set = body) => ({
    garment,
    sizeId: garment.baseSizeId,
    sizing: project.sizing,
    body: set,
  })
  if (value === 'bought') return side(open.garment, open)
  if (value === 'now') return side(session.computedPlan?.garments.at(-1) ?? open.garment, open)
  if (value.startsWith('fit ')) {
    const other = others.value.find((o) => `fit ${o.project.id}` === value)
    if (!other) return null
    const garment = await session.alteredBy(other.project, other.wearer, [...other.project.mends, ...other.project.plan])
    return garment && side(garment, other.project, latestSet(other.wearer))
  }
  const version = log.versions.find((v) => `version ${v.id}` === value)
  if (!version) return null
  const then: Project = { ...open, mends: version.mends, plan: version.plan, sizing: { ...open.sizing, ...version.choices } }
  const set = work.wearer?.sets.find((s) => s.id === version.setId)
  const garment = await session.alteredBy(then, work.wearer && set ? { ...work.wearer, sets: [set] } : work.wearer, [
    ...version.mends,
    ...version.plan,
  ])
  return garment && side(garment, then, set ?? body)
}
const sides = shallowRef<{ first: ComparedSide; second: ComparedSide } | null>(null)
/** One of both could not be worked out. */
const cannot = ref(false)
let asked = 0
watch(
  [firstOf, secondOf, () => session.computedPlan, others, () => log.versions],
  async () => {
    const own = ++asked
    const [first, second] = await Promise.all([sideOf(firstOf.value), sideOf(secondOf.value)])
    if (own !== asked) return
    sides.value = first && second ? { first, second } : null
    cannot.value = sides.value === null
  },
  { immediate: true },
)

const anchor = ref<Anchor>('top')
const ANCHOR_WORDS: { value: Anchor; label: string }[] = [
  { value: 'top', label: 'upper end, in the middle' },
  { value: 'shoulder-neck', label: 'shoulder at the neck' },
  { value: 'underarm', label: 'under the arm' },
  { value: 'waist', label: 'waist at the side' },
  { value: 'hem', label: 'hem at the side' },
]
const pieces = computed(() => (sides.value ? comparePieces(sides.value.first, sides.value.second, anchor.value) : []))
const onlyMoved = ref(true)
const figures = computed(() => (sides.value ? compareFigures(sides.value.first, sides.value.second) : []))
const isSame = (a: number | null, b: number | null) => a !== null && b !== null && Math.abs(a - b) < 0.05
const rows = computed(() => figures.value.filter((r) => !onlyMoved.value || !isSame(r.firstMm, r.secondMm)))
const GROUPS = { finished: 'Finished', ease: 'Ease', seam: 'Seams', width: 'Widths', edge: 'Edges', dart: 'Darts' } as const
const groups = computed(() =>
  (Object.keys(GROUPS) as (keyof typeof GROUPS)[])
    .map((g) => ({ name: GROUPS[g], rows: rows.value.filter((r) => r.group === g) }))
    .filter((g) => g.rows.length > 0),
)
const print = () => window.print()
</script>

<template>
  <section class="flex h-full min-h-0 flex-col print:block" aria-label="Two laid over each other">
    <header class="flex flex-wrap items-end gap-3 border-b border-edge px-4 py-2 print:hidden">
      <UiChoice v-model="firstOf" label="First" test="compare-first" :options="choices" class="w-56" />
      <UiChoice v-model="secondOf" label="Second, laid on it" test="compare-second" :options="choices" class="w-56" />
      <UiChoice v-model="anchor" label="Laid together at" test="compare-anchor" :options="ANCHOR_WORDS" class="w-56" />
      <button class="btn ml-auto" data-test="print-compare" @click="print"><Printer class="size-4" />Print</button>
    </header>
    <p class="hidden px-4 pt-2 text-lg font-semibold print:block">
      {{ work.project!.name }}: {{ nameOf(firstOf) }} and {{ nameOf(secondOf) }}
    </p>
    <p v-if="!sides" class="p-4 text-soft" role="status">
      {{ cannot ? 'One of the two cannot be worked out, or was deleted: choose another.' : 'Working the pieces out …' }}
    </p>
    <div v-else class="grid min-h-0 flex-1 md:grid-cols-[1fr_24rem] print:block">
      <div class="flex min-h-72 min-w-0 flex-col bg-water p-3 print:h-[60vh] print:bg-white">
        <p class="mb-2 flex flex-wrap gap-x-4 text-sm" data-test="compare-legend">
          <span class="flex items-center gap-2"
            ><svg width="34" height="10" aria-hidden="true">
              <path d="M0 5H34" stroke="var(--ink-soft)" stroke-width="2" stroke-dasharray="5 3" /></svg
            >{{ nameOf(firstOf) }}</span
          >
          <span class="flex items-center gap-2"
            ><svg width="34" height="10" aria-hidden="true"><path d="M0 5H34" stroke="var(--ink)" stroke-width="2" /></svg
            >{{ nameOf(secondOf) }}</span
          >
          <span class="text-gain">//// added</span><span class="text-loss">\\\\ taken away</span>
        </p>
        <div class="min-h-0 flex-1"><FittingsComparePicture :pieces="pieces" /></div>
      </div>
      <div class="min-h-0 overflow-y-auto border-edge p-3 md:border-l print:overflow-visible" data-test="compare-figures">
        <label class="flex min-h-11 items-center gap-2 text-sm print:hidden"
          ><input v-model="onlyMoved" type="checkbox" class="size-5 accent-(--act)" />only what differs</label
        >
        <p v-if="rows.length === 0" class="text-soft">Every figure is the same.</p>
        <table v-else class="w-full text-sm">
          <thead>
            <tr class="text-right text-soft">
              <th class="text-left font-medium">figure</th>
              <th class="font-medium">first</th>
              <th class="pl-2 font-medium">second</th>
              <th class="pl-2 font-medium">differ by</th>
            </tr>
          </thead>
          <tbody v-for="g in groups" :key="g.name">
            <tr>
              <th colspan="4" scope="rowgroup" class="pt-2 text-left font-semibold">{{ g.name }}</th>
            </tr>
            <tr v-for="r in g.rows" :key="r.id" class="break-inside-avoid border-b border-edge/60 text-right align-top">
              <td class="py-1 pr-1 text-left">
                {{ r.label }}<span v-if="r.where && g.name !== 'Ease'" class="block text-soft">{{ r.where }}</span>
              </td>
              <td class="py-1">
                <UiLengthText v-if="r.firstMm !== null" :mm="r.firstMm" bare :signed="g.name === 'Ease'" /><template v-else>–</template>
              </td>
              <td class="py-1 pl-2">
                <UiLengthText v-if="r.secondMm !== null" :mm="r.secondMm" bare :signed="g.name === 'Ease'" /><template v-else>–</template>
              </td>
              <td class="py-1 pl-2 font-semibold">
                <UiLengthChange v-if="r.firstMm !== null && r.secondMm !== null" :from="r.firstMm" :to="r.secondMm" bare />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  </section>
</template>
