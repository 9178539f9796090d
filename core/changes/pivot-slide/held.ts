import { measureLength, dot, subtract, nearestPlace } from '../../geometry'
import { type Garment, edgePath, outlineOf } from '../../pattern'
import { LENGTH_KEPT_MM, EQUAL_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdGrain, holdSeam } from '../shared/held'
import type { HeldPromise } from '../types'
import type { PivotPlan } from './plan'

/** Traced edges keep their lengths, each watched place went where it was to go, the grain stays. */
export function heldByPivot(before: Garment, after: Garment, plans: ReadonlyMap<string, PivotPlan>, sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  const joined = new Set<string>()
  for (const [pieceId, plan] of plans) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const cut = new Set(plan.runs.flatMap((r) => r.bits.filter((b) => b.fromMm !== undefined).map((b) => b.edgeId)))
    for (const id of plan.gaps) joined.add(`${pieceId}:${id}`)
    for (const id of cut) joined.add(`${pieceId}:${id}`)
    for (const edge of piece.edges) {
      if (edge.role === 'dart-leg' || plan.gaps.includes(edge.id)) continue
      const [a, b] = [measureLength(edgePath(was, edge.id)), measureLength(edgePath(is, edge.id))]
      // Traced in several turns an edge is as long as its parts, but for what lies between two of them.
      const parts = new Set(plan.runs.filter((r) => r.bits.some((x) => x.edgeId === edge.id)).map((r) => r.move))
      if (parts.size > 1) continue
      held.push(holdMeasure(`${edge.name}, length`, piece.name, a, b, cut.has(edge.id) ? LENGTH_KEPT_MM : EQUAL_MM))
    }
    for (const w of plan.watched) {
      const asked = dot(subtract(w.to, w.was), w.direction)
      // Measured where the outline now runs nearest to the place that was to be reached.
      const nearest = nearestPlace(outlineOf(piece, is), w.to).point
      held.push(holdMeasure(w.label, piece.name, asked, dot(subtract(nearest, w.was), w.direction), EQUAL_MM))
    }
    held.push(holdGrain(piece, was, is))
  }
  // A seam of traced edges only is as it was; the others are shown in the ledger and in Match.
  const kept = before.seams.filter((s) => {
    const runs = s.sides.flat()
    return runs.some((r) => plans.has(r.pieceId)) && runs.every((r) => !joined.has(`${r.pieceId}:${r.edgeId}`))
  })
  return [...held, ...kept.map((s) => holdSeam(before, after, s, sizeId))]
}
