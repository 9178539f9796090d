<script setup lang="ts">
import { Plus, Trash2 } from 'lucide-vue-next'
import { computed } from 'vue'
import { PivotSlideSchema, pinMarks, type PivotMove } from '~~/core/changes/pivot-slide'
import { findPiece, type Garment } from '~~/core/pattern'
import { valueOf } from '~/typed'

/** Turns and slides of one piece, one after the other, each with the edges that are traced after it. */
const props = defineProps<{ inputs: unknown; label: string; garment: Garment }>()
const emit = defineEmits<{ update: [moves: PivotMove[]] }>()
const inputs = computed(() => PivotSlideSchema.parse(props.inputs))
const moves = computed(() => inputs.value.moves)
const piece = computed(() => findPiece(props.garment, inputs.value.pieceId))
const edges = computed(() => piece.value?.edges ?? [])
const corners = computed(() => piece.value?.corners ?? [])
const marks = computed(() => (piece.value ? pinMarks(piece.value) : []))

const put = (i: number, move: PivotMove) =>
  emit(
    'update',
    moves.value.map((m, k) => (k === i ? move : m)),
  )
const remove = (i: number) =>
  emit(
    'update',
    moves.value.filter((_, k) => k !== i),
  )
function add(how: PivotMove['how']) {
  const used = new Set(moves.value.flatMap((m) => m.edgeIds))
  const free = edges.value.find((e) => !used.has(e.id) && e.role !== 'dart-leg')
  if (!free || corners.value.length < 2) return
  const id = `move-${Math.max(0, ...moves.value.map((m) => Number(/\d+$/.exec(m.id)?.[0] ?? 0))) + 1}`
  const i = edges.value.indexOf(free)
  const [pinId, targetId] = [corners.value[i]!.id, corners.value[(i + 1) % corners.value.length]!.id]
  const move: PivotMove =
    how === 'slide'
      ? { id, how, acrossMm: 0, alongMm: 0, edgeIds: [free.id] }
      : { id, how, pinId, targetId, direction: 'across', byMm: 0, edgeIds: [free.id] }
  emit('update', [...moves.value, move])
}
function turnWay(i: number, move: Extract<PivotMove, { how: 'pivot' }>, event: Event) {
  const direction = valueOf(event) as typeof move.direction
  put(i, { ...move, direction, ...(direction === 'place' ? { towardId: move.towardId ?? move.targetId } : {}) })
}
function flip(i: number, move: PivotMove, edgeId: string) {
  const has = move.edgeIds.includes(edgeId)
  const edgeIds = has ? move.edgeIds.filter((id) => id !== edgeId) : [...move.edgeIds, edgeId]
  if (edgeIds.length > 0) put(i, { ...move, edgeIds })
}
/** An edge is traced in one move only. */
const takenBefore = (i: number, edgeId: string) => moves.value.some((m, k) => k !== i && m.edgeIds.includes(edgeId))
</script>

<template>
  <fieldset>
    <legend class="mb-1 font-semibold">{{ label }}</legend>
    <p class="mb-2 text-sm text-soft">What no move traces stays; the edges beside a traced run are joined anew.</p>
    <div v-for="(m, i) in moves" :key="m.id" class="mb-2 space-y-2 rounded-lg border border-edge p-2.5" :data-test="`move-${i}`">
      <div class="flex items-center justify-between">
        <span class="font-semibold">{{ i + 1 }}. {{ m.how === 'slide' ? 'Slide' : 'Turn about a pin' }}</span>
        <button type="button" class="btn-quiet" :aria-label="`Remove move ${i + 1}`" @click="remove(i)"><Trash2 class="size-5" /></button>
      </div>
      <template v-if="m.how === 'slide'">
        <FieldsLengthField
          :model-value="m.acrossMm"
          label="across (minus: toward the centre)"
          :test="`move-across-${i}`"
          @update:model-value="put(i, { ...m, acrossMm: $event })"
        />
        <FieldsLengthField
          :model-value="m.alongMm"
          label="down the grain (minus: up)"
          :test="`move-along-${i}`"
          @update:model-value="put(i, { ...m, alongMm: $event })"
        />
      </template>
      <template v-else>
        <FieldsMarkField
          :mark-id="m.pinId"
          :at-mm="m.pinMm ?? 0"
          label="pin"
          :marks="marks"
          :test="`move-pin-${i}`"
          @set="(pinId: string, pinMm: number) => put(i, { ...m, pinId, pinMm })"
        />
        <FieldsMarkField
          :mark-id="m.targetId"
          :at-mm="m.targetMm ?? 0"
          label="turn until"
          :marks="marks"
          :test="`move-target-${i}`"
          @set="(targetId: string, targetMm: number) => put(i, { ...m, targetId, targetMm })"
        />
        <label class="block"
          ><span class="text-sm text-soft">has gone</span>
          <select class="field" :value="m.direction" :data-test="`move-direction-${i}`" @change="turnWay(i, m, $event)">
            <option value="across">across (minus: back)</option>
            <option value="along">down the grain (minus: up)</option>
            <option value="place">in line with a place</option>
          </select></label
        >
        <FieldsMarkField
          v-if="m.direction === 'place'"
          :mark-id="m.towardId ?? m.targetId"
          :at-mm="m.towardMm ?? 0"
          label="the place, seen from the pin"
          :marks="marks"
          :test="`move-toward-${i}`"
          @set="(towardId: string, towardMm: number) => put(i, { ...m, towardId, towardMm })"
        />
        <FieldsLengthField
          v-else
          :model-value="m.byMm"
          label="by"
          :test="`move-by-${i}`"
          @update:model-value="put(i, { ...m, byMm: $event })"
        />
      </template>
      <div>
        <span class="text-sm text-soft">trace</span>
        <div class="flex flex-wrap gap-1.5">
          <button
            v-for="e in edges"
            :key="e.id"
            type="button"
            class="min-h-11 rounded-lg border border-edge px-2.5 text-sm disabled:opacity-45"
            :class="m.edgeIds.includes(e.id) && 'bg-act text-act-ink'"
            :aria-pressed="m.edgeIds.includes(e.id)"
            :disabled="takenBefore(i, e.id)"
            :data-test="`move-${i}-edge-${e.id}`"
            @click="flip(i, m, e.id)"
          >
            {{ e.name }}
          </button>
        </div>
      </div>
    </div>
    <div class="flex gap-2">
      <button type="button" class="btn" data-test="add-pivot" @click="add('pivot')"><Plus class="size-5" />Turn</button>
      <button type="button" class="btn" data-test="add-slide" @click="add('slide')"><Plus class="size-5" />Slide</button>
    </div>
  </fieldset>
</template>
