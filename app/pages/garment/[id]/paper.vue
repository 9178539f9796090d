<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { Download, FileDown, Printer } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import regularFont from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url'
import boldFont from '@fontsource/source-sans-3/files/source-sans-3-latin-700-normal.woff?url'
import { changedPieces, type PaperStep } from '~~/core/changes'
import { writeSvg } from '~~/core/formats'
import { layOutSheet, makeFittingLog, makeNotebook, PAPER_SIZES, tilePages } from '~~/core/paper'
import { writeLengths } from '~~/core/units'
import { picturesOf } from '~/data/pictures'
import { showDay, today } from '~/days'
import { sayDone, sayFault } from '~/messages'
import { usePaperChoices, type PaperChoices } from '~/composables/usePaperChoices'
import { useSaveFile } from '~/composables/useSaveFile'
import { useFittings } from '~/stores/fittings'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe } from '~/stores/wardrobe'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

const work = useWork()
const session = usePlanSession()
const prefs = usePrefs()
const wardrobe = useWardrobe()
const log = useFittings()
const saveFile = useSaveFile()
const done = computed(() => session.computedPlan!)
const garment = computed(() => done.value.garments.at(-1)!)
const choices = usePaperChoices(computed(() => work.fitId))
const choose = (some: Partial<PaperChoices>) => (choices.value = { ...choices.value, ...some })
const making = ref(false)
const tab = ref(0)
const TABS = ['Sheets', 'Steps', 'Notebook', 'Fitting'] as const

const changed = computed(() => {
  const bought = done.value.garments[0]!
  return new Set(changedPieces(bought, garment.value, bought.baseSizeId).map((p) => p.id))
})
const offered = computed(() => garment.value.pieces.filter((p) => !choices.value.onlyChanged || changed.value.has(p.id)))
const pieceIds = computed(() => offered.value.map((p) => p.id).filter((id) => !choices.value.without.includes(id)))
/** Ids of the pieces that are ticked. */
const ticked = computed({
  get: () => pieceIds.value,
  set: (ids) => {
    const hidden = choices.value.without.filter((id) => !offered.value.some((p) => p.id === id))
    choose({ without: [...hidden, ...offered.value.map((p) => p.id).filter((id) => !ids.includes(id))], left: [] })
  },
})
const paper = computed({ get: () => choices.value.paper, set: (name) => choose({ paper: name, left: [] }) })
const onlyChanged = computed({ get: () => choices.value.onlyChanged, set: (on) => choose({ onlyChanged: on, left: [] }) })
const left = computed({ get: () => choices.value.left, set: (names) => choose({ left: names }) })

const words = computed(() => ({
  garmentName: work.project!.name,
  wearerName: work.wearer?.name ?? null,
  sizeName: garment.value.sizes.find((s) => s.id === garment.value.baseSizeId)?.name ?? '',
  date: today(),
  changes: done.value.stops
    .filter((s) => s.status === 'applied')
    .map(({ words: { title, amountMm, isPlace } }) =>
      amountMm === null ? title : `${title} ${prefs.length(amountMm, { signed: !isPlace })}`,
    ),
}))
const pagesOf = (s: ReturnType<typeof layOutSheet>) => tilePages(s, PAPER_SIZES[paper.value]).pages.filter((p) => !p.empty).length
/** The sheet width that needs the fewest pages. */
const sheet = computed(() => {
  const size = garment.value.baseSizeId
  const tries = [3, 4, 5, 6, 8].map((columns) =>
    layOutSheet(garment.value, size, words.value, columns * (PAPER_SIZES[paper.value].widthMm - 30) + 10, pieceIds.value),
  )
  return tries.reduce((a, b) => (pagesOf(b) < pagesOf(a) ? b : a))
})
const tiling = computed(() => tilePages(sheet.value, PAPER_SIZES[paper.value]))
const used = computed(() => tiling.value.pages.filter((p) => !p.empty))
const chosen = computed(() => used.value.filter((p) => !left.value.includes(p.name)))

async function fontBytes(url: string): Promise<Uint8Array> {
  return new Uint8Array(await (await fetch(url)).arrayBuffer())
}
const plainName = computed(() =>
  work
    .project!.name.toLowerCase()
    .replace(/[^\p{L}\d]+/gu, '-')
    .replace(/^-|-$/g, ''),
)
const fileName = (ending: string) => `${plainName.value}.${ending}`
async function savePdf() {
  making.value = true
  try {
    const { writePdf } = await import('~~/core/formats/pdf-out')
    const picked: typeof tiling.value = {
      ...tiling.value,
      pages: tiling.value.pages.map((p) => ({ ...p, empty: p.empty || left.value.includes(p.name) })),
    }
    const title = {
      garmentName: work.project!.name,
      lines: [
        [work.wearer ? `for ${work.wearer.name}` : '', words.value.date, `size: ${words.value.sizeName}`].filter(Boolean).join(' · '),
        words.value.changes.length ? `Changed: ${words.value.changes.join('; ')}.` : 'As bought.',
        `Pieces: ${sheet.value.pieces.map((p) => p.piece.name).join(', ')}.`,
      ],
    }
    const bytes = await writePdf(
      sheet.value,
      picked,
      title,
      { regular: await fontBytes(regularFont), bold: await fontBytes(boldFont) },
      new Date(),
    )
    saveFile(bytes, fileName('pdf'), 'application/pdf')
    await log.keepWhatGoesOut('printed')
    sayDone(`${chosen.value.length + 1} pages in ${fileName('pdf')}. Measure the square before cutting.`)
  } catch (error) {
    sayFault(`The PDF could not be made: ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    making.value = false
  }
}
async function saveSvg() {
  saveFile(writeSvg(sheet.value, work.project!.name), fileName('svg'), 'image/svg+xml')
  await log.keepWhatGoesOut('exported')
  sayDone(`${fileName('svg')}: true millimetres, cut line and seam line of ${sheet.value.pieces.length} pieces.`)
}
async function saveProject() {
  await log.keepWhatGoesOut('exported')
  saveFile(await wardrobe.fitAsFile(work.project!), fileName('json'), 'application/json')
  sayDone(`${fileName('json')}: this fit with its garment and wearer.`)
}

const steps = shallowRef<{ changeId: string; title: string; steps: PaperStep[] }[]>([])
watch([done, () => prefs.ruler], async () => (steps.value = (await session.paperSteps(prefs.ruler)) ?? steps.value), { immediate: true })
const stepCount = computed(() => steps.value.reduce((s, x) => s + x.steps.length, 0))
const notebook = computed(() =>
  makeNotebook({
    sizing: work.project!.sizing,
    wearer: work.wearer,
    notes: work.project!.notes,
    forEverybody: new Set(work.project!.mends.map((c) => c.id)),
    garments: done.value.garments,
    stops: done.value.stops,
    faults: done.value.faults,
  }),
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
    const bytes = await writeLogPdf(
      title,
      written,
      await picturesOf(log.photos),
      { regular: await fontBytes(regularFont), bold: await fontBytes(boldFont) },
      new Date(),
    )
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
      <TabList class="flex rounded-lg border border-edge" aria-label="Sheets, steps, notebook or a blank fitting sheet">
        <Tab
          v-for="(t, i) in TABS"
          :key="t"
          class="min-h-11 flex-1 px-1 font-semibold first:rounded-l-md last:rounded-r-md"
          :class="tab === i ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
          :data-test="`tab-${['sheets', 'steps', 'notebook', 'fitting'][i]}`"
          >{{ t }}</Tab
        >
      </TabList>
      <template v-if="tab === 0">
        <label class="block"
          ><span class="mb-1 block font-semibold">Paper</span>
          <select v-model="paper" class="field" data-test="paper-size">
            <option value="a4">A4, 210 × 297 mm</option>
            <option value="letter">Letter, 8 1/2 × 11 in</option>
          </select>
        </label>
        <fieldset>
          <legend class="mb-1 font-semibold">Pieces</legend>
          <label class="flex min-h-11 items-center gap-2.5 rounded-lg px-2 hover:bg-act-pale"
            ><input v-model="onlyChanged" type="checkbox" class="size-5 accent-(--act)" data-test="only-changed" />only pieces that were
            changed</label
          >
          <p v-if="offered.length === 0" class="px-2 text-soft">No piece has been changed yet.</p>
          <label v-for="p in offered" :key="p.id" class="flex min-h-11 items-center gap-2.5 rounded-lg px-2 hover:bg-act-pale"
            ><input v-model="ticked" type="checkbox" class="size-5 accent-(--act)" :value="p.id" :data-test="`print-${p.id}`" />{{
              p.name
            }}</label
          >
        </fieldset>
        <p class="text-sm" data-test="page-count">
          <span class="font-semibold">{{ chosen.length }} of {{ used.length }} pages</span> and a first page with the test square and the
          map. Click a page in the map to leave it out.
        </p>
        <div class="space-y-3">
          <div>
            <button class="btn-act w-full" data-test="save-pdf" :disabled="making || chosen.length === 0" @click="savePdf">
              <FileDown class="size-5" />{{ making ? 'Making the PDF …' : 'Download PDF' }}
            </button>
            <p class="mt-0.5 text-sm text-soft">to print at home and tape together</p>
          </div>
          <div>
            <button class="btn w-full" data-test="save-svg" :disabled="sheet.pieces.length === 0" @click="saveSvg">
              <Download class="size-5" />Download SVG
            </button>
            <p class="mt-0.5 text-sm text-soft">for a cutter or another program</p>
          </div>
          <div>
            <button class="btn w-full" data-test="save-project" @click="saveProject"><Download class="size-5" />Project file</button>
            <p class="mt-0.5 text-sm text-soft">to open here again, or on another machine</p>
          </div>
        </div>
        <p class="rounded-lg bg-note-pale p-3 text-sm text-note">Measure the square and sew a mock-up before cutting fabric.</p>
      </template>
      <template v-else-if="tab === 1">
        <p class="text-sm">
          {{ stepCount }} steps with ruler and scissors, in the order of the plan. Figures are rounded to what a ruler shows and still add
          up.
        </p>
        <button class="btn-act w-full" data-test="print-steps" :disabled="stepCount === 0" @click="printSteps">
          <Printer class="size-5" />Print the steps
        </button>
      </template>
      <template v-else-if="tab === 3">
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
          <PaperNotebookPage :page="notebook" />
          <PaperFittingPages :fittings="fittingLog" />
        </div>
      </TabPanel>
    </TabPanels>
  </TabGroup>
</template>
