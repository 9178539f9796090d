import { findZones, finishedMm, isNarrowest } from '../../measure'
import { type Garment, sideLength } from '../../pattern'
import { SEAM_KEPT_MM } from '../../tolerances'
import { holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'
import type { BlendInputs } from './schema'

export function heldByBlend(before: Garment, after: Garment, inputs: BlendInputs): HeldPromise[] {
  const sizeId = before.baseSizeId
  const held: HeldPromise[] = findZones(before)
    // A narrowest place moves when what lies above and below it changes: it is no measure of its size.
    .filter((z) => (z.id === 'bust' || z.id === 'waist' || z.id === 'hip') && !z.parts.some(isNarrowest))
    .map((zone) => {
      const from = inputs[zone.id as 'bust' | 'waist' | 'hip']
      const name = before.sizes.find((s) => s.id === from)!.name
      return holdMeasure(
        `${zone.name} is that of size ${name}`,
        'finished',
        finishedMm(before, zone, from),
        finishedMm(after, zone, sizeId),
        ZONE_MM,
      )
    })
  for (const seam of before.seams) {
    const surplus = (g: Garment, id: string) => sideLength(g, seam, 0, id) - sideLength(g, seam, 1, id)
    // The size in whose zone the seam lies has the surplus that is meant: the nearest of those that are used.
    const is = surplus(after, sizeId)
    const meant = [inputs.bust, inputs.waist, inputs.hip].map((id) => surplus(before, id))
    const was = meant.reduce((a, b) => (Math.abs(b - is) < Math.abs(a - is) ? b : a))
    held.push(holdMeasure(`${seam.name}, difference of its sides`, 'as in its size', was, is, SEAM_KEPT_MM))
  }
  return held
}

/** The end of a change is set this far from the hip at most, mm (schema). */
export const END_MM = 2000

/** A blended zone must measure what its size measures to this, mm: the line may be redrawn twice on every piece. */
const ZONE_MM = 1
