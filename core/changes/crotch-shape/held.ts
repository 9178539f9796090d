import { tangentAt, turnRad, distance } from '../../geometry'
import type { Garment } from '../../pattern'
import { type Crotch, HALVES, joinRuns } from '../../seams'
import { EQUAL_MM, CAP_END_DEG } from '../../tolerances'
import { DEG } from '../../units'
import { bothShapes, holdMeasure, holdEdge, holdGrain, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'

/** Both ends of the crotch and their directions, every edge that is not redrawn, the grain, the seams that do not run along it. */
export function heldByScoop(before: Garment, after: Garment, crotch: Crotch, sizeId: string): HeldPromise[] {
  // What is sewn along the crotch grows with it, and is said.
  const along = new Set(
    before.seams
      .filter((s) =>
        s.sides.flat().some((r) => HALVES.some((h) => crotch[h].runs.some((c) => c.pieceId === r.pieceId && c.edgeId === r.edgeId))),
      )
      .map((s) => s.id),
  )
  return HALVES.flatMap((half): HeldPromise[] => {
    const leg = crotch[half]
    const { piece, was, is } = bothShapes(before, after, leg.piece.id, sizeId)
    const [a, b] = [joinRuns(was, leg.runs), joinRuns(is, leg.runs)]
    const deg = (x: ReturnType<typeof tangentAt>, y: ReturnType<typeof tangentAt>) => turnRad(x, y) * DEG
    const still = piece.edges.filter((e) => e.role !== 'crotch' && e.role !== 'dart-leg' && e.role !== 'outseam')
    return [
      holdMeasure('waist end of the crotch, moved by', piece.name, 0, distance(a[0]!.from, b[0]!.from), EQUAL_MM),
      holdMeasure('crotch point, moved by', piece.name, 0, distance(a[a.length - 1]!.to, b[b.length - 1]!.to), EQUAL_MM),
      holdMeasure('crotch at the waist, direction', piece.name, 0, deg(tangentAt(a[0]!, 0), tangentAt(b[0]!, 0)), CAP_END_DEG, 'deg'),
      holdMeasure(
        'crotch at the inseam, direction',
        piece.name,
        0,
        deg(tangentAt(a[a.length - 1]!, 1), tangentAt(b[b.length - 1]!, 1)),
        CAP_END_DEG,
        'deg',
      ),
      ...still.map((e) => holdEdge(piece, was, is, e.id)),
      holdGrain(piece, was, is),
    ]
  }).concat(holdSeams(before, after, sizeId, along))
}
