import { measureLength } from '../geometry'
import { cornersOf, edgePath } from './outline'
import type { Piece, Shape } from './schema'

const NOTCH = 'notch:'

/** From where one measures along an edge: its two corners by their ids, and its notches as “notch:” and their ids. */
export function marksAlong(piece: Piece, edgeId: string): { id: string; name: string }[] {
  const { start, end } = cornersOf(piece, edgeId)
  return [start, end, ...piece.notches.filter((n) => n.edgeId === edgeId).map((n) => ({ id: `${NOTCH}${n.id}`, name: `${n.name} notch` }))]
}

/** The notch of such a mark; undefined where it is a corner. */
export const notchOfMark = (mark: string): string | undefined => (mark.startsWith(NOTCH) ? mark.slice(NOTCH.length) : undefined)

/**
 * A place so far from a mark along its edge, mm from the edge's start, and which way one went on from it: back along the edge from its
 * far corner, else onward.
 */
export function placeFromMark(piece: Piece, shape: Shape, edgeId: string, mark: string, atMm: number): { atMm: number; way: 1 | -1 } {
  const length = measureLength(edgePath(shape, edgeId))
  if (mark === cornersOf(piece, edgeId).end.id) return { atMm: length - atMm, way: -1 }
  const place = shape.notches[notchOfMark(mark) ?? '']
  const from = place ? (place.from === 'start' ? place.distanceMm : length - place.distanceMm) : 0
  return { atMm: from + atMm, way: 1 }
}
