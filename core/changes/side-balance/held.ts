import { findZones, sideChains, finishedMm, isNarrowest } from '../../measure'
import { type Garment, halfOf, type Piece, shapeOf, timesRound } from '../../pattern'
import { SEAM_KEPT_MM } from '../../tolerances'
import { holdMeasure, bothShapes, holdGrain, holdSeams } from '../shared/held'
import { SIDE_KEYS, type SideZone } from '../shared/widen-sides'
import type { HeldPromise } from '../types'
import type { SideBalanceInputs } from './schema'

/** Round the body every zone stays as it was; the front has gained just what was asked, on each of its side edges. */
export function heldByMoving(before: Garment, after: Garment, inputs: SideBalanceInputs, sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const zone of findZones(before)) {
    const key = SIDE_KEYS[zone.id as SideZone]
    if (!key || zone.parts.some(isNarrowest)) continue
    const front = zone.parts.filter((part) => wayOf(before.pieces.find((p) => p.id === part.pieceId)!) === 1)
    const edges = front.reduce((sum, part) => {
      const piece = before.pieces.find((p) => p.id === part.pieceId)!
      return sum + sideChains(piece, shapeOf(piece, sizeId)).length * timesRound(before, piece)
    }, 0)
    const grew = (parts: typeof zone.parts) =>
      finishedMm(after, { ...zone, parts }, sizeId) - finishedMm(before, { ...zone, parts }, sizeId)
    held.push(holdMeasure(`${zone.name}, front and back together`, 'finished', 0, grew(zone.parts), 2 * SEAM_KEPT_MM))
    if (edges > 0)
      held.push(holdMeasure(`${zone.name}, the front by ${edges} edges`, 'finished', inputs[key] * edges, grew(front), 2 * SEAM_KEPT_MM))
  }
  for (const piece of before.pieces) {
    const { was, is } = bothShapes(before, after, piece.id, sizeId)
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}

/** Which half of the garment a piece with a side belongs to: 1 the front, −1 the back, 0 neither. */
export const wayOf = (piece: Piece): 1 | 0 | -1 => (({ front: 1, back: -1, none: 0 }) as const)[halfOf(piece) ?? 'none']
