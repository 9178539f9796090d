import { distance } from '../../geometry'
import { findApex, tipBackMm } from '../../darts'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { dartsOf, type FoundDart } from '../shared/darts/find-darts'
import type { AskedByBody } from '../types'
import type { FinishDartInputs } from './schema'

/** Legs that differ by more than this would be seen when the dart is folded, mm. */
const LEGS_MM = 0.3

const offMm = (garment: Garment, { piece, dart }: FoundDart): number => {
  const d = dartFigures(piece, shapeOf(piece, garment.baseSizeId), dart)
  return Math.abs(d.firstMm - d.secondMm)
}

/**
 * Darts that the plan has moved, finished afresh: the side dart of a front whose bust was changed, its legs equal and its tip where
 * it belongs; and every dart whose legs were equal as bought, or that the plan made, and are no longer, its tip where it is.
 */
export function proposeFinish(garmentNow: () => Garment, { stops, context }: AskedByBody): { inputs: FinishDartInputs; note: string }[] {
  const fronts = stops.filter((s) => s.isNew && s.phase === 'bust').map((s) => s.pieceId)
  if (!stops.some((s) => s.isNew)) return []
  const garment = garmentNow()
  const { bought } = context
  const wereUnequal = bought ? dartsOf(bought).filter((d) => offMm(bought, d) > LEGS_MM) : dartsOf(garment)
  return dartsOf(garment).flatMap((found) => {
    const { ref, piece, dart } = found
    const shape = shapeOf(piece, garment.baseSizeId)
    const isSide = dartFigures(piece, shape, dart).before.role === 'side'
    const equal = { dart: ref, legs: 'equal', pressTo: dart.pressTo } as const
    if (isSide && fronts.includes(piece.id))
      return [{ inputs: { ...equal, tipBackMm: tipBackMm('side') }, note: 'The fuller bust moved its legs.' }]
    if (offMm(garment, found) <= LEGS_MM || wereUnequal.some((d) => d.ref === ref)) return []
    const back = distance(findApex(piece, shape, dart).point, dartFigures(piece, shape, dart).tip)
    return [{ inputs: { ...equal, tipBackMm: back }, note: 'What was changed beside it moved its legs: they are made equal again.' }]
  })
}
