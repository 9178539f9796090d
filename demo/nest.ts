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

/** The dress hangs straight from the bust: at the waist and the hip it stands well off the body. */
export const STRAIGHT_EASE: Record<string, number> = { ...DRAFTED_EASE, waist: 215, hip: 110 }

/**
 * The size chart that comes with a nest: the body each size is made for, rounded as charts are.
 *
 * @param easeMm ease that it was drafted with round the body, by zone, mm
 */
export function chartOf(garment: Garment, easeMm: Readonly<Record<string, number>> = DRAFTED_EASE): Sizing {
  const zones = findZones(garment).filter((z) => z.id in easeMm)
  const bodyChart = Object.fromEntries(
    garment.sizes.map((s) => [
      s.id,
      Object.fromEntries(zones.map((z) => [z.id, Math.round((finishedMm(garment, z, s.id) - easeMm[z.id]!) / 5) * 5])),
    ]),
  )
  return { ...NO_SIZING, bodyChart }
}
