<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { onKeyStroke } from '@vueuse/core'
import { CornerDownLeft, Search, Trash2 } from 'lucide-vue-next'
import { computed, ref } from 'vue'
import { answerAsTried, answerWish, offerAs, type Offer } from '~~/core/advice'
import { begunOn, findChanges, likeliestChanges, recipeAsStop, type ChangeKind, type Recipe } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { useRecipes } from '~/stores/recipes'
import { useSelection } from '~/stores/selection'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import { markAll, valueOf } from '~/typed'

/**
 * One box to say in what should change. The first line says what Enter will do; where that is not clear, Enter opens a choice and
 * does nothing by itself.
 */
const props = defineProps<{ garment: Garment }>()
const prefs = usePrefs()
const work = useWork()
const session = usePlanSession()
const selection = useSelection()
const recipes = useRecipes()
const wish = ref('')
/** The choice that Enter has opened. */
const choosing = ref(false)
/** Since the wish was typed one has gone down the list with the arrow keys: Enter then takes what is marked there. */
const inList = ref(false)
const context = computed(() => session.contextFor(props.garment))
/** What was understood, tried on the pieces: what cannot be done is asked about. */
const tried = computed(() => answerAsTried(answerWish(wish.value, prefs.units, props.garment, context.value), props.garment, context.value))
const answer = computed(() => tried.value.answer)
const does = computed(() => (answer.value.how === 'does' ? answer.value.offer : null))
const why = computed(() => (answer.value.how === 'does' ? null : answer.value.why))
/** How the amount is taken on the body, where a sign was typed. */
const measure = computed(() => (answer.value.how === 'nothing' ? null : answer.value.measure))
const offers = computed(() => (answer.value.how === 'asks' ? answer.value.offers : []))
const slips = computed(() => (answer.value.how === 'does' ? answer.value.slips : []))

/**
 * The kinds of change that share words with the wish, fewer where it is clear already; those that do not apply here last, with
 * the reason.
 */
const found = computed(() =>
  (does.value ? likeliestChanges : findChanges)(wish.value)
    .map((kind) => {
      const begun = begunOn(kind, props.garment, context.value)
      return { kind, cannot: begun.ok ? null : problemSentence(begun.problem) }
    })
    .sort((a, b) => Number(a.cannot !== null) - Number(b.cannot !== null)),
)
/** Changes with a name of one's own, by that name. */
const own = computed(() =>
  recipes.all.filter((r) => r.name.toLowerCase().includes(wish.value.trim().toLowerCase())).map((recipe) => ({ recipe })),
)
const typed = computed(() => wish.value.trim() !== '')

async function take(offer: Offer) {
  choosing.value = false
  const stopId = await work.addChange(offer.change)
  // What could not be stored stays typed; why is said on the page.
  if (!stopId) return
  wish.value = ''
  // The list closes, so that the stop can be seen.
  field.value?.el.blur()
  if (offer.asksAmount) selection.begun = { stopId, field: offer.field, towards: offer.towards }
}
async function choose(picked: { kind: ChangeKind<unknown>; cannot: string | null } | { recipe: Recipe } | { offer: Offer } | null) {
  if (!picked) return
  if ('offer' in picked) return take(picked.offer)
  if ('recipe' in picked) return useOwn(picked.recipe)
  const offer = offerAs(picked.kind, wish.value, prefs.units, props.garment, context.value)
  if (offer) await take(offer)
}
async function useOwn(recipe: Recipe) {
  const stop = recipeAsStop(props.garment, recipe)
  if (!stop.ok) return void sayFault(problemSentence(stop.problem))
  wish.value = ''
  await work.addChange(stop.value)
}
/** Enter does what the first line says, or opens the choice. */
function onEnter(event: KeyboardEvent) {
  if (inList.value || !typed.value) return
  event.preventDefault()
  event.stopPropagation()
  if (does.value) void take(does.value)
  else choosing.value = true
}

const field = ref<{ el: HTMLInputElement } | null>(null)
/** From anywhere: “/” goes to the box. */
onKeyStroke('/', (event) => {
  if (event.target instanceof HTMLElement && event.target.closest('input, textarea, select')) return
  event.preventDefault()
  field.value?.el.focus()
})
/** Stable from one drawing to the next: the list would be made anew for ever. */
const offered = computed(() => [...(does.value ? [does.value] : []), ...offers.value].map((offer) => ({ offer })))
</script>

<template>
  <Combobox as="div" class="relative" :model-value="null" nullable @update:model-value="choose">
    <label class="relative block">
      <span class="sr-only">What should change?</span>
      <Search class="pointer-events-none absolute top-3 left-3 size-5 text-soft" aria-hidden="true" />
      <ComboboxInput
        ref="field"
        class="field w-full pr-9 pl-10"
        placeholder="What should change?"
        data-test="wish"
        :display-value="() => wish"
        autocomplete="off"
        @change="((wish = valueOf($event)), (inList = false))"
        @focus="markAll($event)"
        @keydown.enter.capture="onEnter"
        @keydown.down="inList = true"
        @keydown.up="inList = true"
      />
      <kbd
        class="pointer-events-none absolute top-2.5 right-2.5 rounded border border-edge px-1.5 text-sm text-soft"
        title="The key / goes here from anywhere"
        aria-hidden="true"
        >/</kbd
      >
    </label>
    <ComboboxOptions
      class="absolute right-0 bottom-12 z-20 max-h-[70vh] w-[30rem] max-w-[calc(100vw-1rem)] overflow-y-auto rounded-xl border border-edge bg-panel p-1.5 shadow-xl"
    >
      <div v-if="typed && why" class="p-2.5" role="status" data-test="wish-why"><UiSentenceText :text="why" /></div>
      <div v-if="measure" class="px-2.5 pt-1.5 text-sm" data-test="wish-measure"><b>How much:</b> {{ measure }}.</div>
      <div v-if="slips.length" class="px-2.5 pt-1.5 text-sm text-soft" data-test="wish-slips">
        <template v-for="s in slips" :key="s.typed">“{{ s.typed }}” was read as “{{ s.as }}”. </template>
      </div>
      <ComboboxOption v-for="(o, i) in offered" :key="i" v-slot="{ active }" :value="o" as="template">
        <li
          class="flex cursor-pointer gap-2.5 rounded-lg p-2.5"
          :class="[active && 'bg-act-pale', does && 'border border-act']"
          :data-test="does ? 'wish-does' : 'wish-offer'"
        >
          <CornerDownLeft v-if="does" class="mt-0.5 size-5 shrink-0 text-act" aria-label="Enter" />
          <div class="min-w-0">
            <div class="font-semibold">
              <UiSentenceText :text="o.offer.sentence" />
            </div>
            <div v-if="does" class="text-sm text-soft">{{ tried.pieces.join(', ') }}</div>
          </div>
        </li>
      </ComboboxOption>
      <div v-if="offered.length > 0 && (found.length > 0 || own.length > 0)" class="my-1 border-t border-edge" />
      <ComboboxOption v-for="o in own" :key="o.recipe.id" v-slot="{ active }" :value="o" as="template">
        <li class="flex cursor-pointer items-center rounded-lg p-2.5" :class="active && 'bg-act-pale'" :data-test="`own-${o.recipe.name}`">
          <div class="flex-1">
            <div class="font-semibold">{{ o.recipe.name }}</div>
            <div class="text-sm text-soft">your own change</div>
          </div>
          <button class="btn-quiet" :aria-label="`Forget “${o.recipe.name}”`" @click.stop="recipes.forget(o.recipe)">
            <Trash2 class="size-4" />
          </button>
        </li>
      </ComboboxOption>
      <ComboboxOption v-for="f in found" :key="f.kind.kind" v-slot="{ active }" :value="f" :disabled="f.cannot !== null" as="template">
        <li
          class="rounded-lg p-2.5"
          :class="[active && 'bg-act-pale', f.cannot === null ? 'cursor-pointer' : 'text-soft']"
          :data-test="`kind-${f.kind.kind}`"
        >
          <div class="font-semibold">{{ f.kind.title }}</div>
          <div class="text-sm">{{ f.cannot ?? f.kind.does }}</div>
          <div v-if="f.cannot === null" class="text-sm text-soft">Holds: {{ f.kind.holds }}</div>
        </li>
      </ComboboxOption>
    </ComboboxOptions>
    <ReshapeWishChoice
      v-if="choosing"
      :wish="wish"
      :why="why ?? ''"
      :measure="measure"
      :offers="offers"
      :garment="garment"
      @take="take"
      @close="choosing = false"
    />
  </Combobox>
</template>
