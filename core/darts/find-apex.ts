import { add, cross, distance, dot, mix, norm, scale, subtract, unit, type Point } from '../geometry'
import { centreEdge, dartFigures, grainDirection, type Dart, type EdgeRole, type Piece, type Shape } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'

/** How far beyond its tip the apex of a dart is looked for where none is marked, mm: side darts, and those from above or below (craft 6.11). */
export const APEX_BEYOND_MM = { side: 38, other: 50 }

/** How far from the apex the tip of a finished dart ends, mm, by where it begins (craft 6.11). */
export const tipBackMm = (role: EdgeRole): number => (role === 'side' ? 38 : role === 'waist' || role === 'hem' ? 25 : 50)

/** A marked apex further than this from a dart's tip is another dart's, mm. */
const APEX_REACH_MM = 130

/** The dart's middle line: from the middle of its mouth through its tip. */
export function middleLine(piece: Piece, shape: Shape, dart: Dart): { from: Point; tip: Point; along: Point } {
  const d = dartFigures(piece, shape, dart)
  const from = mix(d.first, d.second, 0.5)
  return { from, tip: d.tip, along: unit(subtract(d.tip, from)) }
}

/** The marked apex that a dart points at, or undefined: the nearest to its tip that lies ahead of it. */
function markedApex(piece: Piece, shape: Shape, dart: Dart): { id: string; point: Point } | undefined {
  const { tip, along } = middleLine(piece, shape, dart)
  return piece.points
    .filter((p) => p.role === 'apex')
    .map((p) => ({ id: p.id, point: shape.points[p.id]! }))
    .filter((p) => distance(p.point, tip) <= APEX_REACH_MM && dot(subtract(p.point, tip), along) >= -SAME_POINT_MM)
    .sort((a, b) => distance(a.point, tip) - distance(b.point, tip))[0]
}

/**
 * The apex that a dart is turned about: the marked one that it points at, else a place on its middle line beyond the tip,
 * as far as is usual where it begins (38 mm from the side, 50 mm from armhole, waist or shoulder; craft 6.11).
 *
 * @param beyondMm another distance beyond the tip, mm; a marked apex is then left aside
 */
export function findApex(piece: Piece, shape: Shape, dart: Dart, beyondMm?: number): { point: Point; markId: string | null } {
  const marked = beyondMm === undefined ? markedApex(piece, shape, dart) : undefined
  if (marked) return { point: marked.point, markId: marked.id }
  const { tip, along } = middleLine(piece, shape, dart)
  const usual = dartFigures(piece, shape, dart).before.role === 'side' ? APEX_BEYOND_MM.side : APEX_BEYOND_MM.other
  return { point: add(tip, scale(along, beyondMm ?? usual)), markId: null }
}

/** How far, mm, the middle line of a dart runs past a place that it should meet. */
export function missOfApex(piece: Piece, shape: Shape, dart: Dart, apex: Point): number {
  const { from, along } = middleLine(piece, shape, dart)
  return Math.abs(cross(along, subtract(apex, from)))
}

/** Where the middle lines of two darts meet, or null when they run alike. */
export function meetMiddles(piece: Piece, shape: Shape, a: Dart, b: Dart): Point | null {
  const [m, n] = [middleLine(piece, shape, a), middleLine(piece, shape, b)]
  const turn = cross(m.along, n.along)
  if (Math.abs(turn) < SAME_POINT_MM) return null
  return add(m.from, scale(m.along, cross(subtract(n.from, m.from), n.along) / turn))
}

/** Which way a dart is pressed: side darts down, those from above or below toward the centre (craft 6.11). */
export function pressOf(piece: Piece, shape: Shape, dart: Dart): Dart['pressTo'] {
  const d = dartFigures(piece, shape, dart)
  if (d.before.role === 'side' || d.before.role === 'armhole') {
    const down = grainDirection(shape)
    return dot(subtract(d.second, d.first), down) >= 0 ? 'after' : 'before'
  }
  const centre = centreEdge(piece)
  if (!centre) return dart.pressTo
  const path = shape.edges[centre.id]!
  const at = mix(path[0]!.from, path[path.length - 1]!.to, 0.5)
  return distance(d.first, at) <= distance(d.second, at) ? 'before' : 'after'
}

/** Which way a dart lies when it is pressed onto the part before or after it, in words: up, down, toward the centre or the side. */
export function pressWords(piece: Piece, shape: Shape, dart: Dart, to: Dart['pressTo']): string {
  const d = dartFigures(piece, shape, dart)
  const way = to === 'after' ? subtract(d.second, d.first) : subtract(d.first, d.second)
  const grain = grainDirection(shape)
  const along = dot(way, grain)
  if (Math.abs(along) >= norm(way) * Math.SQRT1_2) return along > 0 ? 'downward' : 'upward'
  return pressOf(piece, shape, dart) === to ? 'toward the centre' : 'toward the side'
}
