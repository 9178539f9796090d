import { areaD, FillRule, intersectD, unionD } from 'clipper2-ts'
import { distance, flattenPath, mapPath, measureLength, nearestPlace, placeAt, type Path, type Point } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { toPlane } from './camera'
import { drawEdges, partAtCorners } from './draw-smooth'
import { evenly } from './edges'
import type { ReadPhotograph } from './read-photograph'

/** A mark that was pointed at in two photographs, on the plane of each, mm. */
export interface SharedMark {
  there: Point
  here: Point
}

/** How a second plane lies on the first: turned about 0, 0, then moved. */
export interface Lying {
  turnRad: number
  by: Point
  /** How far its marks lie from those of the first, the furthest, mm. */
  offMm: number
}

/** Marks of one photograph nearer than this to each other do not tell how it is turned, mm. */
const LEAST_APART_MM = 40

/**
 * How the plane of one photograph lies on that of another, by marks seen in both: turned and moved so that the squares of what is left
 * between them are least (P. Schoenemann, 1966; no scale: both are measured). Refuses fewer than two marks, and marks too near to each other.
 */
export function layOn(marks: readonly SharedMark[]): Result<Lying> {
  const bad = (message: string) =>
    refuse('too-few-marks', 'photographs', message, 'Point at two marks far apart that both photographs show, in each.')
  if (marks.length < 2) return bad('they are joined by two marks or more.')
  const middle = (of: (m: SharedMark) => Point) => ({
    x: marks.reduce((s, m) => s + of(m).x, 0) / marks.length,
    y: marks.reduce((s, m) => s + of(m).y, 0) / marks.length,
  })
  const [here, there] = [middle((m) => m.here), middle((m) => m.there)]
  if (Math.max(...marks.map((m) => distance(m.here, here))) * 2 < LEAST_APART_MM) return bad('their marks lie too near to each other.')
  let [cos, sin] = [0, 0]
  for (const m of marks) {
    const a = { x: m.here.x - here.x, y: m.here.y - here.y }
    const b = { x: m.there.x - there.x, y: m.there.y - there.y }
    cos += a.x * b.x + a.y * b.y
    sin += a.x * b.y - a.y * b.x
  }
  const turnRad = Math.atan2(sin, cos)
  const own = { turnRad, by: { x: 0, y: 0 } }
  const turned = laid(own, here)
  const lying = { turnRad, by: { x: there.x - turned.x, y: there.y - turned.y } }
  return ok({ ...lying, offMm: Math.max(...marks.map((m) => distance(laid(lying, m.here), m.there))) })
}

/** Where a place of the second plane lies on the first. */
export function laid({ turnRad, by }: Pick<Lying, 'turnRad' | 'by'>, p: Point): Point {
  const [c, s] = [Math.cos(turnRad), Math.sin(turnRad)]
  return { x: p.x * c - p.y * s + by.x, y: p.x * s + p.y * c + by.y }
}

/** How exactly outlines are followed where they are joined, mm, and how far apart the points are by which they are drawn again. */
const JOIN_FLAT_MM = 0.05
const JOIN_STEP_MM = 1
/** Outlines that overlap by less are neighbours, mm2. */
const SLIVER_MM2 = 400

const ringOf = (path: Path): Point[] => flattenPath(path, JOIN_FLAT_MM)

/**
 * Outlines on one plane, those that overlap joined into one and drawn again: what several photographs show of one piece. The edge where one
 * photograph ends lies within what the other shows, and goes.
 */
export function joinOutlines(outlines: readonly Path[]): Path[] {
  const groups: Path[][] = []
  for (const path of outlines) {
    const touched = groups.filter((group) => group.some((other) => overlapMm2(path, other) > SLIVER_MM2))
    for (const group of touched) groups.splice(groups.indexOf(group), 1)
    groups.push([path, ...touched.flat()])
  }
  return groups.flatMap((group) => {
    if (group.length === 1) return group
    const around = unionD(group.map(ringOf), [], FillRule.NonZero, 3).sort((a, b) => areaD(b) - areaD(a))[0]!
    return [drawEdges(partAtCorners(evenly(around, JOIN_STEP_MM), JOIN_STEP_MM), JOIN_STEP_MM).flat()]
  })
}

const overlapMm2 = (a: Path, b: Path): number =>
  intersectD([ringOf(a)], [ringOf(b)], FillRule.NonZero, 2).reduce((sum, ring) => sum + Math.abs(areaD(ring)), 0)

/** A mark by where it was pointed at in each photograph, dots; null in those that do not show it. */
export type PointedMark = readonly (Point | null)[]

/** What several photographs show, on the plane of the first. */
export interface JoinedPhotographs {
  outlines: Path[]
  /** Straight lines drawn on them. */
  lines: Path[]
  /** How far the marks of two photographs lie from each other, the furthest, mm. */
  offMm: number
}

/**
 * What several photographs show of pieces that were not moved between them. Each is laid on one that is laid already by the marks that both
 * show. Refuses one that has no two marks in common with them.
 */
export function joinPhotographs(reads: readonly ReadPhotograph[], marks: readonly PointedMark[]): Result<JoinedPhotographs> {
  const lies = new Map<number, Pick<Lying, 'turnRad' | 'by'>>([[0, { turnRad: 0, by: { x: 0, y: 0 } }]])
  let offMm = 0
  const place = (photo: number, p: Point): Point => laid(lies.get(photo)!, toPlane(reads[photo]!.camera, p))
  for (let next = 1; next < reads.length; next++) {
    const shared = marks.flatMap((mark): SharedMark[] => {
      const here = mark[next]
      const known = mark.findIndex((p, k) => p !== null && p !== undefined && lies.has(k))
      return here && known >= 0 ? [{ here: toPlane(reads[next]!.camera, here), there: place(known, mark[known]!) }] : []
    })
    const found = layOn(shared)
    if (!found.ok) return refuse(found.problem.code, `photograph ${next + 1}`, found.problem.message, found.problem.remedy)
    lies.set(next, found.value)
    offMm = Math.max(offMm, found.value.offMm)
  }
  const laidOn = (paths: (read: ReadPhotograph) => Path[]) =>
    reads.flatMap((read, k) => paths(read).map((path) => mapPath(path, (p) => laid(lies.get(k)!, p))))
  const outlines = laidOn((read) => read.outlines.map((o) => o.path))
  const lines = laidOn((read) => read.outlines.flatMap((o) => o.lines))
  return ok({ outlines: joinOutlines(outlines), lines: seenOnce(lines), offMm })
}

/** The middle of a line lies this near to a longer one that is the same, mm. */
const SAME_LINE_MM = 3

/** Lines without those that another photograph shows longer. */
function seenOnce(lines: readonly Path[]): Path[] {
  const longest = [...lines].sort((a, b) => measureLength(b) - measureLength(a))
  return longest.filter((own, i) => {
    const middle = placeAt(own, measureLength(own) / 2).point
    return !longest.slice(0, i).some((other) => nearestPlace(other, middle).distanceMm < SAME_LINE_MM)
  })
}
