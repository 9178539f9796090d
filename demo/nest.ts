import { gradeGarment } from '../core/changes/grade'
import type { Garment } from '../core/pattern'
import { findZones, finishedMm } from '../core/measure'
import { NO_SIZING, type Sizing } from '../core/size'

/** Growth from size to size, mm: the draft is size 4, and the steps widen at the top. */
const UP = [40, 44, 51]
const DOWN = [40, 40, 36]

/** A drafted garment as a nest of sizes 1 to 7, graded by our own rules; the draft is size 4. */
export function nestOf(garment: Garment): Garment {
  const named = { ...garment, sizes: garment.sizes.map((s) => ({ ...s, name: '4' })) }
  return gradeGarment(named, {
    intervalMm: 40,
    up: UP.length,
    down: DOWN.length,
    upIntervalsMm: UP,
    downIntervalsMm: DOWN,
    centre: 'none',
    rules: {},
    school: 'shift',
  })
}

/** Ease that the drafts were made with round the body, mm: what the printed body chart leaves to the finished measure. */
const DRAFTED_EASE: Record<string, number> = { 'high-bust': 96, bust: 84, waist: 60, hip: 66 }

/** The size chart that comes with a nest: the body each size is made for, rounded as charts are. */
export function chartOf(garment: Garment): Sizing {
  const zones = findZones(garment).filter((z) => z.id in DRAFTED_EASE)
  const bodyChart = Object.fromEntries(
    garment.sizes.map((s) => [
      s.id,
      Object.fromEntries(zones.map((z) => [z.id, Math.round((finishedMm(garment, z, s.id) - DRAFTED_EASE[z.id]!) / 5) * 5])),
    ]),
  )
  return { ...NO_SIZING, bodyChart }
}
