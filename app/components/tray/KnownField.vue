<script setup lang="ts">
import { computed, ref } from 'vue'
import { KNOWN_LIMITS, KnownSchema, SHEETS, type Known, type SheetName } from '~~/core/photograph'
import { usePrefs } from '~/stores/prefs'

/** What lies beside the piece in a photograph, and how large it is. */
const model = defineModel<Known>({ required: true })
const prefs = usePrefs()

const MM_PER_INCH = 25.4
/** What is proposed where another thing is chosen, in the units that one thinks in. */
const atFirst = computed((): Record<'rectangle' | 'mat' | 'rulers', Known> => {
  const inches = prefs.units === 'in'
  const unit = inches ? MM_PER_INCH : 10
  return {
    rectangle: { kind: 'rectangle', longMm: 30 * unit, shortMm: 20 * unit },
    mat: { kind: 'mat', acrossMm: (inches ? 20 : 50) * unit, downMm: (inches ? 15 : 40) * unit, pitchMm: unit },
    rulers: { kind: 'rulers', acrossMm: (inches ? 12 : 30) * unit, downMm: (inches ? 12 : 30) * unit },
  }
})
const OTHERS = [
  { value: 'rectangle', label: 'Another rectangle' },
  { value: 'mat', label: 'A mat with lines' },
  { value: 'rulers', label: 'Two rulers' },
] as const
type Choice = SheetName | (typeof OTHERS)[number]['value']
const options: { value: Choice; label: string }[] = [
  ...Object.entries(SHEETS).map(([value, { name }]) => ({ value: value as SheetName, label: name })),
  ...OTHERS,
]
const wrong = ref(false)
/** Takes a size over where a thing can have it. */
function take(known: Known) {
  wrong.value = !KnownSchema.safeParse(known).success
  if (!wrong.value) model.value = known
}
/** The lengths that are asked for of what was chosen. */
const lengths = computed((): { key: string; label: string; mm: number }[] => {
  const known = model.value
  if (known.kind === 'sheet') return []
  if (known.kind === 'rectangle')
    return [
      { key: 'longMm', label: 'Long side', mm: known.longMm },
      { key: 'shortMm', label: 'Short side', mm: known.shortMm },
    ]
  const isMat = known.kind === 'mat'
  return [
    { key: 'acrossMm', label: isMat ? 'Across' : 'Ruler across', mm: known.acrossMm },
    { key: 'downMm', label: isMat ? 'Down' : 'Ruler down', mm: known.downMm },
    ...(isMat ? [{ key: 'pitchMm', label: 'From line to line', mm: known.pitchMm }] : []),
  ]
})
const choice = computed<Choice>({
  get: () => (model.value.kind === 'sheet' ? model.value.sheet : model.value.kind),
  set: (value) => take(value in SHEETS ? { kind: 'sheet', sheet: value as SheetName } : atFirst.value[value as 'mat']),
})
</script>

<template>
  <div class="space-y-3">
    <UiChoice v-model="choice" :options="options" label="What lies beside the piece?" test="photo-known" />
    <p v-if="model.kind === 'mat'" class="text-sm text-soft">
      Put the four places on the corners of a large rectangle of its lines, from the upper left on, clockwise.
    </p>
    <p v-else-if="model.kind === 'rulers'" class="text-sm text-soft">
      Lay them at a right angle, both zeros in its corner. Put the first two places on the half and the end of the one that runs across, the
      last two on the end and the half of the other.
    </p>
    <div v-if="lengths.length > 0" class="space-y-3">
      <FieldsLengthField
        v-for="{ key, label, mm } in lengths"
        :key="key"
        :model-value="mm"
        :label="label"
        :test="`known-${key.slice(0, -2)}`"
        positive
        @update:model-value="take({ ...model, [key]: $event } as Known)"
      />
    </div>
    <p v-if="wrong" class="text-fault" role="alert" data-test="known-wrong">
      That is no length of something that lies on a floor: between <UiLengthText :mm="KNOWN_LIMITS.least" /> and
      <UiLengthText :mm="KNOWN_LIMITS.most" /> are.
    </p>
  </div>
</template>
