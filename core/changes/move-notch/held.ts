import { measureArea } from '../../geometry'
import { outlineOf, type Garment, type Shape } from '../../pattern'
import { bothShapes, holdEdge, holdGrain, holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'

/** No line changes: every edge, the grain, and what the outline takes in. */
export function heldByNotch(before: Garment, after: Garment, pieceId: string, sizeId: string): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
  // Square root: the side of a square of the same area is a figure that a person can picture, in mm.
  const sideMm = (shape: Shape) => Math.sqrt(Math.abs(measureArea(outlineOf(piece, shape))))
  return [
    ...piece.edges.filter((e) => e.role !== 'dart-leg').map((e) => holdEdge(piece, was, is, e.id)),
    holdMeasure('size of the piece (side of a square as large)', piece.name, sideMm(was), sideMm(is), 0),
    holdGrain(piece, was, is),
  ]
}
