import { distance } from '../../geometry'
import { findPiece, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { HALVES, joinRuns, runLength, shoulderAbove, type Armhole, type Half } from '../../seams'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { holdMeasure, holdSeam, holdTheRest } from '../shared/held'
import { heldByPairs } from '../shared/held-pairs'
import { heldShoulder, neckRun, shoulderRuns } from '../shared/held-shoulder'
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
      const above = shoulderAbove(before, armhole[half], sizeId)
      const { piece } = above
      const grew = runLength(after, armhole[half], sizeId) - runLength(before, armhole[half], sizeId)
      held.push(holdMeasure(`${half} armhole grows by`, piece.name, signOf(half) * inputs.amountMm, grew, LENGTH_KEPT_MM))
      held.push(...heldShoulder(before, after, armhole[half], sizeId))
      if (above.panel) held.push(holdSeam(before, after, above.panel.seam, sizeId))
      const neck = (g: Garment) => joinRuns(shapeOf(findPiece(g, neckRun(above).pieceId)!, sizeId), [neckRun(above)])[0]!.from
      held.push(holdMeasure('neck point, moved by', piece.name, 0, distance(neck(before), neck(after)), EQUAL_MM))
      redrawn.push(...shoulderRuns(above), ...armhole[half])
    }
  }
  return [...held, ...holdTheRest(before, after, redrawn, sizeId), ...heldByPairs(before, after, sizeId)]
}

/** The back armhole grows by a forward shoulder, the front one gives as much. */
export const signOf = (half: Half): 1 | -1 => (half === 'back' ? 1 : -1)
