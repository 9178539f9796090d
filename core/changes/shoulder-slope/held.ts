import { dot, measureLength, subtract, type Point } from '../../geometry'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { distinctHalves, joinRuns, runLength, shoulderAbove, underarmEnd, type Armhole } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { ShoulderSlopeInputs } from './schema'

/** The outer end of the shoulder over half an armhole. */
export const tipOf = (garment: Garment, half: readonly RunEdge[], sizeId: string): Point =>
  joinRuns(shapeOf(findPiece(garment, half[0]!.pieceId)!, sizeId), half.slice(0, 1))[0]!.from

/** What another slope holds: the amount, shoulder lengths, the armholes’ lengths where they are kept, seams, cap ease. */
export function heldBySlope(
  before: Garment,
  after: Garment,
  armholes: readonly Armhole[],
  inputs: ShoulderSlopeInputs,
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  const redrawn: { pieceId: string; edgeId: string }[] = []
  for (const { half, runs } of distinctHalves(armholes)) {
    const above = shoulderAbove(before, runs)
    const { piece, was, is } = bothShapes(before, after, above.piece.id, sizeId)
    const up = -dot(subtract(tipOf(after, runs, sizeId), tipOf(before, runs, sizeId)), grainDirection(was))
    held.push(holdMeasure('shoulder end, up by', piece.name, inputs.amountMm, up, LENGTH_KEPT_MM))
    const seams = above.shoulder.filter((s) => !s.isLeg)
    const mm = (shape: typeof was) => seams.reduce((sum, s) => sum + measureLength(edgePath(shape, s.edgeId)), 0)
    held.push(holdMeasure('shoulder seam, length', piece.name, mm(was), mm(is), LENGTH_KEPT_MM))
    if (inputs.armhole === 'kept') {
      const [wasMm, isMm] = [runLength(before, runs, sizeId), runLength(after, runs, sizeId)]
      held.push(holdMeasure(`${half} armhole, length`, piece.name, wasMm, isMm, LENGTH_KEPT_MM))
    }
    const end = underarmEnd(before, runs)
    redrawn.push(...above.shoulder, ...runs, ...end.side.map((s) => ({ ...s, pieceId: end.piece.id })))
  }
  return [
    ...held,
    ...holdTheRest(before, after, redrawn, sizeId),
    ...holdSeams(before, after, sizeId, sleeveSeams(before)),
    ...heldByPairs(before, after, sizeId),
  ]
}
