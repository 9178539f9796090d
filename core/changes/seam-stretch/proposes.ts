import { finishedMm, zoneOn } from '../../measure'
import { familyOf, type Garment } from '../../pattern'
import { LEFT_OVER } from '../left-over'
import type { AskedByBody } from '../types'
import { amountFor } from './amount-for'
import { findSeams } from './find-seams'
import { stretchAt } from './places'
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
 * line runs out well. An inseam that has no room for its half close below the crotch is let out at the crotch point instead, which
 * leaves the hip as it is. A looser leg is left as its maker meant it. A knee is looked at once the thigh has its width.
 */
export function proposeLegs(garmentNow: () => Garment, { context, sheet }: AskedByBody): Proposed[] {
  let garment = garmentNow()
  const sizeId = garment.baseSizeId
  const legSeam = (role: string) => findSeams(garment).find((s) => familyOf(s.piece) === 'leg' && s.edge.role === role)
  const found: Proposed[] = []
  for (const level of LEVELS) {
    const row = sheet.rows.find((r) => r.zone.id === level)
    if (row?.bodyMm == null) continue
    const missingOf = (g: Garment): number => {
      const zone = zoneOn(g, level, context.sizing)
      return zone ? row.bodyMm! + row.wantedMm - finishedMm(g, zone, sizeId, context.sizing.shiftsMm[level]) : 0
    }
    if (missingOf(garment) < LEAST_MM) continue
    for (const [i, role] of SEAMS.entries()) {
      const seam = legSeam(role)
      if (!seam) continue
      // Each seam has two edges, and the last one takes what is still missing.
      const wishMm = missingOf(garment) / (2 * (SEAMS.length - i))
      const before = garment
      const place = stretchAt(before, seam, sizeId, level, wishMm)
      const done = amountFor(before, place, wishMm, (after) => (missingOf(before) - missingOf(after)) / 2, context)
      if (!done) continue
      garment = done.garment
      const note = `Round the ${level}: the leg has less than the body and its wanted ease.`
      const isLeft = i === SEAMS.length - 1 && missingOf(garment) >= LEAST_MM
      found.push({ inputs: done.inputs, note: isLeft ? `${note} ${LEFT_OVER}` : note })
    }
  }
  return found
}
