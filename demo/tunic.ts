import type { Garment } from '../core/pattern'
import { findWrap, wrapFront } from '../core/seams'
import { backPiece, bodySeams, frontPiece } from './blouse'
import type { BodyFigures } from './bodice'
import { toGarment } from './draft-piece'

/** The rope walker's tunic: made-up figures, mm. */
const BODY: BodyFigures = { bust: 890, ease: 104, shoulder: 117, backToWaist: 384, waistShaping: 16 }
/** A small side dart, which will take in what gapes. */
const DART_INTAKE = 8
/** Its wrap: beyond the centre, beside the bust point, and the hanging front edge below the waist. */
const WRAP = { overlapMm: 105, coverMm: 138, endAboveMm: 200 }

/** A sleeveless tunic whose darted fronts cross over from the shoulder to the waist, its edge bound; back with a shoulder dart. */
export function draftTunic(body: BodyFigures = BODY): Garment {
  const back = backPiece(body)
  const garment = toGarment([frontPiece(back, true, body, DART_INTAKE), back], bodySeams(true))
  const wrap = findWrap(garment)
  const wrapped = wrap.ok ? wrapFront(garment, wrap.value, WRAP) : wrap
  if (!wrapped.ok) throw new Error(wrapped.problem.message)
  return wrapped.value
}
