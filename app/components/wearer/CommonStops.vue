<script setup lang="ts">
import { ListPlus } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Wearer } from '~~/core/body'
import { beginLike, commonStops, type CommonStop, type WornGarment } from '~~/core/fittings'
import { wordsWithAmount } from '~~/core/changes'
import { problemSentence } from '~~/core/result'
import { writeLengths } from '~~/core/units'
import { useLive } from '~/composables/useLive'
import { db } from '~/data/db'
import { sayDone, sayFault } from '~/messages'
import { usePlanSession } from '~/stores/plan-session'
import { usePrefs } from '~/stores/prefs'
import { useWork } from '~/stores/work'

/** What the garments of a wearer had in common, and, where a garment is open, a way to begin with it. */
const props = defineProps<{ wearer: Wearer; /** A garment is open: what it lacks of it is offered. */ inGarment: boolean }>()
const work = useWork()
const session = usePlanSession()
const prefs = usePrefs()

/** Each garment of the wearer once, with the stops of all fits of it for them. */
const worn = useLive(
  async (): Promise<(WornGarment & { garmentId: string })[]> => {
    const fits = await db.fits.where('wearerId').equals(props.wearer.id).toArray()
    const rows = await db.garments.bulkGet([...new Set(fits.map((f) => f.garmentId))])
    return rows.flatMap((row) =>
      row
        ? [
            {
              garmentId: row.id,
              name: row.name,
              garment: row.garment,
              stops: [...row.mends, ...fits.flatMap((f) => (f.garmentId === row.id ? f.plan : []))],
            },
          ]
        : [],
    )
  },
  [],
  () => props.wearer.id,
)
const others = computed(() => worn.value.filter((w) => !props.inGarment || w.garmentId !== work.project?.garmentId))
const common = computed(() => commonStops(others.value))
const isThere = (one: CommonStop) => work.stops.some((c) => c.kind === one.kind)

async function begin(one: CommonStop) {
  const garment = session.computedPlan?.garments.at(-1) ?? work.project!.garment
  const source = `In ${one.in} of ${one.of} garments of ${props.wearer.name}: ${one.garments.join(', ')}.`
  const stop = beginLike(one, garment, session.contextFor(garment), source.slice(0, 2000))
  if (!stop.ok) return sayFault(problemSentence(stop.problem))
  if (await work.addChange(stop.value)) sayDone(`${writeLengths(wordsWithAmount(one), prefs.ruler)} is a stop of this plan now.`)
}
</script>

<template>
  <section v-if="common.length" aria-label="What the garments had in common" data-test="common-stops">
    <h2 class="mb-1 font-semibold">What {{ wearer.name }}’s garments had in common</h2>
    <ul>
      <li v-for="one in common" :key="`${one.kind} ${one.title}`" class="border-t border-edge/60 py-2 text-sm">
        <p>
          <UiSentenceText class="font-semibold" :text="wordsWithAmount(one)" /> in {{ one.in }} of {{ one.of }}:
          <span class="text-soft">{{ one.garments.join(', ') }}</span>
        </p>
        <button v-if="inGarment && !isThere(one)" class="btn mt-1 text-sm" data-test="begin-common" @click="begin(one)">
          <ListPlus class="size-4" />Begin with it here
        </button>
        <p v-else-if="inGarment" class="text-soft">This plan has such a stop already.</p>
      </li>
    </ul>
  </section>
</template>
