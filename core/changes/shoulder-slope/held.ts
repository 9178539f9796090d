import { dot, measureLength, subtract, type Point } from '../../geometry'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment } from '../../pattern'
import { HALVES, joinRuns, runLength, shoulderAbove, underarmEnd, type Armhole } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { heldByPairs } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { ShoulderSlopeInputs } from './schema'

/** The outer end of the shoulder over half an armhole. */
export const tipOf = (garment: Garment, armhole: Armhole, half: 'front' | 'back', sizeId: string): Point =>
  joinRuns(shapeOf(findPiece(garment, armhole[half][0]!.pieceId)!, sizeId), armhole[half].slice(0, 1))[0]!.from

/** What another slope holds: the amount, shoulder lengths, the armholes’ lengths where they are kept, seams, cap ease. */
export function heldBySlope(
  before: Garment,
  after: Garment,
  armholes: readonly Armhole[],
  inputs: ShoulderSlopeInputs,
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  const changing = new Map<string, Set<string>>()
  for (const armhole of armholes)
    for (const half of HALVES) {
      const above = shoulderAbove(before, armhole[half])
      const { piece, was, is } = bothShapes(before, after, above.piece.id, sizeId)
      const up = -dot(subtract(tipOf(after, armhole, half, sizeId), tipOf(before, armhole, half, sizeId)), grainDirection(was))
      held.push(holdMeasure('shoulder end, up by', piece.name, inputs.amountMm, up, LENGTH_KEPT_MM))
      const seams = above.shoulder.filter((s) => !s.isLeg)
      const mm = (shape: typeof was) => seams.reduce((sum, s) => sum + measureLength(edgePath(shape, s.edgeId)), 0)
      held.push(holdMeasure('shoulder seam, length', piece.name, mm(was), mm(is), LENGTH_KEPT_MM))
      if (inputs.armhole === 'kept')
        held.push(
          holdMeasure(
            `${half} armhole, length`,
            piece.name,
            runLength(before, armhole[half], sizeId),
            runLength(after, armhole[half], sizeId),
            LENGTH_KEPT_MM,
          ),
        )
      const end = underarmEnd(before, armhole[half])
      for (const [id, runs] of [
        [piece.id, [...above.shoulder, ...armhole[half]]],
        [end.piece.id, [...end.armhole, ...end.side]],
      ] as const) {
        const own = changing.get(id) ?? new Set<string>()
        for (const run of runs) own.add(run.edgeId)
        changing.set(id, own)
      }
    }
  for (const [pieceId, edgeIds] of changing) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    for (const edge of piece.edges) if (!edgeIds.has(edge.id) && edge.role !== 'dart-leg') held.push(holdEdge(piece, was, is, edge.id))
    held.push(holdGrain(piece, was, is))
  }
  const sleeves = new Set(armholes.flatMap((a) => (a.sleeve ? [a.sleeve.seam.name] : [])))
  const seams = holdSeams(before, after, sizeId).filter((h) => ![...sleeves].some((name) => h.label.startsWith(name)))
  return [...held, ...seams, ...heldByPairs(before, after, sizeId)]
}
