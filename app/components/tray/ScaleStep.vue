<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { boundsOf, distance, joinBoxes } from '~~/core/geometry'
import { toPathData } from '~~/core/formats'
import { timesBySquare } from '~~/core/import'
import { problemSentence } from '~~/core/result'
import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { useTray } from '~/stores/tray'

/** How large the drawing is: by the file, or by a line whose true length is known. */
const tray = useTray()
const prefs = usePrefs()

// Scale: from the file, or by a line whose true length is known.
const box = computed(() => (tray.drawing ? joinBoxes(tray.drawing.shapes.map((s) => boundsOf(s.path))) : null))
const scaleWay = ref<'file' | 'square' | 'line'>('file')
const scaleSegment = ref<{ key: string; mm: number } | null>(null)
const trueLength = ref(0)
watch(
  () => tray.drawing,
  (d) => (scaleWay.value = d?.scaleFrom === 'guess' ? 'line' : 'file'),
  { immediate: true },
)
/** What the test square says: how much larger the drawing should be. */
const square = computed(() => tray.scale)
const squareTimes = computed(() => timesBySquare(square.value))
const isOff = computed(() => squareTimes.value !== 1)
watch(
  square,
  (found) => {
    if (found) scaleWay.value = isOff.value ? 'square' : 'file'
  },
  { immediate: true },
)
/** Areas lie under lines, and the larger under the smaller: all sizes of a nest are seen. */
const shapes = computed(() =>
  (tray.drawing?.shapes ?? [])
    .map((shape) => ({ shape, box: boundsOf(shape.path) }))
    .map(({ shape, box: b }) => ({ shape, area: shape.closed ? (b.maxX - b.minX) * (b.maxY - b.minY) : 0 }))
    .sort((a, b) => b.area - a.area)
    .map(({ shape }) => shape),
)
/** The layer that is looked at in the list: its lines are shown. */
const shownLayer = ref<string | null>(null)
const ofLayer = computed(() =>
  shownLayer.value === null || !tray.drawing
    ? []
    : [...tray.drawing.shapes, ...tray.drawing.apart].filter((s) => s.groups[s.groups.length - 1] === shownLayer.value),
)
const segments = computed(() =>
  (tray.drawing?.shapes ?? [])
    .flatMap((s) =>
      s.path
        .filter((x) => distance(x.from, x.to) > 5)
        .slice(0, 400)
        .map((x, i) => ({ key: `${s.index}:${i}`, d: toPathData([x]), mm: distance(x.from, x.to) })),
    )
    .slice(0, 3000),
)
const times = computed(() =>
  scaleWay.value === 'square'
    ? squareTimes.value
    : scaleWay.value === 'line' && scaleSegment.value && trueLength.value > 0
      ? trueLength.value / scaleSegment.value.mm
      : 1,
)
const canConfirm = computed(() => scaleWay.value !== 'line' || (scaleSegment.value !== null && trueLength.value > 0))
async function confirm() {
  const problem = await tray.confirmScale(times.value)
  // This step gives way while one waits: what became of it is said at the foot of the page.
  if (problem) sayFault(problemSentence(problem))
}
const scaleWords = computed(
  () =>
    ({
      mm: 'millimetres',
      cm: 'centimetres',
      in: 'inches',
      pt: 'points',
      guess: tray.state.text.startsWith('<')
        ? 'nothing that says how large (pixels are taken as 96 to the inch)'
        : 'nothing that says how large (its units are taken as millimetres)',
    })[tray.drawing?.scaleFrom ?? 'guess'],
)
</script>

<template>
  <div class="station min-h-0 flex-1 md:grid-cols-[minmax(0,1fr)_23rem]">
    <div class="min-h-0 bg-water p-6">
      <svg
        v-if="box"
        :viewBox="`${box.minX - 20} ${box.minY - 20} ${box.maxX - box.minX + 40} ${box.maxY - box.minY + 40}`"
        class="h-full w-full"
        aria-label="The drawing in the file"
        role="group"
      >
        <path
          v-for="s in shapes"
          :key="s.index"
          :d="toPathData(s.path, s.closed)"
          :fill="s.closed ? 'var(--land)' : 'none'"
          stroke="var(--ink)"
          stroke-width="1.4"
          vector-effect="non-scaling-stroke"
        />
        <path
          v-for="s in tray.drawing?.apart ?? []"
          :key="`apart-${s.index}`"
          :d="toPathData(s.path, s.closed)"
          fill="none"
          stroke="var(--note)"
          stroke-width="1.4"
          stroke-dasharray="5 4"
          vector-effect="non-scaling-stroke"
        />
        <path
          v-for="s in ofLayer"
          :key="`layer-${s.index}`"
          :d="toPathData(s.path, s.closed)"
          fill="none"
          stroke="var(--note)"
          stroke-width="3.5"
          vector-effect="non-scaling-stroke"
          data-test="line-of-layer"
        />
        <template v-if="scaleWay === 'line'">
          <path
            v-for="s in segments"
            :key="s.key"
            :d="s.d"
            fill="none"
            :stroke="scaleSegment?.key === s.key ? 'var(--note)' : 'transparent'"
            stroke-width="12"
            vector-effect="non-scaling-stroke"
            class="cursor-pointer"
            role="button"
            tabindex="0"
            :aria-label="`Line, by the file ${prefs.length(s.mm)}`"
            :aria-pressed="scaleSegment?.key === s.key"
            :data-test="`scale-line-${s.key}`"
            @keydown.enter.prevent="scaleSegment = { key: s.key, mm: s.mm }"
            @click="scaleSegment = { key: s.key, mm: s.mm }"
          />
        </template>
      </svg>
    </div>
    <aside class="space-y-4 overflow-y-auto border-l border-edge bg-panel p-5" aria-label="Scale">
      <h2 class="font-display text-xl italic">How large is it?</h2>
      <p>
        The file says {{ scaleWords }}. By that the drawing is
        <span class="font-semibold"
          ><UiLengthText v-if="box" :mm="box.maxX - box.minX" /> wide and <UiLengthText v-if="box" :mm="box.maxY - box.minY" /> high</span
        >.
      </p>
      <label class="flex min-h-11 items-center gap-2.5"
        ><input v-model="scaleWay" type="radio" value="file" class="size-5 accent-(--act)" data-test="scale-file" />That is right</label
      >
      <div v-if="square" :class="['rounded-lg p-3', isOff ? 'bg-note-pale text-note' : 'bg-act-pale']" data-test="test-square">
        <p>
          There is a test square or scale bar in it that says <UiLengthText :mm="square.saidMm" class="font-semibold" /> and measures
          <UiLengthText :mm="square.measuredMm" class="font-semibold" />:
          {{ isOff ? `the drawing is at ${prefs.figure(100 / squareTimes, 1)} % of its true size.` : 'the scale is right.' }}
        </p>
      </div>
      <label v-if="square && isOff" class="flex min-h-11 items-center gap-2.5"
        ><input v-model="scaleWay" type="radio" value="square" class="size-5 accent-(--act)" data-test="scale-square" />Bring it to the size
        that the square says</label
      >
      <label class="flex min-h-11 items-center gap-2.5"
        ><input v-model="scaleWay" type="radio" value="line" class="size-5 accent-(--act)" data-test="scale-line" />I know how long one line
        is</label
      >
      <div v-if="scaleWay === 'line'" class="space-y-3 rounded-lg bg-act-pale p-3">
        <p>{{ scaleSegment ? 'The marked line, end to end, is' : 'Click a line in the drawing, from corner to corner.' }}</p>
        <FieldsLengthField v-if="scaleSegment" v-model="trueLength" label="its true length" test="true-length" positive />
        <p v-if="scaleSegment && trueLength > 0" class="text-sm">
          The drawing is then <UiLengthText v-if="box" :mm="(box.maxX - box.minX) * times" /> wide.
        </p>
      </div>
      <TrayRulesField v-if="tray.drawing" :drawing="tray.drawing" />
      <TrayLayersField v-if="tray.drawing" :drawing="tray.drawing" @show="shownLayer = $event" />
      <button class="btn-act w-full" :disabled="!canConfirm" data-test="confirm-scale" @click="confirm">Find the pieces</button>
      <div v-if="tray.drawing?.leftOut.length" class="rounded-lg bg-note-pale p-3 text-sm text-note" data-test="lines-left-out">
        <p class="font-semibold">Lines of the file that are left out</p>
        <ul class="mt-1 space-y-0.5">
          <li v-for="(l, i) in tray.drawing.leftOut.slice(0, 12)" :key="i">“{{ l.name }}”: {{ l.why }}</li>
        </ul>
        <p v-if="tray.drawing.leftOut.length > 12">and {{ tray.drawing.leftOut.length - 12 }} more</p>
      </div>
      <button class="btn w-full" @click="tray.clear()">Choose another file</button>
    </aside>
  </div>
</template>
