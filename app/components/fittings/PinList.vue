<script setup lang="ts">
import { Plus, X } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { Pinned } from '~~/core/changes'
import { pinWords, usualPin, foldMarksOf, type Fitting, type Pin } from '~~/core/fittings'
import { focusLater } from '~/focus-later'
import { isPinnable } from '~/pinned-amount'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

/** Pins as they were pinned: a fold across an edge, the sides, a wedge, the hem. */
const props = defineProps<{ fitting: Fitting }>()
const log = useFittings()
const work = useWork()
const session = usePlanSession()
const garment = computed(() => session.computedPlan?.garments.at(-1) ?? work.project!.garment)

const HOWS = [
  { how: 'fold', label: 'Fold at an edge' },
  { how: 'side', label: 'Side seams' },
  { how: 'wedge', label: 'Wedge' },
  { how: 'hem', label: 'Hem' },
] as const
const SIDES = [
  { value: 'both', label: 'both sides alike' },
  { value: 'left', label: 'left only' },
  { value: 'right', label: 'right only' },
]
const write = (label: string, recipe: (f: Fitting) => void) => log.write(props.fitting.id, label, recipe)
const list = ref<HTMLElement | null>(null)
async function add(how: Pinned['how']) {
  const id = crypto.randomUUID()
  const pinned = usualPin(garment.value, how)
  await write('pin', (f) => void f.pins.push({ id, pinned, side: 'both', words: '', decision: { is: 'open' } }))
  await focusLater(() => list.value?.querySelector<HTMLElement>(`[data-pin="${id}"] select, [data-pin="${id}"] input`))
}
const change = (pin: Pin, label: string, recipe: (own: Pin) => void) =>
  write(label, (f) => {
    const own = f.pins.find((p) => p.id === pin.id)
    if (own) recipe(own)
  })
/** Sets parts of what was pinned; another piece or edge begins with its first one. */
function set(pin: Pin, part: Record<string, unknown>) {
  const next = { ...pin.pinned, ...part } as Pinned
  if (next.how === 'fold' || next.how === 'wedge') {
    const piece = garment.value.pieces.find((p) => p.id === next.pieceId)
    if (!piece?.edges.some((e) => e.id === next.edgeId)) next.edgeId = piece?.edges[0]?.id ?? next.edgeId
    if (next.how === 'fold' && !foldMarksOf(garment.value, next.pieceId, next.edgeId).some((m) => m.id === next.from))
      next.from = foldMarksOf(garment.value, next.pieceId, next.edgeId)[0]?.id ?? next.from
  }
  return change(pin, 'what was pinned', (own) => void (own.pinned = next))
}
const remove = (pin: Pin) => write('take a pin away', (f) => void (f.pins = f.pins.filter((p) => p.id !== pin.id)))
const pieces = computed(() => garment.value.pieces.map((p) => ({ value: p.id, label: p.name })))
const edgesOf = (pieceId: string) =>
  (garment.value.pieces.find((p) => p.id === pieceId)?.edges ?? [])
    .filter((e) => e.role !== 'dart-leg' && !e.fold)
    .map((e) => ({ value: e.id, label: e.name }))
const centresOf = (pieceId: string) =>
  (garment.value.pieces.find((p) => p.id === pieceId)?.edges ?? [])
    .filter((e) => e.role !== 'dart-leg')
    .map((e) => ({ value: e.id, label: e.name }))
const marksOf = (pieceId: string, edgeId: string) =>
  foldMarksOf(garment.value, pieceId, edgeId).map((m) => ({ value: m.id, label: m.name }))
const LEVELS = { bustMm: 'At the bust', waistMm: 'At the waist', hipMm: 'At the hip' } as const
const HEMS = { centreFrontMm: 'Centre front', sideMm: 'Sides', centreBackMm: 'Centre back' } as const
/** Sets an amount that was pinned. */
const setMm = (pin: Pin, key: string, mm: number) => isPinnable(mm) && set(pin, { [key]: mm })
</script>

<template>
  <div class="mx-auto max-w-3xl space-y-4 p-4">
    <div class="flex flex-wrap items-center gap-2">
      <span class="font-semibold">Pinned:</span>
      <button v-for="h in HOWS" :key="h.how" class="btn" :data-test="`pin-${h.how}`" @click="add(h.how)">
        <Plus class="size-4" />{{ h.label }}
      </button>
    </div>
    <p v-if="fitting.pins.length === 0" class="text-soft">
      As it was pinned on the body: which edge, how far from which mark, how deep. The two pins nearest the edge decide.
    </p>
    <div ref="list" class="space-y-3">
      <section v-for="pin in fitting.pins" :key="pin.id" class="panel space-y-3 p-3" :data-pin="pin.id" data-test="pin">
        <div class="flex items-start gap-2">
          <h2 class="flex-1 font-semibold"><SentenceText :text="pinWords(garment, pin)" /></h2>
          <button class="btn-quiet -my-2" aria-label="Take this pin away" data-test="remove-pin" @click="remove(pin)">
            <X class="size-4" />
          </button>
        </div>
        <div class="flex flex-wrap items-end gap-3">
          <template v-if="pin.pinned.how === 'fold'">
            <UiChoice
              :model-value="pin.pinned.pieceId"
              label="Piece"
              test="pin-piece"
              :options="pieces"
              @update:model-value="set(pin, { pieceId: $event })"
            />
            <UiChoice
              :model-value="pin.pinned.edgeId"
              label="At the"
              test="pin-edge"
              :options="edgesOf(pin.pinned.pieceId)"
              @update:model-value="set(pin, { edgeId: $event })"
            />
            <UiChoice
              :model-value="pin.pinned.from"
              label="Measured from"
              test="pin-from"
              :options="marksOf(pin.pinned.pieceId, pin.pinned.edgeId)"
              @update:model-value="set(pin, { from: $event })"
            />
            <FieldsLengthField
              :model-value="pin.pinned.atMm"
              label="To the nearer pin"
              test="pin-at"
              positive
              @update:model-value="set(pin, { atMm: $event })"
            />
            <FieldsLengthField
              :model-value="pin.pinned.mm"
              label="From pin to pin"
              test="pin-mm"
              positive
              @update:model-value="setMm(pin, 'mm', $event)"
            />
          </template>
          <template v-else-if="pin.pinned.how === 'wedge'">
            <UiChoice
              :model-value="pin.pinned.pieceId"
              label="Piece"
              test="pin-piece"
              :options="pieces"
              @update:model-value="set(pin, { pieceId: $event })"
            />
            <UiChoice
              :model-value="pin.pinned.edgeId"
              label="Widest at"
              test="pin-edge"
              :options="centresOf(pin.pinned.pieceId)"
              @update:model-value="set(pin, { edgeId: $event })"
            />
            <FieldsLengthField
              :model-value="pin.pinned.belowMm"
              label="Below its upper end"
              test="pin-at"
              positive
              @update:model-value="set(pin, { belowMm: $event })"
            />
            <UiChoice
              :model-value="pin.pinned.isOut ? 'out' : 'in'"
              label="Wedge"
              test="pin-way"
              :options="[
                { value: 'out', label: 'taken out' },
                { value: 'in', label: 'put in' },
              ]"
              @update:model-value="set(pin, { isOut: $event === 'out' })"
            />
            <FieldsLengthField
              :model-value="pin.pinned.mm"
              label="How deep"
              test="pin-mm"
              positive
              @update:model-value="setMm(pin, 'mm', $event)"
            />
          </template>
          <template v-else-if="pin.pinned.how === 'side'">
            <UiChoice
              :model-value="pin.pinned.isOut ? 'out' : 'in'"
              label="Side seams"
              test="pin-way"
              :options="[
                { value: 'in', label: 'taken in' },
                { value: 'out', label: 'let out' },
              ]"
              @update:model-value="set(pin, { isOut: $event === 'out' })"
            />
            <FieldsLengthField
              v-for="(label, key) in LEVELS"
              :key="key"
              :model-value="pin.pinned[key]"
              :label="`${label}, each edge`"
              :test="`pin-${key}`"
              positive
              @update:model-value="setMm(pin, key, $event)"
            />
          </template>
          <template v-else>
            <UiChoice
              :model-value="pin.pinned.isLonger ? 'longer' : 'shorter'"
              label="Hem"
              test="pin-way"
              :options="[
                { value: 'shorter', label: 'turned up' },
                { value: 'longer', label: 'let down' },
              ]"
              @update:model-value="set(pin, { isLonger: $event === 'longer' })"
            />
            <FieldsLengthField
              v-for="(label, key) in HEMS"
              :key="key"
              :model-value="pin.pinned[key]"
              :label="label"
              :test="`pin-${key}`"
              positive
              @update:model-value="setMm(pin, key, $event)"
            />
          </template>
          <UiChoice
            :model-value="pin.side"
            label="On the body"
            test="pin-side"
            :options="SIDES"
            @update:model-value="change(pin, 'side of a pin', (own) => void (own.side = $event as Pin['side']))"
          />
        </div>
      </section>
    </div>
  </div>
</template>
