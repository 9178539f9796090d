<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { foldCap } from '~~/core/changes'
import { boundsOf, line, type Path, type Point } from '~~/core/geometry'
import { toPathData } from '~~/core/formats'
import { pressWords } from '~~/core/darts'
import { findPiece, shapeOf, type Dart, type Garment } from '~~/core/pattern'
import { useDrag } from '~/composables/useDrag'

/** A dart as it will be sewn: closed and pressed, its cloth folded under, the edge across it, and the cap that shapes. */
const props = defineProps<{
  garment: Garment
  pieceId: string
  dartId: string
  /** Whether the press direction is an input. */ settable: boolean
}>()
const emit = defineEmits<{ press: [to: Dart['pressTo']] }>()

const found = computed(() => {
  const piece = findPiece(props.garment, props.pieceId)
  const dart = piece?.darts.find((d) => d.id === props.dartId)
  return piece && dart ? { piece, dart, shape: shapeOf(piece, props.garment.baseSizeId) } : null
})
/** Looked at one way or the other; what is written down stays until it is chosen. */
const pressTo = ref<Dart['pressTo']>('after')
watch(found, (now) => now && (pressTo.value = now.dart.pressTo), { immediate: true })

const shown = computed(() => {
  if (!found.value) return null
  const { piece, dart, shape } = found.value
  const folded = foldCap(piece, shape, { ...dart, pressTo: pressTo.value })
  const words = { before: pressWords(piece, shape, dart, 'before'), after: pressWords(piece, shape, dart, 'after') }
  const tip = folded.leg[0]!.to
  const cloth = (edge: Path): Path => [...edge, line(edge[edge.length - 1]!.to, tip), line(tip, edge[0]!.from)]
  const box = boundsOf([...folded.still, ...folded.swung, ...folded.under, ...folded.leg])
  const rim = 12
  const view = `${box.minX - rim} ${box.minY - rim} ${box.maxX - box.minX + 2 * rim} ${box.maxY - box.minY + 2 * rim}`
  return {
    folded,
    cloth,
    view,
    words,
  }
})
/** Where the leg divides the picture: which side of it a place lies on. */
function sideOf(p: Point): Dart['pressTo'] {
  const { still, leg } = shown.value!.folded
  const cross = (q: Point) =>
    (leg[0]!.to.x - leg[0]!.from.x) * (q.y - leg[0]!.from.y) - (leg[0]!.to.y - leg[0]!.from.y) * (q.x - leg[0]!.from.x)
  const own = Math.sign(cross(still[still.length - 1]!.to)) === Math.sign(cross(p))
  return own ? pressTo.value : pressTo.value === 'after' ? 'before' : 'after'
}
const frame = ref<SVGSVGElement | null>(null)
const { grab } = useDrag<null>({
  move(_cloth, _by, event) {
    const inverse = frame.value?.getScreenCTM()?.inverse()
    if (!inverse) return
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse)
    choose(sideOf({ x: at.x, y: at.y }))
  },
})
function choose(to: Dart['pressTo']) {
  if (to === pressTo.value) return
  pressTo.value = to
  if (props.settable) emit('press', to)
}
</script>

<template>
  <section v-if="shown" aria-label="The dart folded" data-test="folded">
    <h3 class="font-semibold">Folded, as it will be sewn</h3>
    <svg
      ref="frame"
      :viewBox="shown.view"
      class="h-56 w-full rounded-lg bg-water"
      role="img"
      :aria-label="`Pressed ${shown.words[pressTo]}`"
    >
      <path :d="toPathData(shown.cloth(shown.folded.still), true)" fill="var(--land)" />
      <path :d="toPathData(shown.cloth(shown.folded.swung), true)" fill="var(--land)" />
      <path
        :d="toPathData(shown.folded.under, true)"
        fill="var(--gain)"
        fill-opacity="0.28"
        stroke="var(--gain)"
        stroke-width="1.6"
        stroke-dasharray="5 4"
        vector-effect="non-scaling-stroke"
        class="cursor-grab"
        data-test="folded-cloth"
        @pointerdown="grab($event, null)"
      />
      <path
        :d="toPathData(shown.folded.leg)"
        stroke="var(--ink)"
        stroke-width="1.6"
        stroke-dasharray="2 3"
        vector-effect="non-scaling-stroke"
      />
      <path
        v-for="(edge, i) in [shown.folded.still, shown.folded.swung]"
        :key="i"
        :d="toPathData(edge)"
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.4"
        vector-effect="non-scaling-stroke"
      />
      <path
        :d="toPathData([shown.folded.under[0]!])"
        stroke="var(--note)"
        stroke-width="3.4"
        vector-effect="non-scaling-stroke"
        data-test="folded-cap"
      />
    </svg>
    <div class="mt-1.5 flex flex-wrap items-center gap-1.5 text-sm" role="radiogroup" aria-label="Pressed">
      <span class="text-soft">pressed</span>
      <button
        v-for="to in ['before', 'after'] as const"
        :key="to"
        type="button"
        role="radio"
        :aria-checked="pressTo === to"
        class="min-h-11 rounded-lg border border-edge px-2.5"
        :class="pressTo === to ? 'bg-act text-act-ink' : 'hover:bg-act-pale'"
        :data-test="`press-${to}`"
        @click="choose(to)"
      >
        {{ shown.words[to] }}
      </button>
    </div>
    <p class="mt-1 text-sm text-soft">
      The cloth of the dart lies under it (drag it over to press the other way); the strong line is the cap, cut along the edge.
      <span v-if="!settable">To keep another way, add “Finish a dart”.</span>
    </p>
  </section>
</template>
