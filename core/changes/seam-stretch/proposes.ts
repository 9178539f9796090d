import { finishedMm, zoneOn } from '../../measure'
import { familyOf, type Garment } from '../../pattern'
import { LEFT_OVER } from '../left-over'
import type { AskedByBody } from '../types'
import { applySeamStretch } from './apply'
import { findSeams } from './find-seams'
import { STEEPEST, usualStretch } from './places'
import type { SeamStretchInputs } from './schema'

/** Less than this is left as it is, mm: as exactly as a zone is planned. */
const LEAST_MM = 2

/** Levels of a leg that its two seams can be let out at, from the top down. */
const LEVELS = ['thigh', 'knee'] as const

/** The seams of a leg; what the first has no room for, close below the crotch, goes to the other. */
const SEAMS = ['inseam', 'outseam'] as const

type Proposed = { inputs: SeamStretchInputs; note: string }

/**
 * Both seams of a leg let out where thigh or knee have less than the body and its wanted ease (craft 4 and 6.12), no steeper than a
 * line runs out well; a looser leg is left as its maker meant it. A knee is looked at once the thigh has its width.
 */
export function proposeLegs(garmentNow: () => Garment, { context, sheet }: AskedByBody): Proposed[] {
  let garment = garmentNow()
  const sizeId = garment.baseSizeId
  const legSeam = (role: string) => findSeams(garment).find((s) => familyOf(s.piece) === 'leg' && s.edge.role === role)
  const found: Proposed[] = []
  for (const level of LEVELS) {
    const row = sheet.rows.find((r) => r.zone.id === level)
    if (row?.bodyMm == null) continue
    const wantedMm = row.bodyMm + row.wantedMm
    const missingMm = () => {
      const zone = zoneOn(garment, level, context.sizing)
      return zone ? wantedMm - finishedMm(garment, zone, sizeId, context.sizing.shiftsMm[level]) : 0
    }
    if (missingMm() < LEAST_MM) continue
    for (const [i, role] of SEAMS.entries()) {
      const seam = legSeam(role)
      if (!seam) continue
      const usual = usualStretch(garment, seam, sizeId, level)
      // Each seam has two edges, and the last one takes what is still missing.
      const wishMm = missingMm() / (2 * (SEAMS.length - i))
      const mostMm = STEEPEST * Math.min(usual.aboveMm, usual.belowMm)
      const inputs = { ...usual, amountMm: Math.min(wishMm, mostMm) }
      const done = applySeamStretch(garment, inputs, context)
      if (!done.ok || inputs.amountMm <= 0) continue
      const note = `Round the ${level}: the leg has less than the body and its wanted ease.`
      const isLast = i === SEAMS.length - 1
      found.push({ inputs, note: isLast && inputs.amountMm < wishMm ? `${note} ${LEFT_OVER}` : note })
      garment = done.value.garment
    }
  }
  return found
}
