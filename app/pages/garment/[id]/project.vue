<script setup lang="ts">
import { FileDown, FlipHorizontal2, Grid3x3, Maximize, Minus, Plus, RotateCw, Ruler, X } from 'lucide-vue-next'
import { computed, onMounted, ref } from 'vue'
import { useDevicePixelRatio, useEventListener } from '@vueuse/core'
import { toPathData } from '~~/core/formats'
import { calibrate, SQUARE_PX, throwMatrix, type Throw } from '~~/core/paper'
import { problemSentence } from '~~/core/result'
import { DEG, writeLengths } from '~~/core/units'
import { arrowOf } from '~/composables/useDrag'
import { useProjectors } from '~/composables/useProjectors'
import { useSaveFile } from '~/composables/useSaveFile'
import { useSheets } from '~/composables/useSheets'
import { today } from '~/days'
import { pdfFonts } from '~/pdf-fonts'
import { usePrefs } from '~/stores/prefs'
import { useWork } from '~/stores/work'

/** The pieces thrown on the table at true size: a dark page with thick lines, and nothing else once the controls are hidden. */
const prefs = usePrefs()
const route = useRoute()
const { sheet, plainName } = useSheets()
const { projectors, projector, choose, keep } = useProjectors()

const lie = ref<Throw>({ turnDeg: 0, isMirrored: false, dxMm: 0, dyMm: 0 })
const isBare = ref(false)
const isLight = ref(false)
const hasGrid = ref(true)
const isMeasuring = ref(projector.value === null)
/** Thickness of the lines on the table, mm. */
const thickMm = ref(2)
const pieceId = ref('')
const name = ref(projector.value?.name ?? 'over the table')
const acrossMm = ref(0)
const downMm = ref(0)
const fault = ref('')
const note = ref('')
const { pixelRatio: zoom } = useDevicePixelRatio()

const shown = computed(() => sheet.value.pieces.filter((p, i) => pieceId.value === '' || String(i) === pieceId.value))
/** What is thrown: the whole sheet, or one piece with a little room round it. */
const area = computed(() => {
  const only = pieceId.value === '' ? null : shown.value[0]
  const box = only ? only.box : { minX: 0, minY: 0, maxX: sheet.value.widthMm, maxY: sheet.value.heightMm }
  return { x: box.minX - 10, y: box.minY - 10, widthMm: box.maxX - box.minX + 20, heightMm: box.maxY - box.minY + 20 }
})
// A screen that was never measured shows the pieces about as large as it is.
const scale = computed(() => projector.value ?? { pxPerMmX: 1, pxPerMmY: 1 })
const matrix = computed(
  () => `matrix(${throwMatrix(lie.value, scale.value, area.value).join(' ')}) translate(${-area.value.x} ${-area.value.y})`,
)
const grid = computed(() => {
  const step = prefs.units === 'in' ? 25.4 : 50
  return { x: step * scale.value.pxPerMmX, y: step * scale.value.pxPerMmY, words: prefs.length(step) }
})

/** What makes the drawing untrue though the square was measured. */
const isZoomed = computed(() => projector.value !== null && Math.abs(projector.value.zoom / zoom.value - 1) > 0.001)

function settle() {
  const read = calibrate(acrossMm.value, downMm.value)
  if (!read.ok) {
    fault.value = writeLengths(problemSentence(read.problem), prefs.ruler)
    return
  }
  const { isAskew, ...pixels } = read.value
  keep({ name: name.value.trim() || 'over the table', ...pixels, zoom: window.devicePixelRatio, measuredOn: today() })
  fault.value = ''
  note.value = isAskew
    ? 'Across and down differ: the projector does not look quite straight down. Both are set right, as far as that goes.'
    : ''
  isMeasuring.value = false
}
const turn = () => (lie.value = { ...lie.value, turnDeg: ((lie.value.turnDeg + 90) % 360) as Throw['turnDeg'] })
const mirror = () => (lie.value = { ...lie.value, isMirrored: !lie.value.isMirrored })
const move = (x: number, y: number) => (lie.value = { ...lie.value, dxMm: lie.value.dxMm + x, dyMm: lie.value.dyMm + y })
const whole = ref<HTMLElement | null>(null)
const fillScreen = () =>
  void whole.value?.requestFullscreen?.().catch(() => (note.value = 'This browser does not fill the screen: use its own full-screen key.'))

const work = useWork()
const saveFile = useSaveFile()
const making = ref(false)
/** The same on one page, for a projector that another program drives. */
async function savePdf() {
  making.value = true
  try {
    const { writeProjectorPdf } = await import('~~/core/formats/pdf-projector')
    const look = { thickMm: thickMm.value, isDark: !isLight.value }
    const bytes = await writeProjectorPdf({ ...sheet.value, pieces: shown.value }, work.project!.name, look, await pdfFonts(), new Date())
    saveFile(bytes, `${plainName.value}-thrown.pdf`, 'application/pdf')
    note.value = `${plainName.value}-thrown.pdf: one page at true size.`
  } catch (error) {
    note.value = `The PDF could not be made: ${error instanceof Error ? error.message : String(error)}`
  } finally {
    making.value = false
  }
}

/** A press of an arrow moves by so much, with Shift by one millimetre. */
const STEP_MM = 10
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement) return
  const way = arrowOf(event)
  const step = event.shiftKey ? 1 : STEP_MM
  if (way) move(way.x * step, way.y * step)
  else if (event.key === 'r') turn()
  else if (event.key === 'm') mirror()
  else if (event.key === 'g') hasGrid.value = !hasGrid.value
  else if (event.key === 'h') isBare.value = !isBare.value
})
onMounted(() => whole.value?.focus())
</script>

<template>
  <div
    ref="whole"
    tabindex="-1"
    class="fixed inset-0 z-40 overflow-hidden outline-none"
    :style="{ background: isLight ? '#fff' : '#000', color: isLight ? '#000' : '#fff' }"
    data-test="projector"
  >
    <svg class="absolute inset-0 h-full w-full" role="img" aria-label="The pieces at the size that they have on the table">
      <defs>
        <pattern id="thrown-grid" :width="grid.x" :height="grid.y" patternUnits="userSpaceOnUse">
          <path :d="`M${grid.x} 0H0V${grid.y}`" fill="none" stroke="currentColor" stroke-opacity="0.28" stroke-width="1" />
        </pattern>
      </defs>
      <rect v-if="hasGrid && !isMeasuring" width="100%" height="100%" fill="url(#thrown-grid)" data-test="thrown-grid" />
      <g v-if="!isMeasuring" :transform="matrix" fill="none" stroke="currentColor" data-test="thrown">
        <g v-for="(p, i) in shown" :key="i" :stroke-width="thickMm">
          <path :d="toPathData(p.cutLine, true)" />
          <path :d="toPathData(p.seamLine, true)" :stroke-width="thickMm / 2" :stroke-dasharray="`${6 * thickMm} ${4 * thickMm}`" />
          <path v-for="(n, k) in p.notches" :key="`n${k}`" :d="toPathData(n)" />
          <path v-for="(f, k) in p.folds" :key="`f${k}`" :d="toPathData(f)" :stroke-width="thickMm / 2" />
          <path
            v-for="(l, k) in p.innerLines"
            :key="`l${k}`"
            :d="toPathData(l.path)"
            :stroke-width="thickMm / 2"
            :stroke-dasharray="l.folded ? `${6 * thickMm} ${4 * thickMm}` : `${10 * thickMm} ${3 * thickMm} ${thickMm} ${3 * thickMm}`"
          />
          <path :d="`M${p.grain.from.x} ${p.grain.from.y}L${p.grain.to.x} ${p.grain.to.y}`" :stroke-width="thickMm / 2" />
          <text
            v-for="(w, k) in p.words.filter((x) => x.bold)"
            :key="`w${k}`"
            :transform="`translate(${w.at.x} ${w.at.y}) rotate(${w.turnRad * DEG})${lie.isMirrored ? ' scale(-1 1)' : ''}`"
            :font-size="w.sizeMm * (k === 0 ? 2.4 : 1.3)"
            :text-anchor="lie.isMirrored ? 'end' : 'start'"
            fill="currentColor"
            stroke="none"
          >
            {{ w.text }}
          </text>
        </g>
      </g>
      <rect
        v-if="isMeasuring"
        x="40"
        y="40"
        :width="SQUARE_PX"
        :height="SQUARE_PX"
        fill="none"
        stroke="currentColor"
        stroke-width="2"
        data-test="square"
      />
    </svg>

    <section v-if="isMeasuring" class="panel absolute right-6 bottom-6 w-96 max-w-[90vw] space-y-3 p-4 text-ink" data-test="calibrate">
      <h1 class="font-display text-xl italic">Measure the square on the table</h1>
      <p class="text-sm">
        Lay the ruler on the cutting table, along the inside of the thrown lines. Both sides: a projector that looks askew throws them
        unequal.
      </p>
      <UiTextField v-model="name" label="Which projector" test="projector-name" :longest="60" />
      <div class="grid grid-cols-2 gap-3">
        <FieldsLengthField v-model="acrossMm" label="Side across" test="square-across" positive />
        <FieldsLengthField v-model="downMm" label="Side down" test="square-down" positive />
      </div>
      <p v-if="fault" class="text-fault" role="alert" data-test="calibrate-fault">{{ fault }}</p>
      <div class="flex flex-wrap gap-2">
        <button class="btn-act" data-test="calibrate-done" @click="settle">True from now on</button>
        <button v-if="projector" class="btn" @click="isMeasuring = false">Leave it as it is</button>
        <NuxtLink class="btn-quiet" :to="{ path: `/garment/${String(route.params.id)}/paper`, query: route.query }">Back</NuxtLink>
      </div>
    </section>

    <section
      v-else-if="!isBare"
      class="panel absolute bottom-4 left-1/2 flex max-w-[96vw] -translate-x-1/2 flex-wrap items-center gap-2 p-2 text-ink"
      data-test="projector-controls"
    >
      <select v-model="pieceId" class="field w-44" aria-label="What is thrown" data-test="thrown-piece">
        <option value="">all pieces</option>
        <option v-for="(p, i) in sheet.pieces" :key="i" :value="String(i)">{{ p.piece.name }}</option>
      </select>
      <button class="btn" title="R" data-test="turn" @click="turn"><RotateCw class="size-4" />Turn</button>
      <button class="btn" title="M" data-test="mirror" @click="mirror"><FlipHorizontal2 class="size-4" />Turn over</button>
      <button class="btn" title="G" data-test="grid" @click="hasGrid = !hasGrid"><Grid3x3 class="size-4" />{{ grid.words }} grid</button>
      <button class="btn" aria-label="Thinner lines" @click="thickMm = Math.max(0.5, thickMm - 0.5)"><Minus class="size-4" /></button>
      <span class="text-sm whitespace-nowrap" data-test="thickness">{{ thickMm }} mm lines</span>
      <button class="btn" aria-label="Thicker lines" @click="thickMm = Math.min(6, thickMm + 0.5)"><Plus class="size-4" /></button>
      <button class="btn" data-test="light" @click="isLight = !isLight">{{ isLight ? 'Dark' : 'Light' }} ground</button>
      <button class="btn" @click="fillScreen"><Maximize class="size-4" />Fill the screen</button>
      <button class="btn" data-test="projector-pdf" :disabled="making" @click="savePdf"><FileDown class="size-4" />PDF of it</button>
      <button class="btn" data-test="measure-again" @click="isMeasuring = true"><Ruler class="size-4" />Measure</button>
      <UiChoice
        v-if="projectors.length > 1"
        :model-value="projector?.name ?? ''"
        class="w-44"
        label="Which projector"
        hide-label
        test="which-projector"
        :options="projectors.map((p) => ({ value: p.name, label: p.name }))"
        @update:model-value="choose($event)"
      />
      <NuxtLink
        class="btn-quiet"
        aria-label="Back to Paper"
        data-test="leave-projector"
        :to="{ path: `/garment/${String(route.params.id)}/paper`, query: route.query }"
        ><X class="size-4"
      /></NuxtLink>
      <p class="w-full text-center text-sm text-soft">Arrows move by 10 mm, with Shift by 1. H hides this bar, and shows it again.</p>
      <p v-if="isZoomed" class="w-full text-sm text-fault" role="alert" data-test="zoomed">
        The zoom of this browser is another than when the square was measured: measure it again.
      </p>
      <p v-if="note" class="w-full text-sm text-note" role="status">{{ note }}</p>
    </section>
  </div>
</template>
