<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { Trash2 } from 'lucide-vue-next'
import { computed, ref, watch } from 'vue'
import { isSign, questionsOf, type Fitting } from '~~/core/fittings'
import { showDay } from '~/days'
import { say } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { useWork } from '~/stores/work'

/** One fitting: the day, what was seen from the top down, pins, photographs, and what was decided. */
const props = defineProps<{ fitting: Fitting; about: string | null }>()
const emit = defineEmits<{ gone: [] }>()
const log = useFittings()
const work = useWork()

const TABS = ['day', 'look', 'pins', 'photographs', 'decide'] as const
type Part = (typeof TABS)[number]
const tab = ref<Part>(props.about ? 'decide' : 'look')
watch(
  () => props.about,
  (about) => about && (tab.value = 'decide'),
)
const open = computed(() => questionsOf(log.fittings).filter((q) => q.fitting.id === props.fitting.id).length)
const counts = computed((): Record<Part, number> => ({
  day: 0,
  look: props.fitting.sightings.filter(isSign).length,
  pins: props.fitting.pins.length,
  photographs: log.photosOf(props.fitting.id).length,
  decide: open.value,
}))
const NAMES: Record<Part, string> = { day: 'The day', look: 'Look', pins: 'Pins', photographs: 'Photographs', decide: 'Decide' }

async function remove() {
  const done = await log.remove(props.fitting)
  if (!done) return
  say('The fitting was deleted.', { label: 'Undo', run: () => void work.undo() })
  emit('gone')
}
</script>

<template>
  <TabGroup
    as="section"
    class="flex h-full min-h-0 flex-col"
    :aria-label="`Fitting of ${showDay(fitting.heldOn)}`"
    :selected-index="TABS.indexOf(tab)"
    @change="(i: number) => (tab = TABS[i]!)"
  >
    <header class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-edge px-4 py-2">
      <h1 class="font-display text-2xl italic" data-test="fitting-title">Fitting, {{ showDay(fitting.heldOn) }}</h1>
      <TabList class="flex flex-wrap gap-1" aria-label="Parts of the fitting">
        <Tab
          v-for="t in TABS"
          :key="t"
          class="btn-quiet font-semibold"
          :class="tab === t && 'bg-act text-act-ink hover:bg-act'"
          :data-test="`tab-${t}`"
        >
          {{ NAMES[t]
          }}<span
            v-if="counts[t]"
            class="rounded-full px-2 text-sm"
            :class="tab === t ? 'bg-act-ink/20' : t === 'decide' ? 'bg-note-pale text-note' : 'bg-act-pale text-ink'"
            >{{ counts[t] }}</span
          >
        </Tab>
      </TabList>
      <button class="btn-quiet ml-auto" aria-label="Delete this fitting" data-test="delete-fitting" @click="remove">
        <Trash2 class="size-5" />
      </button>
    </header>
    <TabPanels class="min-h-0 flex-1 overflow-y-auto">
      <TabPanel :tabindex="-1"><FittingsDayForm :fitting="fitting" /></TabPanel>
      <TabPanel :tabindex="-1" class="h-full"><FittingsLookList :fitting="fitting" @done="tab = 'decide'" /></TabPanel>
      <TabPanel :tabindex="-1"><FittingsPinList :fitting="fitting" /></TabPanel>
      <TabPanel :tabindex="-1"><FittingsPhotoWall :fitting="fitting" /></TabPanel>
      <TabPanel :tabindex="-1"><FittingsDecideList :fitting="fitting" :about="about" @look="tab = 'look'" /></TabPanel>
    </TabPanels>
  </TabGroup>
</template>
