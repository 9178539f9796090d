import {
  add,
  cutPath,
  fitCurve,
  measureLength,
  nearestPlace,
  placeAt,
  reversePath,
  scale,
  tangentAt,
  turnRad,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { asCurves, displaceAlong, easeIn } from '../moves'
import { shapeOf, type Garment, type RunEdge, type Shape } from '../pattern'
import { SMOOTH_DEG } from '../tolerances'
import { DEG } from '../units'
import { joinRuns } from './cap-parts'
import { distancesTo, type CrotchLeg } from './crotch'
import { keepNotches } from './keep-notches'
import { withEdges } from './displace-runs'

/**
 * A scoop grows, level at its beginning, over this part of the line below the waist, and fades over this part before the inseam: both ends
 * stay as they are. The longer it takes, the less the line has to bend back for it.
 */
const FADE_PARTS = { waist: 0.65, point: 0.18 }
/** How far a place of the curve looks to both sides: a reading by hand wavers by less than such a stretch, mm. */
const SMOOTH_MM = 28
/** Places at which the distance is looked at, and how far apart those lie that a curve is redrawn through, mm. */
const SAMPLES = 90
const EVERY_MM = 4
/** The redrawn line runs within this of the scoop, mm: a hand that draws it cannot do better, and it runs smoother. */
const DRAWN_MM = 0.3

/** How deep a body’s curve lies below the crotch line of a leg. */
export interface CrotchDepth {
  /** Along the line from the waist, mm, with the depth of a whole scoop there; nothing where the body’s curve is shallower. */
  scoop: (atMm: number) => number
  totalMm: number
  /** The deepest place of a whole scoop, and how deep it is. */
  deepest: { atMm: number; mm: number }
  /** Most by which the body’s curve lies above the line, mm: cloth cannot be put back there. */
  shallowerMm: number
}

/** Into the cloth, for a direction along a leg’s crotch line from the waist: outlines run clockwise. */
const intoOf =
  (leg: CrotchLeg) =>
  (tangent: Point): Point =>
    leg.runs[0]!.reversed ? { x: tangent.y, y: -tangent.x } : { x: -tangent.y, y: tangent.x }

/**
 * How deep a body’s curve lies below the crotch line of one leg, smoothed along it and fading to nothing at both its ends.
 *
 * @param curve the body’s curve in the leg’s own coordinates, from the waist to the inseam
 */
export function crotchDepth(garment: Garment, leg: CrotchLeg, sizeId: string, curve: readonly Point[]): CrotchDepth {
  const path = joinRuns(shapeOf(leg.piece, sizeId), leg.runs)
  const totalMm = measureLength(path)
  const found = distancesTo(path, curve, intoOf(leg), SAMPLES)
  const smoothed = (atMm: number): number => {
    let [sum, weight] = [0, 0]
    for (const place of found) {
      const w = Math.exp(-(((place.atMm - atMm) / SMOOTH_MM) ** 2))
      sum += w * Math.max(0, place.mm)
      weight += w
    }
    return sum / weight
  }
  const fade = (atMm: number) => easeIn(atMm / (totalMm * FADE_PARTS.waist)) * easeIn((totalMm - atMm) / (totalMm * FADE_PARTS.point))
  const scoop = (atMm: number) => fade(atMm) * smoothed(atMm)
  const deepest = found.map(({ atMm }) => ({ atMm, mm: scoop(atMm) })).reduce((a, b) => (b.mm > a.mm ? b : a))
  return { scoop, totalMm, deepest, shallowerMm: Math.max(0, ...found.map((p) => -p.mm * fade(p.atMm))) }
}

/** A path parted at its corners: the stretches that run smoothly, with where they begin, mm. */
function smoothStretches(path: Path): { fromMm: number; stretch: Path }[] {
  const stretches: { fromMm: number; stretch: Segment[] }[] = []
  let at = 0
  path.forEach((s, i) => {
    const isCorner = i > 0 && Math.abs(turnRad(tangentAt(path[i - 1]!, 1), tangentAt(s, 0))) * DEG > SMOOTH_DEG
    if (i === 0 || isCorner) stretches.push({ fromMm: at, stretch: [] })
    stretches.at(-1)!.stretch.push(s)
    at += measureLength([s])
  })
  return stretches
}

/** A leg whose crotch line lies deeper by a share of the body’s depth, measured square to it (craft 6.9). */
export function scoopLeg(garment: Garment, leg: CrotchLeg, sizeId: string, depth: CrotchDepth, share: number): Garment {
  if (share === 0 || depth.deepest.mm === 0) return garment
  const shape = shapeOf(leg.piece, sizeId)
  const path = joinRuns(shape, leg.runs)
  const into = intoOf(leg)
  const by = (mm: number): Point => {
    const { tangent } = placeAt(path, mm)
    return scale(into(tangent), share * depth.scoop(mm))
  }
  const drawn = smoothStretches(path).map(({ fromMm, stretch }) => {
    const ends = [stretch[0]!, stretch[stretch.length - 1]!] as const
    const lengthMm = measureLength(stretch)
    const count = Math.max(2, Math.ceil(lengthMm / EVERY_MM))
    const points = Array.from({ length: count + 1 }, (_, i) => {
      const atMm = (lengthMm * i) / count
      return add(placeAt(stretch, atMm).point, by(fromMm + atMm))
    })
    return fitCurve(points, tangentAt(ends[0], 0), tangentAt(ends[1], 1), DRAWN_MM)
  })
  const line: Path = drawn.flat()
  // Each edge ends where the place at which it ended lies now.
  const ends = leg.runs.map((_, i) => measureLength(joinRuns(shape, leg.runs.slice(0, i + 1))))
  const cuts = ends.slice(0, -1).map((mm) => nearestPlace(line, add(placeAt(path, mm).point, by(mm))).lengthMm)
  const edges: Record<string, Path> = {}
  leg.runs.forEach((run, i) => {
    const own = cutPath(line, cuts[i - 1] ?? 0, cuts[i] ?? measureLength(line))
    edges[run.edgeId] = run.reversed ? reversePath(own) : own
  })
  const notches = keepNotches(
    leg.piece,
    shape,
    edges,
    leg.runs.map((r: RunEdge) => ({ ...r, still: 'first' as const })),
  )
  return withEdges(garment, leg.piece.id, sizeId, edges, notches)
}

/** How far a slope looks to both sides, mm. */
const STEP_MM = 0.5

/** A line let out by an amount at one place, fading level to nothing at both sides. */
export function letOutAt(shape: Shape, runs: readonly RunEdge[], out: Point, outMm: number, atMm: number, fadeMm: number): Shape['edges'] {
  const total = measureLength(joinRuns(shape, runs))
  const [from, to] = [Math.max(0, atMm - fadeMm), Math.min(total, atMm + fadeMm)]
  const share = (mm: number) => (mm <= atMm ? easeIn((mm - from) / Math.max(1, atMm - from)) : easeIn((to - mm) / Math.max(1, to - atMm)))
  const slope = (mm: number) => (share(mm + STEP_MM) - share(mm - STEP_MM)) / (2 * STEP_MM)
  let at = 0
  return Object.fromEntries(
    runs.map((run) => {
      const own = asCurves(joinRuns(shape, [run]))
      const offset = at
      at += measureLength(own)
      const drawn = displaceAlong(
        own,
        { by: (mm) => scale(out, outMm * share(mm + offset)), slope: (mm) => scale(out, outMm * slope(mm + offset)) },
        [from, atMm, to].map((p) => p - offset),
      )
      return [run.edgeId, run.reversed ? reversePath(drawn) : drawn]
    }),
  )
}

/** The place of a leg’s crotch line, scooped by a share. */
export function scoopedPlace(
  leg: CrotchLeg,
  sizeId: string,
  depth: CrotchDepth,
  share: number,
  atMm: number,
): { point: Point; into: Point } {
  const { point, tangent } = placeAt(joinRuns(shapeOf(leg.piece, sizeId), leg.runs), atMm)
  const into = intoOf(leg)(tangent)
  return { point: add(point, scale(into, share * depth.scoop(atMm))), into }
}
