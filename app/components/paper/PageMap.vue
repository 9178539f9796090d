<script setup lang="ts">
import { computed } from 'vue'
import { roomiestPoint } from '~~/core/cloth'
import { toPathData } from '~~/core/formats'
import { flattenPath } from '~~/core/geometry'
import type { Sheet, Tiling } from '~~/core/paper'
import { clearPlaces } from './clear-places'

/** The pages of a sheet with what lies on each; a click takes one out of print, or back in. */
const props = defineProps<{ sheet: Sheet; tiling: Tiling }>()
/** Names of pages that are not printed. */
const left = defineModel<string[]>('left', { required: true })
const used = computed(() => props.tiling.pages.filter((p) => !p.empty))
/** What the name of a page takes at its top, mm. */
const LABEL_MM = 44
/** Names of pages stand near the top of their page, where no line runs through them. */
const pageNames = computed(() =>
  clearPlaces(
    used.value.map((p) => ({ ...p, width: props.tiling.windowWidthMm })),
    props.sheet.pieces.flatMap((p) => [p.cutLine, p.seamLine, ...p.others.map((o) => o.cutLine)]).map((line) => flattenPath(line, 2)),
    { width: 54, height: LABEL_MM },
  ),
)
/** Names of pieces stand where a piece has much room, beside its darts, and below the names of the pages. */
const names = computed(() =>
  props.sheet.pieces.map((p) => {
    const { x, y } = roomiestPoint(flattenPath(p.seamLine, 2))
    const half = nameSize(p) / 2
    const row = props.tiling.pages.find((page) => y + half > page.y && y - half < page.y + LABEL_MM)
    const below = row ? row.y + LABEL_MM + half : y
    return { x, y: below + half < p.box.maxY ? below : y }
  }),
)
/** A name fits into its piece. */
const nameSize = ({ box, piece }: Sheet['pieces'][number]) =>
  Math.min(34, (box.maxY - box.minY) * 0.5, ((box.maxX - box.minX) * 1.6) / piece.name.length)
const flip = (name: string) => (left.value = left.value.includes(name) ? left.value.filter((x) => x !== name) : [...left.value, name])
</script>

<template>
  <svg
    :viewBox="`-8 -8 ${tiling.columns * (tiling.windowWidthMm - 10) + 26} ${tiling.rows * (tiling.windowHeightMm - 10) + 26}`"
    class="h-full w-full"
    role="group"
    aria-label="Page map"
    data-test="page-map"
  >
    <rect
      v-for="p in tiling.pages"
      :key="p.name"
      :x="p.x"
      :y="p.y"
      :width="tiling.windowWidthMm"
      :height="tiling.windowHeightMm"
      :fill="p.empty || left.includes(p.name) ? 'transparent' : 'var(--panel)'"
      stroke="var(--ink-soft)"
      :stroke-dasharray="p.empty ? '3 9' : undefined"
      :stroke-width="p.empty ? 0.8 : 1.4"
    />
    <g v-for="(p, n) in sheet.pieces" :key="n">
      <path :d="toPathData(p.cutLine, true)" fill="var(--land)" fill-opacity="0.72" stroke="var(--ink)" stroke-width="2.4" />
      <path
        v-for="(d, i) in [toPathData(p.seamLine, true), ...p.innerLines.filter((l) => l.folded).map((l) => toPathData(l.path))]"
        :key="i"
        :d="d"
        fill="none"
        stroke="var(--ink)"
        stroke-width="1.2"
        stroke-dasharray="8 5"
      />
      <path
        v-for="o in p.others"
        :key="o.name"
        :d="toPathData(o.cutLine, true)"
        fill="none"
        stroke="var(--ink-soft)"
        stroke-width="1"
        data-test="map-other"
      />
      <text
        :x="names[n]!.x"
        :y="names[n]!.y"
        text-anchor="middle"
        dominant-baseline="central"
        :font-size="nameSize(p)"
        class="font-display italic"
        fill="var(--ink)"
        paint-order="stroke"
        stroke="var(--land)"
        stroke-width="5"
        stroke-linejoin="round"
      >
        {{ p.piece.name }}
      </text>
    </g>
    <g
      v-for="(p, n) in used"
      :key="`t${p.name}`"
      role="checkbox"
      :aria-checked="!left.includes(p.name)"
      :aria-label="`Page ${p.name}`"
      tabindex="0"
      class="cursor-pointer"
      :data-test="`page-${p.name}`"
      @click="flip(p.name)"
      @keydown.space.prevent="flip(p.name)"
    >
      <rect :x="p.x + 1" :y="p.y + 1" :width="tiling.windowWidthMm - 12" :height="tiling.windowHeightMm - 12" fill="transparent" />
      <text
        :x="pageNames[n]!.x + 8"
        :y="pageNames[n]!.y + 34"
        font-size="30"
        font-weight="650"
        :fill="left.includes(p.name) ? 'var(--ink-soft)' : 'var(--act)'"
        :text-decoration="left.includes(p.name) ? 'line-through' : undefined"
      >
        {{ p.name }}
      </text>
    </g>
  </svg>
</template>
