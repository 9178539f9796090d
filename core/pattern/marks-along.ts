import { cornersOf } from './outline'
import type { Piece } from './schema'

/** From where one measures along an edge: its two corners by their ids, and its notches as “notch:” and their ids. */
export function marksAlong(piece: Piece, edgeId: string): { id: string; name: string }[] {
  const { start, end } = cornersOf(piece, edgeId)
  return [start, end, ...piece.notches.filter((n) => n.edgeId === edgeId).map((n) => ({ id: `notch:${n.id}`, name: `${n.name} notch` }))]
}
