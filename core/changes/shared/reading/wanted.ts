import { findZones, finishedMm, type ZoneId } from '../../../measure'
import type { Garment } from '../../../pattern'
import type { Wish } from '../../../wishes'
import { says } from './amounts'
import type { ChangeContext } from '../../types'

/** Nearer than this no change is worth a line, mm. */
const THERE_MM = 0.5

/**
 * What something lacks of what a wish says it is to measure in the end, mm, or has too much when negative.
 *
 * @returns null where no such figure is said, where it is a length, where it says how much more or less too, and where it measures that already
 */
export function lackingOf(wish: Wish, isMm: number): number | null {
  if (wish.wantedMm === null || wish.amounts.length > 0 || says(wish, 'length')) return null
  const missing = wish.wantedMm - isMm
  return Math.abs(missing) < THERE_MM ? null : missing
}

/** The same of a zone: “bust 40”, “leg opening to 14”; null also where the garment has no such zone. */
export function missingOf(wish: Wish, garment: Garment, zoneId: ZoneId, context: ChangeContext): number | null {
  const zone = wish.wantedMm === null ? undefined : findZones(garment).find((z) => z.id === zoneId)
  return zone ? lackingOf(wish, finishedMm(garment, zone, context.sizeId, context.sizing.shiftsMm[zone.id])) : null
}

/** Says that a figure of a wish was taken as what is to be in the end. */
export const takesWanted = (missingMm: number | null): { takes?: readonly ['wanted'] } => (missingMm === null ? {} : { takes: ['wanted'] })
