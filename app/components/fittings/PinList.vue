<script setup lang="ts">
import { Plus, X } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { Pinned } from '~~/core/changes'
import { foldMarksOf, pinDrawing, pinWords, usualPin, type Fitting, type Pin } from '~~/core/fittings'
import { focusLater } from '~/focus-later'
import { pinFields } from '~/pin-fields'
import { isOnAnEdge, isPinnable } from '~/pinned-amount'
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
  { how: 'seam', label: 'Part of a seam' },
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
  if ('pieceId' in next) {
    const piece = garment.value.pieces.find((p) => p.id === next.pieceId)
    if (!piece?.edges.some((e) => e.id === next.edgeId)) next.edgeId = piece?.edges[0]?.id ?? next.edgeId
    if (next.how === 'fold' && !foldMarksOf(garment.value, next.pieceId, next.edgeId).some((m) => m.id === next.from))
      next.from = foldMarksOf(garment.value, next.pieceId, next.edgeId)[0]?.id ?? next.from
  }
  return change(pin, 'what was pinned', (own) => void (own.pinned = next))
}
const remove = (pin: Pin) => write('take a pin away', (f) => void (f.pins = f.pins.filter((p) => p.id !== pin.id)))
const drawingOf = (pin: Pin) => pinDrawing(garment.value, pin.pinned)
/** Sets how much was pinned, or where. */
const setMm = (pin: Pin, { key, isAmount }: { key: string; isAmount: boolean }, mm: number) =>
  (isAmount ? isPinnable(mm) : isOnAnEdge(mm)) && set(pin, { [key]: mm })
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
          <h2 class="flex-1 font-semibold"><UiSentenceText :text="pinWords(garment, pin)" /></h2>
          <button class="btn-quiet -my-2" aria-label="Take this pin away" data-test="remove-pin" @click="remove(pin)">
            <X class="size-4" />
          </button>
        </div>
        <div class="flex items-start gap-4">
          <div class="flex flex-1 flex-wrap items-end gap-3">
            <template v-for="field in pinFields(garment, pin.pinned)" :key="field.key">
              <UiChoice
                v-if="field.type === 'choice'"
                :model-value="field.value"
                :label="field.label"
                :test="field.test"
                :options="field.options"
                @update:model-value="set(pin, field.set($event))"
              />
              <FieldsLengthField
                v-else
                :model-value="field.mm"
                :label="field.label"
                :test="field.test"
                positive
                @update:model-value="setMm(pin, field, $event)"
              />
            </template>
            <UiChoice
              :model-value="pin.side"
              label="On the body"
              test="pinned-on"
              :options="SIDES"
              @update:model-value="change(pin, 'side of a pin', (own) => void (own.side = $event as Pin['side']))"
            />
          </div>
          <PaperStepPicture v-if="drawingOf(pin)" class="max-w-44 shrink-0" :drawing="drawingOf(pin)!" data-test="pin-picture" />
        </div>
      </section>
    </div>
  </div>
</template>
