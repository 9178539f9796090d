import { measureLength } from '../../geometry'
import { type Garment, findPiece, edgePath, edgeFamily } from '../../pattern'
import { LENGTH_KEPT_MM, SEAM_KEPT_MM } from '../../tolerances'
import { familyMm } from '../shared/darts/find-darts'
import { bothShapes, holdMeasure, holdGrain, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'
import { CENTRE, LOWER, KEPT } from './edges'
import type { FrontDone } from './draw'
import type { FrontLengthInputs } from './schema'

/** The centre has grown by what was asked; every edge above, the side with its dart closed and what is sewn to it stay. */
export function heldByLength(before: Garment, { garment: after }: FrontDone, inputs: FrontLengthInputs, sizeId: string): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, inputs.pieceId, sizeId)
  const now = findPiece(after, piece.id)!
  const centreMm = (p: typeof piece, shape: typeof was) =>
    p.edges.filter((e) => e.fold || CENTRE.includes(e.role)).reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  const sideMm = (p: typeof piece, shape: typeof was) =>
    p.edges.filter((e) => e.role === 'side').reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  const sides = new Set(piece.edges.filter((e) => e.role === 'side').map((e) => `${piece.id} ${e.id}`))
  const families = new Map(piece.edges.filter((e) => KEPT.includes(e.role)).map((e) => [edgeFamily(e.id), e]))
  return [
    holdMeasure('centre front grows by', piece.name, inputs.amountMm, centreMm(now, is) - centreMm(piece, was), LENGTH_KEPT_MM),
    ...[...families].map(([family, edge]) =>
      holdMeasure(
        `${edge.name}, length`,
        piece.name,
        familyMm(piece, was, family),
        familyMm(now, is, family),
        LOWER.includes(edge.role) ? SEAM_KEPT_MM : LENGTH_KEPT_MM,
      ),
    ),
    holdGrain(piece, was, is),
    holdMeasure('side seam with its dart closed', piece.name, sideMm(piece, was), sideMm(now, is), SEAM_KEPT_MM),
    ...holdSeams(
      before,
      after,
      sizeId,
      new Set(before.seams.filter((s) => s.sides.flat().some((r) => sides.has(`${r.pieceId} ${r.edgeId}`))).map((s) => s.id)),
    ),
  ]
}
