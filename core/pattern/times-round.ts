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

/**
 * How often a piece goes round the body: on the fold twice, a pair twice. What is cut more often than it can lie beside itself lies on
 * itself, as a lining or the second layer of a yoke, and goes round no further: a piece that reaches the middle of the body, and a limb.
 * Gores and panels go round as often as they are cut.
 */
export function timesRound(garment: Garment, piece: Piece): number {
  const times = piece.cut.count * (onFold(piece) ? 2 : 1)
  const most = isParted(garment, piece) ? 1 : Infinity
  if (isLimb(piece)) return Math.min(times, LIMBS, most)
  const half = placeOf(piece)
  if (half === null || (centreEdge(piece) === undefined && !isWhole(piece))) return times
  const quarters = hasCounterpart(garment, piece, half) ? QUARTERS / 2 : QUARTERS
  return Math.min(times, isWhole(piece) ? quarters / 2 : quarters, most)
}
