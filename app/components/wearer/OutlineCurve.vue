<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { curveFromOutline, proposePlaces, type CurvePlaces, type CurvePoints } from '~~/core/body'
import { toPathData } from '~~/core/formats'
import { boundsOf, measureLength, nearestPlace, placeAt, type Path, type Point } from '~~/core/geometry'
import { problemSentence } from '~~/core/result'
import { arrowOf, unitsPerDot, useDrag } from '~/composables/useDrag'
import { useTray } from '~/stores/tray'

/** A reading of the crotch taken from an outline in the tray, a photograph's as a rule: three places on it say which part is the curve. */
const emit = defineEmits<{ close: []; keep: [curve: CurvePoints, note: string] }>()
const tray = useTray()

const PLACES = [
  { key: 'frontMm', label: 'front waist' },
  { key: 'inseamMm', label: 'inseam' },
  { key: 'backMm', label: 'back waist' },
] as const
type Place = (typeof PLACES)[number]['key']

const offered = computed(() => tray.state.pieces.filter((p) => p.trouble === null))
const chosenId = ref('')
const piece = computed(() => offered.value.find((p) => p.draft.id === chosenId.value) ?? offered.value[0] ?? null)
const chosen = computed({ get: () => piece.value?.draft.id ?? '', set: (id: string) => (chosenId.value = id) })
const edges = computed<Path[]>(() => piece.value?.draft.edges.map((e) => e.path) ?? [])
const outline = computed(() => edges.value.flat())
const totalMm = computed(() => (outline.value.length > 0 ? measureLength(outline.value) : 0))

const places = ref<CurvePlaces>({ frontMm: 0, inseamMm: 0, backMm: 0 })
watch(
  () => piece.value?.draft.id,
  () => edges.value.length > 0 && (places.value = proposePlaces(edges.value)),
  { immediate: true },
)
const read = computed(() => (outline.value.length > 0 ? curveFromOutline(outline.value, places.value) : null))
const curve = computed(() => (read.value?.ok ? read.value.value.points.map((p) => `${p.x},${p.y}`).join(' ') : ''))

/** Room round the outline for the words beside it, as a part of its larger side. */
const ROOM = 0.16
const box = computed(() => boundsOf(outline.value))
const sideMm = computed(() => Math.max(box.value.maxX - box.value.minX, box.value.maxY - box.value.minY))
const view = computed(() => {
  const { minX, minY, maxX, maxY } = box.value
  const room = sideMm.value * ROOM
  return `${minX - room} ${minY - room} ${maxX - minX + 2 * room} ${maxY - minY + 2 * room}`
})
const part = (share: number) => sideMm.value * share

const svg = ref<SVGSVGElement | null>(null)
/** A length along the outline, which goes round and round. */
const round = (mm: number) => ((mm % totalMm.value) + totalMm.value) % totalMm.value
const pointAt = (mm: number): Point => placeAt(outline.value, round(mm)).point
const setTo = (key: Place, p: Point) => (places.value = { ...places.value, [key]: nearestPlace(outline.value, p).lengthMm })
/** Where the place in hand was when it was grabbed. */
let from: Point = { x: 0, y: 0 }
const { grab } = useDrag<Place>({
  move(key, by) {
    const per = unitsPerDot(svg.value)
    setTo(key, { x: from.x + by.x * per, y: from.y + by.y * per })
  },
})
function onDown(event: PointerEvent, key: Place) {
  from = pointAt(places.value[key])
  grab(event, key)
}
/** A press moves a place along the outline by so much, with Shift by one millimetre. */
const STEP_MM = 10
function onKey(event: KeyboardEvent, key: Place) {
  const way = arrowOf(event)
  if (!way) return
  const mm = places.value[key] + (way.x + way.y) * (event.shiftKey ? 1 : STEP_MM)
  places.value = { ...places.value, [key]: round(mm) }
}
function swap() {
  places.value = { ...places.value, frontMm: places.value.backMm, backMm: places.value.frontMm }
}
function keep() {
  if (read.value?.ok) emit('keep', read.value.value, `traced from ${tray.state.fileName}`.trim())
}
</script>

<template>
  <UiDialog title="A curve from a photograph" test="outline-curve" wide @close="emit('close')">
    <div v-if="!piece" class="mt-2 space-y-3">
      <p>
        Lay the bent curve on paper, draw along it, and cut the paper there. Photograph it beside a sheet of known size and take the
        photograph into the tray; the outline that is found is then offered here. Outlines of other files in the tray are offered too.
      </p>
      <NuxtLink to="/import" class="btn inline-flex" data-test="outline-to-tray">To the tray</NuxtLink>
    </div>
    <template v-else>
      <p class="mt-1 text-sm text-soft">Drag the three places to where they belong, or move them by the arrow keys, with Shift by 1 mm.</p>
      <UiChoice
        v-if="offered.length > 1"
        v-model="chosen"
        class="mt-2"
        label="Outline"
        test="outline-choice"
        :options="offered.map((p) => ({ value: p.draft.id, label: p.draft.name }))"
      />
      <svg
        ref="svg"
        :viewBox="view"
        class="mt-2 max-h-[50vh] w-full touch-none rounded-lg bg-water"
        role="group"
        aria-label="The outline with the three places of the curve"
      >
        <path
          :d="toPathData(outline, true)"
          fill="var(--panel)"
          stroke="var(--ink-soft)"
          stroke-width="1.5"
          vector-effect="non-scaling-stroke"
        />
        <polyline :points="curve" fill="none" stroke="var(--act)" stroke-width="4" vector-effect="non-scaling-stroke" />
        <g
          v-for="{ key, label } in PLACES"
          :key="key"
          tabindex="0"
          role="slider"
          class="cursor-grab outline-none focus-visible:[&>circle:last-of-type]:stroke-[5]"
          :aria-label="label"
          aria-valuemin="0"
          :aria-valuemax="Math.round(totalMm)"
          :aria-valuenow="Math.round(places[key])"
          :data-test="`place-${key}`"
          @pointerdown="onDown($event, key)"
          @keydown="onKey($event, key)"
        >
          <circle :cx="pointAt(places[key]).x" :cy="pointAt(places[key]).y" :r="part(0.04)" fill="transparent" />
          <circle
            :cx="pointAt(places[key]).x"
            :cy="pointAt(places[key]).y"
            :r="part(0.016)"
            fill="var(--panel)"
            stroke="var(--note)"
            stroke-width="3"
            vector-effect="non-scaling-stroke"
          />
          <text
            :x="pointAt(places[key]).x"
            :y="pointAt(places[key]).y - part(0.03)"
            :font-size="part(0.045)"
            text-anchor="middle"
            fill="var(--ink)"
            stroke="var(--panel)"
            :stroke-width="part(0.012)"
            paint-order="stroke"
          >
            {{ label }}
          </text>
        </g>
      </svg>
      <p v-if="read && !read.ok" role="alert" class="mt-2 text-sm text-fault" data-test="outline-problem">
        {{ problemSentence(read.problem) }}
      </p>
      <p class="mt-2 text-sm text-soft">
        Is this not the paper that was cut along the curve? Photograph that, and
        <NuxtLink to="/import" class="underline">take it into the tray</NuxtLink> first.
      </p>
    </template>
    <template #buttons>
      <button class="btn" @click="emit('close')">Close</button>
      <template v-if="piece">
        <button class="btn" data-test="outline-swap" @click="swap">Front and back change places</button>
        <button class="btn-act" :disabled="!read?.ok" data-test="outline-keep" @click="keep">Keep the reading</button>
      </template>
    </template>
  </UiDialog>
</template>
