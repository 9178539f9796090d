<script setup lang="ts">
import { Ruler } from 'lucide-vue-next'
import { computed } from 'vue'
import { isDay } from '~~/core/body'
import type { Fitting } from '~~/core/fittings'
import { showDay } from '~/days'
import { sayDone, sayFault } from '~/messages'
import { stationAt } from '~/stations'
import { useFittings } from '~/stores/fittings'
import { useWearers } from '~/stores/wearers'
import { useWork } from '~/stores/work'
import { valueOf } from '~/typed'

/** When it was, on which figures, which version was sewn and of what. */
const props = defineProps<{ fitting: Fitting }>()
const log = useFittings()
const work = useWork()
const wearers = useWearers()

const write = (label: string, recipe: (f: Fitting) => void) => log.write(props.fitting.id, label, recipe)
function setDay(event: Event) {
  const value = valueOf(event)
  if (isDay(value)) void write('day of the fitting', (f) => void (f.heldOn = value))
  else sayFault('That is not a day of the calendar. Choose one, such as 2026-11-28.')
}
const sets = computed(() => [...(work.wearer?.sets ?? [])].reverse())
async function measureAgain() {
  if (!work.wearer) return
  const id = await wearers.addSetFromLast(work.fitId!, work.wearer.id, props.fitting.heldOn)
  if (!id) return
  await write('figures of the fitting', (f) => void (f.setId = id))
  sayDone('A set of that day was begun from the last one: change what has changed.')
}
const YES_NO = [
  { value: '', label: 'not said' },
  { value: 'yes', label: 'washed' },
  { value: 'no', label: 'not washed' },
]
const DRAPES = [
  { value: '', label: 'not said' },
  { value: 'stiff', label: 'stiff' },
  { value: 'medium', label: 'medium' },
  { value: 'drapey', label: 'drapey' },
]
const STRETCHES = [
  { value: '', label: 'not said' },
  { value: 'none', label: 'none' },
  { value: 'some', label: 'some' },
  { value: 'much', label: 'much' },
]
type Cloth = Fitting['cloth']
const setCloth = (part: Partial<Cloth>) => write('cloth of the fitting', (f) => void Object.assign(f.cloth, part))
</script>

<template>
  <div class="mx-auto grid max-w-3xl gap-4 p-4 md:grid-cols-2">
    <label class="block">
      <span class="mb-1 block font-semibold">Day</span>
      <input type="date" class="field" :value="fitting.heldOn" data-test="fitting-day" @change="setDay" />
    </label>
    <UiChoice
      :model-value="fitting.versionId ?? ''"
      label="Version that was sewn"
      test="fitting-version"
      :options="[
        { value: '', label: 'not known' },
        ...log.versions.map((v) => ({ value: v.id, label: `${v.name} (${showDay(v.madeAt.slice(0, 10))})` })),
      ]"
      @update:model-value="write('version that was sewn', (f) => void (f.versionId = $event || null))"
    />
    <div>
      <UiChoice
        :model-value="fitting.setId ?? ''"
        label="Measurements of that day"
        test="fitting-set"
        :options="[
          { value: '', label: 'none' },
          ...sets.map((s) => ({ value: s.id, label: `${showDay(s.takenOn)}${s.note ? `, ${s.note.slice(0, 40)}` : ''}` })),
        ]"
        @update:model-value="write('figures of the fitting', (f) => void (f.setId = $event || null))"
      />
      <div class="mt-2 flex flex-wrap items-center gap-3">
        <button v-if="work.wearer" class="btn" data-test="measure-again" @click="measureAgain">
          <Ruler class="size-4" />Measure again
        </button>
        <NuxtLink v-if="work.wearer && fitting.setId" :to="stationAt(work.project!.garmentId, work.fitId, 'wearer')" class="underline"
          >To the figures</NuxtLink
        >
        <p v-if="!work.wearer" class="text-sm text-soft">
          Nobody wears this fit yet:
          <NuxtLink :to="stationAt(work.project!.garmentId, work.fitId, 'wearer')" class="underline">choose a wearer</NuxtLink>.
        </p>
      </div>
    </div>
    <UiTextField
      :model-value="fitting.worn"
      label="Shoes, underwear"
      placeholder="what matters for the hem and the bust"
      test="fitting-worn"
      :longest="500"
      @update:model-value="write('what was worn', (f) => void (f.worn = $event))"
    />
    <fieldset class="grid gap-4 border-t border-edge pt-3 md:col-span-2 md:grid-cols-4">
      <legend class="sr-only">Cloth</legend>
      <UiTextField
        :model-value="fitting.cloth.kind"
        label="Cloth"
        placeholder="such as old sheeting"
        test="fitting-cloth"
        :longest="200"
        @update:model-value="setCloth({ kind: $event })"
      />
      <UiChoice
        :model-value="fitting.cloth.drape ?? ''"
        label="How it falls"
        test="fitting-drape"
        :options="DRAPES"
        @update:model-value="setCloth({ drape: ($event || null) as Cloth['drape'] })"
      />
      <UiChoice
        :model-value="fitting.cloth.stretch ?? ''"
        label="Stretch"
        test="fitting-stretch"
        :options="STRETCHES"
        @update:model-value="setCloth({ stretch: ($event || null) as Cloth['stretch'] })"
      />
      <UiChoice
        :model-value="fitting.cloth.isWashed === null ? '' : fitting.cloth.isWashed ? 'yes' : 'no'"
        label="Before cutting"
        test="fitting-washed"
        :options="YES_NO"
        @update:model-value="setCloth({ isWashed: $event === '' ? null : $event === 'yes' })"
      />
    </fieldset>
    <div class="md:col-span-2">
      <UiNoteField
        :key="fitting.id"
        :model-value="fitting.notes"
        label="Notes"
        placeholder="What was said, what the scene asks of it"
        test="fitting-notes"
        :longest="5000"
        @update:model-value="write('notes of the fitting', (f) => void (f.notes = $event))"
      />
    </div>
    <p class="rounded-lg bg-ease-pale p-3 text-sm text-ease md:col-span-2">
      Pins out before it is taken off. Hems clear of the floor on stairs; no cords at the neck of a child’s garment; near a flame the rules
      of the house and its fire officer decide on the cloth.
    </p>
  </div>
</template>
