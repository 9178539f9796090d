<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { findKind, type Applied, type Change, type Level } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { OWN_FIELDS } from '~/components/fields/own-fields'
import { usePlanSession } from '~/stores/plan-session'
import { useSelection } from '~/stores/selection'
import { isTicked, valueOf } from '~/typed'

/** The inputs of a change, drawn from the fields that its kind names. */
const props = defineProps<{ change: Change; garment: Garment; applied: Applied | null }>()
const emit = defineEmits<{ edit: [inputs: unknown] }>()

const session = usePlanSession()
const kind = computed(() => findKind(props.change.kind))
const inputs = computed(() => props.change.inputs as Record<string, unknown>)
const fields = computed(() => kind.value?.fields(props.garment, props.change.inputs) ?? [])
const set = (key: string, value: unknown) =>
  emit('edit', kind.value?.withField?.(props.garment, props.change.inputs, key, value) ?? { ...inputs.value, [key]: value })

/** Another piece has other marks and edges: its kind says with what to begin there. */
function setPiece(pieceId: string) {
  const next = kind.value?.withPiece?.(props.garment, props.change.inputs, pieceId, session.contextFor(props.garment))
  if (next) emit('edit', next)
}
const selection = useSelection()
/** The stop was just begun without an amount: the field that asks for it is at hand, and knows which way is meant. */
const begun = computed(() => (selection.begun?.stopId === props.change.id ? selection.begun : null))
const form = ref<HTMLFormElement | null>(null)
watch(
  begun,
  async (now) => {
    if (!now) return
    await nextTick()
    const key = now.field ?? fields.value.find((f) => f.type === 'growth' || f.type === 'length')?.key
    form.value?.querySelector<HTMLInputElement>(`[data-test="field-${key}"]`)?.select()
  },
  { immediate: true, flush: 'post' },
)
const numberOf = (key: string) => Number(inputs.value[key] ?? 0)
</script>

<template>
  <form ref="form" class="space-y-4" @submit.prevent>
    <template v-for="f in fields" :key="f.key">
      <FieldsGrowthField
        v-if="f.type === 'growth'"
        :model-value="numberOf(f.key)"
        :label="f.label"
        :plus="f.plus"
        :minus="f.minus"
        :first="begun && begun.towards !== 0 ? (begun.towards > 0 ? 'plus' : undefined) : f.first"
        :now-mm="f.nowMm"
        :test="`field-${f.key}`"
        @update:model-value="set(f.key, $event)"
      />
      <FieldsLengthField
        v-else-if="f.type === 'length'"
        :model-value="numberOf(f.key)"
        :label="f.label"
        :hint="f.hint"
        :test="`field-${f.key}`"
        positive
        @update:model-value="set(f.key, $event)"
      />
      <FieldsShareField
        v-else-if="f.type === 'share'"
        :model-value="numberOf(f.key)"
        :label="f.label"
        :test="`field-${f.key}`"
        @update:model-value="set(f.key, $event)"
      />
      <label v-else-if="f.type === 'piece'" class="block">
        <span class="mb-1 block font-semibold">{{ f.label }}</span>
        <select class="field" :value="inputs[f.key]" :data-test="`field-${f.key}`" @change="setPiece(valueOf($event))">
          <option v-for="p in garment.pieces" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
      </label>
      <FieldsLevelsField
        v-else-if="f.type === 'levels'"
        :model-value="inputs[f.key] as Level[]"
        :label="f.label"
        :garment="garment"
        :piece-id="String(inputs[f.pieceKey])"
        :amount-mm="numberOf('amountMm')"
        @update:model-value="set(f.key, $event)"
      />
      <component
        :is="OWN_FIELDS[f.component]"
        v-else-if="f.type === 'own'"
        :inputs="change.inputs"
        :label="f.label"
        :garment="garment"
        @update="set(f.key, $event)"
      />
      <FieldsPartnersField
        v-else-if="f.type === 'partners'"
        :model-value="(inputs[f.key] as string[]) ?? []"
        :label="f.label"
        :garment="garment"
        :applied="applied"
        @update:model-value="set(f.key, $event)"
      />
      <label v-else-if="f.type === 'choice'" class="block">
        <span class="mb-1 block font-semibold">{{ f.label }}</span>
        <select
          class="field"
          :value="inputs[f.key] ?? f.options[0]?.value"
          :data-test="`field-${f.key}`"
          @change="set(f.key, valueOf($event))"
        >
          <option v-for="o in f.options" :key="o.value" :value="o.value">{{ o.label }}</option>
        </select>
      </label>
      <FieldsNumberField
        v-else-if="f.type === 'count'"
        :model-value="numberOf(f.key)"
        :label="f.label"
        :min="f.min ?? 0"
        :max="f.max"
        whole
        inline
        :test="`field-${f.key}`"
        @update:model-value="set(f.key, $event)"
      />
      <FieldsLengthsField
        v-else-if="f.type === 'lengths'"
        :model-value="(inputs[f.key] as number[]) ?? []"
        :label="f.label"
        :count="f.count"
        :fallback-mm="numberOf(f.fallbackKey)"
        :test="`field-${f.key}`"
        @update:model-value="set(f.key, $event)"
      />
      <label v-else-if="f.type === 'switch'" class="flex min-h-11 items-center gap-2.5">
        <input
          type="checkbox"
          class="size-5 accent-(--act)"
          :checked="Boolean(inputs[f.key])"
          :data-test="`field-${f.key}`"
          @change="set(f.key, isTicked($event))"
        />
        <span
          ><span class="font-semibold">{{ f.label }}</span
          ><span v-if="f.hint" class="block text-sm text-soft">{{ f.hint }}</span></span
        >
      </label>
    </template>
  </form>
</template>
