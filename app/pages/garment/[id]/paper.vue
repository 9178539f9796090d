<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { FileDown, Printer } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import type { PaperStep } from '~~/core/changes'
import { makeFittingLog } from '~~/core/paper'
import type { Notebook } from '~~/core/paper/notebook'
import { writeLengths } from '~~/core/units'
import { picturesOf } from '~/data/pictures'
import { showDay, today } from '~/days'
import { sayDone, sayFault } from '~/messages'
import { useCloth } from '~/composables/useCloth'
import { useSaveFile } from '~/composables/useSaveFile'
import { useSheets } from '~/composables/useSheets'
import { useFittings } from '~/stores/fittings'
import { usePrefs } from '~/stores/prefs'
import { pdfFonts } from '~/pdf-fonts'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

const work = useWork()
const session = usePlanSession()
const prefs = usePrefs()
const log = useFittings()
const saveFile = useSaveFile()
const done = computed(() => session.computedPlan!)
const garment = computed(() => done.value.garments.at(-1)!)
const making = ref(false)
const tab = ref(0)
/** What can be put on paper, by the name of its tab. */
const TABS = { sheets: 'Sheets', cloth: 'Cloth', machines: 'Machines', steps: 'Steps', notebook: 'Notebook', fitting: 'Fitting' } as const
type TabName = keyof typeof TABS
const NAMES = Object.keys(TABS) as TabName[]
const open = computed(() => NAMES[tab.value]!)

const { words, sheet, tiling, left, plainName } = useSheets()
// Held here, so that the lay is still there when another tab was looked at.
useCloth()
const steps = shallowRef<{ changeId: string; title: string; steps: PaperStep[] }[]>([])
watch([done, () => prefs.ruler], async () => (steps.value = (await session.paperSteps(prefs.ruler)) ?? steps.value), { immediate: true })
const stepCount = computed(() => steps.value.reduce((s, x) => s + x.steps.length, 0))
const notebook = shallowRef<Notebook | null>(null)
watch(
  [open, done, () => work.project!.notes],
  async () => {
    if (open.value !== 'notebook') return
    const [before, after] = [done.value.garments[0]!, garment.value]
    const page = await session.notebook(
      work.project!.notes,
      work.project!.mends.map((c) => c.id),
    )
    if (page && after === garment.value) notebook.value = { ...page, before, after }
  },
  { immediate: true },
)
const fittingLog = computed(() =>
  makeFittingLog(garment.value, done.value.stops, { fittings: log.fittings, versions: log.versions, photos: log.photos }),
)
/** The fittings as pages for the folder, lengths as the ruler shows them. */
async function saveLogPdf() {
  making.value = true
  try {
    const { writeLogPdf } = await import('~~/core/formats/log-pdf')
    const inWords = (text: string) => writeLengths(text, prefs.ruler)
    const written = fittingLog.value.map((f) => ({
      ...f,
      heldOn: showDay(f.heldOn),
      items: f.items.map((i) => ({ seen: inWords(i.seen), became: inWords(i.became) })),
    }))
    const title = {
      name: work.project!.name,
      line: [work.wearer ? `for ${work.wearer.name}` : '', showDay(today())].filter(Boolean).join(', '),
    }
    const bytes = await writeLogPdf(title, written, await picturesOf(log.photos), await pdfFonts(), new Date())
    saveFile(bytes, `${plainName.value}-fittings.pdf`, 'application/pdf')
    sayDone(`${plainName.value}-fittings.pdf: ${written.length} ${written.length === 1 ? 'fitting' : 'fittings'}.`)
  } catch (error) {
    sayFault(`The PDF could not be made: ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    making.value = false
  }
}
const print = () => window.print()
async function printSteps() {
  await log.keepWhatGoesOut('printed')
  print()
}
</script>

<template>
  <TabGroup
    as="div"
    class="station md:grid-cols-[20rem_minmax(0,1fr)] print:block"
    :selected-index="tab"
    @change="(i: number) => (tab = i)"
  >
    <aside class="station-side space-y-5 p-4 print:hidden" aria-label="What to print">
      <h1 class="font-display text-2xl italic">Paper</h1>
      <TabList class="grid grid-cols-3 overflow-hidden rounded-lg border border-edge" aria-label="What is put on paper">
        <Tab
          v-for="t in NAMES"
          :key="t"
          class="min-h-11 px-1 font-semibold"
          :class="open === t ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
          :data-test="`tab-${t}`"
          >{{ TABS[t] }}</Tab
        >
      </TabList>
      <PaperSheetPanel v-if="open === 'sheets'" />
      <PaperClothPanel v-else-if="open === 'cloth'" />
      <PaperMachinePanel v-else-if="open === 'machines'" />
      <template v-else-if="open === 'steps'">
        <p class="text-sm">
          {{ stepCount }} steps with ruler and scissors, in the order of the plan. Figures are rounded to what a ruler shows and still add
          up.
        </p>
        <button class="btn-act w-full" data-test="print-steps" :disabled="stepCount === 0" @click="printSteps">
          <Printer class="size-5" />Print the steps
        </button>
      </template>
      <template v-else-if="open === 'fitting'">
        <p class="text-sm">A sheet for the fitting room: the places of this garment from the top down, a figure, room for pins.</p>
        <button class="btn-act w-full" data-test="print-blank" @click="print"><Printer class="size-5" />Print the sheet</button>
      </template>
      <template v-else>
        <p class="text-sm">
          For the folder: the body, sizes and ease before and after, every stop with its why, what was held, what is left over.
        </p>
        <button class="btn-act w-full" data-test="print-notebook" @click="print"><Printer class="size-5" />Print the page</button>
        <button v-if="fittingLog.length" class="btn w-full" data-test="save-log-pdf" :disabled="making" @click="saveLogPdf">
          <FileDown class="size-5" />Fittings as PDF
        </button>
      </template>
    </aside>

    <TabPanels class="station-main print:overflow-visible">
      <TabPanel class="h-[70vh] bg-water p-5 md:h-full print:hidden"
        ><PaperPageMap v-model:left="left" :sheet="sheet" :tiling="tiling"
      /></TabPanel>
      <TabPanel class="mx-auto max-w-6xl space-y-6 p-4 md:p-6"><PaperClothTable /><PaperCuttingCards /><PaperBiasStrips /></TabPanel>
      <TabPanel class="h-[70vh] bg-water p-5 md:h-full print:hidden"><PaperPlotterTable /></TabPanel>
      <TabPanel v-for="t in ['steps', 'notebook', 'fitting'] as const" :key="t" class="mx-auto max-w-4xl p-4 md:p-6">
        <h2 v-if="t !== 'fitting'" class="font-display text-2xl">
          {{ work.project!.name }}<span v-if="work.wearer" class="text-lg text-soft">, for {{ work.wearer.name }}</span>
          <span v-if="t === 'notebook'" class="ml-3 font-sans text-base text-soft">{{ words.date }}</span>
        </h2>
        <PaperStepList v-if="t === 'steps'" :stops="steps" />
        <PaperBlankFitting
          v-else-if="t === 'fitting'"
          class="mt-4"
          :garment="garment"
          :name="work.project!.name"
          :wearer="work.wearer?.name ?? null"
        />
        <div v-else class="mt-4 space-y-6">
          <PaperNotebookPage v-if="notebook" :page="notebook" />
          <PaperFittingPages :fittings="fittingLog" />
        </div>
      </TabPanel>
    </TabPanels>
  </TabGroup>
</template>
