<script setup lang="ts">
import { LONGEST_NOTES, type Project } from '~~/core/formats'
import { LONGEST_NAME, toName } from '~~/core/pattern'
import { useWork } from '~/stores/work'
import { valueOf } from '~/typed'

/** What is written down about the open fit: a name of its own, and notes. */
defineProps<{ project: Project }>()
const work = useWork()
const setName = (typed: string) => work.act('name of the fit', { fit: (row) => void (row.name = toName(typed)) })
const setNotes = (text: string) => work.act('notes on the fit', { fit: (row) => void (row.notes = text) })
</script>

<template>
  <div class="space-y-3 border-t border-edge pt-3">
    <label class="block">
      <span class="mb-1 block font-semibold">Name of this fit</span>
      <input
        :key="project.id"
        class="field"
        :value="project.fitName"
        :maxlength="LONGEST_NAME"
        placeholder="none: it is called by its wearer"
        data-test="fit-name"
        @change="setName(valueOf($event))"
      />
    </label>
    <UiNoteField
      :key="project.id"
      :model-value="project.notes"
      :longest="LONGEST_NOTES"
      label="Notes on this fit"
      placeholder="What it is for, what was agreed, what to look at"
      test="fit-notes"
      @update:model-value="setNotes"
    />
  </div>
</template>
