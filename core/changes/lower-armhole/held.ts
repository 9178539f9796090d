import { measureLength } from '../../geometry'
import { edgePath, type Garment } from '../../pattern'
import { HALVES, underarmEnd, type Armhole } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { heldByPairs } from '../shared/held-pairs'
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
  const held: HeldPromise[] = []
  const changing = new Map<string, Set<string>>()
  for (const armhole of armholes)
    for (const half of HALVES) {
      const { piece, armhole: runs, side } = underarmEnd(before, armhole[half])
      const { was, is } = bothShapes(before, after, piece.id, sizeId)
      const first = side[0]!.edgeId
      const grew = measureLength(edgePath(is, first)) - measureLength(edgePath(was, first))
      held.push(holdMeasure('side seam shorter by', piece.name, inputs.amountMm, -grew, LENGTH_KEPT_MM))
      const own = changing.get(piece.id) ?? new Set<string>()
      for (const run of [...runs, side[0]!]) own.add(run.edgeId)
      changing.set(piece.id, own)
    }
  for (const [pieceId, edgeIds] of changing) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    for (const edge of piece.edges) if (!edgeIds.has(edge.id) && edge.role !== 'dart-leg') held.push(holdEdge(piece, was, is, edge.id))
    held.push(holdGrain(piece, was, is))
  }
  const sleeves = new Set(armholes.flatMap((a) => (a.sleeve ? [a.sleeve.seam.name] : [])))
  const seams = holdSeams(before, after, sizeId).filter((h) => ![...sleeves].some((name) => h.label.startsWith(name)))
  return [...held, ...seams, ...(inputs.cap === 'left' ? [] : heldByPairs(before, after, sizeId))]
}
