<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '~~/core/body'
import type { Notebook, NotebookStop } from '~~/core/paper'
import { pictureOf } from '~/garment-picture'
import { usePrefs } from '~/stores/prefs'

/** A garment's page in the notebook: for whom, what was done and why, what it is now, what is left over. */
const props = defineProps<{ page: Notebook }>()
const prefs = usePrefs()
const picture = computed(() => pictureOf(props.page.after, props.page.before))
const figure = (f: Figure) => ('mm' in f ? prefs.length(f.mm) : `${prefs.length(f.leftMm, { bare: true })} / ${prefs.length(f.rightMm)}`)
const STATUS = { applied: '', off: 'switched off', refused: 'not applied', orphan: 'not applicable here' } as const
const heldWords = ({ held }: NotebookStop) =>
  held.of === 0 ? '' : held.kept === held.of ? `Held: all ${held.of}.` : `Held: ${held.kept} of ${held.of}.`
</script>

<template>
  <div class="space-y-6" data-test="notebook">
    <section v-if="page.wearer" aria-label="Body">
      <h3 class="mb-1 text-lg font-semibold">
        Body<span v-if="page.wearer.takenOn" class="text-base font-normal text-soft">, measured on {{ page.wearer.takenOn }}</span>
      </h3>
      <dl class="columns-2 gap-8 text-sm md:columns-3 print:columns-3">
        <div v-for="f in page.wearer.figures" :key="f.name" class="flex break-inside-avoid justify-between border-b border-edge/60 py-0.5">
          <dt>{{ f.name }}</dt>
          <dd><UiFractionText :text="figure(f.figure)" /></dd>
        </div>
      </dl>
    </section>

    <section aria-label="Sizes and ease" class="break-inside-avoid">
      <h3 class="mb-1 text-lg font-semibold">Sizes and ease</h3>
      <div class="overflow-x-auto">
        <table class="w-full text-sm" data-test="notebook-zones">
          <thead>
            <tr class="text-right text-soft">
              <td colspan="3" />
              <th colspan="2" scope="colgroup" class="font-medium">finished</th>
              <th colspan="3" scope="colgroup" class="font-medium">ease</th>
            </tr>
            <tr class="border-b border-edge text-right text-soft">
              <th class="py-1 text-left font-medium">zone</th>
              <th class="text-left font-medium">size</th>
              <th class="font-medium">body</th>
              <th class="font-medium">as bought</th>
              <th class="font-medium">as altered</th>
              <th class="font-medium">wanted</th>
              <th class="font-medium">as bought</th>
              <th class="font-medium">as altered</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="z in page.zones" :key="z.name" class="border-b border-edge/60 text-right">
              <th class="py-1 text-left font-semibold">{{ z.name }}</th>
              <td class="text-left">{{ z.size ?? '–' }}</td>
              <td><UiLengthText v-if="z.bodyMm !== null" :mm="z.bodyMm" bare /><template v-else>–</template></td>
              <td><UiLengthText :mm="z.beforeMm" bare /></td>
              <td><UiLengthText :mm="z.afterMm" bare /></td>
              <template v-if="z.bodyMm !== null">
                <td><UiLengthText :mm="z.wantedMm" bare signed /></td>
                <td><UiLengthChange :from="z.bodyMm" :to="z.beforeMm" bare /></td>
                <td class="font-semibold"><UiLengthChange :from="z.bodyMm" :to="z.afterMm" bare /></td>
              </template>
              <td v-else colspan="3" class="text-center text-soft">no figure of the body</td>
            </tr>
          </tbody>
        </table>
      </div>
      <template v-if="page.asked.length">
        <h3 class="mt-4 mb-1 text-lg font-semibold">Asked, given, left over</h3>
        <SizeAskedGivenTable :rows="page.asked" :is-bought="page.stops.length === 0" />
      </template>
      <p class="mt-1 text-xs text-soft">Figures in {{ prefs.units === 'in' ? 'inches' : 'centimetres' }}.</p>
    </section>

    <section aria-label="As bought and as altered" class="break-inside-avoid">
      <h3 class="mb-1 text-lg font-semibold">As altered<span class="text-base font-normal text-soft">, as bought dashed</span></h3>
      <div class="h-72 rounded-lg border border-edge p-3"><UiPiecePicture :picture="picture" /></div>
    </section>

    <section aria-label="What was changed">
      <h3 class="mb-1 text-lg font-semibold">What was changed, in this order</h3>
      <p v-if="page.stops.length === 0" class="text-soft">Nothing yet: it is as bought.</p>
      <ol>
        <li v-for="(s, i) in page.stops" :key="i" class="break-inside-avoid border-b border-edge/60 py-2" data-test="notebook-stop">
          <p>
            <span class="font-semibold">{{ i + 1 }}. {{ s.title }}</span
            >{{ ' ' }}<UiLengthText v-if="s.amountMm !== null" :mm="s.amountMm" :signed="!s.isPlace" />
            <span v-if="STATUS[s.status]" class="ml-2 text-fault">{{ STATUS[s.status] }}</span>
            <span v-if="s.forEverybody" class="ml-2 text-soft">for everybody</span>
          </p>
          <p v-if="s.note" class="whitespace-pre-line">Why: {{ s.note }}</p>
          <p class="text-sm text-soft">
            <template v-if="s.pieces.length">Changes {{ s.pieces.join(', ') }}. </template>
            <template v-if="s.leftOut.length">Left out: {{ s.leftOut.join(', ') }}. </template>{{ heldWords(s) }}
          </p>
          <p v-for="h in s.held.broken" :key="`${h.where} ${h.label}`" class="text-sm text-fault">Broken: {{ h.where }}, {{ h.label }}.</p>
          <p v-if="s.problem" class="text-sm text-fault"><UiSentenceText :text="s.problem" /></p>
          <p v-for="(c, k) in s.cautions" :key="k" class="text-sm"><UiSentenceText :text="c" /></p>
        </li>
      </ol>
    </section>

    <section aria-label="Left over" class="break-inside-avoid">
      <h3 class="mb-1 text-lg font-semibold">Left over</h3>
      <p v-if="page.leftOver.length === 0">Nothing: the body has what it asked for, and every seam, corner and dart matches.</p>
      <ul v-else class="list-disc pl-5">
        <li v-for="(f, i) in page.leftOver" :key="i"><UiSentenceText :text="f" /></li>
      </ul>
    </section>
    <section v-if="page.notes" aria-label="Notes">
      <h3 class="mb-1 text-lg font-semibold">Notes</h3>
      <p class="whitespace-pre-line">{{ page.notes }}</p>
    </section>
  </div>
</template>
