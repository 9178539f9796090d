<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  CARDINAL_WORDS,
  cardinalsOf,
  GradeSchema,
  rulesOf,
  tableOf,
  type GradeInputs,
  type Rule,
  type RuleTable,
} from '~~/core/changes/grade'
import type { Garment } from '~~/core/pattern'
import { usePrefs } from '~/stores/prefs'
import { useSelection } from '~/stores/selection'
import { valueOf } from '~/typed'

/** Grade rules: how far each cardinal point goes for one interval, as parts of it, and what that is in figures. */
const props = defineProps<{ inputs: unknown; label: string; garment: Garment }>()
const emit = defineEmits<{ update: [rules: GradeInputs['rules']] }>()
const inputs = computed(() => GradeSchema.parse(props.inputs))
const own = computed(() => inputs.value.rules)
const prefs = usePrefs()
const selection = useSelection()
const NAMES: Record<RuleTable, string> = {
  'bodice-front': 'Front',
  'bodice-back': 'Back',
  sleeve: 'Sleeve',
  skirt: 'Skirt',
  leg: 'Leg',
  'one-piece': 'One-piece',
}
const tables = computed(() => [...new Set(props.garment.pieces.flatMap((p) => tableOf(p) ?? []))])
const picked = ref<RuleTable | null>(null)
const table = computed(() => (picked.value && tables.value.includes(picked.value) ? picked.value : (tables.value[0] ?? null)))
const rows = computed(() => {
  if (!table.value) return []
  const rules = rulesOf(inputs.value, table.value)
  const there = new Set(props.garment.pieces.filter((p) => tableOf(p) === table.value).flatMap((p) => cardinalsOf(p)))
  return (Object.keys(rules) as (keyof typeof CARDINAL_WORDS)[])
    .filter((c) => there.has(c) || c === 'apex' || c === 'hip-side')
    .map((c) => ({ c, name: CARDINAL_WORDS[c], rule: rules[c]! }))
})
const figure = (part: number) =>
  inputs.value.intervalMm > 0 ? prefs.length(part * inputs.value.intervalMm, { signed: true, bare: true }) : ''
function take(c: keyof typeof CARDINAL_WORDS, rule: Rule, key: keyof Rule, text: string) {
  const value = Number(text.replace(',', '.'))
  if (!table.value || !Number.isFinite(value) || Math.abs(value) > 2) return
  emit('update', { ...own.value, [table.value]: { ...own.value[table.value], [c]: { ...rule, [key]: value } } })
}
</script>

<template>
  <details class="rounded-lg border border-edge p-2">
    <summary class="min-h-9 cursor-pointer font-semibold">
      {{ label }}<span v-if="Object.keys(own).length" class="ml-2 text-sm font-normal text-note">own figures</span>
    </summary>
    <label class="mt-1 block">
      <span class="sr-only">Kind of piece</span>
      <select class="field" :value="table" data-test="rule-table" @change="picked = valueOf($event) as RuleTable">
        <option v-for="t in tables" :key="t" :value="t">{{ NAMES[t] }}</option>
      </select>
    </label>
    <table class="mt-2 w-full text-sm">
      <thead>
        <tr class="text-left text-soft">
          <th class="font-medium">point</th>
          <th class="font-medium">out</th>
          <th class="font-medium">down</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="r in rows"
          :key="r.c"
          class="border-t border-edge/60 align-top"
          :class="selection.lit === r.name && 'bg-note-pale'"
          @focusin="selection.lit = r.name"
          @focusout="selection.lit = null"
          @mouseenter="selection.lit = r.name"
          @mouseleave="selection.lit = null"
        >
          <td class="py-1 pr-1">{{ r.name }}</td>
          <td v-for="key in ['across', 'along'] as const" :key="key" class="py-1">
            <input
              class="field h-9 min-h-9 w-18 px-2"
              inputmode="decimal"
              :value="Number(r.rule[key].toFixed(4))"
              :aria-label="`${r.name}, ${key === 'across' ? 'out' : 'down'}, part of the interval`"
              :data-test="`rule-${r.c}-${key}`"
              @change="take(r.c, r.rule, key, valueOf($event))"
            />
            <span class="block text-xs text-soft">{{ figure(r.rule[key]) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="Object.keys(own).length" class="btn mt-2 text-sm" type="button" @click="emit('update')">Our own rules again</button>
  </details>
</template>
