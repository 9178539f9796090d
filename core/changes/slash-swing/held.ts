import type { Garment } from '../../pattern'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdEdge, holdGrain } from '../shared/held'
import { type SwungPiece, openingOf } from '../shared/swing-garment'
import type { HeldPromise } from '../types'
import type { SlashSwingInputs } from './schema'

/** The cut stands open as asked where it begins; every edge but that one stays. */
export function heldBySlash(
  before: Garment,
  after: Garment,
  swung: ReadonlyMap<string, SwungPiece>,
  inputs: SlashSwingInputs,
  sizeId: string,
): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, inputs.pieceId, sizeId)
  const own = swung.get(piece.id)
  const held = own ? [holdMeasure('opening where the cut begins', piece.name, inputs.amountMm, openingOf(own), EQUAL_MM)] : []
  for (const edge of piece.edges) {
    if (edge.role === 'dart-leg' || edge.id === inputs.fromEdgeId) continue
    const promise = holdEdge(piece, was, is, edge.id)
    const hinge = edge.id === inputs.hingeEdgeId
    held.push(hinge ? holdMeasure(promise.label, promise.where, promise.before, promise.after, LENGTH_KEPT_MM) : promise)
  }
  // With the other part swung the grain goes along: it is held to the fold and not to the page.
  return inputs.swings === 'far' ? [...held, holdGrain(piece, was, is)] : held
}
