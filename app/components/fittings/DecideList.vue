<script setup lang="ts">
import { Ban, CheckCheck, CircleHelp, Eye, Info, ListPlus } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  findSign,
  inOrder,
  isSign,
  pinWords,
  seenWords,
  sharedCauses,
  type Decision,
  type Fitting,
  type FittingMend,
} from '~~/core/fittings'
import type { Offer } from '~~/core/advice'
import { wordsWithAmount } from '~~/core/changes'
import { lengthToken, writeLengths } from '~~/core/units'
import { sayDone } from '~/messages'
import { stationAt } from '~/stations'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { usePrefs } from '~/stores/prefs'
import { useSelection } from '~/stores/selection'
import { useWork } from '~/stores/work'

/** What may mend each sign and pin, in the order of trying; what becomes of it is written down with its reason. */
const props = defineProps<{ fitting: Fitting; about: string | null }>()
const emit = defineEmits<{ look: [] }>()
const log = useFittings()
const work = useWork()
const session = usePlanSession()
const prefs = usePrefs()
const router = useRouter()

interface Item {
  id: string
  words: string
  may: string | null
  mm: number | null
  decision: Decision
}
const items = computed((): Item[] => [
  ...inOrder(props.fitting.sightings.filter(isSign)).map((s) => ({
    id: s.id,
    words: seenWords(s),
    may: s.signId ? (findSign(s.signId)?.may ?? null) : null,
    mm: s.mm,
    decision: s.decision,
  })),
  ...props.fitting.pins.map((p) => ({
    id: p.id,
    words: `Pinned. ${pinWords(work.project!.garment, p)}`,
    may: null,
    mm: null,
    decision: p.decision,
  })),
])
const isOpen = (item: Item) => item.decision.is === 'open' || item.decision.is === 'later'
const open = computed(() => items.value.filter(isOpen))
const settled = computed(() => items.value.filter((i) => !isOpen(i)))
const causes = computed(() => sharedCauses(props.fitting.sightings))

const mends = shallowRef<Record<string, FittingMend & { amountMm: number | null }> | null>(null)
let asked = 0
watch(
  [() => props.fitting, () => session.computedPlan],
  async () => {
    const own = ++asked
    const found = await session.mendsOf(props.fitting)
    // Why nothing could be tried stands on the page already.
    if (own === asked) mends.value = found ?? {}
  },
  { immediate: true },
)

async function accept(item: Item, offer: Offer) {
  const note = writeLengths([item.words, item.mm === null ? '' : lengthToken(item.mm)].filter(Boolean).join(', '), prefs.ruler).slice(
    0,
    2000,
  )
  const id = await log.accept(props.fitting.id, item.id, offer.change, note, offer.sentence)
  if (!id) return
  if (offer.asksAmount) {
    // How much is asked next, in its form.
    useSelection().begun = { stopId: id, field: offer.field, towards: offer.towards }
    await router.push(stationAt(work.project!.garmentId, work.fitId, 'reshape'))
  } else sayDone(`${writeLengths(offer.sentence, prefs.ruler)}: it is a stop of the plan now.`)
}
const rejecting = ref<{ id: string; reason: string } | null>(null)
async function reject() {
  if (!rejecting.value) return
  const { id, reason } = rejecting.value
  if (await log.decide(props.fitting.id, id, { is: 'rejected', reason: reason.slice(0, 2000) }, 'leave as it is')) rejecting.value = null
}
const later = (item: Item) => log.decide(props.fitting.id, item.id, { is: 'later' }, 'look again next time')
const again = (item: Item) => log.decide(props.fitting.id, item.id, { is: 'open' }, 'judge again')

const stopsOf = (d: Decision) => (d.is === 'taken' ? d.changeIds.flatMap((id) => work.stops.find((c) => c.id === id) ?? []) : [])
const stopWords = (id: string) => {
  const stop = session.computedPlan?.stops.find((s) => s.change.id === id)
  return stop ? wordsWithAmount(stop.words) : 'a stop'
}
async function toStop(id: string) {
  useSelection().stopId = id
  await router.push(stationAt(work.project!.garmentId, work.fitId, 'reshape'))
}
</script>

<template>
  <div class="mx-auto max-w-3xl space-y-4 p-4">
    <p v-if="items.length === 0" class="text-soft">
      Nothing was seen or pinned yet.
      <button class="underline" @click="emit('look')">Look from the top down</button>.
    </p>
    <p v-for="[a, b] in causes" :key="`${a.id} ${b.id}`" class="flex gap-2 rounded-lg bg-ease-pale p-3 text-ease" data-test="one-cause">
      <Info class="mt-0.5 size-5 shrink-0" aria-hidden="true" />
      <span>“{{ seenWords(a) }}” and “{{ seenWords(b) }}” may have one cause: make one change, sew, and look again before the next.</span>
    </p>
    <article v-for="item in open" :key="item.id" class="panel p-4" :class="about === item.id && 'border-note'" data-test="decide">
      <h2 class="flex items-start gap-2 font-semibold">
        <CircleHelp class="mt-0.5 size-5 shrink-0 text-note" aria-hidden="true" />
        <span class="flex-1"
          ><UiSentenceText :text="item.words" /><span v-if="item.mm !== null">, <UiLengthText :mm="item.mm" /></span
        ></span>
        <span v-if="item.decision.is === 'later'" class="text-sm font-normal text-soft">to look at again</span>
      </h2>
      <p v-if="item.may" class="mt-1 text-sm text-soft">
        It may mean {{ item.may }}.<template v-if="item.mm === null && mends?.[item.id]?.amountMm">
          By the body’s figures <UiLengthText :mm="mends[item.id]!.amountMm!" /> are missing.</template
        >
        It is a judgement: try the first that fits, and look again.
      </p>
      <p v-if="mends === null" class="mt-2 text-sm text-soft" role="status">Trying what may mend it …</p>
      <ol v-else class="mt-2 space-y-2">
        <li v-for="(offer, i) in mends[item.id]?.offers ?? []" :key="i" class="flex flex-wrap items-center gap-3" data-test="offer">
          <button :class="i === 0 ? 'btn-act' : 'btn'" data-test="accept" @click="accept(item, offer)">
            <ListPlus class="size-4" />Make a stop of it
          </button>
          <UiSentenceText class="min-w-0 flex-1" :text="offer.sentence" />
        </li>
      </ol>
      <p v-for="why in mends?.[item.id]?.whyNot ?? []" :key="why" class="mt-2 text-sm text-ease" data-test="why-not">
        <UiSentenceText :text="why" />
      </p>
      <div v-if="rejecting?.id === item.id" class="mt-3 flex flex-wrap items-end gap-2">
        <label class="min-w-60 flex-1">
          <span class="mb-1 block font-semibold">Why it stays as it is</span>
          <input v-model="rejecting.reason" class="field" maxlength="500" data-test="reject-reason" @keydown.enter.prevent="reject" />
        </label>
        <button class="btn-act" data-test="reject-go" @click="reject">Keep it so</button>
        <button class="btn" @click="rejecting = null">Cancel</button>
      </div>
      <div v-else class="mt-3 flex flex-wrap gap-2">
        <button class="btn" data-test="reject" @click="rejecting = { id: item.id, reason: '' }">
          <Ban class="size-4" />Leave it as it is
        </button>
        <button v-if="item.decision.is !== 'later'" class="btn" data-test="later" @click="later(item)">
          <Eye class="size-4" />Look again next time
        </button>
      </div>
    </article>
    <section v-if="settled.length" aria-label="Decided">
      <h2 class="mb-1 flex items-center gap-2 font-semibold"><CheckCheck class="size-5 text-good" aria-hidden="true" />Decided</h2>
      <ul>
        <li
          v-for="item in settled"
          :key="item.id"
          class="flex flex-wrap items-center gap-x-3 border-t border-edge/60 py-2"
          data-test="decided"
        >
          <span class="min-w-60 flex-1"
            ><UiSentenceText :text="item.words" /><span v-if="item.mm !== null">, <UiLengthText :mm="item.mm" /></span>
            <span v-if="item.decision.is === 'rejected'" class="block text-sm text-soft"
              >left as it is{{ item.decision.reason ? `: ${item.decision.reason}` : '' }}</span
            >
            <template v-else>
              <button
                v-for="c in stopsOf(item.decision)"
                :key="c.id"
                class="block text-sm underline"
                data-test="decided-stop"
                @click="toStop(c.id)"
              >
                <UiSentenceText :text="stopWords(c.id)" />
              </button>
              <span v-if="stopsOf(item.decision).length === 0" class="block text-sm text-soft">a stop that was deleted since</span>
            </template>
          </span>
          <button class="btn-quiet text-sm" data-test="judge-again" @click="again(item)">Judge again</button>
        </li>
      </ul>
    </section>
  </div>
</template>
