<script setup lang="ts">
import { computed } from 'vue'
import { CLOTH_MM, usualCloth } from '~~/core/cloth'
import { latestSet, type Wearer } from '~~/core/body'
import type { GarmentRow } from '~~/core/formats'
import { useMany } from '~/stores/many'
import { takeWithin } from '~/within'

/** Which garments, for whom, on which paper and cloth. */
const props = defineProps<{ garments: readonly GarmentRow[]; wearers: readonly Wearer[] }>()
const many = useMany()
const set = (some: Partial<typeof many.chosen>) => (many.chosen = { ...many.chosen, ...some })
const workshop = computed({ get: () => many.workshop, set: (own) => (many.workshop = own) })
const setShop = (some: Partial<typeof many.workshop>) => (workshop.value = { ...workshop.value, ...some })
const LISTS = [
  { key: 'garmentIds', title: 'Garments', all: () => props.garments, none: 'No garment hangs in the wardrobe yet.' },
  {
    key: 'wearerIds',
    title: 'Wearers',
    all: () => props.wearers,
    none: 'Nobody is measured yet: “Wearers” in the wardrobe, or read a table of them there.',
  },
] as const
const tick = (key: 'garmentIds' | 'wearerIds', id: string, on: boolean) =>
  set({ [key]: [...many.chosen[key].filter((x) => x !== id), ...(on ? [id] : [])] })
const isMeasured = (thing: GarmentRow | Wearer) => !('sets' in thing) || latestSet(thing) !== null
const withCloth = computed({ get: () => workshop.value.cloth !== null, set: (on) => setShop({ cloth: on ? usualCloth() : null }) })
const isAnew = computed({ get: () => many.chosen.isAnew, set: (on) => set({ isAnew: on }) })
const clothMm = (mm: number) =>
  takeWithin(mm, { ...CLOTH_MM, what: 'The width of cloth' }, (widthMm) =>
    setShop({ cloth: { ...(workshop.value.cloth ?? usualCloth()), widthMm } }),
  )
</script>

<template>
  <div class="space-y-5">
    <fieldset v-for="list in LISTS" :key="list.key" :data-test="`many-${list.key}`">
      <legend class="sr-only">{{ list.title }}</legend>
      <div class="flex items-baseline justify-between">
        <span class="font-semibold" aria-hidden="true">{{ list.title }}</span>
        <button
          v-if="list.all().length > 1"
          type="button"
          class="min-h-11 px-1 text-sm underline"
          :data-test="`many-all-${list.key}`"
          @click="set({ [list.key]: many.chosen[list.key].length < list.all().length ? list.all().map((t) => t.id) : [] })"
        >
          {{ many.chosen[list.key].length < list.all().length ? 'all' : 'none' }}
        </button>
      </div>
      <p v-if="list.all().length === 0" class="text-sm text-soft">{{ list.none }}</p>
      <div class="max-h-60 overflow-y-auto">
        <UiCheck
          v-for="thing in list.all()"
          :key="thing.id"
          :model-value="many.chosen[list.key].includes(thing.id)"
          :test="`many-${thing.name}`"
          @update:model-value="tick(list.key, thing.id, $event)"
        >
          {{ thing.name }}<span v-if="!isMeasured(thing)" class="text-sm text-soft"> · not measured yet</span>
        </UiCheck>
      </div>
    </fieldset>
    <UiCheck v-model="isAnew" test="many-anew">
      Begin anew where a fit is there already<span class="block text-sm text-soft">Otherwise that fit is looked at as it is.</span>
    </UiCheck>
    <PaperChoiceFields
      :paper="workshop.paper"
      :roll-mm="workshop.rollMm"
      :margin-mm="workshop.marginMm"
      @update:paper="setShop({ paper: $event })"
      @update:roll-mm="setShop({ rollMm: $event })"
      @update:margin-mm="setShop({ marginMm: $event })"
    />
    <UiCheck v-model="withCloth" test="many-with-cloth">
      How much cloth each needs<span class="block text-sm text-soft">It is what takes longest.</span>
    </UiCheck>
    <FieldsLengthField
      v-if="workshop.cloth"
      :model-value="workshop.cloth.widthMm"
      label="Width of the cloth"
      test="many-cloth"
      positive
      @update:model-value="clothMm"
    />
    <p class="text-sm text-soft">This paper and cloth are also what a new fit begins with.</p>
  </div>
</template>
