import type { Edge, EdgeRole, InnerLine, Piece } from './schema'

const CENTRES: EdgeRole[] = ['centre-front', 'centre-back']

/** The edge in the middle of the body of a half piece: its fold, else its centre front or back; undefined on a whole one. */
export const centreEdge = (piece: Piece): Edge | undefined =>
  piece.edges.find((e) => e.fold) ?? piece.edges.find((e) => CENTRES.includes(e.role))

/** The middle of the body drawn on a half piece that reaches beyond it, as a wrap does; undefined where its edge is the middle. */
export const centreLine = (piece: Piece): InnerLine | undefined => piece.lines.find((l) => l.role === 'centre')
