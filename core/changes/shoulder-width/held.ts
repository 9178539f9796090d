import { measureLength } from '../../geometry'
import { type Garment, edgePath } from '../../pattern'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { shoulderEnds, armholeLength } from '../shared/find-shoulders'
import { bothShapes, holdMeasure, holdEdge, holdGrain, holdSeam } from '../shared/held'
import type { SwungPiece } from '../shared/swing-garment'
import type { HeldPromise } from '../types'
import type { ShoulderWidthInputs } from './schema'

/** Each shoulder has grown by what was asked; armholes, every other edge, the grain and the seams there stay. */
export function heldByShoulders(
  before: Garment,
  after: Garment,
  swung: ReadonlyMap<string, SwungPiece>,
  inputs: ShoulderWidthInputs,
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const pieceId of swung.keys()) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    for (const end of shoulderEnds(piece)) {
      const grew = measureLength(edgePath(is, end.shoulder.id)) - measureLength(edgePath(was, end.shoulder.id))
      held.push(holdMeasure(`${end.shoulder.name} grows by`, piece.name, inputs.amountMm, grew, EQUAL_MM))
      held.push(holdMeasure('armhole, length', piece.name, armholeLength(was, end), armholeLength(is, end), LENGTH_KEPT_MM))
    }
    for (const edge of piece.edges)
      if (edge.role !== 'shoulder' && edge.role !== 'armhole' && edge.role !== 'dart-leg') held.push(holdEdge(piece, was, is, edge.id))
    held.push(holdGrain(piece, was, is))
  }
  const roles = (seam: Garment['seams'][number]) =>
    seam.sides.flat().map((r) => before.pieces.find((p) => p.id === r.pieceId)!.edges.find((e) => e.id === r.edgeId)!.role)
  for (const seam of before.seams)
    if (roles(seam).some((r) => r === 'shoulder' || r === 'armhole')) held.push(holdSeam(before, after, seam, sizeId))
  return held
}
