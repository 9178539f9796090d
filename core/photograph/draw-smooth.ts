import { Matrix, solve } from 'ml-matrix'
import { add, cross, distance, dot, fitCurve, line, scale, subtract, turnRad, unit, type Path, type Point } from '../geometry'
import { DEG } from '../units'

/** The outline bends sharply where the ways of so much before and after it differ by more than the limit, mm. */
const LOOK_MM = 6

/** What is nearer than this to a corner is rounded by scissors, mm. */
const CUT_MM = 1

const CORNER_DEG = 20
/** A line that leaves its chord by less is drawn straight, mm. */
const STRAIGHT_MM = 0.35
/** How near the drawn line keeps to the points, mm. */
const KEEP_MM = 0.3
/** A right corner lies no further from where it is seen than this, in what is rounded of it. */
const TIP = 1.5
/** Where points scatter, the line keeps within so many times of that: it follows the edge and not its noise. */
const SCATTER = 1.5
/** Fewer points do not tell how a curve bends. */
const LEAST_FOR_BEND = 12
/** Points nearer than this to a corner say nothing of the way there, mm. */
const APART_MM = 0.2
/** The way a curve leaves its corner is taken from so much of it, mm. */
const LEAVE_MM = 18

/** Figures along a closed line: how far each point lies from the first. */
function lengthsOf(points: readonly Point[]): number[] {
  const out = [0]
  for (let i = 0; i < points.length; i++) out.push(out[i]! + distance(points[i]!, points[(i + 1) % points.length]!))
  return out
}

/** The straight line through points that lies nearest to them: a place on it, and its direction from the first to the last. */
function lineThrough(points: readonly Point[]): { at: Point; way: Point } {
  const n = points.length
  const at = points.reduce((s, p) => ({ x: s.x + p.x / n, y: s.y + p.y / n }), { x: 0, y: 0 })
  let [xx, xy, yy] = [0, 0, 0]
  for (const p of points) {
    const d = subtract(p, at)
    xx += d.x * d.x
    xy += d.x * d.y
    yy += d.y * d.y
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const way = { x: Math.cos(angle), y: Math.sin(angle) }
  const along = subtract(points[n - 1]!, points[0]!)
  return { at, way: dot(way, along) < 0 ? scale(way, -1) : way }
}

/** Numbers of the points at which a closed line has a corner. */
function cornersIn(points: readonly Point[], total: number, nearMm: number): number[] {
  const n = points.length
  const step = total / n
  const near = Math.max(1, Math.round(nearMm / step))
  const reach = Math.max(near + 3, Math.round((nearMm + LOOK_MM) / step))
  const run = (i: number, from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, k) => points[(((i + from + k) % n) + n) % n]!)
  const turns = points.map((_, i) => Math.abs(turnRad(lineThrough(run(i, -reach, -near)).way, lineThrough(run(i, near, reach)).way)))
  // All places within what is left out see the same two ways: the corner is in their middle.
  const middled = turns.map((_, i) => {
    let sum = 0
    for (let k = -near; k <= near; k++) sum += turns[(i + k + n) % n]!
    return sum / (2 * near + 1)
  })
  const limit = CORNER_DEG / DEG
  const sharpest = middled.map((t, i) => ({ t, i })).filter(({ t }) => t > limit)
  sharpest.sort((a, b) => b.t - a.t)
  const kept: number[] = []
  for (const { i } of sharpest) if (kept.every((k) => Math.min((i - k + n) % n, (k - i + n) % n) > reach)) kept.push(i)
  return kept.sort((a, b) => a - b)
}

/** A parabola through points along a way: where it starts, how it leaves, and how far it bends. */
interface End {
  at: Point
  way: Point
  /** How far a place along it lies off, to the side. */
  off: (along: number) => number
}

/** How a run of points goes on before its first point: a parabola in the direction that the points have near there. */
function endOf(points: readonly Point[]): End {
  const first = points[0]!
  const reach = points.findIndex((p) => distance(p, first) > LEAVE_MM)
  const part = points.slice(0, Math.max(6, reach < 0 ? points.length : reach))
  const { at, way } = lineThrough(part)
  const side = { x: -way.y, y: way.x }
  // Least squares of off = a + b along + c along2.
  const sums = [0, 0, 0, 0, 0]
  const rights = [0, 0, 0]
  for (const p of part) {
    const x = dot(subtract(p, at), way)
    const y = dot(subtract(p, at), side)
    for (let k = 0; k < 5; k++) sums[k]! += x ** k
    for (let k = 0; k < 3; k++) rights[k]! += y * x ** k
  }
  if (part.length < LEAST_FOR_BEND) return { at, way, off: () => 0 }
  const normal = new Matrix([0, 1, 2].map((row) => [0, 1, 2].map((column) => sums[row + column]!)))
  const [a, b, c] = solve(normal, Matrix.columnVector(rights), true).to1DArray() as [number, number, number]
  return { at, way, off: (x) => a + b * x + c * x * x }
}

const placeOn = ({ at, way, off }: End, along: number): Point => add(add(at, scale(way, along)), scale({ x: -way.y, y: way.x }, off(along)))
const wayOn = (end: End, along: number): Point => unit(subtract(placeOn(end, along + 0.5), placeOn(end, along - 0.5)))

/** Where two ends meet when both go on beyond their points; null where they meet far away from where the corner was seen. */
function meeting(before: End, after: End, seen: Point, nearMm: number): Point | null {
  let [s, t] = [dot(subtract(seen, before.at), before.way), dot(subtract(seen, after.at), after.way)]
  for (let round = 0; round < 20; round++) {
    const [p, q] = [placeOn(before, s), placeOn(after, t)]
    const [u, v] = [wayOn(before, s), wayOn(after, t)]
    const turn = cross(u, v)
    if (Math.abs(turn) < 0.15) return null
    const d = subtract(q, p)
    s += cross(d, v) / turn
    t += cross(d, u) / turn
  }
  const at = placeOn(before, s)
  // The sharper a corner is, the more of its tip is lost.
  const sharp = Math.max(0.2, Math.sin(Math.abs(turnRad(before.way, after.way)) / 2))
  return distance(at, seen) <= (nearMm * TIP) / sharp ? at : null
}

/** Points with what scatters about their run taken out: each the place of a parabola through its neighbours. */
function calmed(points: readonly Point[], reach: number): Point[] {
  return points.map((p, i) => {
    const own = Math.min(reach, i, points.length - 1 - i)
    if (own < 2) return p
    const part = points.slice(i - own, i + own + 1)
    // Weights of a parabola's middle (A. Savitzky and M. Golay, 1964).
    const m = own
    const weights = part.map((_, k) => 3 * m * m + 3 * m - 1 - 5 * (k - m) ** 2)
    const sum = weights.reduce((x, y) => x + y, 0)
    return { x: part.reduce((s, q, k) => s + q.x * weights[k]!, 0) / sum, y: part.reduce((s, q, k) => s + q.y * weights[k]!, 0) / sum }
  })
}

/** Points seen along the edges of a closed outline, edge by edge, in order; and where each edge begins, as far as that is seen. */
export interface SeenEdges {
  edges: Point[][]
  corners: Point[]
  /** There is no corner: the outline runs smoothly through where its edges meet. */
  isRound: boolean
}

/**
 * Parts a closed row of points at its corners.
 * @param points at even steps, clockwise
 * @param blurMm beside a corner the points are false for so much: they are left out
 */
export function partAtCorners(points: readonly Point[], blurMm: number): SeenEdges {
  const n = points.length
  const total = lengthsOf(points)[n]!
  const nearMm = CUT_MM + blurMm
  const corners = cornersIn(points, total, nearMm)
  const isRound = corners.length < 2
  // A round thing is parted at two opposite places.
  const starts = isRound ? [corners[0] ?? 0, ((corners[0] ?? 0) + (n >> 1)) % n].sort((a, b) => a - b) : corners
  const near = isRound ? 0 : Math.max(1, Math.round((nearMm * n) / total))
  const edges = starts.map((from, k) => {
    const to = starts[(k + 1) % starts.length]!
    const count = (to - from + n) % n || n
    const all = Array.from({ length: count + 1 }, (_, i) => points[(from + i) % n]!)
    const inner = all.slice(near, all.length - near)
    return inner.length >= 4 ? inner : all
  })
  return { edges, corners: starts.map((i) => points[i]!), isRound }
}

/**
 * The edges of a closed outline, drawn through points as a good hand would: straight where it is straight, smooth between its corners,
 * and its corners sharp although scissors and lens have rounded them: where the edges beside them meet.
 *
 * @param blurMm beside a corner there are no points for so much
 */
export function drawEdges({ edges, corners, isRound }: SeenEdges, blurMm: number): Path[] {
  const runs = edges.map((run) => calmed(run, Math.max(2, Math.round((LOOK_MM * run.length) / Math.max(LOOK_MM, lengthOf(run))))))
  const ends = runs.map((run) => ({ first: endOf(run), last: endOf([...run].reverse()) }))
  const places = corners.map((seen, k) => {
    if (isRound) return runs[k]![0]!
    const before = ends[(k + corners.length - 1) % corners.length]!.last
    return meeting(before, ends[k]!.first, seen, CUT_MM + blurMm) ?? seen
  })
  return runs.map((run, k): Path => {
    const from = places[k]!
    const to = places[(k + 1) % places.length]!
    const chord = unit(subtract(to, from))
    const off = Math.max(...run.map((p) => Math.abs(cross(chord, subtract(p, from)))))
    if (!isRound && off <= STRAIGHT_MM) return [line(from, to)]
    const inner = run.filter((p) => distance(p, from) > APART_MM && distance(p, to) > APART_MM)
    const [first, last] = [ends[k]!.first, ends[k]!.last]
    const leaves = isRound ? throughWay(runs, k) : wayOn(first, dot(subtract(from, first.at), first.way))
    const arrives = isRound ? throughWay(runs, (k + 1) % runs.length) : scale(wayOn(last, dot(subtract(to, last.at), last.way)), -1)
    return fitCurve([from, ...inner, to], leaves, arrives, Math.max(KEEP_MM, SCATTER * scatterOf(edges[k]!, run)))
  })
}

/** How far points scatter about their calmed run, mm: the middle of the squares. */
const scatterOf = (seen: readonly Point[], calm: readonly Point[]): number =>
  Math.sqrt(seen.reduce((s, p, i) => s + distance(p, calm[i]!) ** 2, 0) / seen.length)

const lengthOf = (run: readonly Point[]): number => run.reduce((s, p, i) => (i === 0 ? 0 : s + distance(p, run[i - 1]!)), 0)

/** The way on which a round line runs through the beginning of one of its runs. */
function throughWay(runs: readonly (readonly Point[])[], k: number): Point {
  const before = runs[(k + runs.length - 1) % runs.length]!
  const after = runs[k]!
  return unit(subtract(after[Math.min(3, after.length - 1)]!, before[Math.max(0, before.length - 4)]!))
}
