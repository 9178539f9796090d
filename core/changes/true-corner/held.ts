import type { WalkedCorner } from '../../match'
import type { Garment } from '../../pattern'
import { SMOOTH_DEG } from '../../tolerances'
import { bothShapes, holdEdgeWidth, holdEdge, holdGrain, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'
import { findCorner } from './find-corner'
import type { TrueCornerInputs } from './schema'

/** The line runs on without a corner; edges that are not redrawn, the grain and the seams stay. */
export function heldByTruing(
  before: Garment,
  after: Garment,
  corner: WalkedCorner,
  inputs: TrueCornerInputs,
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  if (inputs.reachMm > 0) {
    const turnDeg = findCorner(after, corner.id, sizeId)!.turnDeg
    const smooth = Math.abs(turnDeg) <= SMOOTH_DEG
    held.push({
      label: 'runs on without a corner',
      where: corner.where,
      before: 0,
      after: turnDeg,
      unit: 'deg',
      allowed: SMOOTH_DEG,
      held: smooth,
    })
  }
  for (const pieceId of new Set(corner.arms.map((a) => a.pieceId))) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const bent = new Set(corner.arms.filter((a) => a.pieceId === pieceId).map((a) => a.edgeId))
    for (const edge of piece.edges) {
      if (edge.role === 'dart-leg') continue
      held.push(bent.has(edge.id) ? holdEdgeWidth(piece, was, is, edge.id) : holdEdge(piece, was, is, edge.id))
    }
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}
