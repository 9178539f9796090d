import { familyOf, findPiece, halfOf, runsOfEdges, shapeOf, type Edge, type Garment, type Piece, type RunEdge } from '../pattern'
import { isStraightPath } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { STRAIGHT_MM } from '../tolerances'
import { edgeBeyond, joinRuns } from './cap-parts'
import type { Half } from './measure-armhole'

/** An end of a neckline at a shoulder seam: its innermost edge, walked outward from the neck. */
export interface NeckShoulder {
  edgeId: string
  reversed: boolean
}

/**
 * The neckline of one piece: its edges walked from the centre to the shoulder; of a piece that is drawn whole from one shoulder
 * to the other.
 */
export interface Neckline {
  piece: Piece
  half: Half
  runs: RunEdge[]
  /** The edge that begins where the neckline does, in the middle of the body, walked away from it; null on a whole piece. */
  centre: NeckShoulder | null
  /** The shoulder at its last end, and at its first end on a whole piece. */
  shoulders: { last: NeckShoulder; first: NeckShoulder | null }
  /** A facing: it lies on a neckline and has an outer edge that keeps its distance. */
  facing: boolean
}

const isNeck = (edge: Edge) => edge.role === 'neck'
const endsAtShoulder = (edge: Edge) => edge.role === 'shoulder'

/** Edges of the neck that follow each other on a piece, walked with its outline; a neckline may go on over the first edge. */
const neckRuns = (piece: Piece): RunEdge[][] =>
  runsOfEdges(piece, isNeck, 'nothing').map((run) => run.map((e) => ({ pieceId: piece.id, edgeId: e.id, reversed: false })))

const backward = (runs: readonly RunEdge[]): RunEdge[] => runs.toReversed().map((r) => ({ ...r, reversed: !r.reversed }))

/** Does a piece lie in front, or behind? By its kind, else by its centre; null where nothing says. */
function liesOn(garment: Garment, piece: Piece): Half | null {
  const own = (p: Piece): Half | null => {
    if (familyOf(p) === 'bodice') return halfOf(p)
    const has = (role: string) => p.edges.some((e) => e.role === role)
    return has('centre-front') === has('centre-back') ? null : has('centre-front') ? 'front' : 'back'
  }
  return (
    own(piece) ??
    sewnAtNeck(garment, piece)
      .map(own)
      .find((h) => h !== null) ??
    null
  )
}

/** Pieces that are sewn to the neck of one, bands aside; those that lie beside it along a collar are not. */
function sewnAtNeck(garment: Garment, piece: Piece): Piece[] {
  const isItsNeck = (r: RunEdge) => r.pieceId === piece.id && piece.edges.some((e) => e.id === r.edgeId && isNeck(e))
  const others = garment.seams
    .flatMap(({ sides: [a, b] }) => [...(a.some(isItsNeck) ? b : []), ...(b.some(isItsNeck) ? a : [])])
    .map((r) => findPiece(garment, r.pieceId)!)
  return others.filter((p) => p !== piece && p.kind !== 'band')
}

/** Does a piece lie on another one’s neckline, sewn to it neck to neck? A yoke has its own armhole, and no body behind it. */
export function isFacing(garment: Garment, piece: Piece): boolean {
  if (familyOf(piece) === 'bodice') return false
  const hasArmhole = (p: Piece) => p.edges.some((e) => e.role === 'armhole')
  return sewnAtNeck(garment, piece).some((p) => familyOf(p) === 'bodice' || (hasArmhole(p) && !hasArmhole(piece)))
}

/**
 * The necklines of a garment (craft 6.13), of its body and of facings that have a shoulder of their own.
 * Refuses: a garment without one, a neckline that a dart parts, one that ends neither at a shoulder nor at the centre.
 */
export function findNecklines(garment: Garment): Result<Neckline[]> {
  const found: Neckline[] = []
  for (const piece of garment.pieces) {
    if (piece.kind === 'band' || !piece.edges.some(isNeck) || !piece.edges.some(endsAtShoulder)) continue
    const half = liesOn(garment, piece)
    if (!half) continue
    for (const walkedOn of neckRuns(piece)) {
      const ends = [edgeBeyond(piece, walkedOn, 'first'), edgeBeyond(piece, walkedOn, 'last')]
      if (ends.some((e) => e.role === 'dart-leg'))
        return refuse('dart-in-neckline', piece.name, 'a dart parts its neckline.', 'Move the dart to another edge first.')
      const shoulders = ends.map(endsAtShoulder)
      if (!shoulders[0] && !shoulders[1])
        return refuse(
          'no-shoulder',
          piece.name,
          'its neckline does not end at a shoulder.',
          'Change the pieces one by one, with a slash or at the edge.',
        )
      const runs = shoulders[1] ? walkedOn : backward(walkedOn)
      const beyond = (which: 'first' | 'last'): NeckShoulder => ({
        edgeId: edgeBeyond(piece, runs, which).id,
        reversed: runs[0]!.reversed === (which === 'last'),
      })
      const isWhole = shoulders[0] && shoulders[1]
      found.push({
        piece,
        half,
        runs,
        centre: isWhole ? null : beyond('first'),
        shoulders: { last: beyond('last'), first: isWhole ? beyond('first') : null },
        facing: isFacing(garment, piece),
      })
    }
  }
  if (found.some((n) => !n.facing)) return ok(found)
  return refuse('no-neckline', 'garment', 'it has no neckline that ends at a shoulder.', 'Name the edges of the neck and shoulder first.')
}

/** Was a neckline drawn as one straight line in a size: a V, or a boat? */
export const isStraightNeckline = ({ piece, runs }: Neckline, sizeId: string): boolean =>
  isStraightPath(joinRuns(shapeOf(piece, sizeId), runs), STRAIGHT_MM)
