import { add, measureLength, placeAt, reversePath, scale, subtract, type Path, type Point } from '../geometry'
import { asCurves, displaceAlong, easeIn, type Field } from '../moves'
import { shapeOf, type Garment, type RunEdge, type Shape } from '../pattern'
import { joinRuns } from './cap-parts'
import { distancesTo, type CrotchLeg } from './crotch'
import { keepNotches } from './keep-notches'
import { withEdges } from './displace-runs'

/** A scoop begins and ends level over so much of the line below the waist, and before the inseam, mm: both ends stay as they are. */
const WAIST_FADE_MM = 150
const POINT_FADE_MM = 35
/** How far a place of the curve looks to both sides: a reading by hand wavers by less than such a stretch, mm. */
const SMOOTH_MM = 16
/** Places at which the distance is looked at, and how far apart the ends of the redrawn curves lie, mm. */
const SAMPLES = 90
const NODE_MM = 30

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
  const fade = (atMm: number) =>
    easeIn(atMm / Math.min(WAIST_FADE_MM, totalMm / 2)) * easeIn((totalMm - atMm) / Math.min(POINT_FADE_MM, totalMm / 4))
  const scoop = (atMm: number): number => {
    let [sum, weight] = [0, 0]
    for (const place of found) {
      const w = Math.exp(-(((place.atMm - atMm) / SMOOTH_MM) ** 2))
      sum += w * Math.max(0, place.mm)
      weight += w
    }
    return (fade(atMm) * sum) / weight
  }
  const deepest = found.map(({ atMm }) => ({ atMm, mm: scoop(atMm) })).reduce((a, b) => (b.mm > a.mm ? b : a))
  return { scoop, totalMm, deepest, shallowerMm: Math.max(0, ...found.map((p) => -p.mm * fade(p.atMm))) }
}

const STEP_MM = 0.5

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
  const slope = (mm: number): Point => {
    const [low, high] = [Math.max(0, mm - STEP_MM), Math.min(depth.totalMm, mm + STEP_MM)]
    return scale(subtract(by(high), by(low)), 1 / (high - low))
  }
  const places = Array.from({ length: Math.floor(depth.totalMm / NODE_MM) }, (_, i) => (i + 1) * NODE_MM)
  const edges: Record<string, Path> = {}
  let at = 0
  let before: Point | null = null
  for (const run of leg.runs) {
    const own = asCurves(joinRuns(shape, [run]))
    const offset = at
    at += measureLength(own)
    const field: Field = { by: (mm) => by(mm + offset), slope: (mm) => slope(mm + offset) }
    let drawn = displaceAlong(
      own,
      field,
      places.map((p) => p - offset),
    )
    if (before) drawn = [{ ...drawn[0]!, from: before }, ...drawn.slice(1)]
    before = drawn[drawn.length - 1]!.to
    edges[run.edgeId] = run.reversed ? reversePath(drawn) : drawn
  }
  const notches = keepNotches(
    leg.piece,
    shape,
    edges,
    leg.runs.map((r: RunEdge) => ({ ...r, still: 'first' as const })),
  )
  return withEdges(garment, leg.piece.id, sizeId, edges, notches)
}

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
