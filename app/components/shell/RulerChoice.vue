<script setup lang="ts">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { Check, ChevronDown } from 'lucide-vue-next'
import { RULERS, type Ruler } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'

/** What everything is measured and written by: inches or centimetres, and how fine. */
const prefs = usePrefs()
const NAMES = { in: 'inches', cm: 'centimetres' } as const
const rulers = Object.keys(RULERS) as Ruler[]
const words = (r: Ruler) => `${NAMES[RULERS[r].units]}, to ${RULERS[r].mark}${RULERS[r].decimal === ',' ? ', written 3,5' : ''}`
</script>

<template>
  <Listbox v-model="prefs.ruler" as="div" class="relative">
    <ListboxButton class="btn-quiet border border-edge px-2.5" :aria-label="`Ruler: ${words(prefs.ruler)}`" data-test="ruler">
      {{ prefs.units }}<ChevronDown class="size-4" aria-hidden="true" />
    </ListboxButton>
    <ListboxOptions
      class="absolute right-0 top-full z-30 mt-1 w-80 rounded-lg border border-edge bg-panel p-1 shadow-lg focus:outline-none"
    >
      <ListboxOption v-for="r in rulers" :key="r" v-slot="{ active, selected }" :value="r" as="template">
        <li
          class="flex min-h-11 cursor-pointer items-center gap-2 rounded-lg px-2"
          :class="active && 'bg-act-pale'"
          :data-test="`ruler-${r}`"
        >
          <Check class="size-4 shrink-0" :class="!selected && 'invisible'" aria-hidden="true" />{{ words(r) }}
        </li>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
