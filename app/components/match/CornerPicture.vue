<script setup lang="ts">
import { computed } from 'vue'
import { cutPath, flattenPath, measureLength, reversePath, rotateAbout, turnRad, tangentAt, type Path, type Point } from '~~/core/geometry'
import type { CornerArm, WalkedCorner } from '~~/core/match'
import { edgePath, findPiece, neighbours, shapeOf, type Garment } from '~~/core/pattern'

/** An edge that runs on where two pieces, two legs of a dart or two halves at a fold meet, laid together as sewn. */
const props = defineProps<{ garment: Garment; corner: WalkedCorner }>()

/** How much of each edge is shown, mm. */
const REACH_MM = 42

/** The edge that runs on and the one that is sewn, both walked away from the corner. */
function arms(arm: CornerArm): { sewn: Path; free: Path } {
  const piece = findPiece(props.garment, arm.pieceId)!
  const shape = shapeOf(piece, props.garment.baseSizeId)
  const { before, after } = neighbours(piece, arm.edgeId)
  const away = (p: Path, fromStart: boolean) => cutPath(fromStart ? p : reversePath(p), 0, Math.min(REACH_MM, measureLength(p)))
  const free = edgePath(shape, arm.edgeId)
  return arm.atStart
    ? { sewn: away(edgePath(shape, before.id), false), free: away(free, true) }
    : { sewn: away(edgePath(shape, after.id), true), free: away(free, false) }
}

/** Points of a path moved so that the corner is the middle and the sewn edge runs straight down; mirrored for one side. */
function place(path: Path, corner: Point, down: Point, mirror: boolean): string {
  const turn = turnRad(down, { x: 0, y: 1 })
  return flattenPath(path, 0.1)
    .map((p) => rotateAbout(p, corner, turn))
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${((p.x - corner.x) * (mirror ? -1 : 1)).toFixed(2)} ${(p.y - corner.y).toFixed(2)}`)
    .join('')
}

const picture = computed(() => {
  // At a fold the other half is the mirror image of the one.
  const [first, second = first] = props.corner.arms
  return [first!, second!].map((arm, side) => {
    const a = arms(arm)
    const down = tangentAt(a.sewn[0]!, 0)
    const corner = a.sewn[0]!.from
    // Free edges must point away from each other: mirror the side whose free edge falls on the wrong one.
    const free = rotateAbout(tangentAt(a.free[0]!, 0), { x: 0, y: 0 }, turnRad(down, { x: 0, y: 1 }))
    const wrong = side === 0 ? free.x > 0 : free.x < 0
    return { sewn: place(a.sewn, corner, down, wrong), free: place(a.free, corner, down, wrong) }
  })
})
</script>

<template>
  <figure class="panel w-64 p-3" :data-test="`corner-${corner.id}`">
    <svg viewBox="-48 -30 96 76" class="h-36 w-full" aria-hidden="true">
      <path
        v-for="(p, i) in picture"
        :key="i"
        :d="p.sewn"
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
