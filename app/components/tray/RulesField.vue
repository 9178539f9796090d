<script setup lang="ts">
import { computed } from 'vue'
import UiFileButton from '~/components/ui/FileButton.vue'
import type { Drawing } from '~~/core/formats'
import { placesWithRules } from '~~/core/import'
import { problemSentence } from '~~/core/result'
import { sayDone, sayFault } from '~/messages'
import { useTray } from '~/stores/tray'

/** The rule table that a DXF with numbered places is in need of for its sizes. */
const props = defineProps<{ drawing: Drawing }>()
const tray = useTray()
const places = computed(() => placesWithRules(props.drawing))

/** Tables larger than this are none, bytes. */
const MAX_FILE = 2_000_000

async function take(file: File) {
  const bytes = file.size > MAX_FILE ? null : await file.arrayBuffer().catch(() => null)
  if (bytes === null) {
    sayFault(`${file.name} cannot be read, or is larger than any rule table. Nothing was changed here.`)
    return
  }
  const problem = await tray.takeRules(file.name, new Uint8Array(bytes))
  // This panel gives way while one waits: what became of it is said at the foot of the page.
  if (problem) sayFault(`${file.name}, ${problemSentence(problem)}`)
  else sayDone(`${file.name} is taken in: the pieces are drawn in all its sizes.`)
}
</script>

<template>
  <div v-if="places > 0" class="rounded-lg bg-note-pale p-3" data-test="rules">
    <p class="font-semibold">Its sizes are in a rule table</p>
    <p class="mt-1 text-sm">
      {{ places }} {{ places === 1 ? 'place has' : 'places have' }} the number of a grade rule. With the table that belongs to this file
      (.rul) the pieces come in in all sizes; without it, in the one that is drawn.
    </p>
    <div class="mt-2">
      <UiFileButton accept=".rul,text/plain" label="Rule table" test="rules" @file="take">Add the rule table</UiFileButton>
    </div>
  </div>
</template>
