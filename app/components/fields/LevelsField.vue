<script setup lang="ts">
import { Plus, Trash2 } from 'lucide-vue-next'
import { computed } from 'vue'
import { markLevel, marksOf, markName, type Level, type Mark } from '~~/core/changes'
import { roundToRuler, markMm } from '~~/core/units'
import type { Garment } from '~~/core/pattern'
import { findPiece, shapeOf } from '~~/core/pattern'
import { usePrefs } from '~/stores/prefs'
import { valueOf } from '~/typed'

/** The lines at which length is put in or taken out: from which mark, how far below, and what part of the amount. */
const props = defineProps<{ modelValue: Level[]; label: string; garment: Garment; pieceId: string; amountMm: number }>()
const emit = defineEmits<{ 'update:modelValue': [levels: Level[]] }>()
const prefs = usePrefs()
const piece = computed(() => findPiece(props.garment, props.pieceId))
const marks = computed(() =>
  piece.value
    ? marksOf(piece.value, props.garment.baseSizeId).map((mark) => ({ mark, key: keyOf(mark), name: markName(piece.value!, mark) }))
    : [],
)
const keyOf = (mark: Mark) => (mark.by === 'narrowest' ? 'narrowest' : `${mark.by}:${mark.id}`)
const whole = computed(() => props.modelValue.reduce((s, l) => s + l.share, 0))
const parts = computed(() =>
  roundToRuler(
    props.modelValue.map((l) => (props.amountMm * l.share) / whole.value),
    markMm(prefs.ruler),
  ),
)

const patch = (i: number, with_: Partial<Level>) =>
  emit(
    'update:modelValue',
    props.modelValue.map((l, k) => (k === i ? { ...l, ...with_ } : l)),
  )
function setMark(i: number, key: string) {
  const found = marks.value.find((m) => m.key === key)
  if (found) patch(i, { mark: found.mark, belowMm: 0 })
}
function setShare(i: number, percent: number) {
  const others = props.modelValue.reduce((s, l, k) => (k === i ? s : s + l.share), 0)
  const p = Math.min(95, Math.max(5, percent)) / 100
  patch(i, { share: (others * p) / (1 - p) })
}
function addLine() {
  const last = props.modelValue[props.modelValue.length - 1]!
  const at = piece.value ? markLevel(piece.value, shapeOf(piece.value, props.garment.baseSizeId), last.mark) : 0
  const n = Math.max(...props.modelValue.map((l) => Number(/\d+$/.exec(l.id)?.[0] ?? 1))) + 1
  emit('update:modelValue', [...props.modelValue, { ...last, id: `line-${n}`, belowMm: last.belowMm + (at === undefined ? 0 : 80) }])
}
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-semibold">{{ label }}</legend>
    <div v-for="(l, i) in modelValue" :key="l.id" class="mb-2 rounded-lg border border-edge p-2.5">
      <div class="flex items-end gap-2">
        <label class="min-w-0 flex-1">
          <span class="text-sm text-soft">line {{ modelValue.length > 1 ? i + 1 : '' }} square to the grain, from</span>
          <select class="field" :value="keyOf(l.mark)" :data-test="`level-mark-${i}`" @change="setMark(i, valueOf($event))">
            <option v-for="m in marks" :key="m.key" :value="m.key">{{ m.name }}</option>
          </select>
        </label>
        <button
          v-if="modelValue.length > 1"
          type="button"
          class="btn-quiet"
          :aria-label="`Remove line ${i + 1}`"
          @click="
            emit(
              'update:modelValue',
              modelValue.filter((_, k) => k !== i),
            )
          "
        >
          <Trash2 class="size-5" />
        </button>
      </div>
      <div class="mt-2">
        <FieldsLengthField
          :model-value="l.belowMm"
          label="below it (minus: above)"
          :test="`level-below-${i}`"
          @update:model-value="patch(i, { belowMm: $event })"
        />
      </div>
      <label v-if="modelValue.length > 1" class="mt-2 flex items-center gap-2">
        <span class="text-sm text-soft">its part</span>
        <input
          class="field w-20"
          type="number"
          min="5"
          max="95"
          :value="Math.round((l.share / whole) * 100)"
          :data-test="`level-share-${i}`"
          @change="setShare(i, Number(valueOf($event)))"
        />
        <span class="text-sm">% = <UiLengthText :mm="parts[i]!" signed /></span>
      </label>
    </div>
    <button v-if="modelValue.length < 12" type="button" class="btn" data-test="add-line" @click="addLine">
      <Plus class="size-5" />Another line
    </button>
  </fieldset>
</template>
