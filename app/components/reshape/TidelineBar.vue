<script setup lang="ts">
import { Pause, PersonStanding, Pin, Play, Users, Wrench } from 'lucide-vue-next'
import { useRafFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { findKind, type Change } from '~~/core/changes'
import type { Garment } from '~~/core/pattern'
import { usePrefs } from '~/stores/prefs'
import { usePlanSession } from '~/stores/plan-session'
import { useSelection } from '~/stores/selection'
import { useWork } from '~/stores/work'
import { valueOf } from '~/typed'
import type { ComputedStop } from '~/workers/desk'

/** The plan as a line of stops, from as bought to as altered, and the slider that plays it. */
const props = defineProps<{ plan: Change[]; stops: ComputedStop[]; garment: Garment; position: number }>()
const emit = defineEmits<{ 'update:position': [at: number] }>()
const prefs = usePrefs()
const work = useWork()
const session = usePlanSession()
const selection = useSelection()
const playing = ref(false)
const count = computed(() => props.plan.length)

/** More stops than these take a row of their own, so that their titles can be read. */
const FEW = 3
/** Least width of a stop, and width of the two ends. */
const STOP_REM = 8.5
const ENDS_REM = 11

/** The stop that is open is seen, also where not all of them have room. */
const line = ref<HTMLElement | null>(null)
watch(
  () => [selection.stopId, count.value],
  () => line.value?.querySelector('[aria-current="step"]')?.scrollIntoView({ block: 'nearest', inline: 'center' }),
  { flush: 'post', immediate: true },
)

/** Stops a second when played. */
const PACE = 0.8
const { pause, resume } = useRafFn(
  ({ delta }) => {
    // A stop of several moves takes its time for each.
    const moves = props.stops[Math.floor(props.position)]?.applied?.moves ?? []
    const each = Math.max(1, ...moves.map((m) => moves.filter((o) => o.pieceId === m.pieceId).length))
    const next = props.position + ((delta / 1000) * PACE) / each
    emit('update:position', Math.min(next, count.value))
    if (next >= count.value) stop()
  },
  { immediate: false },
)
function stop() {
  pause()
  playing.value = false
}
function play() {
  if (playing.value) return stop()
  if (prefs.stillness) return emit('update:position', props.position >= count.value ? 0 : Math.floor(props.position) + 1)
  if (props.position >= count.value) emit('update:position', 0)
  playing.value = true
  resume()
}
function select(change: Change, i: number) {
  stop()
  selection.stopId = change.id
  emit('update:position', i + 1)
}
/** Called after what the pieces are when the stop is reached: a dart may have been moved before. */
const garmentAt = (c: Change) => session.computedPlan?.garments[props.stops.findIndex((s) => s.change.id === c.id)] ?? props.garment
const describe = (c: Change) => findKind(c.kind)?.describe(garmentAt(c), c.inputs) ?? { title: c.kind, amountMm: null }
const order = computed({
  get: () => props.plan,
  set: (next: Change[]) => {
    const moved = next.findIndex((c, i) => props.plan[i]?.id !== c.id)
    if (moved < 0) return
    // The one that was dragged is the one whose removal makes both orders alike.
    const candidate = [next[moved]!, props.plan[moved]!].find((c) => {
      const a = props.plan.filter((x) => x.id !== c.id).map((x) => x.id)
      const b = next.filter((x) => x.id !== c.id).map((x) => x.id)
      return a.join() === b.join()
    })
    if (candidate)
      void work.moveChange(
        candidate.id,
        next.findIndex((c) => c.id === candidate.id),
      )
  },
})
function onKey(event: KeyboardEvent, change: Change, i: number) {
  if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
    event.preventDefault()
    void work.moveChange(change.id, i + (event.key === 'ArrowRight' ? 1 : -1))
  } else if (event.key === 'Delete') {
    event.preventDefault()
    void work.removeChange(change.id)
  }
}
const dot = (i: number) => props.stops[i]?.status ?? 'applied'
</script>

<template>
  <section aria-label="Tideline" class="flex min-w-0 flex-1 items-center gap-3 max-md:basis-full" :class="count > FEW && 'basis-full'">
    <button
      class="btn-quiet shrink-0 border border-edge"
      :disabled="count === 0"
      :aria-label="playing ? 'Stop' : 'Play the changes'"
      data-test="play"
      @click="play"
    >
      <Pause v-if="playing" class="size-5" /><Play v-else class="size-5" />
    </button>
    <div ref="line" class="min-w-0 flex-1 scroll-pr-20 scroll-pl-24 overflow-x-auto">
      <div class="px-1" :style="{ width: `max(100%, ${count * STOP_REM + ENDS_REM}rem)` }">
        <div class="relative flex">
          <button
            class="sticky left-0 z-10 w-24 shrink-0 rounded-lg bg-panel py-1 text-left text-sm hover:bg-act-pale"
            :class="position === 0 && 'font-semibold'"
            data-test="as-bought"
            @click="(stop(), emit('update:position', 0), (selection.stopId = null))"
          >
            as bought
          </button>
          <VueDraggable
            v-model="order"
            tag="ol"
            class="flex min-w-0 flex-1"
            :animation="prefs.stillness ? 0 : 150"
            :force-fallback="true"
            :fallback-tolerance="4"
            :delay="120"
            :delay-on-touch-only="true"
          >
            <li v-for="(c, i) in plan" :key="c.id" class="min-w-0 flex-1">
              <button
                class="flex min-h-11 w-full items-center gap-2 rounded-lg px-1.5 text-left hover:bg-act-pale"
                :class="selection.stopId === c.id && 'bg-act-pale'"
                :aria-current="selection.stopId === c.id ? 'step' : undefined"
                :data-test="`stop-${i}`"
                @click="select(c, i)"
                @keydown="onKey($event, c, i)"
              >
                <svg class="size-5 shrink-0" viewBox="0 0 20 20" aria-hidden="true">
                  <circle v-if="dot(i) === 'applied'" cx="10" cy="10" r="6.5" fill="var(--act)" />
                  <circle
                    v-else-if="dot(i) === 'off'"
                    cx="10"
                    cy="10"
                    r="6.5"
                    fill="none"
                    stroke="var(--ink-soft)"
                    stroke-width="2"
                    stroke-dasharray="3 2"
                  />
                  <path v-else d="M10 2L18.5 17H1.5Z" fill="none" stroke="var(--fault)" stroke-width="2.2" />
                  <path v-if="dot(i) === 'refused' || dot(i) === 'orphan'" d="M10 7v5M10 14v1.4" stroke="var(--fault)" stroke-width="2" />
                </svg>
                <PersonStanding v-if="c.from === 'body'" class="size-4 shrink-0 text-soft" aria-label="from the body’s figures" />
                <Wrench v-else-if="c.from === 'match'" class="size-4 shrink-0 text-soft" aria-label="from Match" />
                <Pin v-else-if="c.from === 'fitting'" class="size-4 shrink-0 text-soft" aria-label="from a fitting" />
                <Users v-if="work.isForEverybody(c.id)" class="size-4 shrink-0 text-soft" aria-label="for everybody" />
                <span class="sr-only"
                  >Stop {{ i + 1 }} of {{ count }}{{ dot(i) === 'applied' ? '' : `, ${dot(i)}` }}. Alt and arrow keys move it.</span
                >
                <span class="min-w-0 text-sm leading-tight">
                  <span class="line-clamp-2 font-semibold" :class="dot(i) === 'off' && 'line-through'" :title="describe(c).title">{{
                    describe(c).title
                  }}</span>{{ ' ' }}
                  <UiLengthText
                    v-if="describe(c).amountMm !== null"
                    class="text-soft"
                    :mm="describe(c).amountMm!"
                    :signed="!describe(c).isPlace"
                  />
                </span>
              </button>
            </li>
          </VueDraggable>
          <span
            class="sticky right-0 z-10 w-20 shrink-0 self-stretch content-center bg-panel text-right text-sm"
            :class="position === count && 'font-semibold'"
            >as altered</span
          >
        </div>
        <input
          type="range"
          class="tide mt-0.5 w-full"
          min="0"
          :max="Math.max(count, 1)"
          step="0.01"
          :disabled="count === 0"
          :value="position"
          aria-label="Along the tideline, from as bought to as altered"
          :aria-valuetext="position === 0 ? 'as bought' : `stop ${Math.ceil(position)} of ${count}`"
          data-test="tide-slider"
          @input="(stop(), emit('update:position', Number(valueOf($event))))"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.tide {
  accent-color: var(--act);
  height: 28px;
}
</style>
