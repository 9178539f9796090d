<script setup lang="ts">
import { ArrowLeft, ArrowRight, Info, PersonStanding, Pin, Power, Trash2, TriangleAlert, Wrench } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { adviseOrder } from '~~/core/advice'
import { changedPieces, checkInputs, findKind, withInputs, withLargest, type Change } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { writeLengths } from '~~/core/units'
import { say, sayDone, sayFault } from '~/messages'
import { stationAt } from '~/stations'
import { usePrefs } from '~/stores/prefs'
import { useRecipes } from '~/stores/recipes'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import type { ComputedStop } from '~/workers/desk'

/** The stop that is open: its inputs, what it held, its cautions and its ledger. */
const props = defineProps<{ change: Change; stop: ComputedStop; index: number; count: number; before: Garment }>()
const SOURCES = {
  body: { icon: PersonStanding, words: 'From the body’s figures: a new plan sets it anew.' },
  match: { icon: Wrench, words: 'From Match: it mends a fault.' },
  fitting: { icon: Pin, words: 'From a fitting.' },
} as const
const work = useWork()
const session = usePlanSession()
const prefs = usePrefs()
const recipes = useRecipes()
const kind = computed(() => findKind(props.change.kind as string))
const title = computed(() => kind.value?.describe(props.before, props.change.inputs).title ?? props.change.kind)
const changedNames = computed(
  () =>
    props.stop.applied &&
    changedPieces(props.before, props.stop.applied.garment, props.before.baseSizeId)
      .map((p) => p.name)
      .join(', '),
)

/** The fitting that asked for it. */
const toFitting = computed(() => {
  const at = stationAt(work.project?.garmentId ?? '', work.fitId, 'fittings')
  return { ...at, query: { ...at.query, fitting: props.change.seen?.fittingId } }
})

/** How many ways there are to do it on these pieces. */
const ways = computed(() => kind.value?.choices?.(props.before, props.change.inputs, session.contextFor(props.before)).length ?? 0)

/** What was changed, laid together as it will be sewn. */
const sewn = computed(() => {
  const { applied } = props.stop
  if (!applied) return []
  return kind.value?.asSewn?.(props.before, props.change.inputs, applied.alike ?? applied, session.contextFor(props.before)) ?? []
})

/** What the place of this stop in the plan costs. */
const order = computed(() => adviseOrder(work.stops, props.before).find((a) => a.changeId === props.change.id) ?? null)

/** What was set and is not stored yet: what is set next, while that takes its time, stands on it. */
const asked = shallowRef<Change | null>(null)
const current = computed(() => asked.value ?? props.change)
let storing = 0
const forgetAsked = () => void (storing === 0 && (asked.value = null))
watch(() => props.change, forgetAsked)

/** Counts refused inputs: the form is drawn afresh, with what holds. */
const refused = ref(0)
async function edit(inputs: unknown) {
  const problem = checkInputs(props.change.kind, props.before, inputs)
  if (problem) {
    refused.value += 1
    return sayFault(writeLengths(problemSentence(problem), prefs.ruler))
  }
  asked.value = withInputs(current.value, inputs)
  storing += 1
  const stored = await work.setStop(asked.value).finally(() => (storing -= 1))
  if (!stored) forgetAsked()
}
function useLargest() {
  const mm = props.stop.problem?.largestMm
  if (mm === undefined || !kind.value) return
  const inputs = withLargest(kind.value, props.before, props.change.inputs, mm, session.contextFor(props.before))
  if (inputs !== null) edit(inputs)
}
async function remove() {
  const stored = await work.removeChange(props.change.id)
  if (stored) say(`Deleted “${title.value}”.`, { label: 'Undo', run: () => void work.undo() })
}
const ownName = ref('')
async function keepOwn() {
  const sentence = await recipes.keep(props.before, props.change, ownName.value)
  if (sentence) sayFault(sentence)
  else sayDone(`“${ownName.value.trim()}” is found under “What should change?” on every garment.`)
  if (!sentence) ownName.value = ''
}
const forEverybody = computed(() => work.isForEverybody(props.change.id))
</script>

<template>
  <div class="space-y-4">
    <div>
      <div class="text-sm text-soft">stop {{ index + 1 }} of {{ count }}</div>
      <h2 class="font-display text-xl italic" data-test="stop-title">{{ title }}</h2>
      <p v-if="kind" class="text-sm text-soft">{{ kind.does }}</p>
      <p v-if="change.from" class="mt-1 flex items-center gap-1.5 text-sm" data-test="stop-from">
        <component :is="SOURCES[change.from].icon" class="size-4 text-soft" aria-hidden="true" />{{ SOURCES[change.from].words }}
        <NuxtLink v-if="change.seen && work.project" :to="toFitting" class="underline" data-test="to-fitting">What was seen</NuxtLink>
      </p>
    </div>

    <div v-if="stop.problem" class="rounded-lg bg-fault-pale p-3 text-fault" role="alert" data-test="problem">
      <p class="flex gap-2 font-semibold">
        <TriangleAlert class="mt-0.5 size-5 shrink-0" aria-hidden="true" />{{
          stop.status === 'orphan' ? 'Not applicable here' : 'Not applied'
        }}
      </p>
      <p class="mt-1"><UiSentenceText :text="`${stop.problem.where}: ${stop.problem.message} ${stop.problem.remedy}`" /></p>
      <button v-if="stop.problem.largestMm" class="btn mt-2" data-test="use-largest" @click="useLargest">Use the largest that works</button>
    </div>
    <p v-else-if="stop.status === 'off'" class="rounded-lg bg-act-pale p-3">Switched off: the pieces stay as they were before it.</p>

    <ReshapeChangeForm :key="refused" :change="current" :garment="before" :applied="stop.applied" @edit="edit" />

    <p v-if="changedNames" class="text-sm" data-test="changed-pieces"><span class="font-semibold">Changes:</span> {{ changedNames }}</p>

    <div v-if="order" class="rounded-lg bg-note-pale p-3 text-sm" data-test="order-advice">
      <p class="flex gap-2 text-note"><Info class="mt-0.5 size-4 shrink-0" aria-hidden="true" /><UiSentenceText :text="order.message" /></p>
      <button class="btn mt-2 text-sm" data-test="follow-order" @click="work.moveChange(change.id, order.moveTo)">{{ order.label }}</button>
    </div>

    <ul v-if="stop.applied?.cautions.length" class="space-y-2" aria-label="Cautions">
      <li v-for="(c, i) in stop.applied.cautions" :key="i" class="rounded-lg bg-note-pale p-3 text-sm" :data-test="`caution-${c.code}`">
        <p class="flex gap-2 text-note"><Info class="mt-0.5 size-4 shrink-0" aria-hidden="true" /><UiSentenceText :text="c.message" /></p>
        <button v-if="c.mend" class="btn mt-2 text-sm" :data-test="`mend-${c.code}`" @click="edit(c.mend.inputs)">
          {{ c.mend.label }}
        </button>
      </li>
    </ul>

    <ReshapeFoldedDart
      v-if="stop.applied?.folded"
      :garment="stop.applied.garment"
      :piece-id="stop.applied.folded.pieceId"
      :dart-id="stop.applied.folded.dartId"
      :settable="kind?.press !== undefined"
      @press="edit(kind!.press!(change.inputs, $event))"
    />

    <ReshapeSewnPicture v-for="p in sewn" :key="p.title" :picture="p" />

    <ReshapeCompareWays v-if="stop.applied && ways > 1" :change-id="change.id" @take="edit" />

    <ReshapeHeldList v-if="stop.applied" :held="stop.applied.held" />

    <section v-if="stop.applied" aria-label="Ledger of this stop"><ReshapeLedgerTable :rows="stop.ledger" /></section>

    <UiNoteField
      :key="change.id"
      :model-value="change.note"
      label="Why"
      placeholder="What you saw, and why you decided this"
      test="note"
      @update:model-value="work.noteStop(change.id, $event)"
    />

    <form v-if="kind?.recipe" class="flex items-end gap-2" @submit.prevent="keepOwn">
      <label class="min-w-0 flex-1"
        ><span class="mb-1 block font-semibold">Keep as a change of my own</span>
        <input v-model="ownName" class="field" maxlength="80" placeholder="a name for it" data-test="own-name" />
      </label>
      <button class="btn" data-test="keep-own">Keep</button>
    </form>

    <label class="flex items-start gap-2 border-t border-edge pt-3">
      <input
        type="checkbox"
        class="mt-1 size-5 shrink-0 accent-(--act)"
        :checked="forEverybody"
        data-test="for-everybody"
        @change="work.setForEverybody(change.id, !forEverybody)"
      />
      <span
        ><span class="font-semibold">For everybody who wears this garment</span>
        <span class="block text-sm text-soft">It mends the pattern itself: every fit begins with it.</span></span
      >
    </label>

    <div class="flex flex-wrap gap-2">
      <button class="btn" data-test="switch" @click="work.switchChange(change.id, !change.on)">
        <Power class="size-4" />{{ change.on ? 'Switch off' : 'Switch on' }}
      </button>
      <button
        class="btn"
        :disabled="index === 0"
        aria-label="Move this stop earlier"
        data-test="move-earlier"
        @click="work.moveChange(change.id, index - 1)"
      >
        <ArrowLeft class="size-4" />Earlier
      </button>
      <button
        class="btn"
        :disabled="index === count - 1"
        aria-label="Move this stop later"
        data-test="move-later"
        @click="work.moveChange(change.id, index + 1)"
      >
        Later<ArrowRight class="size-4" />
      </button>
      <button class="btn text-fault" data-test="delete-stop" @click="remove"><Trash2 class="size-4" />Delete</button>
    </div>
  </div>
</template>
