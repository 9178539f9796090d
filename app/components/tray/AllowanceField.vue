<script setup lang="ts">
import FieldsLengthField from '~/components/fields/LengthField.vue'
import UiCheck from '~/components/ui/Check.vue'
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'

/** The room for seams of a piece on its way in: within its outline or to be added, and how wide. */
const props = defineProps<{ piece: TrayPiece; edgeMm: number }>()
const tray = useTray()
const id = () => props.piece.draft.id
const sameOnAll = (mm: number) =>
  tray.editDraft(id(), 'all allowances', { edges: props.piece.draft.edges.map((e) => ({ ...e, allowanceMm: mm })) })
</script>

<template>
  <fieldset class="space-y-2">
    <legend class="font-semibold">Seam allowance</legend>
    <UiCheck
      :model-value="piece.draft.allowanceIncluded"
      test="allowance-included"
      @update:model-value="tray.editDraft(id(), 'allowance included', { allowanceIncluded: $event })"
      >is included: the outline is the cut line</UiCheck
    >
    <FieldsLengthField
      :model-value="edgeMm"
      label="the same on every edge"
      test="all-allowances"
      positive
      @update:model-value="sameOnAll"
    />
    <button v-if="tray.state.pieces.length > 1" class="btn" data-test="allowances-on-all" @click="tray.allowancesAsOn(id())">
      As here on all pieces
    </button>
  </fieldset>
</template>
