<script setup lang="ts">
import { MOST_MARGIN_MM, PAPER_IDS, PAPER_SIZES, ROLL_MM, type PaperId } from '~~/core/paper'
import { takeWithin } from '~/within'

/** The paper, with what one needs to know of it: the width of a roll, and the rim that the printer leaves white. */
const paper = defineModel<PaperId>('paper', { required: true })
const rollMm = defineModel<number>('rollMm', { required: true })
const marginMm = defineModel<number>('marginMm', { required: true })
const SIZES = { a4: '210 × 297 mm', letter: '8 1/2 × 11 in', a3: '297 × 420 mm', a0: '841 × 1189 mm' } as const
const PAPERS = PAPER_IDS.map((id) => ({
  value: id,
  label: id === 'roll' ? 'A roll, by its width' : `${PAPER_SIZES[id].name}, ${SIZES[id]}`,
}))
</script>

<template>
  <div class="space-y-3">
    <UiChoice v-model="paper" label="Paper" test="paper-size" :options="PAPERS" />
    <div class="grid grid-cols-2 gap-3">
      <FieldsLengthField
        v-if="paper === 'roll'"
        :model-value="rollMm"
        label="Width of the roll"
        test="roll-width"
        positive
        @update:model-value="takeWithin($event, { ...ROLL_MM, what: 'A roll' }, (mm) => (rollMm = mm))"
      />
      <FieldsLengthField
        :model-value="marginMm"
        label="White rim"
        test="margin"
        positive
        @update:model-value="takeWithin($event, { least: 0, most: MOST_MARGIN_MM, what: 'The rim of a printer' }, (mm) => (marginMm = mm))"
      />
    </div>
  </div>
</template>
