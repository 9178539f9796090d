import { distance } from '../../geometry'
import { dartFigures, type Garment } from '../../pattern'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import type { FoundDart } from '../shared/darts/find-darts'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import { capsFollow } from './caps-follow'
import type { DartIntakeInputs } from './schema'

/** The amount between the leg ends, the tip, the difference of the legs, every edge but the two beside the dart, seams that do not change by it, the ease of caps that follow. */
export function heldByIntake(
  before: Garment,
  after: Garment,
  found: FoundDart,
  { inputs, changed }: { inputs: DartIntakeInputs; changed: readonly string[] },
  sizeId: string,
): HeldPromise[] {
  const { piece, dart } = found
  const { was, is } = bothShapes(before, after, piece.id, sizeId)
  const [old, now] = [dartFigures(piece, was, dart), dartFigures(piece, is, dart)]
  const own = [old.before.id, old.after.id]
  return [
    holdMeasure('takes in more by', piece.name, inputs.amountMm, now.intakeMm - old.intakeMm, LENGTH_KEPT_MM),
    holdMeasure('tip stays where it is', piece.name, 0, distance(old.tip, now.tip), EQUAL_MM),
    holdMeasure('difference of its legs', piece.name, old.firstMm - old.secondMm, now.firstMm - now.secondMm, LENGTH_KEPT_MM),
    ...piece.edges.filter((e) => e.role !== 'dart-leg' && !own.includes(e.id)).map((e) => holdEdge(piece, was, is, e.id)),
    holdGrain(piece, was, is),
    ...holdSeams(before, after, sizeId, new Set([...changed, ...sleeveSeams(before)])),
    ...(capsFollow(before, found) ? heldByPairs(before, after, sizeId) : []),
  ]
}
