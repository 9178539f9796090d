import { alongGrain } from '../../geometry'
import { cornerPoint, edgePath, grainDirection, type Garment, type RunEdge, type Shape } from '../../pattern'
import { underarmEnd, type Armhole } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import type { Across } from '../shared/across'
import { bothShapes, holdMeasure, holdSeams, holdTheRest } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { AcrossArmholeInputs } from './schema'

/** What was cut, and where. */
interface Cut {
  pieces: readonly Across[]
  crossed: readonly RunEdge[]
  armholes: readonly Armhole[]
  inputs: AcrossArmholeInputs
}

/**
 * The half is longer by the amount between shoulder and underarm; every edge that the line does not cross keeps its length, the other
 * half its seams, and the cap its ease on both halves.
 */
export function heldAcross(before: Garment, after: Garment, { pieces, crossed, armholes, inputs }: Cut, sizeId: string): HeldPromise[] {
  if (inputs.amountMm === 0) return []
  const ends = armholes.map((a) => underarmEnd(before, a[inputs.half]))
  const heights = pieces.flatMap(({ piece: { id }, cornerId }): HeldPromise[] => {
    const { piece, was, is } = bothShapes(before, after, id, sizeId)
    const below = ends.find((end) => end.piece.id === id)?.side[0]
    // Below a panel's armhole another piece may reach to the underarm.
    if (!below) return []
    const grain = grainDirection(was)
    const heightMm = (shape: Shape) => {
      const path = edgePath(shape, below.edgeId)
      const underarm = below.reversed ? path[path.length - 1]!.to : path[0]!.from
      return alongGrain(underarm, grain) - alongGrain(cornerPoint(piece, shape, cornerId)!, grain)
    }
    return [holdMeasure('shoulder to underarm longer by', piece.name, inputs.amountMm, heightMm(is) - heightMm(was), LENGTH_KEPT_MM)]
  })
  return [
    ...heights,
    ...holdTheRest(before, after, crossed, sizeId),
    ...holdSeams(before, after, sizeId, sleeveSeams(before)),
    ...heldByPairs(before, after, sizeId),
  ]
}
