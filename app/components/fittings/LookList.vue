<script setup lang="ts">
import { Check, CircleAlert, X } from 'lucide-vue-next'
import { computed, nextTick, ref } from 'vue'
import { emptySighting, findSign, isSign, PLACES, placesOf, type Fitting, type Place, type Sighting } from '~~/core/fittings'
import { focusLater } from '~/focus-later'
import { isPinnable } from '~/pinned-amount'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'

/** Looking from the top down: at each place it sits well, or a sign is chosen or described; nothing has to be filled in. */
const props = defineProps<{ fitting: Fitting }>()
const emit = defineEmits<{ done: [] }>()
const log = useFittings()
const work = useWork()
const session = usePlanSession()

const showAll = ref(false)
/** Places that this garment has; those in which something was written down already are always shown. */
const places = computed(() => {
  const garment = session.computedPlan?.garments.at(-1) ?? work.project!.garment
  const there = placesOf(garment)
  return PLACES.filter((p) => showAll.value || there.includes(p.id) || props.fitting.sightings.some((s) => s.placeId === p.id))
})
const litId = ref<string | null>(null)
const lit = computed(() => places.value.find((p) => p.id === litId.value) ?? places.value[0] ?? null)
const at = (place: Place) => props.fitting.sightings.filter((s) => s.placeId === place.id)
const signsAt = (place: Place) => at(place).filter((s) => !s.isWell)
const isWell = (place: Place) => at(place).some((s) => s.isWell)
const left = computed(() => places.value.filter((p) => at(p).length === 0).length)

const write = (label: string, recipe: (f: Fitting) => void) => log.write(props.fitting.id, label, recipe)
const setWell = (place: Place, well: boolean) =>
  write(`${place.name}: ${well ? 'sits well' : 'open again'}`, (f) => {
    f.sightings = f.sightings.filter((s) => !(s.placeId === place.id && s.isWell))
    if (well) f.sightings.push({ ...emptySighting(crypto.randomUUID(), place.id), isWell: true })
  })
async function addSign(place: Place, signId: string | null) {
  const known = signId === null ? undefined : at(place).find((s) => s.signId === signId)
  const id = known?.id ?? crypto.randomUUID()
  if (!known)
    await write(`${place.name}: ${signId === null ? 'own words' : findSign(signId)!.seen}`, (f) => {
      f.sightings = f.sightings.filter((s) => !(s.placeId === place.id && s.isWell))
      f.sightings.push({ ...emptySighting(id, place.id), signId })
    })
  await toField(id)
}
/** The first field of what was just added: how much, or the words. */
const toField = (id: string) =>
  focusLater(() => list.value?.querySelector<HTMLElement>(`[data-sighting="${id}"] input, [data-sighting="${id}"] textarea`))
const change = (s: Sighting, label: string, part: Partial<Sighting>) =>
  write(label, (f) => {
    const own = f.sightings.find((x) => x.id === s.id)
    if (own) Object.assign(own, part)
  })
const remove = (s: Sighting) => write('take a sign away', (f) => void (f.sightings = f.sightings.filter((x) => x.id !== s.id)))

const list = ref<HTMLElement | null>(null)
const rowOf = (id: string) => list.value?.querySelector<HTMLElement>(`[data-row="${id}"]`)
function goTo(i: number) {
  const place = places.value[i]
  if (!place) return
  litId.value = place.id
  void nextTick(() => {
    rowOf(place.id)?.focus()
    rowOf(place.id)?.scrollIntoView({ block: 'nearest' })
  })
}
const indexOfLit = () => places.value.findIndex((p) => p.id === lit.value?.id)

/** On a row: arrows walk, W says that it sits well and goes on, a figure chooses a sign, O one’s own words. */
function onRowKey(event: KeyboardEvent) {
  const place = lit.value
  if (!place || event.ctrlKey || event.metaKey || event.altKey) return
  const i = indexOfLit()
  const digit = /^[1-9]$/.test(event.key) ? Number(event.key) - 1 : -1
  if (event.key === 'ArrowDown') goTo(i + 1)
  else if (event.key === 'ArrowUp') goTo(i - 1)
  else if (event.key === 'Home') goTo(0)
  else if (event.key === 'End') goTo(places.value.length - 1)
  else if (event.key.toLowerCase() === 'w') void setWell(place, true).then(() => goTo(i + 1))
  else if (event.key.toLowerCase() === 'o') void addSign(place, null)
  else if (digit >= 0 && place.signs[digit]) void addSign(place, place.signs[digit].id)
  else return
  event.preventDefault()
}
/** From the fields of a sign back to the list: Escape to its place, Enter to the next one, once what was typed is a length. */
function onFieldKey(event: KeyboardEvent) {
  const { target } = event
  if (event.key === 'Escape') goTo(indexOfLit())
  else if (event.key === 'Enter' && target instanceof HTMLInputElement) {
    void nextTick(() => target.getAttribute('aria-invalid') !== 'true' && goTo(indexOfLit() + 1))
    return
  } else return
  event.preventDefault()
  event.stopPropagation()
}
const HALVES = [
  { value: '', label: 'front or back' },
  { value: 'front', label: 'front' },
  { value: 'back', label: 'back' },
]
const SIDES = [
  { value: 'both', label: 'both sides' },
  { value: 'left', label: 'left' },
  { value: 'right', label: 'right' },
]
</script>

<template>
  <div class="grid h-full min-h-0 md:grid-cols-[9rem_1fr] lg:grid-cols-[18rem_1fr]">
    <div class="flex flex-col items-center border-edge p-3 max-md:hidden md:border-r">
      <div class="min-h-0 w-full flex-1">
        <FittingsPlaceFigure :at="lit?.id ?? null" :signs="fitting.sightings.filter(isSign).map((s) => s.placeId)" />
      </div>
      <p class="mt-2 text-sm text-soft max-lg:hidden">
        Arrow keys walk. W: sits well. 1 to 9: a sign. O: own words. Enter: the next place. Escape: back to the list.
      </p>
    </div>
    <div class="flex min-h-0 flex-col">
      <p class="flex flex-wrap items-center gap-3 border-b border-edge px-4 py-2 text-sm">
        <span data-test="look-left">{{
          left === 0 ? 'Every place was looked at.' : `${left} of ${places.length} places still to look at.`
        }}</span>
        <label class="ml-auto flex min-h-11 items-center gap-2"
          ><input v-model="showAll" type="checkbox" class="size-5 accent-(--act)" data-test="all-places" />places that this garment does not
          have too</label
        >
      </p>
      <ol ref="list" class="min-h-0 flex-1 overflow-y-auto" data-test="look-list">
        <li
          v-for="p in places"
          :key="p.id"
          class="border-b border-edge/60"
          :class="lit?.id === p.id && 'bg-act-pale/60'"
          :data-test="`place-${p.id}`"
        >
          <button
            class="flex min-h-12 w-full items-center gap-3 px-4 py-2 text-left"
            :data-row="p.id"
            :tabindex="lit?.id === p.id ? 0 : -1"
            :aria-current="lit?.id === p.id"
            @click="litId = p.id"
            @focus="litId = p.id"
            @keydown="onRowKey"
          >
            <Check v-if="isWell(p)" class="size-5 shrink-0 text-good" aria-hidden="true" />
            <CircleAlert v-else-if="signsAt(p).length" class="size-5 shrink-0 text-note" aria-hidden="true" />
            <span v-else class="size-5 shrink-0 rounded-full border-2 border-edge" aria-hidden="true" />
            <span class="font-semibold">{{ p.name }}</span>
            <span class="min-w-0 flex-1 truncate text-sm text-soft"
              >{{
                isWell(p)
                  ? 'sits well'
                  : signsAt(p)
                      .map((s) => (s.signId ? findSign(s.signId)?.seen : s.words))
                      .filter(Boolean)
                      .join('; ')
              }}
            </span>
          </button>
          <div v-if="lit?.id === p.id" class="space-y-3 px-4 pb-4 lg:pl-12">
            <p class="text-sm text-soft">{{ p.look }}</p>
            <div class="flex flex-wrap gap-2">
              <button
                class="btn"
                :class="isWell(p) && 'border-good bg-good-pale text-good'"
                :aria-pressed="isWell(p)"
                data-test="sits-well"
                @click="setWell(p, !isWell(p))"
              >
                <Check class="size-4" />Sits well
              </button>
              <button
                v-for="(s, i) in p.signs"
                :key="s.id"
                class="btn text-left"
                :class="at(p).some((x) => x.signId === s.id) && 'border-note bg-note-pale text-note'"
                :aria-pressed="at(p).some((x) => x.signId === s.id)"
                :data-test="`sign-${s.id}`"
                @click="addSign(p, s.id)"
              >
                <span class="text-sm text-soft">{{ i + 1 }}</span>{{ s.seen }}
              </button>
              <button class="btn" data-test="own-words" @click="addSign(p, null)">Something else</button>
            </div>
            <div
              v-for="s in signsAt(p)"
              :key="s.id"
              class="panel space-y-2 p-3"
              :data-sighting="s.id"
              data-test="sighting"
              @keydown="onFieldKey"
            >
              <div class="flex items-start gap-2">
                <p class="flex-1 font-semibold">{{ s.signId ? findSign(s.signId)?.seen : 'Something else' }}</p>
                <button class="btn-quiet -my-2" aria-label="Take this sign away" data-test="remove-sign" @click="remove(s)">
                  <X class="size-4" />
                </button>
              </div>
              <div class="flex flex-wrap items-end gap-3">
                <FieldsLengthField
                  v-if="s.signId === null || findSign(s.signId)?.measure"
                  :model-value="s.mm ?? 0"
                  label="How much"
                  test="sign-mm"
                  positive
                  @update:model-value="isPinnable($event) && change(s, 'how much was seen', { mm: $event || null })"
                />
                <UiChoice
                  :model-value="s.half ?? ''"
                  label="Front or back"
                  hide-label
                  test="sign-half"
                  :options="HALVES"
                  @update:model-value="change(s, 'front or back', { half: ($event || null) as Sighting['half'] })"
                />
                <UiChoice
                  :model-value="s.side"
                  label="Side"
                  hide-label
                  test="sign-side"
                  :options="SIDES"
                  @update:model-value="change(s, 'side', { side: $event as Sighting['side'] })"
                />
              </div>
              <p v-if="s.signId && findSign(s.signId)?.measure" class="text-sm text-soft">{{ findSign(s.signId)!.measure }}</p>
              <UiNoteField
                v-if="s.signId === null || s.words"
                :model-value="s.words"
                label="In your words"
                :placeholder="s.signId === null ? 'such as: shorten the sleeve by 1' : ''"
                test="sign-words"
                @update:model-value="change(s, 'words of a sign', { words: $event })"
              />
            </div>
          </div>
        </li>
      </ol>
      <div class="border-t border-edge p-3 text-right">
        <button class="btn-act" data-test="to-decide" @click="emit('done')">Decide what becomes of it</button>
      </div>
    </div>
  </div>
</template>
