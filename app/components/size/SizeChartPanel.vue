<script setup lang="ts">
import { ClipboardPaste, FileDown, FileUp } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { problemSentence } from '~~/core/result'
import { checkChart, readChart, writeChart, type Charts } from '~~/core/size'
import type { Garment } from '~~/core/pattern'
import { parseLength } from '~~/core/units'
import { sayDone } from '~/messages'
import { useSaveFile } from '~/composables/useSaveFile'
import { readText } from '~/read-text'
import { usePrefs } from '~/stores/prefs'
import { fieldOf } from '~/typed'

/** The printed size charts: the body each size is made for, and finished measures; typed, pasted, or read from CSV. */
const props = defineProps<{ garment: Garment; sizing: Charts }>()
const emit = defineEmits<{ edit: [label: string, recipe: (s: Charts) => void] }>()
const prefs = usePrefs()
const saveFile = useSaveFile()
const which = ref<'bodyChart' | 'printed'>('bodyChart')
/** A size chart is a page of figures; anything larger is something else, bytes. */
const MOST_BYTES = 1_000_000
const MEASURES = ['high-bust', 'bust', 'waist', 'hip', 'bicep', 'thigh']
const chart = computed(() => props.sizing[which.value])
const measures = computed(() => [...new Set([...MEASURES, ...Object.values(chart.value).flatMap((r) => Object.keys(r))])])
const flaws = computed(() => checkChart(props.garment.sizes, chart.value))
const pasted = ref('')
const wrong = ref<string | null>(null)

function typed(sizeId: string, id: string, event: Event) {
  const field = fieldOf(event)
  const text = field.value.trim()
  wrong.value = null
  const read = text === '' ? null : parseLength(text, prefs.units)
  if (read && (!read.ok || read.value <= 0)) {
    wrong.value = `“${text}” is not a length.`
    return
  }
  emit('edit', 'size chart', (s) => {
    const rest = Object.entries(s[which.value][sizeId] ?? {}).filter(([k]) => k !== id)
    s[which.value][sizeId] = Object.fromEntries(read?.ok ? [...rest, [id, read.value]] : rest)
  })
}
function takeChart(text: string) {
  const read = readChart(text, props.garment.sizes, prefs.units)
  if (!read.ok) {
    wrong.value = problemSentence(read.problem)
    return
  }
  wrong.value = null
  pasted.value = ''
  emit('edit', 'size chart from a spreadsheet', (s) => void (s[which.value] = read.value))
  sayDone('The chart was read.')
}
async function takeFile(file: File) {
  if (file.size > MOST_BYTES) wrong.value = `${file.name} is too large to be a size chart. Choose another file.`
  else {
    const text = await readText(file)
    if (text !== null) takeChart(text)
  }
}
</script>

<template>
  <details class="rounded-lg border border-edge bg-panel p-4" data-test="size-chart">
    <summary class="cursor-pointer font-display text-xl italic">Size charts and cups</summary>
    <div class="mt-3 flex flex-wrap items-center gap-3">
      <div class="inline-flex rounded-lg border border-edge" role="radiogroup" aria-label="Which chart">
        <button
          v-for="w in ['bodyChart', 'printed'] as const"
          :key="w"
          role="radio"
          :aria-checked="which === w"
          class="min-h-11 px-3 font-semibold first:rounded-l-md last:rounded-r-md"
          :class="which === w ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
          :data-test="`chart-${w}`"
          @click="which = w"
        >
          {{ w === 'bodyChart' ? 'Body each size is for' : 'Finished, as printed' }}
        </button>
      </div>
      <button class="btn" @click="saveFile(writeChart(chart, garment.sizes, prefs.units), 'size-chart.csv', 'text/csv')">
        <FileDown class="size-4" />Save as CSV
      </button>
    </div>
    <div class="mt-3 overflow-x-auto">
      <table class="text-sm">
        <thead>
          <tr>
            <th class="text-left font-medium text-soft">measure</th>
            <th v-for="s in garment.sizes" :key="s.id" class="px-1 font-semibold">{{ s.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="id in measures" :key="id">
            <td class="pr-2">{{ id.replace('-', ' ') }}</td>
            <td v-for="s in garment.sizes" :key="s.id" class="p-0.5">
              <input
                class="field w-20 px-2 text-right"
                :value="chart[s.id]?.[id] ? prefs.length(chart[s.id]![id]!, { bare: true }) : ''"
                :aria-label="`${id}, size ${s.name}`"
                :data-test="`chart-${id}-${s.id}`"
                @change="typed(s.id, id, $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ul v-if="flaws.length" class="mt-2 space-y-1 text-sm text-ease" data-test="chart-flaws">
      <li v-for="f in flaws" :key="`${f.kind} ${f.measureId} ${f.sizeId}`"><UiSentenceText :text="f.message" /></li>
    </ul>
    <label class="mt-3 block"
      ><span class="mb-1 block text-sm text-soft"
        >Paste from a spreadsheet or a CSV file: sizes in the first line, a measure in each line below</span
      ><textarea v-model="pasted" class="field min-h-20 py-2 font-mono text-sm" placeholder="measure	1	2	3" data-test="chart-paste" />
    </label>
    <div class="mt-2 flex flex-wrap gap-2">
      <button class="btn" :disabled="!pasted.trim()" data-test="chart-take" @click="takeChart(pasted)">
        <ClipboardPaste class="size-4" />Take this chart
      </button>
      <UiFileButton accept=".csv,.tsv,.txt,text/csv" label="CSV file of a size chart" test="chart" @file="takeFile"
        ><FileUp class="size-4" />Read a CSV file</UiFileButton
      >
    </div>
    <p v-if="wrong" class="mt-2 text-fault" role="alert">{{ wrong }}</p>
    <h3 class="mt-5 font-semibold">Cups</h3>
    <SizeCupTable :garment="garment" :sizing="sizing" @edit="(label, recipe) => emit('edit', label, recipe)" />
  </details>
</template>
