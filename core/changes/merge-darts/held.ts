import type { Point } from '../../geometry'
import { dartFigures, findPiece, shapeOf, type Garment } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import { besideDart, type FoundDart } from '../shared/darts/find-darts'
import { angleAtApexDeg, drawnWhereClosed, heldByTurn } from '../shared/darts/turn-dart'
import type { HeldPromise } from '../types'

/**
 * The sum of both angles at the apex, and every edge but those that are drawn anew where one dart closed and legs were made alike.
 * @param apex the one that the dart points at that stays
 */
export function heldByMerge(
  before: Garment,
  after: Garment,
  darts: { from: FoundDart; into: FoundDart; trued: boolean },
  apex: Point,
  sizeId: string,
): HeldPromise[] {
  const { piece, dart } = darts.from
  const into = darts.into.dart
  const was = shapeOf(piece, sizeId)
  const now = findPiece(after, piece.id)!
  const { firstMm, secondMm } = dartFigures(piece, was, into)
  const grown = Math.abs(firstMm - secondMm) > EQUAL_MM ? besideDart(piece, was, into) : []
  return heldByTurn(before, after, piece.id, sizeId, [...drawnWhereClosed(piece, was, dart, apex, darts.trued), ...grown], {
    before: angleAtApexDeg(piece, was, apex, [dart.id, into.id]),
    after: angleAtApexDeg(now, shapeOf(now, sizeId), apex, [into.id]),
  })
}
