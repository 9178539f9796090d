import {
  add,
  cross,
  distance,
  findNearestRoot,
  measureLength,
  norm,
  placeAt,
  subtract,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import type { RunEdge, Shape } from '../pattern'
import { SAME_BEND_PER_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import { carryRuns } from './carry-runs'

/** Most that a line turns at a place that it is drawn through, rad: some 15 degrees. */
const MOST_TURN_RAD = 0.26

/** A curve ends at a place when it does so this near to it, mm. */
const NODE_MM = 0.3

/** Curvature at the beginning or at the end of a segment, 1/mm; clockwise positive. */
function curvatureAt(s: Segment, which: 'from' | 'to'): number {
  if (s.kind === 'line') return 0
  const [near, next] = which === 'from' ? [s.c1, s.c2] : [s.c2, s.c1]
  const node = s[which]
  const first = subtract(near, node)
  const second = subtract(subtract(next, near), first)
  const reach = norm(first)
  const turn = (2 / 3) * cross(first, second)
  return reach === 0 ? 0 : (which === 'from' ? turn : -turn) / reach ** 3
}

/** How far curvature jumps at a place of a path, 1/mm: where a curve ends there. */
function jumpAt(path: Path, place: Point): number {
  const i = path.slice(0, -1).findIndex((s) => distance(s.to, place) <= NODE_MM)
  return i < 0 ? 0 : curvatureAt(path[i + 1]!, 'from') - curvatureAt(path[i]!, 'to')
}

/**
 * A run of edges on one piece, its darts closed, drawn through another place in its middle: from each end to it as `carryRuns` draws,
 * and turned there so far that both parts bend where they meet as they did.
 * @returns its edges; null where no curves of that kind lead through the place
 */
export function carryThrough(shape: Shape, runs: readonly RunEdge[], atMm: number, by: Point): Record<string, Path> | null {
  const was = joinRuns(shape, runs)
  const total = measureLength(was)
  const place = add(placeAt(was, atMm).point, by)
  const draw = (turnRad: number): { edges: Record<string, Path>; jump: number } | null => {
    const move = { by, turnRad }
    const after = carryRuns(shape, runs, { fromMm: atMm, toMm: total, first: move })
    if (!after) return null
    const half = { ...shape, edges: { ...shape.edges, ...after } }
    const edges = carryRuns(half, runs, { fromMm: 0, toMm: atMm, last: move })
    if (!edges) return null
    const path = joinRuns({ ...half, edges: { ...half.edges, ...edges } }, runs)
    return { edges: { ...after, ...edges }, jump: jumpAt(path, place) }
  }
  // A curve that began there with another bend goes on doing so.
  const had = jumpAt(was, subtract(place, by))
  const jumpOf = (turnRad: number) => (draw(turnRad)?.jump ?? Number.NaN) - had
  const found = findNearestRoot(jumpOf, { plus: MOST_TURN_RAD, minus: MOST_TURN_RAD }, SAME_BEND_PER_MM)
  return draw('at' in found ? found.at : 0)?.edges ?? null
}
