import { centreEdge } from './centre-edge'
import { isOtherHalf, otherHalf } from './refs'
import { familyOf, halfOf, isLimb, type BodyHalf } from './piece-kinds'
import { runsOfEdges } from './runs-of-edges'
import type { EdgeRole, Garment, Piece } from './schema'

/** Arms and legs. */
const LIMBS = 2
/** Quarters of a body: a half piece lies on two, in front or behind; on all where front and back are cut alike. */
const QUARTERS = 4

const onFold = (piece: Piece) => piece.edges.some((e) => e.fold)

/** Where it lies, by its kind, else by its centre. */
function placeOf(piece: Piece): BodyHalf | null {
  const role = centreEdge(piece)?.role
  return halfOf(piece) ?? (role === 'centre-front' ? 'front' : role === 'centre-back' ? 'back' : null)
}

/** Is it drawn over both sides of the body? Then it was opened out, or has two armholes and two sides, and no middle of its own. */
const isWhole = (piece: Piece) => {
  const isOpened = !onFold(piece) && piece.edges.some((e) => isOtherHalf(e.id))
  const hasTwo = (role: EdgeRole) => runsOfEdges(piece, (e) => e.role === role).length === 2
  return isOpened || (centreEdge(piece) === undefined && hasTwo('armhole') && hasTwo('side'))
}

/** Was a pair opened out, of which this is the left or the right one? */
const isParted = (garment: Garment, { id }: Piece) => isOtherHalf(id) || garment.pieces.some((p) => p.id === otherHalf(id))

/** Has a garment a piece for the other half of the body than this one lies on? */
const hasCounterpart = (garment: Garment, piece: Piece, half: BodyHalf) =>
  garment.pieces.some((p) => p !== piece && familyOf(p) === familyOf(piece) && halfOf(p) !== null && halfOf(p) !== half) ||
  // A yoke is no piece of the bodice by its kind, and lies beside one.
  (halfOf(piece) === null && garment.pieces.some((p) => familyOf(p) === 'bodice'))

/** Seams that run down a body, from one piece to the one beside it. */
const DOWN_THE_BODY: readonly EdgeRole[] = ['panel', 'side']

/** The pieces of a bodice that lie beside a panel of it, each of its copies beside one of theirs; none where it is sewn to itself, or to several at once. */
function piecesBeside(garment: Garment, piece: Piece): Piece[] {
  const pieceOf = (id: string) => garment.pieces.find((p) => p.id === id)!
  const beside = garment.seams.flatMap(({ sides }) => {
    const isDown = sides.flat().every((r) => DOWN_THE_BODY.includes(pieceOf(r.pieceId).edges.find((e) => e.id === r.edgeId)!.role))
    const ids = sides.map((side) => [...new Set(side.map((r) => r.pieceId))])
    if (!isDown || ids.some((list) => list.length !== 1) || !ids.flat().includes(piece.id)) return []
    return [pieceOf(ids.flat().find((id) => id !== piece.id) ?? piece.id)]
  })
  return beside.includes(piece) ? [] : beside
}

/** A panel of a bodice goes round no further than what lies beside it: what is cut more often is its lining. */
function timesOfPanel(garment: Garment, piece: Piece, times: number, seen: readonly Piece[]): number {
  const beside = familyOf(piece) === 'bodice' ? piecesBeside(garment, piece).filter((p) => !seen.includes(p)) : []
  return Math.min(times, ...beside.map((p) => timesOf(garment, p, [...seen, piece])))
}

/**
 * How often a piece goes round the body: on the fold twice, a pair twice. What is cut more often than it can lie beside itself lies on
 * itself, as a lining or the second layer of a yoke, and goes round no further: a piece that reaches the middle of the body, a limb, and
 * a panel of a bodice beside them. Gores go round as often as they are cut.
 */
export const timesRound = (garment: Garment, piece: Piece): number => timesOf(garment, piece, [])

function timesOf(garment: Garment, piece: Piece, seen: readonly Piece[]): number {
  const times = piece.cut.count * (onFold(piece) ? 2 : 1)
  const most = isParted(garment, piece) ? 1 : Infinity
  if (isLimb(piece)) return Math.min(times, LIMBS, most)
  const half = placeOf(piece)
  if (half === null || (centreEdge(piece) === undefined && !isWhole(piece))) return timesOfPanel(garment, piece, times, seen)
  const quarters = hasCounterpart(garment, piece, half) ? QUARTERS / 2 : QUARTERS
  return Math.min(times, isWhole(piece) ? quarters / 2 : quarters, most)
}
