<script setup lang="ts">
import { Download, FileDown } from 'lucide-vue-next'
import { ref } from 'vue'
import { layWords } from '~~/core/cloth'
import { writeSvg } from '~~/core/formats'
import type { LayOnPage } from '~~/core/formats/pdf-lay'
import { frontPages } from '~~/core/paper'
import { useCloth } from '~/composables/useCloth'
import { useSaveFile } from '~/composables/useSaveFile'
import { useSheets } from '~/composables/useSheets'
import { sayDone, sayFault } from '~/messages'
import { pdfFonts } from '~/pdf-fonts'
import { useFittings } from '~/stores/fittings'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe } from '~/stores/wardrobe'
import { useWork } from '~/stores/work'

/** What of the sheets is printed, on which paper, and the files that it is saved as. */
const work = useWork()
const wardrobe = useWardrobe()
const log = useFittings()
const prefs = usePrefs()
const saveFile = useSaveFile()
const { lay, use } = useCloth()
const making = ref(false)
const {
  words,
  garment,
  offered,
  ticked,
  paper,
  rollMm,
  marginMm,
  onlyChanged,
  everyLayer,
  allSizes,
  sheet,
  used,
  printed,
  pages,
  tape,
  plainName,
} = useSheets()

const fileName = (ending: string) => `${plainName.value}.${ending}`
/** The cloth as it was laid: a page of the sheets, so that it lies beside the scissors. */
const lays = (): LayOnPage[] => (lay.value ? [{ ...layWords(lay.value, use.value, prefs.ruler), lay: lay.value }] : [])
async function savePdf() {
  making.value = true
  try {
    const { writePdf } = await import('~~/core/formats/pdf-out')
    const title = {
      garmentName: work.project!.name,
      lines: [
        [work.wearer ? `for ${work.wearer.name}` : '', words.value.date, `size: ${words.value.sizeName}`].filter(Boolean).join(' · '),
        words.value.changes.length ? `Changed: ${words.value.changes.join('; ')}.` : 'As bought.',
        `Pieces: ${[...new Set(sheet.value.pieces.map((p) => p.piece.name))].join(', ')}.`,
      ],
    }
    const bytes = await writePdf(sheet.value, printed.value, title, await pdfFonts(), new Date(), lays())
    saveFile(bytes, fileName('pdf'), 'application/pdf')
    await log.keepWhatGoesOut('printed')
    sayDone(`${pages.value + frontPages(printed.value) + lays().length} pages in ${fileName('pdf')}. Measure the square before cutting.`)
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
</script>

<template>
  <div class="space-y-5">
    <PaperChoiceFields v-model:paper="paper" v-model:roll-mm="rollMm" v-model:margin-mm="marginMm" />
    <fieldset>
      <legend class="mb-1 font-semibold">Pieces</legend>
      <UiCheck v-model="onlyChanged" class="px-2" test="only-changed">only pieces that were changed</UiCheck>
      <UiCheck v-model="everyLayer" class="px-2" test="every-layer">each as often as it is cut, folds opened</UiCheck>
      <UiCheck v-if="garment.sizes.length > 1" v-model="allSizes" class="px-2" test="all-sizes">all sizes, each a layer of its own</UiCheck>
      <p v-if="offered.length === 0" class="px-2 text-soft">No piece has been changed yet.</p>
      <hr class="my-1 border-edge" />
      <label v-for="p in offered" :key="p.id" class="flex min-h-11 items-center gap-2.5 rounded-lg px-2 hover:bg-act-pale"
        ><input v-model="ticked" type="checkbox" class="size-5 accent-(--act)" :value="p.id" :data-test="`print-${p.id}`" />{{
          p.name
        }}</label
      >
    </fieldset>
    <p class="text-sm" data-test="page-count">
      <span class="font-semibold">{{ pages }} of {{ used.length }} pages</span> and a first page with the test square and the map<template
        v-if="tape.joints"
        >; {{ tape.joints }} {{ tape.joints === 1 ? 'joint' : 'joints' }}, about {{ Math.ceil(tape.tapeMm / 500) / 2 }} m of tape</template
      >. Click a page in the map to leave it out.
    </p>
    <div class="space-y-3">
      <div>
        <button class="btn-act w-full" data-test="save-pdf" :disabled="making || pages === 0" @click="savePdf">
          <FileDown class="size-5" />{{ making ? 'Making the PDF …' : 'Download PDF' }}
        </button>
        <p class="mt-0.5 text-sm text-soft">
          to print at home and tape together; lines and sizes are layers{{ lay ? '; the lay on the cloth is a page of it' : '' }}
        </p>
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
  </div>
</template>
