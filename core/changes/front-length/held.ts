import { alongGrain, measureLength } from '../../geometry'
import { type Garment, findPiece, edgePath, edgeFamily, grainDirection, type RunEdge } from '../../pattern'
import { LENGTH_KEPT_MM, SEAM_KEPT_MM } from '../../tolerances'
import { familyMm } from '../shared/darts/find-darts'
import { bothShapes, holdMeasure, holdGrain, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'
import { CENTRE, LOWER, KEPT } from './edges'
import type { FrontDone } from './draw'
import type { FrontLengthInputs } from './schema'

/**
 * The front has grown by what was asked, down its middle: its centre edge, or, where it wraps over, the edge that crosses it,
 * measured down the grain. Every edge above, the side with its dart closed and what is sewn to it stay; the edge of a wrap grows with the front.
 */
export function heldByLength(
  before: Garment,
  { garment: after, centreId, isWrap }: FrontDone,
  inputs: FrontLengthInputs,
  sizeId: string,
): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, inputs.pieceId, sizeId)
  const now = findPiece(after, piece.id)!
  const ends = (shape: typeof was) => edgePath(shape, centreId).flatMap((s) => [s.from, s.to])
  const heights = (shape: typeof was) => ends(shape).map((p) => alongGrain(p, grainDirection(shape)))
  const centreMm = (p: typeof piece, shape: typeof was) =>
    isWrap
      ? Math.max(...heights(shape)) - Math.min(...heights(shape))
      : p.edges.filter((e) => e.fold || CENTRE.includes(e.role)).reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  const sideMm = (p: typeof piece, shape: typeof was) =>
    p.edges.filter((e) => e.role === 'side').reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  const sides = new Set(piece.edges.filter((e) => e.role === 'side').map((e) => `${piece.id} ${e.id}`))
  const families = new Map(
    piece.edges.filter((e) => KEPT.includes(e.role) && !(isWrap && e.id === centreId)).map((e) => [edgeFamily(e.id), e]),
  )
  const isWrapEdge = (r: RunEdge) => isWrap && r.pieceId === piece.id && r.edgeId === centreId
  return [
    holdMeasure(
      isWrap ? 'edge of the wrap comes down by' : 'centre front grows by',
      piece.name,
      inputs.amountMm,
      centreMm(now, is) - centreMm(piece, was),
      LENGTH_KEPT_MM,
    ),
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
      new Set(
        before.seams.filter((s) => s.sides.flat().some((r) => sides.has(`${r.pieceId} ${r.edgeId}`) || isWrapEdge(r))).map((s) => s.id),
      ),
    ),
  ]
}
