import { spend } from '../budget'
import { beforeOpening, findPiece, halfNames, shapeOf, type Garment, type Piece, type RunEdge } from '../pattern'
import { opensOut } from '../moves'

/** A side of the body, as its wearer calls it. */
export type Side = 'left' | 'right'
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left')

const isSide = (name: string): name is Side => name === 'left' || name === 'right'

/** The side that a part of a piece that was opened out is called by: “armhole, left”. */
function calledSide(...names: string[]): Side | null {
  for (const name of names) {
    const last = name.split(', ').at(-1)!
    if (isSide(last)) return last
  }
  return null
}

/**
 * To which side of the body each piece belongs as it is drawn, by its id: a piece on the fold by the half that is drawn, a pair by the
 * one that is cut as it lies. Fronts and backs say so themselves (halfNames). For the others it is told by their seams: all outlines run
 * clockwise, so that two pieces of one side walk the seam between them in opposite ways. Pieces that no seam leads to have none.
 */
export function bodySides(garment: Garment): Map<string, Side> {
  const sides = new Map<string, Side>()
  for (const piece of garment.pieces) {
    const name = opensOut(piece) ? halfNames(piece, shapeOf(piece, garment.baseSizeId))[0] : calledSide(piece.name)
    if (name && isSide(name)) sides.set(piece.id, name)
  }
  const sideOf = (run: RunEdge): Side | null => {
    const piece = findPiece(garment, run.pieceId)!
    return calledSide(piece.edges.find((e) => e.id === run.edgeId)!.name) ?? sides.get(piece.id) ?? null
  }
  const beside = new Map<string, [RunEdge, RunEdge][]>()
  const note = (a: RunEdge, b: RunEdge) => {
    const there = beside.get(a.pieceId)
    if (there) there.push([a, b])
    else beside.set(a.pieceId, [[a, b]])
  }
  for (const seam of garment.seams)
    for (const a of seam.sides[0])
      for (const b of seam.sides[1]) {
        spend()
        note(a, b)
        note(b, a)
      }
  // From the pieces whose sides are known over their seams to the next ones, each once.
  const known = garment.pieces.filter((p) => sides.has(p.id) || p.edges.some((e) => calledSide(e.name))).map((p) => p.id)
  for (const id of known)
    for (const [a, b] of beside.get(id) ?? []) {
      const side = sideOf(a)
      if (!side || sides.has(b.pieceId) || !opensOut(findPiece(garment, b.pieceId)!)) continue
      sides.set(b.pieceId, a.reversed === b.reversed ? otherSide(side) : side)
      known.push(b.pieceId)
    }
  return sides
}

/** The side of the body of a part of a piece that was opened out, and null where nothing says it. */
export function sideOfPart(piece: Piece, id: string): Side | null {
  const whole = calledSide(piece.name)
  if (whole) return whole
  const own = calledSide(...piece.edges.filter((e) => beforeOpening(e.id) === e.id).map((e) => e.name))
  return own && beforeOpening(id) !== id ? otherSide(own) : own
}
