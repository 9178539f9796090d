<script setup lang="ts">
import { SCHOOL_NAMES } from '~/school-names'
import { valueOf } from '~/typed'
import { FABRICS, FITS, SCHOOLS, type Fabric, type Fit, type School, type Choices } from '~~/core/size'

/** How close it is to fit, in which cloth, and by which school the size is chosen. */
defineProps<{ sizing: Choices; school: School }>()
const emit = defineEmits<{ edit: [label: string, recipe: (s: Choices) => void] }>()

const FIT_WORDS: Record<Fit, string> = {
  'as-designed': 'as designed',
  closer: 'closer than designed',
  looser: 'looser than designed',
  close: 'close',
  fitted: 'fitted',
  'semi-fitted': 'semi-fitted',
  loose: 'loose',
  'very-loose': 'very loose',
}
const FABRIC_WORDS: Record<Fabric, string> = { stretch: 'stretches', drapey: 'drapey', medium: 'in between', crisp: 'crisp' }

/** What was chosen is read at once: the list shows the stored choice again before the act is written. */
function pick(label: string, event: Event, set: (s: Choices, value: string) => void) {
  const value = valueOf(event)
  emit('edit', label, (s) => set(s, value))
}
</script>

<template>
  <div class="mb-3 flex flex-wrap items-end gap-3 print:hidden">
    <h1 class="mr-2 self-center font-display text-2xl italic">Size</h1>
    <label class="block"
      ><span class="mb-1 block text-sm text-soft">Fit</span>
      <select class="field w-48" :value="sizing.fit" data-test="fit" @change="pick('fit', $event, (s, value) => (s.fit = value as Fit))">
        <option v-for="f in FITS" :key="f" :value="f">{{ FIT_WORDS[f] }}</option>
      </select></label
    >
    <label class="block"
      ><span class="mb-1 block text-sm text-soft">Cloth</span>
      <select
        class="field w-36"
        :value="sizing.fabric"
        data-test="fabric"
        @change="pick('cloth', $event, (s, value) => (s.fabric = value as Fabric))"
      >
        <option v-for="f in FABRICS" :key="f" :value="f">{{ FABRIC_WORDS[f] }}</option>
      </select></label
    >
    <label class="block"
      ><span class="mb-1 block text-sm text-soft">Size chosen</span>
      <select
        class="field w-56"
        :value="sizing.school ?? ''"
        data-test="school"
        @change="pick('way of choosing', $event, (s, value) => (s.school = (value || null) as School | null))"
      >
        <option value="">{{ sizing.school ? 'as we would' : SCHOOL_NAMES[school] }}</option>
        <option v-for="s in SCHOOLS" :key="s" :value="s">{{ SCHOOL_NAMES[s] }}</option>
      </select></label
    >
  </div>
</template>
