<script setup lang="ts">
import { Archive } from 'lucide-vue-next'
import { computed } from 'vue'
import { dayOf, daysSince, showDay } from '~/days'
import { usePrefs } from '~/stores/prefs'

/** When everything was last backed up, and a word when that was long ago and something was done since. */
const props = defineProps<{ firstAt: string; changedAt: string }>()
const emit = defineEmits<{ backUp: [] }>()
const prefs = usePrefs()
const WHEN = [
  { value: '0', label: 'never' },
  { value: '7', label: 'after a week' },
  { value: '14', label: 'after two weeks' },
  { value: '30', label: 'after a month' },
] as const
const remind = computed({
  get: () => WHEN.find((w) => w.value === String(prefs.remindDays))?.value ?? '14',
  set: (days) => (prefs.remindDays = Number(days)),
})
const last = computed(() => (Number.isNaN(Date.parse(prefs.backedUpAt)) ? null : prefs.backedUpAt))
/** Days in which something could have been lost. */
const days = computed(() => daysSince(last.value ?? props.firstAt))
const isDue = computed(() => {
  const changed = !last.value || Date.parse(props.changedAt) > Date.parse(last.value)
  return Number(remind.value) > 0 && changed && days.value >= Number(remind.value)
})
</script>

<template>
  <section
    class="mt-6 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border px-4 py-2 text-sm"
    :class="isDue ? 'border-note bg-note-pale' : 'border-edge text-soft'"
    aria-label="Backing up"
    data-test="back-up-reminder"
  >
    <p class="min-w-0 flex-1" :class="isDue && 'font-semibold text-note'" :role="isDue ? 'status' : undefined">
      {{ last ? `Last backed up on ${showDay(dayOf(last))}.` : 'Not backed up yet: it is in this browser alone.' }}
      <template v-if="isDue">Something was done in the {{ days }} days since.</template>
    </p>
    <button v-if="isDue" class="btn" data-test="back-up-now" @click="emit('backUp')"><Archive class="size-4" />Back up all</button>
    <label class="flex items-center gap-2"
      >Remind me
      <select v-model="remind" class="field w-44" data-test="remind-days">
        <option v-for="w in WHEN" :key="w.value" :value="w.value">{{ w.label }}</option>
      </select>
    </label>
  </section>
</template>
