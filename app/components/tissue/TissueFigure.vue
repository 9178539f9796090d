<script setup lang="ts">
import { computed } from 'vue'
import type { MeasureSet } from '~~/core/body'
import { toPathData } from '~~/core/formats'
import { boundsOf } from '~~/core/geometry'
import type { Garment } from '~~/core/pattern'
import { bodyFigure, hangPieces, sideLevels, type TissueRow, type View } from '~~/core/tissue'
import { usePrefs } from '~/stores/prefs'

/**
 * The pieces hung on a figure with the wearer's own levels and widths, front, back and side: bands where the levels agree, gaps with
 * figures where they do not; what is looked at is lit.
 */
const props = defineProps<{ garment: Garment; set: MeasureSet; lit: TissueRow | null }>()
const prefs = usePrefs()

/** Levels that differ by no more are one band, mm. */
const BAND_MM = 3
/** Room beside each figure for gaps and their figures, mm. */
const ROOM_MM = 168
const TITLE_MM = 60

const levelNames = ['bust', 'waist', 'hip', 'knee'] as const
const views = computed(() => {
  const hung = hangPieces(props.garment, props.set)
  let left = 0
  return (['front', 'back'] as const)
    .map((view) => {
      const pieces = hung.filter((p) => p.view === view)
      const figure = bodyFigure(props.set, view)
      const boxes = pieces.map((p) => boundsOf(p.outline))
      const body = boundsOf(figure.half)
      const out = Math.max(body.maxX, ...boxes.map((b) => Math.max(b.maxX, -b.minX)))
      const lines = levelNames.flatMap((level) => {
        if (level === 'bust') return []
        const [own] = pieces.flatMap((p) => p.levels[level] ?? [])
        return own ? [{ level, bodyY: figure.levels[level], pieceY: own.y, outMm: own.outMm }] : []
      })
      const shown = { view, pieces, figure, out, lines, centre: left + out + 24, bottom: Math.max(...boxes.map((b) => b.maxY), 0) }
      left += 2 * out + 24 + ROOM_MM
      return shown
    })
    .filter((v) => v.pieces.length > 0)
})
const side = computed(() => {
  const levels = sideLevels(props.garment)
  if (levels.length < 2 || views.value.length === 0) return null
  const figure = views.value[0]!.figure
  const last = views.value[views.value.length - 1]!
  const centre = last.centre + last.out + ROOM_MM + 150
  return { levels: levels.map((l) => ({ ...l, y: figure.levels[l.id] })), centre }
})
const box = computed(() => {
  const tops = views.value.map((v) => boundsOf(v.figure.half).minY)
  const top = Math.min(...tops) - TITLE_MM
  const bottom = Math.max(...views.value.map((v) => Math.max(v.bottom, v.figure.levels.hip + 120))) + 30
  const last = views.value[views.value.length - 1]
  const right = side.value ? side.value.centre + 235 : last ? last.centre + last.out + ROOM_MM : 0
  return { x: 0, y: top, w: right, h: bottom - top }
})
/** Letters as large on the screen whatever the picture spans, mm. */
const letterMm = computed(() => Math.max(box.value.w / 62, box.value.h / 44))
const TITLES: Record<View, string> = { front: 'Front', back: 'Back' }
const isLit = (...ids: string[]) => props.lit !== null && ids.includes(props.lit.id)
const LEVEL_ROW: Record<string, Record<View, string>> = {
  waist: { front: 'front-to-waist', back: 'back-neck-to-waist' },
  hip: { front: 'waist-to-hip', back: 'waist-to-hip' },
  knee: { front: 'waist-to-knee', back: 'waist-to-knee' },
}
const quarter = (view: (typeof views.value)[number], id: 'bust' | 'waist' | 'hip') => {
  const y = view.figure.levels[id]
  const own = view.pieces.flatMap((p) => p.levels[id] ?? [])[0]
  return own ? { y, pieceY: own.y, bodyX: view.figure.quarterMm[id], pieceX: own.outMm } : null
}
const zoneLit = (view: (typeof views.value)[number]) =>
  props.lit?.what === 'zone' && ['bust', 'waist', 'hip'].includes(props.lit.id) ? quarter(view, props.lit.id as 'bust') : null
const said = (mm: number) => prefs.length(mm)
</script>

<template>
  <svg
    preserveAspectRatio="xMidYMin meet"
    :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
    class="h-full w-full"
    role="img"
    aria-label="The pieces hung on the wearer’s figure"
    data-test="tissue-figure"
  >
    <g v-for="v in views" :key="v.view" :transform="`translate(${v.centre} 0)`">
      <text :y="box.y + letterMm * 1.3" :font-size="letterMm * 1.15" text-anchor="middle" fill="var(--ink)" class="font-display italic">
        {{ TITLES[v.view] }}
      </text>
      <path v-for="way in [1, -1]" :key="`fill${way}`" :d="toPathData(v.figure.half)" :transform="`scale(${way} 1)`" fill="var(--panel)" />
      <g v-for="way in [1, -1]" :key="way" :transform="`scale(${way} 1)`">
        <template v-for="p in v.pieces" :key="p.pieceId">
          <path
            v-if="way === 1 || p.isHalf"
            :d="toPathData(p.outline, true)"
            fill="var(--land)"
            :fill-opacity="way === 1 ? 0.75 : 0.4"
            :stroke="way === 1 ? 'var(--ink)' : 'var(--ink-soft)'"
            :stroke-width="way === 1 ? 1.8 : 1"
            vector-effect="non-scaling-stroke"
          />
          <path
            v-if="way === 1 && p.darts.length > 0"
            :d="toPathData(p.darts)"
            fill="none"
            stroke="var(--ink-soft)"
            stroke-width="1"
            vector-effect="non-scaling-stroke"
          />
        </template>
        <path
          :d="toPathData(v.figure.half)"
          fill="none"
          stroke="var(--note)"
          stroke-width="1.6"
          stroke-dasharray="2 3"
          vector-effect="non-scaling-stroke"
        />
      </g>
      <g v-for="p in v.pieces.filter((x) => x.apex)" :key="`apex-${p.pieceId}`">
        <circle :cx="p.apex!.x" :cy="p.apex!.y" :r="isLit('apex') ? 9 : 5" :fill="isLit('apex') ? 'var(--note)' : 'var(--ink)'" />
        <line
          :x1="v.figure.quarterMm.bust"
          :x2="-v.figure.quarterMm.bust"
          :y1="v.figure.levels.bust"
          :y2="v.figure.levels.bust"
          stroke="var(--note)"
          :stroke-width="isLit('apex', 'bust') ? 2.4 : 1"
          stroke-dasharray="2 3"
          vector-effect="non-scaling-stroke"
        />
      </g>
      <g v-for="l in v.lines" :key="l.level" :data-test="`band-${v.view}-${l.level}`">
        <rect
          v-if="Math.abs(l.pieceY - l.bodyY) <= BAND_MM"
          :x="-v.out"
          :y="Math.min(l.pieceY, l.bodyY) - 3"
          :width="2 * v.out"
          :height="6 + Math.abs(l.pieceY - l.bodyY)"
          fill="var(--good)"
          :opacity="isLit(LEVEL_ROW[l.level]![v.view]) ? 0.55 : 0.3"
        />
        <template v-else>
          <rect
            :x="-v.out"
            :y="Math.min(l.pieceY, l.bodyY)"
            :width="2 * v.out"
            :height="Math.abs(l.pieceY - l.bodyY)"
            fill="var(--ease)"
            :opacity="isLit(LEVEL_ROW[l.level]![v.view]) ? 0.4 : 0.2"
          />
          <line
            :x1="-v.out"
            :x2="v.out"
            :y1="l.bodyY"
            :y2="l.bodyY"
            stroke="var(--note)"
            stroke-width="1.4"
            stroke-dasharray="2 3"
            vector-effect="non-scaling-stroke"
          />
          <line
            :x1="-v.out"
            :x2="v.out"
            :y1="l.pieceY"
            :y2="l.pieceY"
            stroke="var(--ink)"
            stroke-width="1.4"
            vector-effect="non-scaling-stroke"
          />
        </template>
        <text
          :x="v.out + 8"
          :y="(l.pieceY + l.bodyY) / 2 + letterMm * 0.35"
          :font-size="letterMm"
          fill="var(--ink)"
          :font-weight="isLit(LEVEL_ROW[l.level]![v.view]) ? 700 : 400"
        >
          {{ l.level }}
          <tspan v-if="Math.abs(l.pieceY - l.bodyY) > BAND_MM" :x="v.out + 8" :dy="letterMm * 1.15" fill="var(--ease)">
            {{ said(Math.abs(l.pieceY - l.bodyY)) }} {{ l.pieceY > l.bodyY ? 'low' : 'high' }}
          </tspan>
        </text>
      </g>
      <g v-if="zoneLit(v)" stroke="var(--note)">
        <line
          :x1="zoneLit(v)!.bodyX"
          :x2="zoneLit(v)!.pieceX"
          :y1="zoneLit(v)!.pieceY"
          :y2="zoneLit(v)!.pieceY"
          stroke-width="4"
          vector-effect="non-scaling-stroke"
        />
        <line
          :x1="0"
          :x2="zoneLit(v)!.bodyX"
          :y1="zoneLit(v)!.pieceY"
          :y2="zoneLit(v)!.pieceY"
          stroke-width="1.4"
          stroke-dasharray="2 3"
          vector-effect="non-scaling-stroke"
        />
      </g>
      <line
        v-if="isLit('shoulder')"
        :x1="v.figure.shoulderEnd.x"
        :x2="v.figure.shoulderEnd.x"
        :y1="v.figure.shoulderEnd.y - 40"
        :y2="v.figure.shoulderEnd.y + 40"
        stroke="var(--note)"
        stroke-width="3"
        vector-effect="non-scaling-stroke"
      />
      <line
        v-if="isLit('underarm-to-waist')"
        :x1="v.figure.quarterMm.bust - 50"
        :x2="v.out"
        :y1="v.figure.levels.underarm"
        :y2="v.figure.levels.underarm"
        stroke="var(--note)"
        stroke-width="3"
        vector-effect="non-scaling-stroke"
      />
    </g>
    <g v-if="side" :transform="`translate(${side.centre} 0)`">
      <text :y="box.y + letterMm * 1.3" :font-size="letterMm * 1.15" text-anchor="middle" fill="var(--ink)" class="font-display italic">
        Side
      </text>
      <line
        :x1="side.levels[0]!.behindMm * -1"
        :x2="side.levels[0]!.behindMm * -1"
        :y1="side.levels[0]!.y - 40"
        :y2="side.levels.at(-1)!.y + 60"
        stroke="var(--note)"
        stroke-width="1.4"
        stroke-dasharray="2 3"
        vector-effect="non-scaling-stroke"
      />
      <g v-for="l in side.levels" :key="l.id">
        <rect
          :x="-(l.frontMm + l.backMm) / 8"
          :y="l.y - 5"
          :width="(l.frontMm + l.backMm) / 4"
          height="10"
          fill="var(--land)"
          stroke="var(--ink)"
          stroke-width="1.2"
          vector-effect="non-scaling-stroke"
        />
        <circle :cx="-l.behindMm" :cy="l.y" r="6" :fill="isLit('side-upright') ? 'var(--note)' : 'var(--ink)'" />
        <text :x="(l.frontMm + l.backMm) / 8 + 10" :y="l.y + letterMm * 0.3" :font-size="letterMm * 0.9" fill="var(--ink-soft)">
          {{ l.id }}
        </text>
      </g>
      <polyline
        :points="side.levels.map((l) => `${-l.behindMm},${l.y}`).join(' ')"
        fill="none"
        stroke="var(--ink)"
        :stroke-width="isLit('side-upright') ? 3 : 1.8"
        vector-effect="non-scaling-stroke"
      />
      <text :x="-118" :y="side.levels[0]!.y - 60" :font-size="letterMm * 0.85" text-anchor="middle" fill="var(--ink-soft)">back</text>
      <text :x="118" :y="side.levels[0]!.y - 60" :font-size="letterMm * 0.85" text-anchor="middle" fill="var(--ink-soft)">front</text>
    </g>
  </svg>
</template>
