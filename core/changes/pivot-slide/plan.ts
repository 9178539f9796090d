import { slideBy, type Point } from '../../geometry'
import type { TracedRun } from '../../moves'
import type { Edge } from '../../pattern'

/** A run with what the hands do before it is traced. */
export interface PivotRun extends TracedRun {
  /** Where the pin sits in the end; null for a slide. */
  pin: Point | null
  turnRad: number
  by: Point
  /** What is pinned, what is looked at, what is traced, in words. */
  pinName: string | null
  targetName: string
  targetMm: number
  way: string
  tracedNames: string
}

/** What becomes of one piece: the runs that are moved, and the edges that are joined anew. Everything else stays. */
export interface PivotPlan {
  runs: PivotRun[]
  gaps: string[]
  /** A place whose way is the amount asked for: where it was and where it is to come to, measured along a direction. */
  watched: { was: Point; to: Point; direction: Point; label: string }[]
}

/** The names of edges as one reads them, darts left out. */
export const edgeNames = (edges: readonly Edge[]) => [...new Set(edges.filter((e) => e.role !== 'dart-leg').map((e) => e.name))].join(', ')

/** A slide without turning, after which edges (or stretches of them) are traced. */
export function slideRun(
  edges: readonly Edge[],
  by: Point,
  targetName: string,
  targetMm: number,
  way: string,
  bits?: TracedRun['bits'],
): PivotRun {
  return {
    bits: bits ?? edges.map((e) => ({ edgeId: e.id })),
    move: slideBy(by),
    pin: null,
    turnRad: 0,
    by,
    pinName: null,
    targetName,
    targetMm,
    way,
    tracedNames: edgeNames(edges),
  }
}
