<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { Search, Trash2 } from 'lucide-vue-next'
import { toast } from 'vue-sonner'
import { computed, ref } from 'vue'
import { checkInputs, findChanges, newStop, readRequest, recipeAsStop, type ChangeKind, type Recipe } from '~~/core/changes'
import { findPiece, type Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { writeLengths } from '~~/core/units'
import { usePrefs } from '~/stores/prefs'
import { useRecipes } from '~/stores/recipes'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

/** One box to type into: finds a change by its name or by what one sees on the body, and adds it as a stop. */
const props = defineProps<{ garment: Garment }>()
const prefs = usePrefs()
const work = useWork()
const session = usePlanSession()
const wish = ref('')
/** The same objects from one drawing to the next: the list would be made anew for ever. */
const found = computed(() => findChanges(wish.value).map((kind) => ({ kind })))
const recipes = useRecipes()
/** Changes with a name of one's own, by that name. */
const own = computed(() =>
  recipes.all.filter((r) => r.name.toLowerCase().includes(wish.value.trim().toLowerCase())).map((recipe) => ({ recipe })),
)

async function choose(picked: { kind: ChangeKind<unknown> } | { recipe: Recipe } | null) {
  if (!picked) return
  if ('recipe' in picked) return useOwn(picked.recipe)
  const { kind } = picked
  const context = session.contextFor(props.garment)
  const begun = kind.begin(props.garment, context)
  if (!begun.ok) {
    toast.error(problemSentence(begun.problem))
    return
  }
  const request = readRequest(wish.value, prefs.units, props.garment.pieces)
  let inputs = begun.value
  const piece = request.pieceId ? findPiece(props.garment, request.pieceId) : undefined
  if (piece) inputs = kind.withPiece?.(props.garment, inputs, piece.id, context) ?? inputs
  if (request.amountMm !== null) inputs = kind.withAmount?.(props.garment, inputs, request.amountMm, context) ?? inputs
  const cannot = checkInputs(kind.kind, props.garment, inputs)
  if (cannot) return void toast.error(writeLengths(problemSentence(cannot), prefs.units))
  wish.value = ''
  await work.addChange(newStop(kind.kind, inputs))
}
async function useOwn(recipe: Recipe) {
  const stop = recipeAsStop(props.garment, recipe)
  if (!stop.ok) {
    toast.error(problemSentence(stop.problem))
    return
  }
  wish.value = ''
  await work.addChange(stop.value)
}
</script>

<template>
  <Combobox as="div" class="relative" :model-value="null" nullable @update:model-value="choose">
    <label class="relative block">
      <span class="sr-only">What should change?</span>
      <Search class="pointer-events-none absolute top-3 left-3 size-5 text-soft" aria-hidden="true" />
      <ComboboxInput
        class="field w-full pl-10"
        placeholder="What should change?  shorten the body by 1 3/8"
        data-test="wish"
        :display-value="() => wish"
        autocomplete="off"
        @change="wish = $event.target.value"
        @focus="($event.target as HTMLInputElement).select()"
      />
    </label>
    <ComboboxOptions
      class="absolute right-0 bottom-12 z-20 max-h-[70vh] w-[26rem] max-w-[90vw] overflow-y-auto rounded-xl border border-edge bg-panel p-1.5 shadow-xl"
    >
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
      <div v-if="found.length === 0 && own.length === 0" class="p-3 text-soft">
        No change is known for “{{ wish }}” yet. Try what you see on the body, such as “too long above the waist”.
      </div>
      <ComboboxOption v-for="f in found" :key="f.kind.kind" v-slot="{ active }" :value="f" as="template">
        <li class="cursor-pointer rounded-lg p-2.5" :class="active && 'bg-act-pale'" :data-test="`kind-${f.kind.kind}`">
          <div class="font-semibold">{{ f.kind.title }}</div>
          <div class="text-sm">{{ f.kind.does }}</div>
          <div class="text-sm text-soft">Holds: {{ f.kind.holds }}</div>
        </li>
      </ComboboxOption>
    </ComboboxOptions>
  </Combobox>
</template>
