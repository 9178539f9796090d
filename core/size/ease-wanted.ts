import { figureMm, type MeasureSet } from '../body'
import { finishedMm, zoneOn, type Zone } from '../measure'
import type { Garment } from '../pattern'
import { chooseSize } from './choose-size'
import { BY_DESIGN, type Sizing } from './schema'
import { wantedEase } from './wanted-ease'

/** The share of the design's ease that each of these fits leaves. */
const SHARE: Record<(typeof BY_DESIGN)[number], number> = { 'as-designed': 1, closer: 2 / 3, looser: 4 / 3 }

/** Ease wanted in a zone, mm, and who says so: the pattern, the table of fits, or a person. */
export interface EaseWanted {
  mm: number
  by: 'design' | 'table' | 'you'
  /** The ease that the pattern's maker meant there, mm; null where no chart says for which body it is made. */
  designedMm: number | null
}

/**
 * The looseness that a pattern's maker meant in a zone (craft 4, as designed): the finished measure of a size less the body that it
 * is made for, mm. The size is the one whose chart the body takes; without a body the pattern's first.
 *
 * @param garment as bought
 * @param zone the zone as it lies on the pieces at hand: on the pattern as bought it may run along other edges
 * @returns null where the chart has no figure for the zone, or the pattern as bought has no such zone
 */
export function designedEase(garment: Garment, zone: Zone, sizing: Sizing, set: MeasureSet | null): number | null {
  const measure = zone.measureId
  if (measure === null) return null
  const charted = garment.sizes.flatMap(({ id, name }) => {
    const mm = sizing.bodyChart[id]?.[measure]
    return mm === undefined ? [] : [{ sizeId: id, name, mm }]
  })
  const body = figureMm(set, measure)
  const first = charted.find((s) => s.sizeId === garment.baseSizeId) ?? charted[0]
  const asBought = zoneOn(garment, zone.id, sizing)
  if (!first || !asBought) return null
  const sizeId = body === undefined ? first.sizeId : chooseSize(charted, body, 0, 'fitted', 'medium').sizeId
  return finishedMm(garment, asBought, sizeId, sizing.shiftsMm[zone.id]) - charted.find((s) => s.sizeId === sizeId)!.mm
}

/**
 * Ease wanted in a zone: what a person has set; else as designed, or a share of that but never less than one moves in; else, where
 * no chart says what was designed, by fit and cloth.
 *
 * @param bought the garment as bought
 */
export function easeWanted(bought: Garment, zone: Zone, sizing: Sizing, set: MeasureSet | null): EaseWanted {
  const designedMm = designedEase(bought, zone, sizing, set)
  const own = sizing.wantedMm[zone.id]
  if (own !== undefined) return { mm: own, by: 'you', designedMm }
  const fit = BY_DESIGN.find((f) => f === sizing.fit)
  if (!fit || designedMm === null) return { mm: wantedEase(zone.id, sizing.fit, sizing.fabric), by: 'table', designedMm }
  if (fit === 'as-designed') return { mm: designedMm, by: 'design', designedMm }
  return {
    mm: Math.max(designedMm * SHARE[fit], Math.min(designedMm, wantedEase(zone.id, 'close', sizing.fabric))),
    by: 'design',
    designedMm,
  }
}
