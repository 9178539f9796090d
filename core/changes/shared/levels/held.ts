import { distance, subtract, dot, alongGrain } from '../../../geometry'
import { crossingsOf, movedAt, type MoveLevel } from '../../../moves'
import { edgePath, grainDirection, neighbours, type Garment } from '../../../pattern'
import { EQUAL_MM, SAME_POINT_MM, SEAM_KEPT_MM } from '../../../tolerances'
import { bothShapes, holdEdge, holdEdgeWidth, holdGrain, holdMeasure, holdSeams, holdWaist } from '../held'
import type { HeldPromise } from '../../types'
import type { EvenedEnd } from '../even-sides'

/** What lengthening at lines holds: see craft, "held" of 6.1. All figures are measured on both garments. */
export function heldAtLevels(
  before: Garment,
  after: Garment,
  levels: ReadonlyMap<string, readonly MoveLevel[]>,
  evened: readonly EvenedEnd[],
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const [pieceId, own] of levels) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const grain = grainDirection(was)
    for (const edge of piece.edges) {
      if (edge.role === 'dart-leg' || crossingsOf(edgePath(was, edge.id), grain, own).length > 0) continue
      // An edge that ends in a corner which evened a side is drawn to it.
      const corners = [edge.id, neighbours(piece, edge.id).after.id]
      const isDrawn = evened.some((e) => e.pieceId === pieceId && corners.includes(e.cornerOf))
      const allowed = isDrawn ? SEAM_KEPT_MM : EQUAL_MM
      if (edge.role === 'hem' || edge.role === 'leg-opening') held.push(holdEdgeWidth(piece, was, is, edge.id, allowed))
      held.push(holdEdge(piece, was, is, edge.id, allowed))
    }
    held.push(...holdWaist(piece, was, is))
    // Every corner but those that evened a side: the one that strays furthest from its asked move stands for all.
    const asked = own.reduce((sum, l) => sum + l.amountMm, 0)
    let worst = { off: -1, moved: asked }
    for (const edge of piece.edges) {
      if (evened.some((e) => e.pieceId === pieceId && e.cornerOf === edge.id)) continue
      const a = edgePath(was, edge.id)[0]!.from
      const b = edgePath(is, edge.id)[0]!.from
      const want = movedAt(own, alongGrain(a, grain))
      if (Math.abs(want) <= SAME_POINT_MM) {
        const strayed = distance(a, b)
        if (strayed > EQUAL_MM && strayed > worst.off) worst = { off: strayed, moved: asked + strayed }
      } else if (Math.abs(want - asked) <= SAME_POINT_MM) {
        const moved = dot(subtract(b, a), grain)
        const off = distance(b, { x: a.x + grain.x * want, y: a.y + grain.y * want })
        if (off > worst.off) worst = { off, moved: moved + (off > EQUAL_MM ? off : 0) }
      }
    }
    held.push(holdMeasure('corners beyond the lines, way along the grain', piece.name, asked, worst.moved, EQUAL_MM))
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}
