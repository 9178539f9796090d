<script setup lang="ts">
import { computed, ref } from 'vue'
import { biasCut, usableMm } from '~~/core/cloth'
import { measureLength } from '~~/core/geometry'
import { edgePath, refOf, shapeOf, timesRound } from '~~/core/pattern'
import { useCloth } from '~/composables/useCloth'
import { useSheets } from '~/composables/useSheets'
import { takeWithin } from '~/within'

/** Bias strips for an edge: how many, how long, how often joined, and what they take of the cloth. */
const { garment } = useSheets()
const { cloth } = useCloth()
/** Necklines and openings come first: they are bound most often. */
const BOUND = ['neck', 'armhole', 'hem', 'leg-opening']
const edges = computed(() =>
  garment.value.pieces
    .flatMap((piece) =>
      piece.edges
        .filter((e) => e.role !== 'dart-leg' && !e.fold)
        .map((edge) => ({
          value: refOf(piece.id, edge.id),
          label: `${edge.name}, ${piece.name}`,
          rank: (BOUND.indexOf(edge.role) + BOUND.length + 1) % (BOUND.length + 1),
          // All of it round the body, on both halves; layers are bound together.
          mm: measureLength(edgePath(shapeOf(piece, garment.value.baseSizeId), edge.id)) * timesRound(garment.value, piece),
        })),
    )
    .sort((a, b) => a.rank - b.rank),
)
const chosen = ref('')
const edge = computed(() => edges.value.find((e) => e.value === chosen.value) ?? edges.value[0])
const stripMm = ref(31.75)
const shorter = ref(3)
/** A strip is so wide, and no more than this shorter than its edge, in hundredths. */
const WIDE_MM = { least: 5, most: 300, what: 'A strip' }
const MOST_SHORTER = 15
const cut = computed(() => edge.value && biasCut(edge.value.mm, stripMm.value, shorter.value, usableMm(cloth.value)))
</script>

<template>
  <section v-if="edge && cut" class="panel space-y-3 p-3" data-test="bias-strips">
    <h2 class="font-display text-xl italic">Bias strips</h2>
    <div class="flex flex-wrap items-end gap-3">
      <UiChoice
        :model-value="edge.value"
        label="For the edge"
        test="bias-edge"
        :options="edges.map(({ value, label }) => ({ value, label }))"
        @update:model-value="chosen = $event"
      />
      <FieldsLengthField
        :model-value="stripMm"
        label="Cut so wide"
        test="bias-width"
        positive
        @update:model-value="takeWithin($event, WIDE_MM, (mm) => (stripMm = mm))"
      />
      <FieldsNumberField v-model="shorter" label="Shorter by, %" :min="0" :max="MOST_SHORTER" test="bias-shorter" />
    </div>
    <p data-test="bias-says">
      The edge measures <UiLengthText :mm="edge.mm" /> in all, its strip <UiLengthText :mm="cut.lengthMm" />:
      {{ cut.strips === 1 ? 'one strip' : `${cut.strips} strips, ${cut.joins} ${cut.joins === 1 ? 'join' : 'joins'}` }} from
      <UiLengthText :mm="cut.clothMm" /> of cloth.
    </p>
  </section>
</template>
