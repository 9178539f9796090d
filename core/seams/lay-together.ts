import { chain, IDENTITY, reversePath, subtract, tangentAt, turnAbout, turnRad, type Affine, type Path, type Point } from '../geometry'
import { edgePath, findPiece, shapeOf, type Garment, type RunEdge, type Seam } from '../pattern'

/** Mirrors in the upright through the origin. */
const MIRROR: Affine = { ...IDENTITY, a: -1 }

/** The line of a run from the end that is shared, and whether the piece lies on the right of it. */
function fromShared(garment: Garment, run: RunEdge, at: 'start' | 'end', sizeId: string): { path: Path; isRight: boolean } {
  const own = edgePath(shapeOf(findPiece(garment, run.pieceId)!, sizeId), run.edgeId)
  const isWalkedOn = (at === 'start') !== run.reversed
  // Outlines run clockwise: the piece lies on the right of an edge that is walked with it.
  return { path: isWalkedOn ? own : reversePath(own), isRight: isWalkedOn }
}

/**
 * Where the piece on the second side of a seam comes to lie when it is laid beside the one on the first side, seam lines along each
 * other from one end of the seam: its corner on that corner, in the same direction, the piece on the other side, turned over where
 * both were drawn on the same.
 *
 * @returns the placement of the second side’s piece in the first side’s coordinates
 */
export function layTogether(garment: Garment, seam: Seam, at: 'start' | 'end', sizeId: string): Affine {
  const pick = (side: 0 | 1) => (at === 'start' ? seam.sides[side][0]! : seam.sides[side][seam.sides[side].length - 1]!)
  const [a, b] = [fromShared(garment, pick(0), at, sizeId), fromShared(garment, pick(1), at, sizeId)]
  const over = a.isRight === b.isRight ? MIRROR : IDENTITY
  const flip = (p: Point): Point => ({ x: p.x * over.a, y: p.y })
  const from = flip(b.path[0]!.from)
  const turn = turnRad(flip(tangentAt(b.path[0]!, 0)), tangentAt(a.path[0]!, 0))
  const shift = subtract(a.path[0]!.from, from)
  const turned = chain(turnAbout(from, turn), over)
  return { ...turned, e: turned.e + shift.x, f: turned.f + shift.y }
}

/** The placement that undoes another: what it carried lies where it was. */
export function unlay(m: Affine): Affine {
  const det = m.a * m.d - m.b * m.c
  const [a, b, c, d] = [m.d / det, -m.b / det, -m.c / det, m.a / det]
  return { a, b, c, d, e: -(a * m.e + c * m.f), f: -(b * m.e + d * m.f) }
}
