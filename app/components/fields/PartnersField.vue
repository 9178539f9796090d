<script setup lang="ts">
import { computed } from 'vue'
import type { Applied } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'

/** The partner pieces that the same line crosses: changed with it, or visibly left out. */
const props = defineProps<{ modelValue: string[]; label: string; garment: Garment; applied: Applied | null }>()
const emit = defineEmits<{ 'update:modelValue': [ids: string[]] }>()

const partners = computed(() => {
  const changed = props.applied?.touched.filter((t) => t.how === 'partner').map((t) => t.pieceId) ?? []
  const out = props.applied?.leftOut.map((l) => l.pieceId) ?? []
  return [...new Set([...changed, ...out])].map((id) => ({
    id,
    name: props.garment.pieces.find((p) => p.id === id)?.name ?? id,
    out: out.includes(id),
  }))
})
const flip = (id: string, out: boolean) =>
  emit('update:modelValue', out ? props.modelValue.filter((x) => x !== id) : [...props.modelValue, id])
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-semibold">{{ label }}</legend>
    <p v-if="partners.length === 0" class="text-sm text-soft">No other piece is sewn to it there.</p>
    <label v-for="p in partners" :key="p.id" class="flex min-h-11 items-center gap-2.5 rounded-lg px-2 hover:bg-act-pale">
      <input type="checkbox" class="size-5 accent-(--act)" :checked="!p.out" :data-test="`partner-${p.id}`" @change="flip(p.id, p.out)" />
      <span class="font-medium">{{ p.name }}</span>
      <span v-if="p.out" class="rounded-full bg-fault-pale px-2 text-sm font-semibold text-fault">left out</span>
      <span v-else class="text-sm text-soft">changed alike</span>
    </label>
  </fieldset>
</template>
