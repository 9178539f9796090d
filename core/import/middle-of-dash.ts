import { cross, distance, dot, line, measureArea, measureLength, mix, subtract, tangentAt, unit, type Path, type Point } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'
import { endOf, startOf } from './chain-strokes'

/** A dash is no longer than this, mm; as an area, with its two ends and round a corner, it has so few parts. */
export const DASH_MM = 16
const MOST_AREA_PARTS = 24

/** A stroke is drawn no wider than this, mm, and a dash is at least twice as long as wide. */
export const WIDEST_MM = 1.5
export const LEAST_RATIO = 2
/** The ends of a dash measure its width, to this part of it, and its sides run back from there, to this cosine. */
const END_PART = 0.2
const TURNS_BACK = -0.99
/** Legs that lean against each other more than this cosine are two, round a corner. */
const STRAIGHT_ON = 0.94

/** How wide a narrow area is all along, from its area and the way round it: those of a rectangle; null where it is no such one. */
function widthOf(path: Path): number | null {
  const half = measureLength(path) / 2
  const area = Math.abs(measureArea(path))
  const inRoot = (half * half) / 4 - area
  if (inRoot < 0) return null
  const wide = half / 2 - Math.sqrt(inRoot)
  return wide <= WIDEST_MM && half - wide >= LEAST_RATIO * wide ? wide : null
}

/**
 * The line in the middle of a dash that was drawn as a narrow area, as some programs write every dashed line: from the middle of one end
 * to that of the other, round a corner where its two legs lean. Null for any other area.
 */
export function middleOfDash(whole: Path): Path | null {
  if (whole.length > MOST_AREA_PARTS || measureLength(whole) > 2 * (DASH_MM + WIDEST_MM)) return null
  const path = whole.filter((s) => distance(s.from, s.to) > SAME_POINT_MM)
  const wide = widthOf(path)
  if (wide === null) return null
  const isEnd = (at: number) => {
    const [s, before, next] = [path[at]!, path[(at + path.length - 1) % path.length]!, path[(at + 1) % path.length]!]
    const isWide = s.kind === 'line' && Math.abs(distance(s.from, s.to) - wide) <= END_PART * wide
    return isWide && dot(tangentAt(before, 1), tangentAt(next, 0)) <= TURNS_BACK
  }
  const ends = path.flatMap((_, at) => (isEnd(at) ? [at] : []))
  if (ends.length === 1) return toBluntEnd(path, middle(path, ends[0]!), wide)
  const pairs = ends.flatMap((a, k) => ends.slice(k + 1).map((b) => [a, b] as const))
  const far = pairs.map(([a, b]) => ({ a, b, mm: distance(middle(path, a), middle(path, b)) })).sort((x, y) => y.mm - x.mm)[0]
  if (!far || far.mm < wide) return null
  const [from, to] = [middle(path, far.a), middle(path, far.b)]
  // The way that its legs run, from each end on.
  const leaving = unit(tangentAt(path[(far.a + 1) % path.length]!, 0))
  const coming = unit(tangentAt(path[(far.b + path.length - 1) % path.length]!, 1))
  const corner = cornerOf(from, leaving, to, coming)
  const isBetween = corner && corner.along > 0 && corner.back > 0 && corner.along + corner.back <= DASH_MM
  return isBetween ? [line(from, corner.at), line(corner.at, to)] : [line(from, to)]
}

/** Where two lines meet that lean against each other, and how far that is along each of them, mm; null where they go nearly the same way. */
export function cornerOf(from: Point, leaving: Point, to: Point, coming: Point): { at: Point; along: number; back: number } | null {
  const turn = cross(leaving, coming)
  if (dot(leaving, coming) >= STRAIGHT_ON || turn === 0) return null
  const gap = subtract(to, from)
  const [along, back] = [cross(gap, coming) / turn, cross(leaving, gap) / turn]
  // A dash runs over a corner by its width at the most.
  if (along < -WIDEST_MM || back < -WIDEST_MM) return null
  return { at: { x: from.x + leaving.x * along, y: from.y + leaving.y * along }, along, back }
}

/** What is filled ends where it begins, whether its file says so or not. */
export const filled = (path: Path): Path => [...path, line(endOf(path), startOf(path))]

/** A dash that ends just at a corner is drawn with a joint there: from its one end to the middle of that. */
function toBluntEnd(path: Path, from: Point, wide: number): Path {
  const far = path.map((s) => s.from).reduce((a, b) => (distance(b, from) > distance(a, from) ? b : a))
  return [line(from, middleOf(path.filter((s) => distance(s.from, far) <= wide)))]
}

const middle = (path: Path, at: number) => mix(path[at]!.from, path[at]!.to, 0.5)

const middleOf = (path: Path): Point => ({
  x: path.reduce((sum, s) => sum + s.from.x, 0) / path.length,
  y: path.reduce((sum, s) => sum + s.from.y, 0) / path.length,
})
