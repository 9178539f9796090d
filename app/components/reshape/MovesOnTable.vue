<script setup lang="ts">
import { computed } from 'vue'
import { applyAffine, chain, mapPath, slideBy, turnAbout, type Affine, type Path } from '~~/core/geometry'
import { toPathData } from '~~/core/formats'
import type { PlayMove } from '~~/core/changes'

/** What the hands do with one piece, as far as the slider has come: done moves lie, the one at hand turns or slides. */
const props = defineProps<{
  moves: PlayMove[]
  /** How many moves are done; its fraction is the one at hand. */ at: number
  zoom: number
}>()

const placement = (move: PlayMove, u: number): Affine => {
  const slid = slideBy({ x: move.by.x * u, y: move.by.y * u })
  return move.pin ? chain(turnAbout(move.pin, move.turnRad * u), slid) : slid
}
const data = (path: Path, m: Affine, closed = false) =>
  toPathData(
    mapPath(path, (p) => applyAffine(m, p)),
    closed,
  )
const begun = (i: number) => i < props.at || i === 0
const carriedOn = (i: number, id: number) => props.moves.some((later, j) => j > i && begun(j) && later.parts.some((p) => p.id === id))
const shown = computed(() =>
  props.moves.flatMap((move, i) => {
    if (!begun(i)) return []
    const u = Math.min(1, props.at - i)
    const m = placement(move, u)
    const cutting = move.cut !== null
    return [
      {
        key: i,
        now: u < 1,
        cutting,
        // A part that a later move carries on is shown where that move has it.
        parts: cutting || u < 1 ? move.parts.filter((p) => !carriedOn(i, p.id)).map((p) => data(p.outline, m, true)) : [],
        // What is traced appears when the pattern lies still.
        traced: u >= 1 ? move.traced.map((p) => data(p, m)) : [],
        cut: move.cut ? toPathData(move.cut) : null,
        pin: move.pin,
      },
    ]
  }),
)
</script>

<template>
  <g data-test="moves" pointer-events="none">
    <g v-for="s in shown" :key="s.key">
      <path
        v-for="(d, k) in s.parts"
        :key="`p${k}`"
        :d="d"
        :fill="s.cutting ? 'var(--land)' : 'var(--land-edge)'"
        :fill-opacity="s.cutting ? 0.92 : 0.45"
        stroke="var(--ink)"
        stroke-width="1.6"
        :stroke-dasharray="s.cutting ? undefined : '6 4'"
        vector-effect="non-scaling-stroke"
      />
      <path
        v-for="(d, k) in s.traced"
        :key="`t${k}`"
        :d="d"
        fill="none"
        stroke="var(--note)"
        stroke-width="4"
        stroke-linecap="round"
        vector-effect="non-scaling-stroke"
      />
      <path v-if="s.cut" :d="s.cut" stroke="var(--note)" stroke-width="2.2" stroke-dasharray="9 5" vector-effect="non-scaling-stroke" />
      <template v-if="s.pin && s.now">
        <circle :cx="s.pin.x" :cy="s.pin.y" :r="7 / zoom" fill="var(--note)" />
        <circle :cx="s.pin.x" :cy="s.pin.y" :r="12 / zoom" fill="none" stroke="var(--note)" :stroke-width="2 / zoom" />
      </template>
    </g>
  </g>
</template>
