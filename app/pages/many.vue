<script setup lang="ts">
import { ArrowLeft, Check, FileArchive, Play, Square } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import type { Wearer } from '~~/core/body'
import type { FitRow, GarmentRow } from '~~/core/formats'
import { useLive } from '~/composables/useLive'
import { useSaveFile } from '~/composables/useSaveFile'
import { useActs } from '~/composables/useActs'
import { db } from '~/data/db'
import type { MadeRow } from '~/data/made-row'
import { today } from '~/days'
import { say, sayDone, sayFault } from '~/messages'
import { stationAt } from '~/stations'
import { useMany, type ManyFit } from '~/stores/many'

/** Many garments for many wearers at once: worked out side by side, compared, taken, written out. */
const many = useMany()
const router = useRouter()
const saveFile = useSaveFile()
const acts = useActs('wardrobe')
const { compare } = new Intl.Collator(undefined, { numeric: true })
const byName = (a: { name: string }, b: { name: string }) => compare(a.name, b.name)
const stored = useLive(
  async () => {
    const [garments, fits, wearers, made] = await Promise.all([
      db.garments.toArray(),
      db.fits.toArray(),
      db.wearers.toArray(),
      db.made.toArray(),
    ])
    return { garments: garments.sort(byName), fits, wearers: wearers.sort(byName), made }
  },
  null as { garments: GarmentRow[]; fits: FitRow[]; wearers: Wearer[]; made: MadeRow[] } | null,
)
const fits = computed(() =>
  stored.value ? many.pairsOf(stored.value.garments, stored.value.wearers, stored.value.fits, stored.value.made) : [],
)
const ids = (list: readonly { id: string }[]) => new Set(list.map((x) => x.id))
watch(
  stored,
  (now) => {
    if (!now) return
    many.chooseAgain(now.made)
    void many.forgetGone(ids(now.garments), ids(now.wearers), now.made)
  },
  { once: true },
)
const waiting = computed(() => fits.value.filter((m) => !many.isDone(m)).length)
const done = computed(() => fits.value.filter(many.isDone))
const takeable = computed(() => done.value.filter((m) => !m.there && !m.done!.isLeft))
const TABS = [
  { value: 'table', label: 'Table' },
  { value: 'cut', label: 'Cutting list' },
  { value: 'share', label: 'Shared cuts' },
] as const
const tab = ref<(typeof TABS)[number]['value']>('table')
const countOf = (n: number) => `${n} ${n === 1 ? 'fit' : 'fits'}`

async function start() {
  const asked = fits.value
  const failed = await many.workOut(asked)
  if (failed === null) return say('Stopped. What is done is kept; “Go on” does the rest.')
  // What the table shows comes a moment later.
  const worked = countOf(asked.length - failed)
  if (failed > 0) sayFault(`${countOf(failed)} could not be worked out: the table says why. ${worked} are done.`)
  else sayDone(`${worked} worked out.`)
}
async function take() {
  const taken = await many.take(takeable.value)
  if (taken.ok) sayDone(`${countOf(taken.value.length)} taken into the wardrobe.`, { label: 'Undo', run: () => void acts.undo() })
}
async function open(m: ManyFit) {
  let fitId = m.there?.id ?? null
  if (fitId === null) {
    const taken = await many.take([m])
    if (!taken.ok) return
    fitId = taken.value[0]!
    sayDone(`“${m.row.name}” for ${m.wearer.name} is a fit of the wardrobe now.`, { label: 'Undo', run: () => void acts.undo() })
  }
  await router.push(stationAt(m.row.id, fitId, 'size'))
}
async function zip() {
  try {
    const made = await many.zip(fits.value)
    if (!made) return say('Stopped: no file was written.')
    const name = `tidal-seam-fits-${today()}.zip`
    saveFile(made.blob, name, 'application/zip')
    if (made.missing.length > 0) sayFault(`${name} is there, without: ${made.missing.join('; ')}`)
    else sayDone(`${name}: ${countOf(done.value.length)}.`)
  } catch (error) {
    sayFault(`The files could not be put together: ${error instanceof Error ? error.message : String(error)}`)
  }
}
</script>

<template>
  <div class="flex h-full min-h-0 flex-col print:block">
    <div class="flex flex-wrap items-center gap-3 border-b border-edge bg-panel px-4 py-2 print:hidden">
      <NuxtLink to="/" class="btn-quiet"><ArrowLeft class="size-5" />Wardrobe</NuxtLink>
      <h1 class="mr-auto font-display text-2xl italic">Many fits</h1>
      <template v-if="many.progress">
        <span class="text-sm" role="status" data-test="many-progress"
          >{{ many.progress.what }}: {{ many.progress.done }} of {{ many.progress.of }}</span
        >
        <progress class="h-2 w-40 accent-(--act)" :value="many.progress.done" :max="many.progress.of" aria-label="How many are done" />
        <button class="btn" data-test="many-stop" @click="many.stop"><Square class="size-4" />Stop</button>
      </template>
      <template v-else>
        <button v-if="waiting > 0" class="btn-act" data-test="many-start" @click="start">
          <Play class="size-4" />{{ waiting < fits.length ? `Go on: ${countOf(waiting)}` : `Work out ${countOf(waiting)}` }}
        </button>
        <button v-if="takeable.length > 0" :class="waiting > 0 ? 'btn' : 'btn-act'" data-test="many-take" @click="take">
          <Check class="size-4" />Take {{ countOf(takeable.length) }}
        </button>
        <button class="btn" :disabled="done.length === 0" data-test="many-zip" @click="zip">
          <FileArchive class="size-4" />All files as zip
        </button>
      </template>
    </div>
    <div class="station min-h-0 flex-1 md:grid-cols-[20rem_minmax(0,1fr)] print:block">
      <aside class="station-side p-4 print:hidden" aria-label="Which garments, for whom">
        <ManyChoose v-if="stored" :garments="stored.garments" :wearers="stored.wearers" />
      </aside>
      <div class="station-main p-4 print:overflow-visible">
        <UiSegmented v-model="tab" class="mb-4 max-w-md print:hidden" :options="TABS" label="What is shown" test="many-tab" />
        <p v-if="stored && fits.length === 0" class="max-w-prose text-soft" data-test="many-empty">
          Tick one or more garments and the people they are for. For each pair the sizes are chosen, a plan is made from the figures, and
          the pieces are altered and measured; you take what you like.
        </p>
        <template v-else-if="stored">
          <ManyTable v-if="tab === 'table'" :fits="fits" @open="open" />
          <ManyCutList v-else-if="tab === 'cut'" :fits="fits" />
          <ManyShare v-else :fits="fits" />
        </template>
      </div>
    </div>
  </div>
</template>
