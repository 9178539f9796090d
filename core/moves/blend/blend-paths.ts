import {
  add,
  cutPath,
  fitCurve,
  isStraightPath,
  line,
  measureLength,
  norm,
  placeAt,
  scale,
  subtract,
  unit,
  type Path,
  type Point,
  type Segment,
} from '../../geometry'
import { FIT_MM, SAME_PARAMETER, SAME_POINT_MM, STRAIGHT_MM } from '../../tolerances'

/** How much of each size a place takes; parts add up to 1. */
export type Weights = ReadonlyMap<string, number>

/** Spacing of the places that a blended stretch is drawn through, mm. */
const SAMPLE_MM = 6
const LEAST_SAMPLES = 12

/** Stretches shorter than this are not drawn by themselves, mm. */
const SHORTEST_MM = 4

/** Where a place of an edge lies in another size, as a share of its length there. */
export type ShareIn = (sizeId: string, share: number) => number

const sameShare: ShareIn = (_, share) => share

/** Step over which the pace of a place in another size is measured, as a share of the edge. */
const PACE_STEP = 0.001

/** The one size that a place takes wholly, or null. */
const only = (w: Weights): string | null => {
  for (const [id, part] of w) if (part >= 1 - SAME_PARAMETER) return id
  return null
}

function sameKind(paths: readonly Path[]): boolean {
  return paths.every((p) => p.length === paths[0]!.length && p.every((s, i) => s.kind === paths[0]![i]!.kind))
}

/** Several paths mixed point by point by fixed parts; curves drawn alike are mixed handle by handle. */
function mixPaths(paths: ReadonlyMap<string, Path>, weights: Weights): Path {
  const id = only(weights)
  if (id !== null) return paths.get(id)!
  const used = [...weights].filter(([, part]) => part > 0)
  const mixed = (pick: (s: Segment) => Point, i: number): Point =>
    used.reduce((sum, [k, part]) => add(sum, scale(pick(paths.get(k)![i]!), part)), { x: 0, y: 0 })
  const list = used.map(([k]) => paths.get(k)!)
  if (!sameKind(list)) return drawThrough(paths, () => weights, sameShare, 0, 1)
  return list[0]!.map((s, i): Segment => {
    const from = mixed((x) => x.from, i)
    const to = mixed((x) => x.to, i)
    if (s.kind === 'line') return { kind: 'line', from, to }
    const handle = (which: 'c1' | 'c2') => mixed((x) => (x.kind === 'cubic' ? x[which] : x.from), i)
    return { kind: 'cubic', from, c1: handle('c1'), c2: handle('c2'), to }
  })
}

/** A smooth path through the mixed places of a stretch, with the directions that the mix has at its ends. */
function drawThrough(
  paths: ReadonlyMap<string, Path>,
  weightsAt: (share: number) => Weights,
  shareIn: ShareIn,
  from: number,
  to: number,
): Path {
  const lengths = new Map([...paths].map(([id, p]) => [id, measureLength(p)]))
  const mean = [...lengths.values()].reduce((a, b) => a + b, 0) / lengths.size
  const steps = Math.max(LEAST_SAMPLES, Math.ceil((mean * (to - from)) / SAMPLE_MM))
  const at = (share: number): { point: Point; direction: Point } => {
    let point = { x: 0, y: 0 }
    let direction = { x: 0, y: 0 }
    for (const [id, part] of weightsAt(share)) {
      if (part === 0) continue
      const length = lengths.get(id)!
      const place = placeAt(paths.get(id)!, length * shareIn(id, share))
      const [low, high] = [Math.max(0, share - PACE_STEP), Math.min(1, share + PACE_STEP)]
      const pace = (shareIn(id, high) - shareIn(id, low)) / (high - low)
      point = add(point, scale(place.point, part))
      direction = add(direction, scale(place.tangent, part * length * pace))
    }
    return { point, direction }
  }
  const points = Array.from({ length: steps + 1 }, (_, i) => at(from + ((to - from) * i) / steps).point)
  // Where sizes run against each other a mixed direction can vanish: there the line goes toward its next place.
  const directionAt = (share: number, chord: Point) => {
    const { direction } = at(share)
    return unit(norm(direction) > SAME_POINT_MM ? direction : chord)
  }
  const n = points.length
  return fitCurve(
    points,
    directionAt(from, subtract(points[1]!, points[0]!)),
    directionAt(to, subtract(points[n - 1]!, points[n - 2]!)),
    FIT_MM,
  )
}

/**
 * One path out of the same edge in several sizes: stretches that take one size keep its exact line, between them the
 * line goes over smoothly (craft 6.6). Parts are given by the share of the edge's length in the base size.
 *
 * @param breaks shares, in order, between which `weightsAt` either stays the same or changes, level at both ends
 * @param shareIn where a place lies in another size; at the same share when left out
 */
export function blendPaths(
  paths: ReadonlyMap<string, Path>,
  weightsAt: (share: number) => Weights,
  breaks: readonly number[],
  shareIn: ShareIn = sameShare,
): Path {
  // A stretch too short to draw becomes part of its neighbour.
  const least = SHORTEST_MM / Math.max(SHORTEST_MM, ...[...paths.values()].map(measureLength))
  const stops = breaks.reduce((kept, b) => (b - kept[kept.length - 1]! >= least && b <= 1 - least ? [...kept, b] : kept), [0])
  stops.push(1)
  const steady = (a: number, b: number) => sameWeights(weightsAt(a), weightsAt((a + b) / 2)) && sameWeights(weightsAt(a), weightsAt(b))
  if (stops.slice(1).every((b, i) => steady(stops[i]!, b)) && steady(0, 1)) return mixPaths(paths, weightsAt(0))
  const out: Segment[] = []
  for (const [i, to] of stops.slice(1).entries()) {
    const from = stops[i]!
    const id = steady(from, to) ? only(weightsAt(from)) : null
    if (id === null) out.push(...drawThrough(paths, weightsAt, shareIn, from, to))
    else {
      const path = paths.get(id)!
      const length = measureLength(path)
      out.push(...cutPath(path, length * shareIn(id, from), length * shareIn(id, to)))
    }
  }
  // Ends that differ by rounding noise become one point.
  return out.map((s, i) => (i === 0 ? s : { ...s, from: out[i - 1]!.to }))
}

function sameWeights(a: Weights, b: Weights): boolean {
  return [...a].every(([id, part]) => Math.abs(part - (b.get(id) ?? 0)) <= SAME_PARAMETER)
}

/** A line that is straight in every size stays straight: from its first end to its last. */
export function blendStraight(paths: ReadonlyMap<string, Path>, from: Point, to: Point): Path | null {
  const straight = [...paths.values()].every((p) => isStraightPath(p, STRAIGHT_MM))
  const apart = Math.abs(from.x - to.x) + Math.abs(from.y - to.y) > SAME_POINT_MM
  return straight && apart ? [line(from, to)] : null
}
