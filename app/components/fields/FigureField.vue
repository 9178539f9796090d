<script setup lang="ts">
import { Columns2 } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { Figure } from '~~/core/body'
import { formatLength, parseLength } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'
import { fieldOf } from '~/typed'

/** One body figure, or one for each side; empty where it was not taken. */
const props = defineProps<{ modelValue: Figure | null; label: string; sided: boolean; test: string }>()
const emit = defineEmits<{ 'update:modelValue': [figure: Figure | null]; focus: [] }>()
const prefs = usePrefs()
const wrong = ref<string | null>(null)
const twoSides = ref(false)
const two = computed(() => props.sided && (twoSides.value || (props.modelValue !== null && 'leftMm' in props.modelValue)))

const write = (mm: number | null) => (mm === null ? '' : formatLength(mm, prefs.ruler, { bare: true }))
const shown = computed(() => {
  const f = props.modelValue
  if (!f) return { one: '', left: '', right: '' }
  return 'mm' in f
    ? { one: write(f.mm), left: write(f.mm), right: write(f.mm) }
    : { one: '', left: write(f.leftMm), right: write(f.rightMm) }
})
const other = computed(() => {
  const f = props.modelValue
  const system = prefs.units === 'in' ? 'cm' : 'in'
  if (!f) return ''
  // Two figures may stand in two lines, each whole.
  const whole = (text: string) => text.replace(/ /g, '\u00a0')
  return 'mm' in f
    ? formatLength(f.mm, system)
    : `${whole(formatLength(f.leftMm, system, { bare: true }))} / ${whole(formatLength(f.rightMm, system))}`
})

function take(event: Event, side: 'one' | 'left' | 'right') {
  const field = fieldOf(event)
  const text = field.value.trim()
  wrong.value = null
  if (text === shown.value[side]) return
  if (text === '') return emit('update:modelValue', null)
  const read = parseLength(text, prefs.units)
  if (!read.ok || read.value <= 0) {
    wrong.value = read.ok ? 'Type a figure above nothing.' : `${read.problem.message} ${read.problem.remedy}`
    return
  }
  const f = props.modelValue
  if (side === 'one') return emit('update:modelValue', { mm: read.value })
  const both = f === null ? { leftMm: read.value, rightMm: read.value } : 'mm' in f ? { leftMm: f.mm, rightMm: f.mm } : f
  emit('update:modelValue', { ...both, [side === 'left' ? 'leftMm' : 'rightMm']: read.value })
}
function split() {
  if (two.value) {
    twoSides.value = false
    const f = props.modelValue
    if (f && 'leftMm' in f) emit('update:modelValue', { mm: Math.max(f.leftMm, f.rightMm) })
  } else twoSides.value = true
}
</script>

<template>
  <div class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-2" @focusin="emit('focus')">
    <span class="leading-tight" :class="modelValue ? 'font-semibold' : ''">{{ label }}</span>
    <div class="flex items-center gap-1.5">
      <template v-if="two">
        <input
          v-for="side in ['left', 'right'] as const"
          :key="side"
          class="field w-19 px-2 text-right"
          :value="shown[side]"
          :aria-label="`${label}, ${side}`"
          :placeholder="side"
          autocomplete="off"
          :data-test="`${test}-${side}`"
          @change="take($event, side)"
        />
      </template>
      <input
        v-else
        class="field w-24 px-2 text-right"
        :value="shown.one"
        :aria-label="label"
        autocomplete="off"
        :aria-invalid="wrong !== null"
        :data-test="test"
        @change="take($event, 'one')"
      />
      <span class="w-16 text-soft" :class="two ? 'text-xs leading-tight' : 'text-sm whitespace-nowrap'">{{ other }}</span>
      <button
        v-if="sided"
        type="button"
        class="btn-quiet w-8.5 min-w-8.5 justify-center px-0"
        :aria-pressed="two"
        :title="two ? 'One figure for both sides' : 'Left and right differ'"
        :aria-label="two ? `${label}: one figure for both sides` : `${label}: left and right differ`"
        :data-test="`${test}-sides`"
        @click="split"
      >
        <Columns2 class="size-4" />
      </button>
      <span v-else class="w-8.5" />
    </div>
    <p v-if="wrong" class="col-span-2 text-sm text-fault" role="alert">{{ wrong }}</p>
  </div>
</template>
