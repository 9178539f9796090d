<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { toPathData } from '~~/core/formats'
import type { Point } from '~~/core/geometry'
import type { GridChoice } from '~~/core/import'
import { arrowOf, unitsPerDot, useDrag } from '~/composables/useDrag'
import { useTray } from '~/stores/tray'

/** The pages of a PDF laid out as the one sheet that they make; any of them can be moved or left out. */
const tray = useTray()
const grid = computed(() => tray.grid!)
const chosen = ref<number | null>(null)
const picture = ref<SVGSVGElement | null>(null)

const placed = computed(() => tray.pages.flatMap((page, i) => (grid.value.places[i] ? [{ page, i, at: grid.value.places[i] }] : [])))
const leftOut = computed(() => tray.pages.flatMap((page, i) => (grid.value.places[i] ? [] : [{ page, i }])))
const MARGIN = 20
const view = computed(() => {
  if (placed.value.length === 0) return '0 0 100 100'
  const boxes = placed.value.map(({ page, at }) => ({ minX: at.x, minY: at.y, maxX: at.x + page.width, maxY: at.y + page.height }))
  const minX = Math.min(...boxes.map((b) => b.minX)) - MARGIN
  const minY = Math.min(...boxes.map((b) => b.minY)) - MARGIN
  return `${minX} ${minY} ${Math.max(...boxes.map((b) => b.maxX)) + MARGIN - minX} ${Math.max(...boxes.map((b) => b.maxY)) + MARGIN - minY}`
})
/** Each page's lines as one path: a sheet may have thousands. */
const lines = computed(() =>
  tray.pages.map((p) =>
    p.shapes
      .filter((s) => !s.isArea)
      .map((s) => toPathData(s.path, s.closed))
      .join(''),
  ),
)

const HOW = {
  'one-page': 'There is one page with lines on it.',
  'page-names': 'The pages were put together by the names on them, which say in which row and column each is.',
  'same-lines': 'The pages were put together by the lines that run over their edges onto the next.',
  'meeting-lines': 'The pages were put together where lines that end at the edge of one go on at the edge of another.',
  apart: 'Each page is a sheet of its own: they lie beside each other.',
  'in-rows': 'Nothing on the pages shows how they lie. Say how many stand side by side.',
} as const

/** How the pages lie, as far as it can be said in columns and overlaps. */
function choiceOf(): GridChoice {
  const { trim, columns } = grid.value
  const steps = (axis: 'x' | 'y') => {
    const places = [...new Set(placed.value.map(({ at }) => Math.round(at[axis] * 100) / 100))].sort((a, b) => a - b)
    return places.length > 1 ? places[1]! - places[0]! : null
  }
  const reach = (axis: 'x' | 'y') => {
    const first = placed.value[0]?.page
    if (!trim) return axis === 'x' ? (first?.width ?? 0) : (first?.height ?? 0)
    return axis === 'x' ? trim.maxX - trim.minX : trim.maxY - trim.minY
  }
  const overlap = (axis: 'x' | 'y') => Math.max(0, Math.round((reach(axis) - (steps(axis) ?? reach(axis))) * 10) / 10)
  const [first, second] = placed.value
  const down = second !== undefined && Math.abs(second.at.x - first!.at.x) < 1
  return { columns, overlapX: overlap('x'), overlapY: overlap('y'), down }
}
const choice = ref<GridChoice>(choiceOf())
watch([grid, () => tray.pages], () => (choice.value = choiceOf()))
const lay = (change: Partial<GridChoice>) => {
  choice.value = { ...choice.value, ...change }
  choice.value.columns = Math.min(tray.pages.length, Math.max(1, Math.round(choice.value.columns) || 1))
  void tray.layPages(choice.value)
}

const columns = computed({ get: () => grid.value.columns, set: (n) => lay({ columns: Number(n) }) })

/** A page being dragged: by how much so far. */
const dragged = ref<{ i: number; by: Point } | null>(null)
/** Less than this is a touch and no drag, dots of the screen. */
const TOUCH = 1
const inPicture = (by: Point): Point => ({ x: by.x * unitsPerDot(picture.value), y: by.y * unitsPerDot(picture.value) })
const { grab } = useDrag<number>({
  move: (i, by) => (dragged.value = { i, by: inPicture(by) }),
  drop(i, by) {
    dragged.value = null
    if (by && Math.hypot(by.x, by.y) > TOUCH) move(i, inPicture(by))
  },
})
function onDown(event: PointerEvent, i: number) {
  chosen.value = i
  grab(event, i)
}
function move(i: number, by: Point) {
  const at = grid.value.places[i]
  if (at) void tray.placePage(i, { x: at.x + by.x, y: at.y + by.y })
}
function nudge(i: number, event: KeyboardEvent) {
  const way = arrowOf(event)
  const mm = event.shiftKey ? 10 : event.altKey ? 0.1 : 1
  if (way) move(i, { x: way.x * mm, y: way.y * mm })
}
const placeOf = (i: number, at: Point) => (dragged.value?.i === i ? { x: at.x + dragged.value.by.x, y: at.y + dragged.value.by.y } : at)
</script>

<template>
  <div class="station min-h-0 flex-1 md:grid-cols-[minmax(0,1fr)_23rem]">
    <div class="min-h-72 bg-water p-4 md:min-h-0">
      <svg
        ref="picture"
        :viewBox="view"
        class="h-full w-full touch-none"
        role="group"
        aria-label="The pages put together"
        data-test="pages-picture"
      >
        <g
          v-for="{ page, i, at } in placed"
          :key="page.number"
          :transform="`translate(${placeOf(i, at).x} ${placeOf(i, at).y})`"
          role="button"
          tabindex="0"
          class="cursor-move"
          :aria-label="`Page ${page.number}`"
          :aria-pressed="chosen === i"
          :data-test="`page-${page.number}`"
          @pointerdown="onDown($event, i)"
          @focus="chosen = i"
          @keydown="nudge(i, $event)"
        >
          <rect
            :width="page.width"
            :height="page.height"
            fill="var(--land)"
            fill-opacity="0.55"
            :stroke="chosen === i ? 'var(--note)' : 'var(--edge)'"
            :stroke-width="chosen === i ? 3 : 1"
            vector-effect="non-scaling-stroke"
          />
          <path :d="lines[i]" fill="none" stroke="var(--ink)" stroke-width="1" vector-effect="non-scaling-stroke" pointer-events="none" />
        </g>
        <text
          v-for="{ page, i, at } in placed"
          :key="`n${page.number}`"
          :x="placeOf(i, at).x + page.width / 2"
          :y="placeOf(i, at).y + page.height / 2"
          text-anchor="middle"
          dominant-baseline="central"
          :font-size="Math.min(page.width, page.height) * 0.22"
          :fill="chosen === i ? 'var(--note)' : 'var(--ink-soft)'"
          :fill-opacity="chosen === i ? 0.9 : 0.4"
          pointer-events="none"
        >
          {{ page.number }}
        </text>
      </svg>
    </div>
    <aside class="station-side min-h-0 space-y-4 overflow-y-auto border-l border-edge bg-panel p-5" aria-label="Pages">
      <h2 class="font-display text-xl italic">How do the pages lie?</h2>
      <p :class="!grid.sure && 'rounded-lg bg-note-pale p-3 text-note'" data-test="pages-how">{{ HOW[grid.how] }}</p>
      <label class="block"
        ><span class="mb-1 block font-semibold">Pages side by side</span
        ><input v-model.lazy.number="columns" class="field w-24" type="number" min="1" :max="tray.pages.length" data-test="page-columns"
      /></label>
      <FieldsLengthField
        :model-value="choice.overlapX"
        label="They overlap sideways by"
        test="overlap-x"
        positive
        @update:model-value="lay({ overlapX: $event })"
      />
      <FieldsLengthField
        :model-value="choice.overlapY"
        label="and up and down by"
        test="overlap-y"
        positive
        @update:model-value="lay({ overlapY: $event })"
      />
      <UiCheck :model-value="choice.down" test="pages-down" @update:model-value="lay({ down: $event })"
        >Pages are counted down the columns</UiCheck
      >
      <p class="text-sm text-soft">
        A single page is dragged, or moved with the arrow keys by 1 mm; with Shift by 10 mm, with Alt by 0.1 mm.
      </p>
      <button v-if="chosen !== null && grid.places[chosen]" class="btn w-full" data-test="leave-page" @click="tray.placePage(chosen, null)">
        Leave page {{ tray.pages[chosen]?.number }} out
      </button>
      <div v-if="leftOut.length > 0" data-test="pages-left-out">
        <p class="font-semibold">Not part of the sheet</p>
        <ul class="mt-1 space-y-1">
          <li v-for="{ page, i } in leftOut" :key="page.number" class="flex items-center justify-between gap-2">
            <span>page {{ page.number }}, {{ page.shapes.length === 0 ? 'without lines' : 'of another size, or left out' }}</span>
            <button v-if="page.shapes.length > 0" class="btn" @click="tray.placePage(i, { x: 0, y: 0 })">Take it in</button>
          </li>
        </ul>
      </div>
      <button class="btn-act w-full" :disabled="placed.length === 0" data-test="confirm-pages" @click="tray.confirmPages()">
        The pages are right
      </button>
      <button class="btn w-full" @click="tray.clear()">Choose another file</button>
    </aside>
  </div>
</template>
