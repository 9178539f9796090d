<script setup lang="ts">
import { computed } from 'vue'
import { cutPath, flattenPath, measureLength, reversePath, rotateAbout, turnRad, tangentAt, type Path, type Point } from '~~/core/geometry'
import type { WalkedCorner } from '~~/core/match'
import { edgePath, findPiece, neighbours, shapeOf, type Garment, type RunEdge, type Seam } from '~~/core/pattern'

/** The neighbouring edges at one end of a seam, laid together as sewn. */
const props = defineProps<{ garment: Garment; seam: Seam; corner: WalkedCorner }>()

/** How much of each edge is shown, mm. */
const REACH_MM = 42

/** Seam edge and free edge of one side, both walked away from the corner. */
function arms(run: RunEdge, atStart: boolean): { seam: Path; free: Path } {
  const piece = findPiece(props.garment, run.pieceId)!
  const shape = shapeOf(piece, props.garment.baseSizeId)
  const { before, after } = neighbours(piece, run.edgeId)
  const own = edgePath(shape, run.edgeId)
  const edgeStart = atStart !== run.reversed
  const away = (p: Path, fromStart: boolean) => cutPath(fromStart ? p : reversePath(p), 0, Math.min(REACH_MM, measureLength(p)))
  return edgeStart
    ? { seam: away(own, true), free: away(edgePath(shape, before.id), false) }
    : { seam: away(own, false), free: away(edgePath(shape, after.id), true) }
}

/** Points of a path moved so that the corner is the middle and the seam runs straight down; mirrored for one side. */
function place(path: Path, corner: Point, down: Point, mirror: boolean): string {
  const turn = turnRad(down, { x: 0, y: 1 })
  return flattenPath(path, 0.1)
    .map((p) => rotateAbout(p, corner, turn))
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${((p.x - corner.x) * (mirror ? -1 : 1)).toFixed(2)} ${(p.y - corner.y).toFixed(2)}`)
    .join('')
}

const picture = computed(() => {
  const atStart = props.corner.id.endsWith(':start')
  return ([0, 1] as const).map((side) => {
    const runs = props.seam.sides[side]
    const a = arms(atStart ? runs[0]! : runs[runs.length - 1]!, atStart)
    const down = tangentAt(a.seam[0]!, 0)
    const corner = a.seam[0]!.from
    // Free edges must point away from each other: mirror the side whose free edge falls on the wrong one.
    const free = rotateAbout(tangentAt(a.free[0]!, 0), { x: 0, y: 0 }, turnRad(down, { x: 0, y: 1 }))
    const wrong = side === 0 ? free.x > 0 : free.x < 0
    return { seam: place(a.seam, corner, down, wrong), free: place(a.free, corner, down, wrong) }
  })
})
</script>

<template>
  <figure class="panel w-64 p-3" :data-test="`corner-${corner.id}`">
    <svg viewBox="-48 -30 96 76" class="h-36 w-full" aria-hidden="true">
      <path
        v-for="(p, i) in picture"
        :key="i"
        :d="p.seam"
        fill="none"
        stroke="var(--ink-soft)"
        stroke-width="1.2"
        :stroke-dasharray="i === 0 ? undefined : '4 3'"
      />
      <path
        v-for="(p, i) in picture"
        :key="`f${i}`"
        :d="p.free"
        fill="none"
        :stroke="corner.verdict === 'good' ? 'var(--ink)' : 'var(--fault)'"
        stroke-width="2.6"
        stroke-linecap="round"
      />
      <circle cx="0" cy="0" r="2.4" fill="var(--ink)" />
    </svg>
    <figcaption class="text-sm">
      {{ corner.where }}:
      <span class="font-semibold" :class="corner.verdict === 'good' ? 'text-good' : 'text-fault'"
        >{{ Math.abs(corner.turnDeg) < 0.5 ? 'runs through smoothly' : `turns ${Math.abs(corner.turnDeg).toFixed(0)}°`
        }}{{ corner.designed ? ', designed' : corner.verdict === 'fault' ? ', a corner' : '' }}</span
      >
    </figcaption>
  </figure>
</template>
