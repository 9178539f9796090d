<script setup lang="ts">
import { Check, ListPlus } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import { layOnPlan, planWith, type Proposed } from '~~/core/advice'
import { latestSet } from '~~/core/body'
import { db } from '~/data/db'
import { sayDone, sayFault } from '~/messages'
import { useWardrobe } from '~/stores/wardrobe'
import { usePlanSession } from '~/stores/plan-session'
import { useWork } from '~/stores/work'
import { stationAt } from '~/stations'

/** From body to plan: the stops that the figures ask for beside those of the plan, each to be taken or left out. */
const work = useWork()
const session = usePlanSession()
const wardrobe = useWardrobe()
const router = useRouter()
const project = computed(() => work.project!)
const set = computed(() => latestSet(work.wearer))

/** The last list stays to be read while the next is worked out; it can be taken only when it is the newest. */
const proposed = shallowRef<Proposed[] | null>(null)
watch(
  () => session.proposed,
  (list) => list && (proposed.value = list),
  { immediate: true },
)
/** Nothing before a first list has come, nor without figures: a plan that is there is not to be taken out for want of an answer. */
const plan = computed(() =>
  proposed.value && set.value
    ? layOnPlan(
        proposed.value.map((p) => p.change),
        work.stops,
      )
    : [],
)
const missingStops = computed(() => plan.value.filter((l) => l.how !== 'there'))
const chosenStops = computed(() => plan.value.filter((l, i) => l.how !== 'there' && !leftOut.value.has(keyOf(i))))
/** Proposed stops that are not to be taken, by what they are called and where they stand. */
const leftOut = ref(new Set<string>())
const keyOf = (i: number) => {
  const laid = plan.value[i]!
  return laid.how === 'drop' ? `drop ${laid.change.id}` : `${laid.proposed.kind} ${i}`
}
/** Whether stops that are there are set anew, or dropped, and not only new ones added. */
const isUpdate = computed(() => chosenStops.value.some((l) => l.how !== 'add'))
/** The lines of the list: what is proposed, then what is asked for no more. */
const lines = computed(() =>
  plan.value.map((laid, i) =>
    laid.how === 'drop'
      ? {
          laid,
          title: `Take out ${session.wordsOf(laid.change)}`,
          amountMm: null,
          isPlace: undefined,
          note: 'The figures do not ask for it any more.',
          cautions: [],
        }
      : {
          laid,
          isPlace: undefined,
          ...proposed.value![i]!.words,
          note: proposed.value![i]!.change.note,
          cautions: proposed.value![i]!.cautions,
        },
  ),
)
/** What stands in place of an empty list. */
const emptyWords = computed(() => {
  if (!set.value) return 'With figures of a body a plan is made here.'
  if (!session.proposed) return session.trouble ? 'No plan can be worked out: see above.' : 'A plan is being worked out …'
  return `Nothing ${work.stops.length ? 'more ' : ''}has to be changed for this body, as far as the figures go.`
})
const toggle = (i: number) => {
  const key = keyOf(i)
  leftOut.value = leftOut.value.has(key) ? new Set([...leftOut.value].filter((k) => k !== key)) : new Set([...leftOut.value, key])
}
watch(proposed, () => (leftOut.value = new Set()))
/** The plan that is being taken: whoever goes on to another station meanwhile waits for it, or sees what stands in its way. */
let taking: Promise<void> | null = null
const addPlan = () => (taking = tryPlan().finally(() => (taking = null)))
onBeforeRouteLeave(async () => {
  if (!taking) return
  await taking
  return inTheWay.value === null
})
async function tryPlan() {
  const lost = await session.lostBy(chosenStops.value)
  if (!lost) return
  if (lost.length > 0) inTheWay.value = lost
  else await takePlan([])
}
/** Stops of the plan that would no longer find what they are about: what is to become of them is asked. */
const inTheWay = ref<{ id: string; title: string }[] | null>(null)
async function takePlan(off: string[]) {
  inTheWay.value = null
  const count = chosenStops.value.length
  const done = isUpdate.value ? 'The plan goes by these figures now.' : `${count} ${count === 1 ? 'stop' : 'stops'} taken into the plan.`
  if (!(await work.takeProposed(chosenStops.value, off))) return
  sayDone(done, {
    label: 'See it',
    run: () => void router.push(stationAt(project.value.garmentId, work.fitId, 'reshape')),
  })
}
/** Another fit for the same wearer, in which only what the body asks for is done. */
async function planAnotherFit() {
  inTheWay.value = null
  const row = await db.garments.get(project.value.garmentId)
  const fit = work.fits.find((f) => f.id === work.fitId)
  if (!row || !fit) return sayFault('This garment or this fit was deleted in another tab. Look in the wardrobe.')
  const wanted = (proposed.value ?? []).filter((_, i) => !leftOut.value.has(keyOf(i))).map((p) => p.change)
  const { plan: stops } = planWith(layOnPlan(wanted, []), [], () => crypto.randomUUID())
  const id = await wardrobe.beginFit(row, project.value.wearerId, 'from the figures', { ...fit, plan: stops })
  if (id === null) return
  await router.push(stationAt(row.id, id, 'size'))
  sayDone('Another fit was begun with what the body asks for; the other one is as it was.')
}
</script>

<template>
  <section class="rounded-lg border border-edge bg-panel p-4" aria-label="From body to plan">
    <h2 class="mb-1 font-display text-xl italic">From body to plan</h2>
    <ol v-if="lines.length" class="mb-3 max-w-3xl divide-y divide-edge/60">
      <li
        v-for="({ laid, title, amountMm, isPlace, note, cautions }, i) in lines"
        :key="i"
        class="flex items-start gap-3 py-2"
        :data-test="`proposed-${i}`"
      >
        <input
          v-if="laid.how !== 'there'"
          type="checkbox"
          class="mt-0.5 size-5 accent-(--act)"
          :checked="!leftOut.has(keyOf(i))"
          :aria-label="laid.how === 'drop' ? 'Take this stop out of the plan' : `Take “${title}” into the plan`"
          :data-test="`take-${i}`"
          @change="toggle(i)"
        />
        <Check v-else class="mt-0.5 size-5 text-good" aria-hidden="true" />
        <div class="min-w-0 flex-1">
          <p>
            <span class="font-semibold">{{ i + 1 }}. <UiSentenceText :text="title" /></span>{{ ' '
            }}<UiLengthText v-if="amountMm !== null" :mm="amountMm" :signed="!isPlace" />
            <span v-if="laid.how === 'there'" class="ml-2 text-sm text-good">in the plan</span>
            <span v-else-if="laid.how === 'set'" class="ml-2 text-sm text-ease">in the plan with other figures</span>
          </p>
          <p v-if="note" class="text-sm text-soft">{{ note }}</p>
          <p v-for="(c, k) in cautions" :key="k" class="text-sm text-note"><UiSentenceText :text="c" /></p>
        </div>
      </li>
    </ol>
    <p v-else class="mb-2 text-soft" data-test="no-plan">{{ emptyWords }}</p>
    <button
      v-if="session.proposed && missingStops.length"
      class="btn-act"
      data-test="make-plan"
      :disabled="chosenStops.length === 0"
      @click="addPlan"
    >
      <ListPlus class="size-5" />
      <template v-if="isUpdate">Set the plan by these figures</template>
      <template v-else>Take {{ chosenStops.length === 1 ? 'this stop' : `these ${chosenStops.length} stops` }} into the plan</template>
    </button>
    <UiDialog v-if="inTheWay" title="Stops in the way" test="stops-in-the-way" @close="inTheWay = null">
      <p class="mt-2">
        This plan begins with other pieces or lines than {{ inTheWay.length === 1 ? 'this stop was' : 'these stops were' }} made for:
        {{ inTheWay.map((s) => `“${s.title}”`).join(', ') }}. Nothing has been changed yet.
      </p>
      <template #buttons>
        <button class="btn" data-test="in-the-way-cancel" @click="inTheWay = null">Cancel</button>
        <button class="btn" data-test="in-the-way-off" @click="takePlan(inTheWay!.map((s) => s.id))">
          Take the plan, switch {{ inTheWay.length === 1 ? 'it' : 'them' }} off
        </button>
        <button class="btn-act" data-test="in-the-way-fit" @click="planAnotherFit">Take it in another fit</button>
      </template>
    </UiDialog>
  </section>
</template>
