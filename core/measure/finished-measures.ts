import { findPiece, isOtherHalf, otherHalf, timesRound, type Garment } from '../pattern'
import { findZones, type Zone } from './find-zones'
import type { Measure } from './measure-garment'
import { ownZones, type OwnZone } from './own-zones'
import { zoneWidth } from './zone-width'

/** What a person has settled about where a garment is measured. */
export interface Zoning {
  /** How far the band of a zone was moved on a piece, mm along the grain; by zone id, then piece id. */
  shiftsMm: Readonly<Record<string, Readonly<Record<string, number>>>>
  ownZones: readonly OwnZone[]
}

/** Nothing moved, nothing added. */
export const NO_ZONING: Zoning = { shiftsMm: {}, ownZones: [] }

/** The zones of a garment that are found, and those that a person added. */
export const zonesOf = (garment: Garment, zoning: Zoning): Zone[] => [...findZones(garment), ...ownZones(garment, zoning.ownZones)]

/**
 * The zone of an id as it lies on these pieces: a dart that was put into an edge since has parted what the zone runs along.
 *
 * @returns undefined where these pieces have no such zone
 */
export const zoneOn = (garment: Garment, zoneId: string, zoning: Zoning): Zone | undefined =>
  zonesOf(garment, zoning).find((z) => z.id === zoneId)

/**
 * Finished measure of a zone in a size, mm: the widths on the seam lines, darts taken off, times how often each is cut;
 * of limbs, one,
 * and the larger where left and right are cut differently (craft 4).
 *
 * @param zone as it lies on these pieces (see zoneOn)
 */
export function finishedMm(garment: Garment, zone: Zone, sizeId: string, shiftsMm: Record<string, number> = {}): number {
  const widths = zone.parts.map(({ pieceId, ...part }) => ({
    pieceId,
    mm: zoneWidth(garment, { pieceId, ...part }, sizeId, shiftsMm[pieceId] ?? 0) * timesRound(garment, findPiece(garment, pieceId)!),
  }))
  const sum = (of: typeof widths) => of.reduce((all, { mm }) => all + mm, 0)
  if (!zone.limb) return sum(widths)
  // A pair that was opened out is two pieces, one for each limb; one that was not is both.
  const ids = new Set(widths.map((w) => w.pieceId))
  const isParted = (id: string) => isOtherHalf(id) || ids.has(otherHalf(id))
  const limb = (other: boolean) =>
    sum(widths.flatMap((w) => (!isParted(w.pieceId) ? { ...w, mm: w.mm / 2 } : isOtherHalf(w.pieceId) === other ? w : [])))
  return Math.max(limb(false), limb(true))
}

/** Kept per garment: each stop's garment is measured when it is made, as what came out, and as what comes before the next. */
const measured = new WeakMap<Garment, { sizeId: string; zoning: Zoning; measures: Measure[] }>()

/**
 * The finished measures of a garment in a size: the one source for worksheet, ledger, Match, pieces, cards and command line.
 */
export function finishedMeasures(garment: Garment, sizeId: string, zoning: Zoning): Measure[] {
  const known = measured.get(garment)
  if (known && known.sizeId === sizeId && known.zoning === zoning) return known.measures
  const measures = zonesOf(garment, zoning).map((zone): Measure => ({
    id: `finished:${zone.id}`,
    group: 'finished',
    label: `finished ${zone.name}${zone.id === 'leg-opening' ? ', one leg' : ''}`,
    where: zone.parts.map((p) => findPiece(garment, p.pieceId)!.name).join(', '),
    mm: finishedMm(garment, zone, sizeId, zoning.shiftsMm[zone.id]),
  }))
  measured.set(garment, { sizeId, zoning, measures })
  return measures
}
