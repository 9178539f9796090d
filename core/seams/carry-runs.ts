import {
  add,
  carryBetween,
  cutPath,
  fullnessFor,
  measureLength,
  placeAt,
  reversePath,
  rotateAbout,
  tangentAt,
  type Path,
  type PathEnd,
  type Point,
} from '../geometry'
import { partedAt } from '../moves'
import type { RunEdge, Shape } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import { begunAt, endOf, startOf, walked } from './walked'

/** Where an end of a stretch goes, mm, and how far the line turns there; clockwise on the page positive. */
export interface EndMove {
  by: Point
  turnRad?: number
}

/** A stretch of a run of edges that is drawn anew, mm along the run. */
export interface CarriedStretch {
  fromMm: number
  toMm: number
  /** What becomes of its ends; one that is not named stays. */
  first?: EndMove
  last?: EndMove
  /** How much nearer its middle comes to where the directions at its ends meet, mm. */
  fullerMm?: number
}

/** A node this near to a place is the place, mm: a shorter piece of a curve is not cut off. */
const SAME_NODE_MM = 0.2
/** Curves that are drawn fuller or flatter are no longer than this, mm. */
const SHORT_MM = 30

function nodeNear(path: Path, mm: number): number {
  const total = measureLength(path)
  // An end is itself, though another node lies close to it.
  if (Math.abs(total - mm) <= SAME_NODE_MM) return total
  let at = 0
  for (const s of path) {
    if (Math.abs(at - mm) <= SAME_NODE_MM) return at
    at += measureLength([s])
  }
  return mm
}

/** A stretch of a path from node to node where nodes lie near, mm along it, with how it is walked at its ends. */
export function stretchOf(path: Path, fromMm: number, toMm: number): { from: number; to: number; ends: [PathEnd, PathEnd] } {
  const [from, to] = [nodeNear(path, fromMm), nodeNear(path, toMm)]
  const stretch = cutPath(path, from, to)
  return {
    from,
    to,
    ends: [
      { point: startOf(stretch), along: tangentAt(stretch[0]!, 0) },
      { point: endOf(stretch), along: tangentAt(stretch[stretch.length - 1]!, 1) },
    ],
  }
}

/** A part of a path, mm along it; nothing where it is no longer than a point. */
export function partOfPath(path: Path, lengthMm: number, fromMm: number, toMm: number): Path {
  return Math.min(toMm, lengthMm) - Math.max(fromMm, 0) > SAME_POINT_MM ? cutPath(path, fromMm, toMm) : []
}

export const movedEnd = ({ point, along }: PathEnd, move: EndMove | undefined): PathEnd =>
  move ? { point: add(point, move.by), along: rotateAbout(along, { x: 0, y: 0 }, move.turnRad ?? 0) } : { point, along }

/**
 * The part of an armhole or a cap that lies on one piece, its darts closed, with a stretch of it drawn between other ends
 * (`carryBetween`): it bends nowhere that it did not bend.
 * @returns its edges; null where no curve of that kind lies between such ends
 */
export function carryRuns(
  shape: Shape,
  runs: readonly RunEdge[],
  { fromMm, toMm, first, last, fullerMm = 0 }: CarriedStretch,
): Record<string, Path> | null {
  const path = joinRuns(shape, runs)
  const { from, to, ends: was } = stretchOf(path, fromMm, toMm)
  const fullness = fullerMm === 0 ? 1 : fullnessFor(was, placeAt(path, (from + to) / 2).point, fullerMm)
  const carry = fullness === null ? null : carryBetween(was, [movedEnd(was[0], first), movedEnd(was[1], last)], fullness)
  if (!carry) return null
  const edges: Record<string, Path> = {}
  let at = 0
  let end: Point | null = null
  for (const run of runs) {
    const own = walked(shape, run)
    const length = measureLength(own)
    const part = (fromHere: number, toHere: number): Path => partOfPath(own, length, fromHere, toHere)
    const [a, b] = [from - at, to - at]
    at += length
    // A projective map is followed the better the shorter the curves are.
    const places = fullness === 1 ? [] : Array.from({ length: Math.floor((b - a) / SHORT_MM) }, (_, i) => (i + 1) * SHORT_MM)
    const moved = [...part(0, a), ...carry(partedAt(part(a, b), places)), ...part(b, length)]
    const drawn: Path = begunAt(moved, end)
    end = endOf(drawn)
    edges[run.edgeId] = run.reversed ? reversePath(drawn) : drawn
  }
  return edges
}
