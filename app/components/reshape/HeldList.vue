<script setup lang="ts">
import { Check, X } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import type { HeldPromise } from '~~/core/changes'
import { differenceOnRuler } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** What a change promised to hold, with both measured figures. */
const props = defineProps<{ held: HeldPromise[] }>()
const prefs = usePrefs()
const kept = computed(() => props.held.filter((h) => h.held).length)
const broken = computed(() => props.held.filter((h) => !h.held))
/** A broken promise whose two figures read alike on the ruler is written in hundredths of a millimetre. */
const tooFine = (h: HeldPromise) => !h.held && differenceOnRuler(h.after, h.before, prefs.ruler) === 0
const all = ref(false)
const shown = computed(() =>
  all.value ? props.held : [...broken.value, ...props.held.filter((h) => h.held)].slice(0, Math.max(3, broken.value.length)),
)
</script>

<template>
  <section aria-label="Held">
    <h3 class="flex items-center gap-2 font-semibold" data-test="held">
      <Check v-if="broken.length === 0" class="size-5 text-good" aria-hidden="true" /><X
        v-else
        class="size-5 text-fault"
        aria-hidden="true"
      />
      Held: {{ kept }} of {{ held.length }}
    </h3>
    <ul class="mt-1 text-sm">
      <li
        v-for="(h, i) in shown"
        :key="i"
        class="flex items-baseline gap-2 border-b border-edge/60 py-1"
        :class="!h.held && 'font-semibold text-fault'"
      >
        <span class="min-w-0 flex-1">{{ h.where }}: {{ h.label }}<span v-if="!h.held"> (broken)</span></span>
        <span class="shrink-0 tabular-nums">
          <template v-if="h.unit === 'deg'">{{ prefs.figure(h.before, 1) }}° → {{ prefs.figure(h.after, 1) }}°</template>
          <template v-else-if="tooFine(h)">{{ prefs.figure(h.before, 2) }} → {{ prefs.figure(h.after, 2) }} mm</template>
          <template v-else><UiLengthText :mm="h.before" bare /> → <UiLengthText :mm="h.after" /></template>
        </span>
      </li>
    </ul>
    <button v-if="held.length > shown.length || all" class="mt-1 min-h-9 text-sm font-semibold underline" @click="all = !all">
      {{ all ? 'Show fewer' : `Show all ${held.length}` }}
    </button>
  </section>
</template>
