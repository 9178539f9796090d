<script setup lang="ts">
import { Printer, Ruler, RotateCcw, Square } from 'lucide-vue-next'
import { onMounted } from 'vue'
import { CLOTH_MM, lengthToBuy, MOST_REPEAT_MM, MOST_SHRUNK, USE_NAMES, USES, type Cloth } from '~~/core/cloth'
import { useCloth } from '~/composables/useCloth'
import { usePrefs } from '~/stores/prefs'
import { takeWithin } from '~/within'

/** The cloth as it lies on the table, and how much of it is needed. */
const prefs = usePrefs()
const { use, cloth, lay, problem, part, bestMm, byWidth, isAsked, layAgain, stop, compareWidths, wake } = useCloth()
onMounted(wake)
const print = () => window.print()
const set = (some: Partial<Cloth>) => (cloth.value = { ...cloth.value, ...some })
const SHRINKS = { shrinksAlong: 'Shrinks along, %', shrinksAcross: 'Shrinks across, %' } as const
const setWidth = (mm: number) => takeWithin(mm, { ...CLOTH_MM, what: 'The width of cloth' }, (widthMm) => set({ widthMm }))
const REPEATS = { repeatMm: 'Stripes across it, every', repeatAcrossMm: 'Stripes along it, every' } as const
const setRepeat = (key: keyof typeof REPEATS, mm: number) =>
  takeWithin(mm, { least: 0, most: MOST_REPEAT_MM, what: 'A repeat' }, (repeat) => set({ [key]: repeat }))
</script>

<template>
  <div class="space-y-5">
    <UiSegmented v-model="use" label="What is laid" test="cloth-use" :options="USES.map((u) => ({ value: u, label: USE_NAMES[u] }))" />
    <section class="rounded-lg bg-act-pale p-3" aria-live="polite" data-test="cloth-needed">
      <p v-if="!isAsked" class="text-soft">Nothing is cut from this cloth: say how often in the cutting cards.</p>
      <template v-else-if="part !== null">
        <p class="font-semibold">Laying the pieces …</p>
        <progress class="my-1 h-2 w-full accent-(--act)" :value="part" max="1" aria-label="How far the search is" />
        <p v-if="bestMm" class="text-sm">so far <UiLengthText :mm="bestMm" /></p>
      </template>
      <p v-else-if="problem" class="text-fault" data-test="cloth-problem"><UiSentenceText :text="problem" /></p>
      <template v-else-if="lay">
        <p class="text-sm text-soft">To buy, {{ prefs.length(cloth.widthMm) }} wide</p>
        <p class="text-2xl font-semibold"><UiLengthText :mm="lengthToBuy(lay)" /></p>
        <p class="text-sm">
          {{ prefs.figure(lengthToBuy(lay) / 1000, 2) }} m · {{ Math.round(lay.used * 100) }} % of it is used<template
            v-if="cloth.shrinksAlong || cloth.shrinksAcross"
            >; <UiLengthText :mm="lay.lengthMm" /> once washed</template
          >
        </p>
      </template>
      <div class="mt-2 flex flex-wrap gap-2">
        <button v-if="part !== null" class="btn" data-test="cloth-stop" @click="stop"><Square class="size-4" />Stop</button>
        <template v-else-if="isAsked">
          <button class="btn whitespace-nowrap" data-test="lay-again" @click="layAgain"><RotateCcw class="size-4" />Search longer</button>
          <button class="btn whitespace-nowrap" data-test="other-widths" @click="compareWidths">
            <Ruler class="size-4" />Other widths
          </button>
        </template>
      </div>
      <table v-if="byWidth.length" class="mt-3 w-full text-sm" data-test="by-width">
        <tbody>
          <tr v-for="w in byWidth" :key="w.widthMm" class="border-t border-edge">
            <th class="py-1 text-left font-normal"><UiLengthText :mm="w.widthMm" /> wide</th>
            <td class="py-1 text-right font-semibold">
              <UiLengthText v-if="typeof w.words === 'number'" :mm="w.words" /><UiSentenceText v-else class="font-normal" :text="w.words" />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <FieldsLengthField
      :model-value="cloth.widthMm"
      label="Width of the cloth"
      test="cloth-width"
      positive
      @update:model-value="setWidth($event)"
    />
    <UiSegmented
      :model-value="cloth.isFolded ? 'folded' : 'flat'"
      label="It lies"
      test="cloth-lies"
      :options="[
        { value: 'flat', label: 'flat' },
        { value: 'folded', label: 'on the fold' },
      ]"
      @update:model-value="set({ isFolded: $event === 'folded' })"
    />
    <UiCheck :model-value="cloth.isOneWay" test="cloth-one-way" @update:model-value="set({ isOneWay: $event })"
      >nap, or a print with an up and a down</UiCheck
    >
    <div class="space-y-3">
      <FieldsLengthField
        v-for="(label, key) in REPEATS"
        :key="key"
        :model-value="cloth[key]"
        :label="label"
        :test="key === 'repeatMm' ? 'cloth-repeat' : 'cloth-repeat-across'"
        positive
        @update:model-value="setRepeat(key, $event)"
      />
      <p class="text-sm text-soft">
        0 for none, both for checks. Seams meet on the same stripe at a notch; centres lie on a stripe along the cloth.
      </p>
      <PaperStripeMeetings v-if="cloth.repeatMm > 0 || cloth.repeatAcrossMm > 0" />
    </div>
    <div class="grid grid-cols-2 gap-3">
      <FieldsNumberField
        v-for="(label, key) in SHRINKS"
        :key="key"
        :model-value="cloth[key]"
        :label="label"
        :min="0"
        :max="MOST_SHRUNK"
        :test="`cloth-${key}`"
        @update:model-value="set({ [key]: $event })"
      />
    </div>
    <button class="btn w-full" data-test="print-cloth" @click="print"><Printer class="size-5" />Print lay and cards</button>
    <p class="rounded-lg bg-note-pale p-3 text-sm text-note">
      Wash and press the cloth as the garment will be, before it is laid. Keep the rotary blade closed between cuts.
    </p>
  </div>
</template>
