import type { Point } from '../../../geometry'
import { insertDart, markApex } from '../../../darts'
import type { Garment, Piece } from '../../../pattern'
import { slitAt } from './find-darts'

/** A new dart on a front that had none. */
const NEW_DART = 'bust-dart'

/** An id that no dart of the piece has: this one, or with a number. */
export function freeId(piece: Piece, id: string): string {
  const ids = new Set(piece.darts.map((d) => d.id))
  let free = id
  for (let i = 2; ids.has(free); i++) free = `${id}-${i}`
  return free
}

/** A dart of no width from a place of the side to the apex, which something is about to open. */
export function openSideDart(
  garment: Garment,
  piece: Piece,
  place: { edgeId: string; atMm: number },
  apexOf: (sizeId: string) => Point,
): { garment: Garment; dartId: string } {
  const dartId = freeId(piece, NEW_DART)
  const mouthOf = slitAt(garment, piece, place.edgeId, place.atMm)
  // What is measured and drawn later goes by the same apex.
  const marked = markApex(garment, piece.id, apexOf)
  return { garment: insertDart(marked, piece.id, { id: dartId, name: 'bust dart' }, mouthOf, apexOf), dartId }
}
