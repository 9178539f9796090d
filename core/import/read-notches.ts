import { distance, measureLength, nearestPlace, placeAt, subtract, unit, dot, type Path, type Point } from '../geometry'
import type { OutlineMark } from './find-outlines'

/** Longest mark that can be a notch, mm; a closed one is measured all round. */
const NOTCH_LENGTH_MM = 16
const NOTCH_ROUND_MM = 48
/** Shorter strokes are what is left where two lines were joined. */
const LEAST_NOTCH_MM = 1.5
/** How near to the outline a notch must come, mm; hand-drawn files are a little off. */
const NOTCH_REACH_MM = 2
/** Two places nearer than this are one notch, mm. */
const SAME_NOTCH_MM = 2
/** Strokes whose ends are nearer than this belong together: a V, a T, mm. */
const MEET_MM = 0.8
/** A tick stands square to its edge, to within this cosine. */
const SQUARE = 0.75

export interface ReadNotches {
  /** Points on the outline, mm. */
  places: Point[]
  of: Set<OutlineMark>
}

const ends = (path: Path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]

const isSmall = (m: OutlineMark): boolean => {
  const long = measureLength(m.path)
  return long >= LEAST_NOTCH_MM && (m.closed ? long <= NOTCH_ROUND_MM : long <= NOTCH_LENGTH_MM)
}

/** How near a mark comes to an outline, and where; looked at along it, since a tick may cross the line. */
function touchOf(m: OutlineMark, outlines: readonly Path[]): { outline: Path; at: Point; distanceMm: number } {
  const total = measureLength(m.path)
  return outlines
    .flatMap((outline) =>
      Array.from({ length: 9 }, (_, i) => {
        const near = nearestPlace(outline, placeAt(m.path, (total * i) / 8).point)
        return { outline, at: near.point, distanceMm: near.distanceMm }
      }),
    )
    .reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
}

function together(a: OutlineMark, b: OutlineMark): boolean {
  return [a, b].some((m, i) => ends(m.path).some((p) => nearestPlace([b, a][i]!.path, p).distanceMm <= MEET_MM))
}

/** Marks in groups that hang together. */
function clustersOf(marks: readonly OutlineMark[]): OutlineMark[][] {
  const left = new Set(marks)
  const clusters: OutlineMark[][] = []
  for (const first of marks) {
    if (!left.delete(first)) continue
    const cluster = [first]
    for (let i = 0; i < cluster.length; i++)
      for (const m of left)
        if (together(cluster[i]!, m)) {
          cluster.push(m)
          left.delete(m)
        }
    clusters.push(cluster)
  }
  return clusters
}

const middleOf = (points: readonly Point[]): Point => ({
  x: points.reduce((s, p) => s + p.x, 0) / points.length,
  y: points.reduce((s, p) => s + p.y, 0) / points.length,
})

/** Places of the notches that a group of small marks at an outline means: a tick each, or one for a V, a triangle, a T. */
function placesOf(cluster: readonly OutlineMark[], outlines: readonly Path[]): Point[] {
  const touching = cluster.map((m) => ({ m, touch: touchOf(m, outlines) })).filter(({ touch }) => touch.distanceMm <= NOTCH_REACH_MM)
  if (touching.length === 0) return []
  const ticks = touching.filter(({ m, touch }) => {
    if (m.closed) return true
    const [a, b] = ends(m.path)
    const { tangent } = placeAt(touch.outline, nearestPlace(touch.outline, touch.at).lengthMm)
    return distance(a, b) > 0 && Math.abs(dot(unit(subtract(b, a)), tangent)) <= SQUARE
  })
  const slanted = ticks.length === 2 && cluster.length <= 3 && isVee(ticks[0]!.m, ticks[1]!.m)
  const put = (p: Point) => outlines.map((o) => nearestPlace(o, p)).reduce((x, y) => (y.distanceMm < x.distanceMm ? y : x)).point
  if (ticks.length > 0 && !slanted) return ticks.map(({ m, touch }) => (m.closed ? put(middleOf(m.path.map((s) => s.from))) : touch.at))
  // A straight stroke that lies along the edge is a dash of a line, and no notch.
  const isBent = slanted || touching.some(({ m }) => m.path.length > 1)
  return isBent ? [put(middleOf(touching.map(({ touch }) => touch.at)))] : []
}

/** Two strokes that lean against each other from two places of the edge to one point. */
function isVee(a: OutlineMark, b: OutlineMark): boolean {
  const [p, q] = [ends(a.path), ends(b.path)]
  const meet = p.flatMap((x) => q.map((y) => distance(x, y)))
  const near = meet.filter((d) => d <= MEET_MM).length
  return near === 1 && Math.abs(dot(unit(subtract(p[1], p[0])), unit(subtract(q[1], q[0])))) < 0.98
}

/** A notch that is drawn on another size only lies within this of the one that it means on the base, mm. */
const OTHER_SIZE_MM = 40

/**
 * Notches of a nest: those on the base's own lines, and where a mark touches another size only and the base has none near
 * by, the place of the base that is nearest to it.
 *
 * @param others the same piece in its other sizes
 */
export function readNestNotches(marks: readonly OutlineMark[], outlines: readonly Path[], others: readonly Path[]): ReadNotches {
  const own = readNotches(marks, outlines)
  const places = [...own.places]
  const of = new Set(own.of)
  for (const other of others) {
    const theirs = readNotches(
      marks.filter((m) => !of.has(m)),
      [other],
    )
    theirs.of.forEach((m) => of.add(m))
    for (const p of theirs.places) {
      const near = nearestPlace(outlines[0]!, p)
      if (near.distanceMm <= OTHER_SIZE_MM && places.every((q) => distance(q, near.point) > near.distanceMm + SAME_NOTCH_MM))
        places.push(near.point)
    }
  }
  return { places, of }
}

/**
 * The notches among the marks of a piece: ticks square to the edge, inside, outside or across it; triangles, V and T.
 *
 * @param outlines the lines of the piece that a notch may touch: seam line, cut line
 */
export function readNotches(marks: readonly OutlineMark[], outlines: readonly Path[]): ReadNotches {
  const places: Point[] = []
  const of = new Set<OutlineMark>()
  const small = marks.filter(isSmall)
  for (const cluster of clustersOf(small)) {
    for (const p of placesOf(cluster, outlines)) {
      if (places.every((n) => distance(n, p) > SAME_NOTCH_MM)) places.push(p)
      cluster.forEach((m) => of.add(m))
    }
  }
  return { places, of }
}
