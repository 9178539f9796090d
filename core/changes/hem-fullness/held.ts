import type { Garment } from '../../pattern'
import { EQUAL_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdMeasure, holdEdge, holdGrain, holdSeam } from '../shared/held'
import type { SwungPiece } from '../shared/swing-garment'
import type { HeldPromise } from '../types'
import { hemAndTop, lengthOf } from './find-hems'
import type { HemFullnessInputs } from './schema'

/** Each hem has grown by what was asked; what it hangs from, its sides, the grain and its seams stay. */
export function heldByHems(
  before: Garment,
  after: Garment,
  swung: ReadonlyMap<string, SwungPiece>,
  inputs: HemFullnessInputs,
  sizeId: string,
): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const pieceId of swung.keys()) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const { hem, top } = hemAndTop(piece)!
    held.push(holdMeasure('hem grows by', piece.name, inputs.amountMm, lengthOf(is, hem) - lengthOf(was, hem), EQUAL_MM))
    held.push(holdMeasure(`${top[0]!.name}, length`, piece.name, lengthOf(was, top), lengthOf(is, top), LENGTH_KEPT_MM))
    for (const e of piece.edges)
      if (!hem.includes(e) && !top.includes(e) && e.role !== 'dart-leg') held.push(holdEdge(piece, was, is, e.id))
    held.push(holdGrain(piece, was, is))
  }
  const sewn = before.seams.filter((s) => s.sides.flat().some((r) => swung.has(r.pieceId)))
  return [...held, ...sewn.map((seam) => holdSeam(before, after, seam, sizeId))]
}
