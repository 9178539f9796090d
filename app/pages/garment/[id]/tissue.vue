<script setup lang="ts">
import { CircleAlert, CircleCheck, Eye, ListPlus } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { layOnPlan, stopForMeasure, type LaidOn } from '~~/core/advice'
import { latestSet } from '~~/core/body'
import { findKind } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { tissueRows, type TissueRow } from '~~/core/tissue'
import { sayDone } from '~/messages'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import { stationAt } from '~/stations'

/** Tissue fitting on paper: the pieces hung on the wearer's figure, and looked at from the top down before cloth is cut. */
const work = useWork()
const session = usePlanSession()
const project = computed(() => work.project!)
const set = computed(() => latestSet(work.wearer))
/** The pieces as bought, or as the plan leaves them. */
const asBought = ref(false)
const altered = computed(() => session.computedPlan?.garments.at(-1) ?? project.value.garment)
const garment = computed(() => (asBought.value ? project.value.garment : altered.value))
/** The rows of what hangs there, with the pieces that they were measured on: the last ones stay until the next are worked out. */
const measured = shallowRef<{ garment: Garment; rows: TissueRow[] } | null>(null)
watch(
  [garment, set, () => project.value.sizing],
  async () => {
    const [on, body] = [garment.value, set.value]
    const given = body ? await session.askedGiven(asBought.value) : []
    if (given && on === garment.value) measured.value = { garment: on, rows: body ? tissueRows(on, given, body) : [] }
  },
  { immediate: true },
)
const rows = computed(() => measured.value?.rows ?? [])
const litId = ref<string | null>(null)
const lit = computed(() => rows.value.find((r) => r.id === litId.value) ?? rows.value[0] ?? null)
const looked = computed(() => new Set(project.value.sizing.looked ?? []))
const left = computed(() => rows.value.filter((r) => !looked.value.has(r.id)).length)

const tick = (row: TissueRow) =>
  work.setChoices(`looked at: ${row.name}`, (s) => {
    const now = s.looked ?? []
    s.looked = now.includes(row.id) ? now.filter((id) => id !== row.id) : [...now, row.id]
  })

const list = ref<HTMLElement | null>(null)
/** The list is walked with the arrow keys; the space bar ticks. */
function walk(event: KeyboardEvent) {
  const i = rows.value.findIndex((r) => r.id === lit.value?.id)
  const to =
    event.key === 'ArrowDown'
      ? i + 1
      : event.key === 'ArrowUp'
        ? i - 1
        : event.key === 'Home'
          ? 0
          : event.key === 'End'
            ? rows.value.length - 1
            : null
  if (to === null || !rows.value[to]) return
  event.preventDefault()
  litId.value = rows.value[to].id
  list.value?.querySelectorAll<HTMLElement>('[data-row]')[to]?.focus()
}

watch([() => session.computedPlan, set], () => void session.propose(), { immediate: true })
/** A stop that the body proposes and that would bring a row to what is asked. */
const offered = computed((): Map<string, Extract<LaidOn, { how: 'set' | 'add' }>> => {
  if (asBought.value) return new Map()
  const laid = layOnPlan(
    (session.proposed ?? []).map((p) => p.change),
    work.stops,
  ).flatMap((l) => (l.how === 'set' || l.how === 'add' ? [l] : []))
  return new Map(
    rows.value.flatMap((r) => {
      const own = r.verdict === 'off' ? laid.find((l) => findKind(l.proposed.kind as string)?.gives?.includes(r.id)) : undefined
      return own ? [[r.id, own] as const] : []
    }),
  )
})
/** Otherwise a change that is made for this measure alone, begun with what is missing, on the pieces as the plan leaves them. */
const begun = computed(() => {
  const row = lit.value
  if (asBought.value || row?.verdict !== 'off' || row.offMm === null || offered.value.has(row.id)) return null
  return stopForMeasure(altered.value, row.id, -row.offMm, session.contextFor(altered.value))
})
async function makeStop(row: TissueRow) {
  const laid = offered.value.get(row.id)
  const title = findKind((laid?.proposed ?? begun.value)?.kind as string)?.title
  const stored = laid ? await work.takeProposed([laid]) : begun.value !== null && (await work.addChange(begun.value)) !== null
  if (stored && title) sayDone(`Taken into the plan: ${title}.`)
}
const ICON = { agrees: CircleCheck, off: CircleAlert, look: Eye } as const
const LOOK = { agrees: 'text-good', off: 'text-ease', look: 'text-soft' } as const
</script>

<template>
  <div class="station md:grid-cols-[minmax(0,1fr)_24rem]">
    <div class="flex min-h-0 flex-col bg-water max-md:h-[70vh]">
      <div class="flex flex-wrap items-center gap-3 p-3">
        <h1 class="font-display text-2xl italic">Tissue fitting</h1>
        <div
          v-if="set && work.stops.length"
          class="flex rounded-lg border border-edge bg-panel p-1"
          role="radiogroup"
          aria-label="Which pieces hang there"
        >
          <button
            v-for="way in [true, false]"
            :key="String(way)"
            role="radio"
            :aria-checked="asBought === way"
            class="min-h-9 rounded-md px-3 text-sm font-semibold"
            :class="asBought === way && 'bg-act text-act-ink'"
            :data-test="way ? 'hang-bought' : 'hang-altered'"
            @click="asBought = way"
          >
            {{ way ? 'as bought' : 'as altered' }}
          </button>
        </div>
        <p class="text-sm text-soft">Dotted: the body, as flat as the paper. The pieces hang from the shoulder, or from the waist.</p>
      </div>
      <div class="min-h-0 flex-1 px-3 pb-3">
        <TissueFigure v-if="set" :garment="garment" :set="set" :lit="lit" />
      </div>
    </div>
    <aside class="flex min-h-0 flex-col border-edge bg-panel max-md:border-t md:border-l" aria-label="From the top down">
      <p v-if="!set" class="m-3 rounded-lg bg-ease-pale p-3 text-ease">
        There are no figures of a body yet.
        <NuxtLink :to="stationAt(project.garmentId, work.fitId, 'wearer')" class="underline">Choose a wearer and measure</NuxtLink>: then
        the pieces can be hung on a figure.
      </p>
      <template v-else>
        <p class="border-b border-edge px-4 py-3 text-sm" data-test="tissue-left">
          <span class="font-semibold">From the top down.</span>
          {{ left === 0 ? 'All of it was looked at.' : `${left} of ${rows.length} still to look at.` }}
          <span class="text-soft">Arrow keys walk, the space bar ticks.</span>
        </p>
        <ol ref="list" class="min-h-0 flex-1 overflow-y-auto" @keydown="walk">
          <li
            v-for="r in rows"
            :key="r.id"
            class="border-b border-edge/60"
            :class="lit?.id === r.id && 'bg-act-pale'"
            :data-test="`tissue-${r.id}`"
          >
            <div class="flex items-start gap-2 px-3">
              <input
                type="checkbox"
                class="mt-3.5 size-5 accent-(--act)"
                :checked="looked.has(r.id)"
                tabindex="-1"
                :aria-label="`${r.name}: looked at`"
                :data-test="`looked-${r.id}`"
                @change="tick(r)"
              />
              <button
                data-row
                class="min-h-12 min-w-0 flex-1 py-2 text-left"
                :tabindex="lit?.id === r.id ? 0 : -1"
                :aria-current="lit?.id === r.id"
                @click="litId = r.id"
                @focus="litId = r.id"
                @keydown.space.prevent="tick(r)"
              >
                <span class="flex items-center gap-2">
                  <component :is="ICON[r.verdict]" class="size-5 shrink-0" :class="LOOK[r.verdict]" aria-hidden="true" />
                  <span class="flex-1 font-semibold leading-tight">{{ r.name }}</span>
                  <span v-if="r.offMm !== null && r.verdict === 'off'" class="font-semibold text-ease"
                    ><UiLengthText :mm="r.offMm" signed
                  /></span>
                  <span v-else-if="r.verdict === 'agrees'" class="text-sm text-good">agrees</span>
                </span>
                <span v-if="r.bodyMm !== null && r.patternMm !== null" class="mt-0.5 block text-sm text-soft"
                  >body <UiLengthText :mm="r.bodyMm" bare /><template v-if="r.askedMm !== null && Math.abs(r.askedMm - r.bodyMm) > 0.5"
                    >, asked <UiLengthText :mm="r.askedMm" bare /></template
                  >, pattern <UiLengthText :mm="r.patternMm" bare
                /></span>
              </button>
            </div>
            <div v-if="lit?.id === r.id" class="px-3 pb-3 pl-10 text-sm">
              <p data-test="tissue-says"><UiSentenceText :text="r.says" /></p>
              <button v-if="offered.has(r.id) || begun" class="btn mt-2 text-sm" data-test="tissue-stop" @click="makeStop(r)">
                <ListPlus class="size-4" />Make a stop of it
              </button>
            </div>
          </li>
        </ol>
      </template>
    </aside>
  </div>
</template>
