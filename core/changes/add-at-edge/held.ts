import { findZones, sideChains, finishedMm, isNarrowest } from '../../measure'
import { type Garment, shapeOf, timesRound } from '../../pattern'
import { SEAM_KEPT_MM } from '../../tolerances'
import { holdMeasure, bothShapes, holdGrain, holdSeams } from '../shared/held'
import { SIDE_KEYS, type SideZone } from '../shared/widen-sides'
import type { HeldPromise } from '../types'
import type { AddAtEdgeInputs } from './schema'

/** What each zone of the garment has to measure after it: as many edges as carry it, times the amount. */
export function heldByAdding(before: Garment, after: Garment, inputs: AddAtEdgeInputs, sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const zone of findZones(before)) {
    const key = SIDE_KEYS[zone.id as SideZone]
    if (!key || zone.parts.some(isNarrowest)) continue
    const edges = zone.parts.reduce((sum, part) => {
      const piece = before.pieces.find((p) => p.id === part.pieceId)!
      return sum + sideChains(piece, shapeOf(piece, sizeId)).length * timesRound(before, piece)
    }, 0)
    const grew = finishedMm(after, zone, sizeId) - finishedMm(before, zone, sizeId)
    held.push(holdMeasure(`${zone.name} grows by ${edges} edges`, 'finished', inputs[key] * edges, grew, 2 * SEAM_KEPT_MM))
  }
  for (const piece of before.pieces) {
    const { was, is } = bothShapes(before, after, piece.id, sizeId)
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}
