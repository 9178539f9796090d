<script setup lang="ts">
import { computed } from 'vue'
import type { PieceDraft } from '~~/core/import'
import { useTray } from '~/stores/tray'
import { valueOf } from '~/typed'

/** Whether this piece is one for another cup: then it takes the place of a piece of the garment, and is no piece beside it. */
const props = defineProps<{ draft: PieceDraft }>()
const tray = useTray()
const others = computed(() =>
  tray.state.pieces.map((p) => p.draft).filter((d) => d.id !== props.draft.id && d.cupOf === undefined && d.kind === props.draft.kind),
)
/** It is the piece whose place others take. */
const isFirst = computed(() => tray.state.pieces.some((p) => p.draft.cupOf === props.draft.id))
const asksCup = computed(() => isFirst.value || props.draft.cupOf !== undefined)

// What was chosen is read at once: the list shows the stored choice again before the act is written.
function pickPlace(event: Event) {
  const value = valueOf(event)
  void tray.edit(props.draft.id, 'piece for another cup', ({ draft }) => {
    if (value) draft.cupOf = value
    else delete draft.cupOf
  })
}
function setCup(event: Event) {
  const cup = valueOf(event).trim().slice(0, 20)
  void tray.edit(props.draft.id, 'cup', ({ draft }) => void (draft.cup = cup))
}
</script>

<template>
  <fieldset v-if="others.length > 0 || asksCup" class="space-y-2" data-test="tray-cup">
    <legend class="font-semibold">Cup</legend>
    <label v-if="!isFirst" class="block"
      ><span class="mb-1 block text-sm text-soft">for another cup, in the place of</span>
      <select class="field" :value="draft.cupOf ?? ''" data-test="cup-of" @change="pickPlace">
        <option value="">no other: a piece of its own</option>
        <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select></label
    >
    <label v-if="asksCup" class="flex items-center gap-3"
      ><span class="text-sm text-soft">cup that it is for</span>
      <input class="field w-24" :value="draft.cup ?? ''" maxlength="20" placeholder="B" data-test="cup-name" @change="setCup"
    /></label>
  </fieldset>
</template>
