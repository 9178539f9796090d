<script setup lang="ts">
import { Download, FileDown, Printer } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import regularFont from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url'
import boldFont from '@fontsource/source-sans-3/files/source-sans-3-latin-700-normal.woff?url'
import { toPathData, writeSvg } from '~~/core/formats'
import type { PaperStep } from '~~/core/changes'
import { layOutSheet, PAPER_SIZES, tilePages } from '~~/core/paper'
import { sayDone, sayFault } from '~/messages'
import { today } from '~/days'
import { useSaveFile } from '~/composables/useSaveFile'
import { usePrefs } from '~/stores/prefs'
import { useWardrobe } from '~/stores/wardrobe'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

const work = useWork()
const session = usePlanSession()
const prefs = usePrefs()
const wardrobe = useWardrobe()
const saveFile = useSaveFile()
const done = computed(() => session.computedPlan!)
const garment = computed(() => done.value.garments.at(-1)!)
const paper = ref<'a4' | 'letter'>(prefs.units === 'in' ? 'letter' : 'a4')
const left = ref<string[]>([])
const without = ref<string[]>([])
const making = ref(false)
const tab = ref<'sheets' | 'steps'>('sheets')

const pieceIds = computed(() => garment.value.pieces.map((p) => p.id).filter((id) => !without.value.includes(id)))
const words = computed(() => ({
  garmentName: work.project!.name,
  wearerName: work.wearer?.name ?? null,
  sizeName: garment.value.sizes.find((s) => s.id === garment.value.baseSizeId)?.name ?? '',
  date: today(),
  changes: done.value.stops
    .filter((s) => s.status === 'applied')
    .map((s) => {
      const inputs = s.change.inputs as { amountMm?: number; wantedMm?: number }
      const mm = inputs.amountMm ?? inputs.wantedMm
      return mm === undefined ? s.words.title : `${s.words.title} ${prefs.length(Math.abs(mm))}`
    }),
}))
/** The sheet width that needs the fewest pages. */
const sheet = computed(() => {
  const size = garment.value.baseSizeId
  const tries = [3, 4, 5, 6, 8].map((columns) =>
    layOutSheet(garment.value, size, words.value, columns * (PAPER_SIZES[paper.value].widthMm - 30) + 10, pieceIds.value),
  )
  return tries.reduce((a, b) => (pagesOf(b) < pagesOf(a) ? b : a))
})
const pagesOf = (s: ReturnType<typeof layOutSheet>) => tilePages(s, PAPER_SIZES[paper.value]).pages.filter((p) => !p.empty).length
const tiling = computed(() => tilePages(sheet.value, PAPER_SIZES[paper.value]))
const used = computed(() => tiling.value.pages.filter((p) => !p.empty))
const chosen = computed(() => used.value.filter((p) => !left.value.includes(p.name)))
watch([paper, () => without.value.length], () => (left.value = []))
const flip = (list: string[], name: string) => (list.includes(name) ? list.filter((x) => x !== name) : [...list, name])

async function fontBytes(url: string): Promise<Uint8Array> {
  return new Uint8Array(await (await fetch(url)).arrayBuffer())
}
const fileName = (ending: string) =>
  `${work
    .project!.name.toLowerCase()
    .replace(/[^\p{L}\d]+/gu, '-')
    .replace(/^-|-$/g, '')}.${ending}`
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
    sayDone(`${chosen.value.length + 1} pages in ${fileName('pdf')}. Measure the square before cutting.`)
  } catch (error) {
    sayFault(`The PDF could not be made: ${error instanceof Error ? error.message : String(error)}`)
  } finally {
    making.value = false
  }
}
function saveSvg() {
  saveFile(writeSvg(sheet.value, work.project!.name), fileName('svg'), 'image/svg+xml')
  sayDone(`${fileName('svg')}: true millimetres, cut line and seam line of ${sheet.value.pieces.length} pieces.`)
}
async function saveProject() {
  saveFile(await wardrobe.fitAsFile(work.project!), fileName('json'), 'application/json')
}

const steps = shallowRef<{ changeId: string; title: string; steps: PaperStep[] }[]>([])
watch([done, () => prefs.ruler], async () => (steps.value = (await session.paperSteps(prefs.ruler)) ?? steps.value), { immediate: true })
const stepCount = computed(() => steps.value.reduce((s, x) => s + x.steps.length, 0))
const print = () => window.print()
</script>

<template>
  <div class="grid h-full grid-cols-[20rem_minmax(0,1fr)] print:block">
    <aside class="min-h-0 space-y-5 overflow-y-auto border-r border-edge bg-panel p-4 print:hidden" aria-label="What to print">
      <h1 class="font-display text-2xl italic">Paper</h1>
      <div class="flex rounded-lg border border-edge" role="tablist" aria-label="Sheets or steps">
        <button
          v-for="t in ['sheets', 'steps'] as const"
          :id="`tab-${t}`"
          :key="t"
          role="tab"
          :aria-selected="tab === t"
          :aria-controls="`panel-${t}`"
          class="min-h-11 flex-1 font-semibold first:rounded-l-md last:rounded-r-md"
          :class="tab === t ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
          :data-test="`tab-${t}`"
          @click="tab = t"
        >
          {{ t === 'sheets' ? 'Sheets' : 'Paper steps' }}
        </button>
      </div>
      <template v-if="tab === 'sheets'">
        <label class="block"
          ><span class="mb-1 block font-semibold">Paper</span>
          <select v-model="paper" class="field" data-test="paper-size">
            <option value="a4">A4, 210 × 297 mm</option>
            <option value="letter">Letter, 8 1/2 × 11 in</option>
          </select>
        </label>
        <fieldset>
          <legend class="mb-1 font-semibold">Pieces</legend>
          <label v-for="p in garment.pieces" :key="p.id" class="flex min-h-11 items-center gap-2.5 rounded-lg px-2 hover:bg-act-pale"
            ><input
              type="checkbox"
              class="size-5 accent-(--act)"
              :checked="!without.includes(p.id)"
              :data-test="`print-${p.id}`"
              @change="without = flip(without, p.id)"
            />{{ p.name }}</label
          >
        </fieldset>
        <p class="text-sm" data-test="page-count">
          <span class="font-semibold">{{ chosen.length }} of {{ used.length }} pages</span> and a first page with the test square and the
          map. Click a page in the map to leave it out.
        </p>
        <div class="space-y-2">
          <button class="btn-act w-full" data-test="save-pdf" :disabled="making || chosen.length === 0" @click="savePdf">
            <FileDown class="size-5" />{{ making ? 'Making the PDF …' : 'Download PDF' }}
          </button>
          <button class="btn w-full" data-test="save-svg" :disabled="sheet.pieces.length === 0" @click="saveSvg">
            <Download class="size-5" />Download SVG
          </button>
          <button class="btn w-full" data-test="save-project" @click="saveProject"><Download class="size-5" />Project file</button>
        </div>
        <p class="rounded-lg bg-note-pale p-3 text-sm text-note">Measure the square and sew a mock-up before cutting fabric.</p>
      </template>
      <template v-else>
        <p class="text-sm">
          {{ stepCount }} steps with ruler and scissors, in the order of the plan. Figures are rounded to what a ruler shows and still add
          up.
        </p>
        <button class="btn-act w-full" data-test="print-steps" :disabled="stepCount === 0" @click="print">
          <Printer class="size-5" />Print the steps
        </button>
      </template>
    </aside>

    <div v-if="tab === 'sheets'" id="panel-sheets" role="tabpanel" aria-labelledby="tab-sheets" class="min-h-0 bg-water p-5 print:hidden">
      <svg
        :viewBox="`-8 -8 ${tiling.columns * (tiling.windowWidthMm - 10) + 26} ${tiling.rows * (tiling.windowHeightMm - 10) + 26}`"
        class="h-full w-full"
        role="group"
        aria-label="Page map"
        data-test="page-map"
      >
        <g v-for="p in tiling.pages" :key="p.name">
          <rect
            :x="p.x"
            :y="p.y"
            :width="tiling.windowWidthMm"
            :height="tiling.windowHeightMm"
            :fill="p.empty || left.includes(p.name) ? 'transparent' : 'var(--panel)'"
            stroke="var(--ink-soft)"
            :stroke-dasharray="p.empty ? '3 9' : undefined"
            :stroke-width="p.empty ? 0.8 : 1.4"
          />
        </g>
        <g v-for="p in sheet.pieces" :key="p.piece.id">
          <path :d="toPathData(p.cutLine, true)" fill="var(--land)" fill-opacity="0.72" stroke="var(--ink)" stroke-width="2.4" />
          <path
            v-for="(d, i) in [toPathData(p.seamLine, true), ...p.innerLines.filter((l) => l.folded).map((l) => toPathData(l.path))]"
            :key="i"
            :d="d"
            fill="none"
            stroke="var(--ink)"
            stroke-width="1.2"
            stroke-dasharray="8 5"
          />
          <text :x="p.label.at.x" :y="p.label.at.y" font-size="26" class="font-display italic" fill="var(--ink)">{{ p.piece.name }}</text>
        </g>
        <g
          v-for="p in used"
          :key="`t${p.name}`"
          role="checkbox"
          :aria-checked="!left.includes(p.name)"
          :aria-label="`Page ${p.name}`"
          tabindex="0"
          class="cursor-pointer"
          :data-test="`page-${p.name}`"
          @click="left = flip(left, p.name)"
          @keydown.space.prevent="left = flip(left, p.name)"
        >
          <rect :x="p.x + 1" :y="p.y + 1" :width="tiling.windowWidthMm - 12" :height="tiling.windowHeightMm - 12" fill="transparent" />
          <text
            :x="p.x + 8"
            :y="p.y + 34"
            font-size="30"
            font-weight="650"
            :fill="left.includes(p.name) ? 'var(--ink-soft)' : 'var(--act)'"
            :text-decoration="left.includes(p.name) ? 'line-through' : undefined"
          >
            {{ p.name }}
          </text>
        </g>
      </svg>
    </div>

    <div
      v-else
      id="panel-steps"
      role="tabpanel"
      aria-labelledby="tab-steps"
      class="min-h-0 overflow-y-auto p-6 print:overflow-visible"
      tabindex="0"
    >
      <div class="mx-auto max-w-3xl">
        <h2 class="font-display text-2xl">
          {{ work.project!.name }}<span v-if="work.wearer" class="text-lg text-soft">, for {{ work.wearer.name }}</span>
        </h2>
        <p v-if="steps.length === 0" class="mt-3 text-soft">The plan has no change yet: there is nothing to cut or tape.</p>
        <section v-for="(s, i) in steps" :key="s.changeId" class="mt-6">
          <h3 class="mb-3 text-lg font-semibold">{{ i + 1 }}. {{ s.title }}</h3>
          <ol class="space-y-4">
            <li
              v-for="(step, k) in s.steps"
              :key="k"
              class="grid break-inside-avoid grid-cols-[1fr_15rem] gap-4 border-b border-edge/60 pb-4"
              data-test="paper-step"
            >
              <p>
                <span class="mr-2 font-semibold">{{ i + 1 }}.{{ k + 1 }}</span
                >{{ step.text }}
              </p>
              <StepPicture v-if="step.drawing" :drawing="step.drawing" />
            </li>
          </ol>
        </section>
        <p class="mt-6 font-semibold">Sew a mock-up before cutting fabric.</p>
      </div>
    </div>
  </div>
</template>
