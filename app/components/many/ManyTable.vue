<script setup lang="ts">
import { CircleAlert, CircleCheck, Clock, Search } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { faultTotal, faultWords } from '~~/core/advice'
import { sizesInWords } from '~~/core/many'
import { writeLengths } from '~~/core/units'
import { useMany, type ManyFit } from '~/stores/many'
import { usePrefs } from '~/stores/prefs'
import { wordsIn } from '~/words-in'

/** Every fit of many: what it came to, beside all the others. */
const props = defineProps<{ fits: readonly ManyFit[] }>()
const emit = defineEmits<{ open: [fit: ManyFit] }>()
const many = useMany()
const prefs = usePrefs()

const ORDERS = [
  { value: 'wearer', label: 'by wearer' },
  { value: 'garment', label: 'by garment' },
  { value: 'left', label: 'most left over first' },
  { value: 'arrival', label: 'as they arrived' },
] as const
type Order = (typeof ORDERS)[number]['value']
const order = ref<Order>('garment')
/** Figures in names count: Chorus 2 before Chorus 10. */
const byWords = new Intl.Collator(undefined, { numeric: true }).compare
const figuresOf = (m: ManyFit) => m.done?.made?.figures ?? null
/** What is amiss with a fit, for the order: what could not be worked out, then stops not done, faults, and how much is left over, mm. */
const amiss = (m: ManyFit) => {
  const f = figuresOf(m)
  if (!f) return m.done ? Infinity : -1
  return f.stuck.length * 1e6 + faultTotal(f.faults) * 1e4 + f.left.reduce((sum, l) => sum + Math.abs(l.leftMm), 0)
}
/** What is looked for: every word in the names of garment and wearer, or in what is said of the fit. */
const sought = ref('')
/** From so many fits on there is something to look for. */
const MANY = 7
const wordsOf = (m: ManyFit) => [m.row.name, m.wearer.name, stateOf(m), m.done?.why ?? '', faultsOf(m)].join(' ')
const faultsOf = (m: ManyFit) => {
  const f = figuresOf(m)
  return f ? [faultWords(f.faults) ?? 'match', f.stuck.length > 0 ? 'not done' : ''].join(' ') : ''
}
const sorted = computed(() => {
  const isFound = wordsIn(sought.value)
  const list = props.fits.filter((m) => isFound(wordsOf(m)))
  const name = (m: ManyFit, first: 'wearer' | 'row') => [m[first].name, m[first === 'wearer' ? 'row' : 'wearer'].name].join(' ')
  if (order.value === 'wearer') return list.sort((a, b) => byWords(name(a, 'wearer'), name(b, 'wearer')))
  if (order.value === 'garment') return list.sort((a, b) => byWords(name(a, 'row'), name(b, 'row')))
  if (order.value === 'left') return list.sort((a, b) => amiss(b) - amiss(a))
  return list.sort((a, b) => (a.done?.madeAt ?? '9').localeCompare(b.done?.madeAt ?? '9'))
})
/** So many things that are left over are shown at once, what is missing before what is too much. */
const SHOWN = 3
const leftOf = (m: ManyFit) => {
  const all = [...figuresOf(m)!.left].sort((a, b) => b.leftMm - a.leftMm)
  return { first: all.slice(0, SHOWN), more: all.slice(SHOWN) }
}
const stateOf = (m: ManyFit) => (m.there ? 'there already' : m.done?.isLeft ? 'left out' : 'to be taken')
</script>

<template>
  <div>
    <div class="mb-2 flex items-end justify-between gap-3 print:hidden">
      <label v-if="fits.length >= MANY" class="flex w-full max-w-sm items-center gap-2">
        <Search class="size-5 shrink-0 text-soft" aria-hidden="true" />
        <span class="sr-only">Find a fit</span>
        <input v-model="sought" type="search" class="field" placeholder="garment, wearer, “not done”" data-test="find-fit" />
      </label>
      <p class="text-sm text-soft">Left over: what the body asks for and the pieces do not give.</p>
      <UiChoice v-model="order" :options="ORDERS" label="Order" test="many-order" class="w-56" hide-label />
    </div>
    <div class="overflow-x-auto rounded-lg border border-edge bg-panel print:border-0">
      <table class="w-full text-sm" data-test="many-table">
        <thead>
          <tr class="border-b border-edge text-left text-soft">
            <th class="p-2 font-medium print:hidden">Take</th>
            <th class="p-2 font-medium">Garment</th>
            <th class="p-2 font-medium">Wearer</th>
            <th class="p-2 font-medium">Size</th>
            <th class="p-2 text-right font-medium">Stops</th>
            <th class="p-2 font-medium">Left over</th>
            <th class="p-2 font-medium">Seams</th>
            <th class="p-2 text-right font-medium">Pages</th>
            <th class="p-2 text-right font-medium">Cloth</th>
            <th class="p-2 font-medium print:hidden"><span class="sr-only">Open</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-if="sorted.length === 0 && fits.length > 0">
            <td class="p-3 text-soft" colspan="10" role="status">No fit has all of these words.</td>
          </tr>
          <tr
            v-for="m in sorted"
            :key="m.id"
            class="border-b border-edge/60 align-top"
            :class="m.done?.isLeft && 'text-soft'"
            :data-test="`many-row-${m.wearer.name}`"
          >
            <td class="p-2 print:hidden">
              <label v-if="m.done?.made && !m.there" class="grid size-11 place-items-center">
                <input
                  type="checkbox"
                  class="size-5 accent-(--act)"
                  :checked="!m.done.isLeft"
                  :aria-label="`Take ${m.row.name} for ${m.wearer.name}`"
                  data-test="many-take-one"
                  @change="many.leave(m.done!, !m.done!.isLeft)"
                />
              </label>
            </td>
            <th class="p-2 text-left font-semibold">{{ m.row.name }}</th>
            <td class="p-2">
              {{ m.wearer.name }}<span class="block text-soft">{{ m.done?.made ? stateOf(m) : '' }}</span>
            </td>
            <template v-if="figuresOf(m)">
              <td class="p-2" data-test="many-size">
                <span
                  v-for="part in (sizesInWords(figuresOf(m)!) || 'as bought').split(', ')"
                  :key="part"
                  class="block whitespace-nowrap"
                  >{{ part }}</span
                >
              </td>
              <td class="p-2 text-right" data-test="many-stops">
                {{ figuresOf(m)!.stops
                }}<span v-if="figuresOf(m)!.stuck.length" class="block text-fault">{{ figuresOf(m)!.stuck.length }} not done</span>
              </td>
              <td class="p-2" data-test="many-left">
                <template v-if="figuresOf(m)!.left.length === 0">nothing</template>
                <ManyLeftLine v-for="l in leftOf(m).first" :key="l.name" :left="l" />
                <details v-if="leftOf(m).more.length">
                  <summary class="cursor-pointer text-soft">and {{ leftOf(m).more.length }} more</summary>
                  <ManyLeftLine v-for="l in leftOf(m).more" :key="l.name" :left="l" />
                </details>
              </td>
              <td class="p-2" data-test="many-seams">
                <span v-if="faultTotal(figuresOf(m)!.faults) === 0" class="flex gap-1.5 whitespace-nowrap text-good"
                  ><CircleCheck class="size-5 shrink-0" aria-hidden="true" />{{ figuresOf(m)!.seams }} match</span
                >
                <span v-else class="flex gap-1.5 text-fault"
                  ><CircleAlert class="size-5 shrink-0" aria-hidden="true" />{{ faultWords({ ...figuresOf(m)!.faults, eased: 0 }) }}</span
                >
                <span v-if="figuresOf(m)!.faults.eased" class="block text-soft">{{ figuresOf(m)!.faults.eased }} to ease in</span>
              </td>
              <td class="p-2 text-right" data-test="many-pages">{{ figuresOf(m)!.pages }}</td>
              <td class="p-2 text-right whitespace-nowrap" data-test="many-cloth-of">
                <UiLengthText v-if="figuresOf(m)!.clothMm !== null" :mm="figuresOf(m)!.clothMm!" />
                <UiSentenceText v-else-if="figuresOf(m)!.clothProblem" class="text-fault" :text="figuresOf(m)!.clothProblem!" />
                <template v-else>–</template>
              </td>
            </template>
            <td v-else-if="m.done" colspan="6" class="p-2 text-fault">Not worked out: {{ writeLengths(m.done.why, prefs.ruler) }}</td>
            <td v-else colspan="6" class="p-2 text-soft">
              <span class="flex gap-1.5"><Clock class="size-5 shrink-0" aria-hidden="true" />waits to be worked out</span>
            </td>
            <td class="p-1 print:hidden">
              <button
                v-if="m.done?.made"
                class="btn"
                :aria-label="`Open ${m.row.name} for ${m.wearer.name}`"
                data-test="many-open"
                @click="emit('open', m)"
              >
                Open
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
