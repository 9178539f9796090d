<script setup lang="ts">
import { CircleAlert, CircleCheck, Info, X } from 'lucide-vue-next'
import { computed, watch } from 'vue'
import { message, settleMessage } from '~/messages'
import { storage } from '~/data/storage'
import { opensOffline } from '~/offline'
import { planWork } from '~/plan-work'

/** The line at the foot of every screen: what was done last, what the program answered to it, and whether it is stored. */
const route = useRoute()

/** What is stored, or being worked on, in a word or two. */
const status = computed(() => {
  if (route.path.startsWith('/garment/') && planWork.isOn) return planWork.words || 'working'
  if (storage.pending > 0) return 'saving'
  if (storage.where === 'opening') return 'opening'
  return storage.where === 'page' || storage.unstored.length > 0 ? 'not saved' : 'saved'
})
/** What failed on one page says nothing on the next. */
watch(
  () => route.path,
  () => message.value?.kind === 'fault' && settleMessage(),
)
const ICONS = { said: Info, done: CircleCheck, fault: CircleAlert }
</script>

<template>
  <footer class="flex min-h-11 items-center gap-3 border-t border-edge bg-panel px-3 text-sm print:hidden">
    <!-- Its room is kept until it has come. -->
    <div class="min-h-11 min-w-18 shrink-0"><LazyShellActsLog /></div>
    <div class="flex min-w-0 flex-1 items-center gap-2" aria-live="polite" data-test="message">
      <template v-if="message">
        <component
          :is="ICONS[message.kind]"
          class="size-4 shrink-0"
          :class="{ said: 'text-soft', done: 'text-good', fault: 'text-fault' }[message.kind]"
          aria-hidden="true"
        />
        <span class="min-w-0" :class="message.kind === 'fault' && 'font-semibold text-fault'">{{ message.text }}</span>
        <button v-if="message.action" class="btn-quiet font-semibold underline" data-test="message-action" @click="message.action.run()">
          {{ message.action.label }}
        </button>
        <button class="btn-quiet" aria-label="Put the message away" data-test="message-away" @click="settleMessage()">
          <X class="size-4" />
        </button>
      </template>
    </div>
    <span v-if="opensOffline" class="shrink-0 text-soft max-md:hidden" data-test="opens-offline">opens without a network</span>
    <span class="shrink-0" :class="status === 'not saved' ? 'font-semibold text-fault' : 'text-soft'" role="status" data-test="status">{{
      status
    }}</span>
  </footer>
</template>
