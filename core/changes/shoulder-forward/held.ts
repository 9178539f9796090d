import { distance, measureLength } from '../../geometry'
import { edgePath, findPiece, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { HALVES, runLength, shoulderAbove, type Armhole, type Half } from '../../seams'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdTheRest } from '../shared/held'
import { heldByPairs } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { ForwardShoulderInputs } from './schema'

/** What a forward shoulder holds (craft 6.10): the sum of the armholes, both shoulders, the neck points, the ease of the cap. */
export function heldByForward(
  before: Garment,
  after: Garment,
  armholes: readonly Armhole[],
  inputs: ForwardShoulderInputs,
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  /** Edges that the change draws anew. */
  const redrawn: RunEdge[] = []
  for (const armhole of armholes) {
    const sum = (g: Garment) => HALVES.reduce((mm, half) => mm + runLength(g, armhole[half], sizeId), 0)
    held.push(holdMeasure('front and back armhole together', 'armhole', sum(before), sum(after), LENGTH_KEPT_MM))
    for (const half of HALVES) {
      const above = shoulderAbove(before, armhole[half])
      const { piece, was, is } = bothShapes(before, after, above.piece.id, sizeId)
      const grew = runLength(after, armhole[half], sizeId) - runLength(before, armhole[half], sizeId)
      held.push(holdMeasure(`${half} armhole grows by`, piece.name, signOf(half) * inputs.amountMm, grew, LENGTH_KEPT_MM))
      const seams = above.shoulder.filter((s) => !s.isLeg)
      const mm = (shape: typeof was) => seams.reduce((total, s) => total + measureLength(edgePath(shape, s.edgeId)), 0)
      held.push(holdMeasure('shoulder seam, length', piece.name, mm(was), mm(is), LENGTH_KEPT_MM))
      const neck = (g: Garment) => {
        const path = edgePath(shapeOf(findPiece(g, piece.id)!, sizeId), above.shoulder[0]!.edgeId)
        return above.shoulder[0]!.reversed ? path[path.length - 1]!.to : path[0]!.from
      }
      held.push(holdMeasure('neck point, moved by', piece.name, 0, distance(neck(before), neck(after)), EQUAL_MM))
      redrawn.push(...above.shoulder, ...armhole[half])
    }
  }
  return [...held, ...holdTheRest(before, after, redrawn, sizeId), ...heldByPairs(before, after, sizeId)]
}

/** The back armhole grows by a forward shoulder, the front one gives as much. */
export const signOf = (half: Half): 1 | -1 => (half === 'back' ? 1 : -1)
