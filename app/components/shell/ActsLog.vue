<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { ScrollText } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import { useScope } from '~/composables/useScope'
import type { LoggedAct } from '~/data/acts-log'
import { showMoment } from '~/days'
import { say } from '~/messages'

/** Everything that was done here, when, with figures; and the way back to any point of it. */
const { lastDone, nextRedo, readLog, goTo: goToAct } = useScope()
const acts = ref<LoggedAct[]>([])
const read = async () => (acts.value = await readLog())
// It follows what is done while it is open, also in another tab.
watch([lastDone, nextRedo], () => void read())

const lastId = computed(() => acts.value.filter((a) => !a.undone).at(-1)?.id ?? null)
const newestFirst = computed(() => [...acts.value].reverse())
async function goTo(actId: number | null) {
  const count = await goToAct(actId)
  if (count)
    say(`${count} ${count === 1 ? 'act' : 'acts'} ${actId === null ? 'undone: it is as it was at first' : 'undone or done again'}.`)
  await read()
}
</script>

<template>
  <Popover class="relative shrink-0">
    <PopoverButton class="btn-quiet" data-test="log" @click="read"><ScrollText class="size-4" aria-hidden="true" />Log</PopoverButton>
    <PopoverPanel
      class="absolute bottom-full left-0 z-30 mb-2 flex max-h-[60vh] w-96 max-w-[calc(100vw-1.5rem)] flex-col rounded-lg border border-edge bg-panel shadow-lg"
    >
      <h2 class="border-b border-edge px-4 py-2 font-display text-lg italic">What was done here</h2>
      <p v-if="acts.length === 0" class="p-4 text-soft">Nothing yet. All that you do is kept here, and can be taken back.</p>
      <ol v-else class="min-h-0 flex-1 overflow-y-auto p-1" data-test="log-list">
        <li v-for="a in newestFirst" :key="a.id">
          <button
            class="flex min-h-11 w-full items-baseline gap-3 rounded-lg px-3 py-2 text-left hover:bg-act-pale disabled:hover:bg-transparent"
            :class="a.undone ? 'text-soft line-through' : a.id === lastId && 'bg-act-pale font-semibold'"
            :disabled="a.id === lastId"
            :aria-current="a.id === lastId ? 'step' : undefined"
            :title="a.id === lastId ? 'You are here' : a.undone ? 'Do again up to here' : 'Go back to here'"
            @click="goTo(a.id)"
          >
            <UiSentenceText class="min-w-0 flex-1" :text="a.label" /><time class="shrink-0 text-soft" :datetime="a.at">{{
              showMoment(a.at)
            }}</time>
          </button>
        </li>
      </ol>
      <button v-if="lastId !== null" class="btn m-2 shrink-0" data-test="undo-all" @click="goTo(null)">Undo all of it</button>
    </PopoverPanel>
  </Popover>
</template>
