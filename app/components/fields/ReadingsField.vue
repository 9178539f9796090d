<script setup lang="ts">
import { computed } from 'vue'
import { CrotchShapeSchema, keepReading, type CrotchShapeInputs } from '~~/core/changes/crotch-shape'
import type { Garment } from '~~/core/pattern'
import { usePlanSession } from '~/stores/plan-session'

/** Which readings of the wearer’s crotch count: those that the change keeps, and those that the wearer has besides. */
const props = defineProps<{ inputs: unknown; label: string; garment: Garment }>()
const emit = defineEmits<{ update: [readings: CrotchShapeInputs['readings']] }>()

const session = usePlanSession()
const kept = computed(() => CrotchShapeSchema.parse(props.inputs).readings)
const all = computed(() => {
  const own = (session.contextFor(props.garment).crotchCurves ?? []).map(keepReading)
  return [...own, ...kept.value.filter((r) => !own.some((o) => o.id === r.id))]
})
const isKept = (id: string) => kept.value.some((r) => r.id === id)
const toggle = (id: string) =>
  emit(
    'update',
    all.value.flatMap((r) => (isKept(r.id) !== (r.id === id) ? [kept.value.find((k) => k.id === r.id) ?? r] : [])),
  )
</script>

<template>
  <fieldset data-test="field-readings">
    <legend class="mb-1 font-semibold">{{ label }}</legend>
    <label v-for="r in all" :key="r.id" class="flex min-h-11 items-center gap-2.5">
      <input
        type="checkbox"
        class="size-5 accent-(--act)"
        :checked="isKept(r.id)"
        :disabled="isKept(r.id) && kept.length === 1"
        :data-test="`reading-${r.id}`"
        @change="toggle(r.id)"
      />
      <span>{{ r.name }}</span>
    </label>
    <p class="text-sm text-soft">Those that are ticked are averaged. More are added under Wearer.</p>
  </fieldset>
</template>
