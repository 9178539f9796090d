import { distance, line, measureArea, measureLength, placeAt, turnRad, type Path, type Point } from '../geometry'
import type { Result } from '../result'
import { DEG } from '../units'
import { checkCurve, type CurvePoints } from './read-curve-points'

/** Three places along a closed outline, mm from where it begins: what was a flexible curve runs between the first and the last. */
export interface CurvePlaces {
  frontMm: number
  inseamMm: number
  backMm: number
}

/** A traced curve is taken point by point, no further apart, mm. */
const STEP_MM = 5
/** Places at which a run is looked at for where it lies furthest from its chord. */
const LOOKED_AT = 100

const round = (mm: number, totalMm: number) => ((mm % totalMm) + totalMm) % totalMm

/** Lengths from one place of a run to another in steps of at most 5 mm, both ends among them. */
function steps(fromMm: number, toMm: number): number[] {
  const count = Math.ceil(Math.abs(toMm - fromMm) / STEP_MM)
  if (count === 0) return [fromMm]
  return Array.from({ length: count + 1 }, (_, i) => fromMm + ((toMm - fromMm) * i) / count)
}

/**
 * The reading that an outline gives of which a part was cut along a flexible curve: the way round it that leads from the front waist over
 * the inseam to the back waist, as points.
 *
 * @param outline closed, mm
 * Refuses what is no curve of a body, as points that were typed.
 */
export function curveFromOutline(outline: Path, { frontMm, inseamMm, backMm }: CurvePlaces): Result<CurvePoints> {
  const totalMm = measureLength(outline)
  const onward = (mm: number) => round(mm - frontMm, totalMm)
  // Against the outline where that is the way over the inseam.
  const isOnward = onward(inseamMm) <= onward(backMm)
  const along = (mm: number) => (isOnward ? onward(mm) : -round(frontMm - mm, totalMm))
  const front = steps(0, along(inseamMm))
  const lengths = [...front, ...steps(along(inseamMm), along(backMm)).slice(1)]
  const points = lengths.map((mm) => placeAt(outline, round(frontMm + mm, totalMm)).point)
  return checkCurve(points, front.length - 1)
}

/** Edges that bow to one side go on into each other past a corner no sharper than this: a curve that is bent tightly, or drawn so, degrees. */
const BENT_DEG = 50

/** Runs of edges that bow to one side and go on into each other, each by its first edge and their number. */
function bowedRuns(edges: readonly Path[]): { at: number; count: number }[] {
  const ends = edges.map((e) => ({ from: e[0]!.from, to: e[e.length - 1]!.to }))
  const sides = edges.map((e, i) => Math.sign(measureArea([...e, line(ends[i]!.to, ends[i]!.from)])))
  const goesOn = (i: number) => {
    const next = (i + 1) % edges.length
    const [before, after] = [placeAt(edges[i]!, measureLength(edges[i]!)).tangent, placeAt(edges[next]!, 0).tangent]
    return sides[i] === sides[next] && Math.abs(turnRad(before, after)) * DEG <= BENT_DEG
  }
  const isFirst = (i: number) => !goesOn((i + edges.length - 1) % edges.length)
  return edges.flatMap((_, at) => {
    if (!isFirst(at)) return []
    let count = 1
    while (count < edges.length && goesOn((at + count - 1) % edges.length)) count += 1
    return [{ at, count }]
  })
}

/**
 * Where a flexible curve may begin, meet the inseam and end on an outline: along the run of edges that bows out most against its chord,
 * with the inseam where it lies furthest from that.
 *
 * @param edges of a closed outline, in their order
 */
export function proposePlaces(edges: readonly Path[]): CurvePlaces {
  const found = bowedRuns(edges)
  const runs = (found.length > 0 ? found : [{ at: 0, count: edges.length }]).map(({ at, count }) => {
    const path = Array.from({ length: count }, (_, k) => edges[(at + k) % edges.length]!).flat()
    const lengthMm = measureLength(path)
    const ends: [Point, Point] = [path[0]!.from, path[path.length - 1]!.to]
    return { at, path, lengthMm, ends, bowMm: lengthMm - distance(...ends) }
  })
  const { at, path, lengthMm, ends } = runs.reduce((a, b) => (b.bowMm > a.bowMm ? b : a))
  const [from, to] = ends
  const chord = distance(from, to)
  const off = (mm: number) => {
    const { point } = placeAt(path, mm)
    const area = (to.x - from.x) * (point.y - from.y) - (to.y - from.y) * (point.x - from.x)
    return chord > 0 ? Math.abs(area) / chord : distance(point, from)
  }
  const inner = Array.from({ length: LOOKED_AT - 1 }, (_, i) => (lengthMm * (i + 1)) / LOOKED_AT)
  const deepest = inner.reduce((a, b) => (off(b) > off(a) ? b : a))
  const totalMm = measureLength(edges.flat())
  const beginMm = measureLength(edges.slice(0, at).flat())
  const along = (mm: number) => round(beginMm + mm, totalMm)
  return { frontMm: along(0), inseamMm: along(deepest), backMm: along(lengthMm) }
}
