import { dot, subtract, type Point } from '../../geometry'
import { findPiece, grainDirection, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { distinctHalves, joinRuns, runLength, shoulderAbove, underarmEnd, type Armhole } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import { heldShoulder, shoulderRuns } from '../shared/held-shoulder'
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
    const above = shoulderAbove(before, runs, sizeId)
    const { piece, was } = bothShapes(before, after, above.piece.id, sizeId)
    const up = -dot(subtract(tipOf(after, runs, sizeId), tipOf(before, runs, sizeId)), grainDirection(was))
    held.push(holdMeasure('shoulder end, up by', piece.name, inputs.amountMm, up, LENGTH_KEPT_MM))
    held.push(...heldShoulder(before, after, runs, sizeId))
    if (inputs.armhole === 'kept') {
      const [wasMm, isMm] = [runLength(before, runs, sizeId), runLength(after, runs, sizeId)]
      held.push(holdMeasure(`${half} armhole, length`, piece.name, wasMm, isMm, LENGTH_KEPT_MM))
    }
    const end = underarmEnd(before, runs)
    redrawn.push(...shoulderRuns(above), ...runs, ...end.side.map((s) => ({ ...s, pieceId: end.piece.id })))
  }
  return [
    ...held,
    ...holdTheRest(before, after, redrawn, sizeId),
    ...holdSeams(before, after, sizeId, sleeveSeams(before)),
    ...heldByPairs(before, after, sizeId),
  ]
}
