<script setup lang="ts">
import { intlFormatDistance } from 'date-fns'
import { Copy, EllipsisVertical, Pencil, Tag, Trash2, UserPlus } from 'lucide-vue-next'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { faultTotal, faultWords } from '~~/core/advice/count-faults'
import type { FitRow } from '~~/core/formats'
import { labelsFrom } from '~~/core/formats/labels'
import type { Hung } from '~/composables/useHung'
import type { CardRow } from '~/data/cards'
import { fitTitle } from '~/fit-title'
import { stationAt } from '~/stations'
import { useWardrobe } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'
import type { Unsettled } from '~/workers/desk'

/** A garment in the wardrobe, with its fits and what is left to settle in each. */
const props = defineProps<{ garment: Hung; card: CardRow; unsettled: Map<string, Unsettled | null>; choosing: boolean }>()
const emit = defineEmits<{ beginFit: []; remove: [] }>()
/** Is it among the chosen ones? */
const chosen = defineModel<boolean>('chosen', { required: true })
const wardrobe = useWardrobe()
const wearers = useWearers()

/** Fits that a card shows; the others are chosen where the garment is open. */
const SHOWN_FITS = 3

/** Its fits; where there are none, an empty one under its own id. */
type Fit = Pick<FitRow, 'id' | 'name' | 'wearerId' | 'plan' | 'updatedAt'>
const fits = computed((): readonly Fit[] => {
  const { id, fits: own, updatedAt } = props.garment
  return own.length > 0 ? own : [{ id, name: '', wearerId: null, plan: [], updatedAt }]
})

/** What was done last, once that is known. */
const lastStop = (f: Fit) => {
  const last = props.card.mends + f.plan.length === 0 ? 'as bought' : props.unsettled.get(f.id)?.last
  return last ? `${last} · ` : ''
}
const ago = (f: Fit) => intlFormatDistance(new Date(f.updatedAt), new Date())
/** What is left to settle in a fit, in words; null when nothing is. */
function toSettle(f: Fit): string | null {
  const known = props.unsettled.get(f.id)
  if (known === null) return 'it cannot be worked out: open it to see why'
  if (!known) return null
  if (faultTotal(known.faults) > 0) return faultWords(known.faults)
  return known.stuck ? `${known.stuck} ${known.stuck === 1 ? 'change' : 'changes'} not applied` : null
}
/** What is said of a fit in which nothing is at fault. */
const matchWords = (f: Fit) => {
  const known = props.unsettled.get(f.id)
  return (known && faultWords(known.faults)) ?? 'everything matches'
}
const stationOf = (f: Fit) => {
  const known = props.unsettled.get(f.id)
  return stationAt(props.garment.id, f.id, known && faultTotal(known.faults) > 0 ? 'match' : 'reshape')
}

const renaming = ref(false)
const newName = ref('')
const nameField = useTemplateRef('nameField')
function startRename() {
  renaming.value = true
  newName.value = props.garment.name
  void nextTick(() => nameField.value?.focus())
}
async function finishRename() {
  if (!renaming.value) return
  renaming.value = false
  const name = newName.value.trim()
  if (name && name !== props.garment.name) await wardrobe.rename(props.garment, name)
}
const labelling = ref(false)
const newLabels = ref('')
const labelField = useTemplateRef('labelField')
function startLabels() {
  labelling.value = true
  newLabels.value = props.garment.labels.join(', ')
  void nextTick(() => labelField.value?.focus())
}
async function finishLabels() {
  if (!labelling.value) return
  labelling.value = false
  const labels = labelsFrom(newLabels.value)
  if (labels.join() !== props.garment.labels.join()) await wardrobe.setLabels(props.garment, labels)
}
const menu = [
  { test: 'rename', words: 'Rename', icon: Pencil, run: startRename },
  { test: 'label', words: 'Labels', icon: Tag, run: startLabels },
  { test: 'card-begin-fit', words: 'Begin another fit', icon: UserPlus, run: () => emit('beginFit') },
  { test: 'duplicate', words: 'Duplicate', icon: Copy, run: () => void wardrobe.duplicate(props.garment.id) },
  { test: 'delete', words: 'Delete', icon: Trash2, run: () => emit('remove') },
]
</script>

<template>
  <li class="panel relative" :class="chosen && 'outline-3 outline-act'" data-test="garment-card" :data-id="garment.id">
    <label v-if="choosing" class="absolute inset-0 z-10 cursor-pointer rounded-xl p-3">
      <input
        v-model="chosen"
        type="checkbox"
        class="size-6 accent-(--act)"
        :aria-label="`Choose ${garment.name}`"
        data-test="choose-garment"
      />
    </label>
    <NuxtLink :to="stationOf(fits[0]!)" class="block" :aria-label="`Open ${garment.name}`" data-test="open-garment">
      <div class="h-44 rounded-t-xl bg-water p-3"><UiPiecePicture :picture="card.picture" /></div>
    </NuxtLink>
    <div class="p-3.5">
      <div class="flex items-start gap-1">
        <form v-if="renaming" class="flex-1" @submit.prevent="finishRename">
          <input
            ref="nameField"
            v-model="newName"
            class="field font-semibold"
            aria-label="New name"
            data-test="rename-field"
            @keydown.esc="renaming = false"
            @blur="finishRename"
          />
        </form>
        <h2 v-else class="flex-1 pt-1.5 text-lg font-semibold leading-tight">
          <NuxtLink :to="stationOf(fits[0]!)" class="hover:underline" tabindex="-1">{{ garment.name }}</NuxtLink>
        </h2>
        <!-- Its room is kept until it has come. -->
        <div class="-mr-1.5 min-h-11 min-w-11">
          <LazyUiActMenu :label="`More for ${garment.name}`" test="garment-menu" button="btn-quiet" list="bottom-11 w-52" :acts="menu"
            ><EllipsisVertical class="size-5"
          /></LazyUiActMenu>
        </div>
      </div>
      <form v-if="labelling" class="mb-1" @submit.prevent="finishLabels">
        <label class="text-sm text-soft"
          >Labels, with commas between
          <input
            ref="labelField"
            v-model="newLabels"
            class="field"
            placeholder="harbour scene, act 2"
            data-test="label-field"
            @keydown.esc="labelling = false"
            @blur="finishLabels"
          />
        </label>
      </form>
      <ul v-else-if="garment.labels.length > 0" class="mb-1 flex flex-wrap gap-1" :aria-label="`Labels of ${garment.name}`">
        <li
          v-for="label in garment.labels"
          :key="label"
          class="rounded-full border border-edge px-2.5 text-sm text-soft"
          data-test="card-label"
        >
          {{ label }}
        </li>
      </ul>
      <ul class="mt-1 space-y-1" :aria-label="`Fits of ${garment.name}`">
        <li v-for="f in fits.slice(0, SHOWN_FITS)" :key="f.id">
          <NuxtLink :to="stationOf(f)" class="-mx-2 block rounded-lg px-2 py-1 hover:bg-act-pale" data-test="card-fit" :data-id="f.id">
            <span class="block leading-snug">{{ fitTitle({ wearerId: f.wearerId, name: f.name }, wearers.all) }}</span>
            <span class="block text-sm text-soft">{{ lastStop(f) }}{{ ago(f) }}</span>
            <span class="mt-1 block text-sm font-semibold">
              <!-- Its room is kept while it is worked out, so that no card moves under the hand. -->
              <span v-if="!unsettled.has(f.id)" class="inline-block py-0.5 text-soft">…</span>
              <span v-else-if="toSettle(f)" class="inline-block rounded-full bg-fault-pale px-2.5 py-0.5 text-fault">{{
                toSettle(f)
              }}</span>
              <span v-else class="inline-block rounded-full bg-good-pale px-2.5 py-0.5 text-good">{{ matchWords(f) }}</span>
            </span>
          </NuxtLink>
        </li>
      </ul>
      <p v-if="fits.length > SHOWN_FITS" class="mt-1 text-sm text-soft">
        and {{ fits.length - SHOWN_FITS }} more {{ fits.length - SHOWN_FITS === 1 ? 'fit' : 'fits' }}
      </p>
    </div>
  </li>
</template>
