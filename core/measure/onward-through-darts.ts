import { add, distance, dot, mix, rotateAbout, scale, subtract, turnRad, unit, type Path, type Point, crossPoints } from '../geometry'

import { edgePath, grainDirection, type Dart, type Piece, type Shape } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'

/** Where a line across the grain goes on beyond a dart that it runs into lengthways. */
export interface Onward {
  /** Where it meets the first leg: its place along the cross-grain, mm, and the way it was going, 1 or -1. */
  leavesAt: number
  way: 1 | -1
  /** From the dart's other leg to the edge that it ends on, mm. */
  mm: number
  edgeId: string
  at: Point
}

/** A dart lies across the piece when it is nearer to the cross-grain than to the grain: one from the side. */
const ACROSS = Math.SQRT1_2

function endsOf(shape: Shape, dart: Dart): { first: Point; tip: Point; second: Point } {
  const [a, b] = dart.legs.map((id) => edgePath(shape, id)) as [Path, Path]
  return { first: a[0]!.from, tip: b[0]!.from, second: b[b.length - 1]!.to }
}

/** Where a level coming from the tip's side first meets a leg of a dart, and which; null when it meets none. */
function metLeg(shape: Shape, dart: Dart, grain: Point, levelMm: number, outward: Point): { at: Point; isFirst: boolean } | null {
  const met = dart.legs.flatMap((id, k) => crossPoints(edgePath(shape, id), grain, levelMm).map((at) => ({ at, isFirst: k === 0 })))
  return met.length > 0 ? met.reduce((a, b) => (dot(b.at, outward) < dot(a.at, outward) ? b : a)) : null
}

/** A dart that lies across the piece, with the levels along the grain between which a line can run into it. */
export interface CrossDart {
  dart: Dart
  ends: { first: Point; tip: Point; second: Point }
  low: number
  high: number
  /** The way from its tip to its mouth, along the cross-grain. */
  way: 1 | -1
}

/** The darts of a piece that lie across it. One that runs down needs nothing: a line crosses both legs, and between them is no paper. */
export function crossDarts(piece: Piece, shape: Shape): CrossDart[] {
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  return piece.darts.flatMap((dart): CrossDart[] => {
    const ends = endsOf(shape, dart)
    const lies = dot(unit(subtract(mix(ends.first, ends.second, 0.5), ends.tip)), across)
    if (Math.abs(lies) < ACROSS) return []
    const levels = [ends.first, ends.second, ends.tip].map((p) => dot(p, grain))
    return [{ dart, ends, low: Math.min(...levels), high: Math.max(...levels), way: lies > 0 ? 1 : -1 }]
  })
}

/**
 * Where a line across the grain goes on, as sewn, beyond a dart that lies across the piece: with the dart closed it meets
 * the other leg as far from the tip, and goes on straight, which on the open paper is turned by the dart's angle. Null when
 * the line does not run into it.
 *
 * @param levelMm grain coordinate of the line
 */
export function onwardThrough(piece: Piece, shape: Shape, { dart, ends: d, low, high, way }: CrossDart, levelMm: number): Onward | null {
  if (levelMm < low || levelMm > high) return null
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const outward = scale(across, way)
  const met = metLeg(shape, dart, grain, levelMm, outward)
  if (!met) return null
  const [own, other] = met.isFirst ? [d.first, d.second] : [d.second, d.first]
  const [alongOwn, alongOther] = [unit(subtract(own, d.tip)), unit(subtract(other, d.tip))]
  const ray = rotateAbout(outward, { x: 0, y: 0 }, turnRad(alongOwn, alongOther))
  const from = add(d.tip, scale(alongOther, Math.min(distance(met.at, d.tip), distance(other, d.tip))))
  // Square to the ray: where an edge crosses its line, and lies ahead.
  const square = { x: -ray.y, y: ray.x }
  const hits = piece.edges.flatMap((e): Onward[] => {
    if (e.role === 'dart-leg') return []
    return crossPoints(edgePath(shape, e.id), square, dot(from, square)).flatMap((at): Onward[] => {
      const mm = dot(subtract(at, from), ray)
      return mm >= -SAME_POINT_MM ? [{ leavesAt: dot(met.at, across), way, mm, edgeId: e.id, at }] : []
    })
  })
  return hits.length > 0 ? hits.reduce((a, b) => (b.mm < a.mm ? b : a)) : null
}

/** Where a line across the grain goes on beyond each dart that it runs into (see onwardThrough). */
export const onwardThroughDarts = (piece: Piece, shape: Shape, levelMm: number): Onward[] =>
  crossDarts(piece, shape).flatMap((dart) => onwardThrough(piece, shape, dart, levelMm) ?? [])
