<script setup lang="ts">
import { Download, Play, Projector, Square } from 'lucide-vue-next'
import { computed, onMounted } from 'vue'
import { MOST_PENS, MOST_SPEED_CM, PLOTTED, PLOTTED_NAMES, writeHpgl, writePlainDxf, writeTradeDxf, type Plotted } from '~~/core/formats'
import { ROLL_MM } from '~~/core/paper'
import { usePlotter } from '~/composables/usePlotter'
import { useSaveFile } from '~/composables/useSaveFile'
import { useSheets } from '~/composables/useSheets'
import { sayDone } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { useWork } from '~/stores/work'
import { takeWithin } from '~/within'

/** Machines that take the sheet: a projector, a plotter or cutter, and files for others. */
const work = useWork()
const log = useFittings()
const saveFile = useSaveFile()
const route = useRoute()
const { sheet, garment, plainName } = useSheets()
const { pens, widthMm, plot, trouble, done, seconds, isSending, problem, send, stop, setTrouble, look } = usePlotter()
onMounted(() => void look().catch(() => {}))

const FILES = [
  { id: 'dxf', label: 'DXF of the trade', does: 'every size, a block for each piece, by the public exchange standard' },
  { id: 'dxf-plain', label: 'Plain DXF', does: 'the sheet as it lies, for any drawing program' },
  { id: 'hpgl', label: 'HPGL', does: 'the plot as a file, with the pens above' },
] as const
/** Each file as it is saved: what stands in it, how its name ends, and its type. */
const made: Record<(typeof FILES)[number]['id'], () => [text: string, ending: string, type: string]> = {
  dxf: () => [
    writeTradeDxf(
      garment.value,
      garment.value.sizes.map((s) => s.id),
      work.project!.name,
    ),
    'dxf',
    'application/dxf',
  ],
  'dxf-plain': () => [writePlainDxf(sheet.value), 'sheet.dxf', 'application/dxf'],
  hpgl: () => [writeHpgl(plot.value), 'plt', 'application/vnd.hp-HPGL'],
}
async function save(id: (typeof FILES)[number]['id']) {
  const [text, ending, type] = made[id]()
  saveFile(text, `${plainName.value}.${ending}`, type)
  await log.keepWhatGoesOut('exported')
  sayDone(`${plainName.value}.${ending}: in millimetres, read back by other programs at true size.`)
}
const LIMITS = { pen: { name: 'Pen', least: 0, most: MOST_PENS }, speedCm: { name: 'Speed', least: 1, most: MOST_SPEED_CM } } as const
const set = (what: Plotted, key: keyof typeof LIMITS, figure: number) =>
  (pens.value = { ...pens.value, [what]: { ...pens.value[what], [key]: figure } })
const minutes = (s: number) => (s < 90 ? `${Math.round(s)} s` : `${Math.round(s / 60)} min`)
const total = computed(() => plot.value.strokes.length)
const TROUBLES = [
  { value: 'none', label: 'ready, with paper' },
  { value: 'busy', label: 'busy' },
  { value: 'out-of-paper', label: 'out of paper' },
  { value: 'cut-off', label: 'line lost while plotting' },
]
const more = computed(() => (done.value > 0 ? `, ${minutes(seconds.value)} so far` : ''))
const setWidth = (mm: number) => takeWithin(mm, { ...ROLL_MM, what: 'The paper of a plotter' }, (own) => (widthMm.value = own))
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
              <FieldsNumberField
                :model-value="pens[what][key]"
                :label="`${LIMITS[key].name} of ${PLOTTED_NAMES[what]}`"
                hide-label
                :min="LIMITS[key].least"
                :max="LIMITS[key].most"
                whole
                :test="`${key}-${what}`"
                @update:model-value="set(what, key, $event)"
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
