import { dot, measureLength, subtract, tangentAt, turnRad, unit, type Path, type Point } from '../geometry'
import type { EdgeRole, PieceKind } from '../pattern'
import { DEG } from '../units'
import { straightEdges } from './read-fold-marks'

/** Edges run into a fold squarely to this, deg, or the whole would have a point there. */
const SQUARE_DEG = 8
/** Edges that run along the grain do so to this cosine. */
const ALONG = 0.998
const DOWN: Point = { x: 0, y: 1 }

/**
 * The edge that a piece said to lie on the fold lies on: its centre, else the longest straight one along the grain at its rim. Half a band
 * or collar lies on it with an end, and what has no such edge with one that its neighbours run into squarely.
 */
export function likelyFold(
  edges: readonly Path[],
  roles: readonly EdgeRole[],
  grain: { from: Point; to: Point } | null,
  kind: PieceKind,
): number | null {
  const along = grain ? unit(subtract(grain.to, grain.from)) : DOWN
  const chord = (i: number) => unit(subtract(edges[i]![edges[i]!.length - 1]!.to, edges[i]![0]!.from))
  const straight = straightEdges(edges)
  const long = (i: number) => measureLength(edges[i]!)
  const byLength = straight.filter((i) => Math.abs(dot(chord(i), along)) > ALONG).sort((a, b) => long(b) - long(a))
  const centre = byLength.find((i) => roles[i]!.startsWith('centre'))
  if (centre !== undefined) return centre
  const square = straight
    .map((i) => ({ i, off: offSquare(edges, i) }))
    .filter(({ off }) => off <= SQUARE_DEG)
    .sort((a, b) => (kind === 'band' ? long(a.i) - long(b.i) : a.off - b.off))
  return (kind === 'band' ? square[0]?.i : undefined) ?? byLength[0] ?? square[0]?.i ?? null
}

/** How far the corners at both ends of an edge are from square, the further one, deg. */
function offSquare(edges: readonly Path[], i: number): number {
  const [before, own, after] = [edges.at(i - 1)!, edges[i]!, edges[(i + 1) % edges.length]!]
  const off = (a: Path, b: Path) => Math.abs(Math.abs(turnRad(tangentAt(a[a.length - 1]!, 1), tangentAt(b[0]!, 0))) * DEG - 90)
  return Math.max(off(before, own), off(own, after))
}
