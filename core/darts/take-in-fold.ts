import type { Point } from '../geometry'
import { dartIn, type Garment, type Shape, mapShapes } from '../pattern'
import { equaliseLegs } from './grow-leg'
import { insertDart, type DartMouth } from './insert-dart'

import { mergeDarts } from './merge-darts'

const FOLD = 'pinned fold'

/**
 * Takes a fold that was pinned at an edge in a fitting into a dart (craft 6.11): a wedge from the two pins to the apex is
 * closed, the dart opens by its angle, and its legs are made equal. The pins nearest the edge decide the wedge.
 *
 * @param mouthOf the stretch of the edge between the pins, in each size
 */
export function takeInFold(
  garment: Garment,
  pieceId: string,
  dartId: string,
  mouthOf: (shape: Shape) => DartMouth,
  apexOf: (sizeId: string) => Point,
  trued: boolean,
): Garment {
  const wedge = insertDart(garment, pieceId, { id: FOLD, name: FOLD }, mouthOf, apexOf)
  const merged = mergeDarts(wedge, pieceId, FOLD, dartId, apexOf, trued)
  return mapShapes(merged, pieceId, (piece, shape) => equaliseLegs(piece, shape, dartIn(piece, dartId)))
}
