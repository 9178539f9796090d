import { measureLength } from '../../geometry'
import { edgePath, type Garment } from '../../pattern'
import { distinctHalves, underarmEnd, type Armhole } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { LowerArmholeInputs } from './schema'

/** What a lowered armhole holds: the side seams as much shorter, front and back alike, shoulders, hem, the ease of a cap that follows. */
export function heldByLowering(
  before: Garment,
  after: Garment,
  armholes: readonly Armhole[],
  inputs: LowerArmholeInputs,
  sizeId: string,
): HeldPromise[] {
  const ends = distinctHalves(armholes).map(({ runs }) => underarmEnd(before, runs))
  const sides = ends.map(({ piece, side }) => {
    const { was, is } = bothShapes(before, after, piece.id, sizeId)
    const grew = measureLength(edgePath(is, side[0]!.edgeId)) - measureLength(edgePath(was, side[0]!.edgeId))
    return holdMeasure('side seam shorter by', piece.name, inputs.amountMm, -grew, LENGTH_KEPT_MM)
  })
  const redrawn = ends.flatMap(({ piece, armhole, side }) => [...armhole, { ...side[0]!, pieceId: piece.id }])
  return [
    ...sides,
    ...holdTheRest(before, after, redrawn, sizeId),
    ...holdSeams(before, after, sizeId, sleeveSeams(before)),
    ...(inputs.cap === 'left' ? [] : heldByPairs(before, after, sizeId)),
  ]
}
