<script setup lang="ts">
import { Download, Play, Projector, Square } from 'lucide-vue-next'
import { computed, onMounted } from 'vue'
import {
  MOST_PENS,
  MOST_SPEED_CM,
  PLOTTED,
  PLOTTED_NAMES,
  writeHpgl,
  writePlainDxf,
  writeSvg,
  writeTradeDxf,
  type Plotted,
} from '~~/core/formats'
import { ROLL_MM } from '~~/core/paper'
import { usePlotter } from '~/composables/usePlotter'
import { useSaveFile } from '~/composables/useSaveFile'
import { useSheets } from '~/composables/useSheets'
import { sayDone, sayFault } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { usePrefs } from '~/stores/prefs'
import { useWork } from '~/stores/work'

/** Machines that take the sheet: a projector, a plotter or cutter, and files for others. */
const work = useWork()
const prefs = usePrefs()
const log = useFittings()
const saveFile = useSaveFile()
const route = useRoute()
const { sheet, garment, plainName } = useSheets()
const { pens, widthMm, plot, trouble, done, seconds, isSending, problem, send, stop, setTrouble, look } = usePlotter()
onMounted(() => void look().catch(() => {}))

const FILES = [
  { id: 'dxf', label: 'DXF of the trade', does: 'every size, a block for each piece, by the public exchange standard' },
  { id: 'dxf-plain', label: 'Plain DXF', does: 'the sheet as it lies, for any drawing program' },
  { id: 'svg', label: 'SVG', does: 'the sheet in true millimetres' },
  { id: 'hpgl', label: 'HPGL', does: 'the plot as a file, with the pens below' },
] as const
async function save(id: (typeof FILES)[number]['id']) {
  const name = work.project!.name
  const [text, ending, type] =
    id === 'dxf'
      ? [
          writeTradeDxf(
            garment.value,
            garment.value.sizes.map((s) => s.id),
            name,
          ),
          'dxf',
          'application/dxf',
        ]
      : id === 'dxf-plain'
        ? [writePlainDxf(sheet.value), 'sheet.dxf', 'application/dxf']
        : id === 'svg'
          ? [writeSvg(sheet.value, name), 'svg', 'image/svg+xml']
          : [writeHpgl(plot.value), 'plt', 'application/vnd.hp-HPGL']
  saveFile(text!, `${plainName.value}.${ending}`, type!)
  await log.keepWhatGoesOut('exported')
  sayDone(`${plainName.value}.${ending}: in millimetres, read back by other programs at true size.`)
}
function set(what: Plotted, key: 'pen' | 'speedCm', event: Event) {
  const figure = Number(event.target instanceof HTMLInputElement ? event.target.value : NaN)
  const [least, most] = key === 'pen' ? [0, MOST_PENS] : [1, MOST_SPEED_CM]
  if (Number.isInteger(figure) && figure >= least && figure <= most)
    pens.value = { ...pens.value, [what]: { ...pens.value[what], [key]: figure } }
  else
    sayFault(
      key === 'pen' ? `Pens are numbered 0 to ${MOST_PENS}; 0 leaves the lines out.` : `A pen goes 1 to ${MOST_SPEED_CM} cm in a second.`,
    )
}
const minutes = (s: number) => (s < 90 ? `${Math.round(s)} s` : `${Math.round(s / 60)} min`)
const total = computed(() => plot.value.strokes.length)
const TROUBLES = [
  { value: 'none', label: 'ready, with paper' },
  { value: 'busy', label: 'busy' },
  { value: 'out-of-paper', label: 'out of paper' },
  { value: 'cut-off', label: 'line lost while plotting' },
]
const more = computed(() => (done.value > 0 ? `, ${minutes(seconds.value)} so far` : ''))
function setWidth(mm: number) {
  if (mm >= ROLL_MM.least && mm <= ROLL_MM.most) widthMm.value = mm
  else sayFault(`The paper of a plotter is between ${prefs.length(ROLL_MM.least)} and ${prefs.length(ROLL_MM.most)} wide: type it again.`)
}
</script>

<template>
  <div class="space-y-5">
    <section>
      <h2 class="mb-2 font-semibold">Projector over the table</h2>
      <NuxtLink
        class="btn w-full"
        data-test="to-projector"
        :to="{ path: `/garment/${String(route.params.id)}/project`, query: route.query }"
        ><Projector class="size-5" />Throw the pieces</NuxtLink
      >
      <p class="mt-0.5 text-sm text-soft">a dark page at true size, measured on the table first</p>
    </section>
    <section class="space-y-3">
      <h2 class="font-semibold">Plotter or cutter</h2>
      <FieldsLengthField
        :model-value="widthMm"
        label="Width of its paper"
        test="plotter-width"
        positive
        @update:model-value="setWidth($event)"
      />
      <table class="w-full text-sm">
        <thead>
          <tr class="text-left text-soft">
            <th class="font-normal">Lines</th>
            <th class="font-normal">Pen</th>
            <th class="font-normal">cm/s</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="what in PLOTTED" :key="what">
            <th class="py-0.5 pr-2 text-left font-normal">{{ PLOTTED_NAMES[what] }}</th>
            <td v-for="key in ['pen', 'speedCm'] as const" :key="key" class="py-0.5 pr-1">
              <input
                class="field w-16 px-2"
                inputmode="numeric"
                :value="pens[what][key]"
                :aria-label="`${key === 'pen' ? 'Pen' : 'Speed'} of ${PLOTTED_NAMES[what]}`"
                :data-test="`${key}-${what}`"
                @change="set(what, key, $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div class="rounded-lg bg-act-pale p-3" aria-live="polite" data-test="plotter">
        <p class="text-sm">{{ done }} of {{ total }} lines drawn; all of it takes about {{ minutes(plot.seconds) }}{{ more }}.</p>
        <progress class="my-1 h-2 w-full accent-(--act)" :value="done" :max="total" aria-label="How much is drawn" />
        <p v-if="problem" class="text-fault" role="alert" data-test="plotter-problem">{{ problem }}</p>
        <div class="mt-1 flex gap-2">
          <button v-if="isSending" class="btn" data-test="plotter-stop" @click="stop"><Square class="size-4" />Stop</button>
          <button v-else class="btn-act" data-test="plotter-send" :disabled="total === 0" @click="send">
            <Play class="size-4" />{{
              done > 0 && done < total ? `Go on from line ${done + 1}` : done >= total && total ? 'Plot once more' : 'Plot'
            }}
          </button>
        </div>
      </div>
      <UiChoice
        :model-value="trouble"
        label="The stand-in for a plotter is"
        test="plotter-trouble"
        :options="TROUBLES"
        @update:model-value="setTrouble($event)"
      />
    </section>
    <section class="space-y-3">
      <h2 class="font-semibold">Files</h2>
      <div v-for="f in FILES" :key="f.id">
        <button class="btn w-full" :data-test="`save-${f.id}-file`" @click="save(f.id)"><Download class="size-5" />{{ f.label }}</button>
        <p class="mt-0.5 text-sm text-soft">{{ f.does }}</p>
      </div>
    </section>
  </div>
</template>
