import { add, distance, dot, mix, placeAt, rotateAbout, scale, subtract, turnRad, unit, type Point } from '../geometry'
import { crossLevel, placeOnRay } from '../moves'
import { dartFigures, edgePath, grainDirection, type Dart, type Piece, type Shape } from '../pattern'

/** Where a line across the grain goes on beyond a dart that it runs into lengthways. */
export interface Onward {
  /** Where it meets the first leg: its place along the cross-grain, mm, and the way it was going, 1 or -1. */
  leavesAt: number
  way: 1 | -1
  /** From the dart's other leg to the edge that it ends on, mm. */
  mm: number
  edgeId: string
  /** Along that edge from its start, mm. */
  atMm: number
}

/** A dart lies across the piece when it is nearer to the cross-grain than to the grain: one from the side. */
const ACROSS = Math.SQRT1_2

/** Where a level coming from the tip's side first meets a leg of a dart, and which; null when it meets none. */
function metLeg(shape: Shape, dart: Dart, grain: Point, levelMm: number, outward: Point): { at: Point; isFirst: boolean } | null {
  const met = dart.legs.flatMap((id, k) =>
    crossLevel(edgePath(shape, id), grain, levelMm).map((c) => ({ at: placeAt(edgePath(shape, id), c.atMm).point, isFirst: k === 0 })),
  )
  return met.length > 0 ? met.reduce((a, b) => (dot(b.at, outward) < dot(a.at, outward) ? b : a)) : null
}

/**
 * Where a line across the grain goes on, as sewn, beyond a dart that lies across the piece: with the dart closed it meets
 * the other leg as far from the tip, and goes on straight, which on the open paper is turned by the dart's angle. A dart
 * that runs down the piece needs nothing: the line crosses both of its legs, and what lies between is no paper.
 *
 * @param levelMm grain coordinate of the line
 */
export function onwardThroughDarts(piece: Piece, shape: Shape, levelMm: number): Onward[] {
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  return piece.darts.flatMap((dart): Onward[] => {
    const d = dartFigures(piece, shape, dart)
    const lies = dot(unit(subtract(mix(d.first, d.second, 0.5), d.tip)), across)
    if (Math.abs(lies) < ACROSS) return []
    const way = lies > 0 ? 1 : -1
    const outward = scale(across, way)
    const met = metLeg(shape, dart, grain, levelMm, outward)
    if (!met) return []
    const [own, other] = met.isFirst ? [d.first, d.second] : [d.second, d.first]
    const [alongOwn, alongOther] = [unit(subtract(own, d.tip)), unit(subtract(other, d.tip))]
    const ray = rotateAbout(outward, { x: 0, y: 0 }, turnRad(alongOwn, alongOther))
    const from = add(d.tip, scale(alongOther, Math.min(distance(met.at, d.tip), distance(other, d.tip))))
    const hits = piece.edges.flatMap((e): Onward[] => {
      if (e.role === 'dart-leg') return []
      const path = edgePath(shape, e.id)
      const atMm = placeOnRay(path, from, ray)
      return atMm === null
        ? []
        : [{ leavesAt: dot(met.at, across), way, mm: distance(placeAt(path, atMm).point, from), edgeId: e.id, atMm }]
    })
    return hits.length > 0 ? [hits.reduce((a, b) => (b.mm < a.mm ? b : a))] : []
  })
}
