import { figureMm, type MeasureSet } from '../body'
import { finishedMm, zonesOf } from '../measure'
import type { Garment } from '../pattern'
import { lengthToken } from '../units'
import type { Sizing } from './schema'

/** A zone that measures less than the body there, in a cloth that does not give. */
export interface TightZone {
  id: string
  name: string
  /** How much smaller than the body it is, mm. */
  mm: number
  /** The pieces that make it. */
  pieceIds: string[]
}

/** Less than nothing of ease: only a cloth that stretches can be smaller than the body (craft 4). */
export const isTooTight = (finished: number, bodyMm: number, { fabric }: Pick<Sizing, 'fabric'>): boolean =>
  fabric !== 'stretch' && finished < bodyMm

/** Why such a zone cannot be worn, lengths as tokens. @param mm how much smaller than the body it is */
export const tooTightWords = (mm: number): string => `smaller than the body by ${lengthToken(mm)}, in a cloth that does not stretch`

/** The zones of a garment, as its pieces lie, that are smaller than a body and whose cloth does not stretch; none without figures. */
export function tightZones(garment: Garment, sizing: Sizing, body: MeasureSet | null): TightZone[] {
  return zonesOf(garment, sizing).flatMap((zone): TightZone[] => {
    const bodyMm = zone.measureId === null ? undefined : figureMm(body, zone.measureId)
    if (bodyMm === undefined) return []
    const mm = finishedMm(garment, zone, garment.baseSizeId, sizing.shiftsMm[zone.id])
    if (!isTooTight(mm, bodyMm, sizing)) return []
    return [{ id: zone.id, name: zone.name, mm: bodyMm - mm, pieceIds: [...new Set(zone.parts.map((p) => p.pieceId))] }]
  })
}
