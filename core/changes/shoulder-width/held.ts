import { distance, measureLength, placeAt, reversePath, type Path } from '../../geometry'
import { edgePath, type EdgeRole, type Garment } from '../../pattern'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { shoulderEnds, armholeLength } from '../shared/find-shoulders'
import { bothShapes, holdMeasure, holdEdge, holdGrain, holdSeam } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { ShoulderWidthInputs } from './schema'

const REDRAWN: readonly EdgeRole[] = ['shoulder', 'armhole', 'dart-leg']

/** How far apart an old seam and a new one lie where the shorter of them ends, both walked from the neck, mm. */
function offItsLineMm(old: Path, now: Path, reversed: boolean): number {
  const commonMm = Math.min(measureLength(old), measureLength(now))
  const [a, b] = [old, now].map((path) => placeAt(reversed ? reversePath(path) : path, commonMm).point)
  return distance(a!, b!)
}

/**
 * Each shoulder has grown by what was asked; every edge that is not redrawn, the grain and the seams at the shoulder stay. Besides: the
 * armholes’ lengths where they are kept; where they are redrawn that the shoulders stay on their lines, and the ease of the caps.
 */
export function heldByShoulders(before: Garment, after: Garment, inputs: ShoulderWidthInputs, sizeId: string): HeldPromise[] {
  if (inputs.amountMm === 0) return []
  const isRedrawn = inputs.armhole === 'redrawn'
  const held: HeldPromise[] = []
  for (const { id: pieceId } of before.pieces) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const ends = shoulderEnds(piece)
    if (ends.length === 0 || inputs.leftOut.includes(pieceId)) continue
    for (const end of ends) {
      const [old, now] = [edgePath(was, end.shoulder.id), edgePath(is, end.shoulder.id)]
      held.push(
        holdMeasure(`${end.shoulder.name} grows by`, piece.name, inputs.amountMm, measureLength(now) - measureLength(old), EQUAL_MM),
        isRedrawn
          ? holdMeasure(`${end.shoulder.name} stays on its line`, piece.name, 0, offItsLineMm(old, now, end.reversed), LENGTH_KEPT_MM)
          : holdMeasure('armhole, length', piece.name, armholeLength(was, end), armholeLength(is, end), LENGTH_KEPT_MM),
      )
    }
    for (const edge of piece.edges) if (!REDRAWN.includes(edge.role)) held.push(holdEdge(piece, was, is, edge.id))
    held.push(holdGrain(piece, was, is))
  }
  const roles = (seam: Garment['seams'][number]) =>
    seam.sides.flat().map((r) => before.pieces.find((p) => p.id === r.pieceId)!.edges.find((e) => e.id === r.edgeId)!.role)
  const sleeves = isRedrawn ? sleeveSeams(before) : new Set<string>()
  for (const seam of before.seams)
    if (!sleeves.has(seam.id) && roles(seam).some((r) => r === 'shoulder' || r === 'armhole'))
      held.push(holdSeam(before, after, seam, sizeId))
  return [...held, ...(isRedrawn ? heldByPairs(before, after, sizeId) : [])]
}
