import {
  cross,
  measureLength,
  nearestPlace,
  placeAt,
  scale,
  add,
  slideBy,
  type Path,
  type Point,
  alongGrain,
  crossLevel,
} from '../../geometry'
import { FOLDED_ROLES, grainDirection, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { SAME_POINT_MM, SEAM_GOOD_MM, WINDOW_AMOUNTS, WINDOW_JOGS, WINDOW_MIN_MM } from '../../tolerances'
import { carryCorners } from '../cut/carry-lines'

import { redrawAcross, type LevelCrossing } from './redraw-across'

/** A line square to the grain; the paper beyond it moves along the grain by an amount (negative: back toward it). */
export interface MoveLevel {
  id: string
  /** Grain coordinate of the line, mm. */
  atMm: number
  amountMm: number
}

export interface EdgeCrossing extends LevelCrossing {
  levelId: string
}

/** How far the paper at a grain coordinate moves, mm; a place exactly on a level stays. */
export function movedAt(levels: readonly MoveLevel[], atMm: number): number {
  return levels.reduce((sum, l) => (atMm - l.atMm > SAME_POINT_MM ? sum + l.amountMm : sum), 0)
}

/**
 * Where the levels cross a path, with the window in which a curve would be redrawn: about six jogs to each side, at
 * least 25 mm, long enough for the amount, never past the path's ends.
 */
export function crossingsOf(path: Path, grain: Point, levels: readonly MoveLevel[]): EdgeCrossing[] {
  const total = measureLength(path)
  return levels
    .flatMap((level) =>
      crossLevel(path, grain, level.atMm).map(({ atMm, direction }): EdgeCrossing => {
        const jog = Math.abs(cross(grain, placeAt(path, atMm).tangent) * level.amountMm)
        const wish = Math.max(WINDOW_MIN_MM, WINDOW_JOGS * jog, WINDOW_AMOUNTS * Math.abs(level.amountMm))
        return {
          levelId: level.id,
          atMm,
          stepMm: direction * level.amountMm,
          beforeMm: Math.min(wish, atMm),
          afterMm: Math.min(wish, total - atMm),
        }
      }),
    )
    .sort((a, b) => a.atMm - b.atMm)
}

/**
 * Moves everything beyond each level along the grain: corners, edges, darts, inner lines, points, notches and the grain
 * arrow. Crossed edges are redrawn (see redrawAcross); all others keep their exact shape.
 *
 * A notch rides with the paper that it lies on: it keeps its distance from the end of its edge on its own side of the
 * levels, the end that did not move away from it.
 *
 * @param crossings per edge id, from crossingsOf, with windows agreed between partners
 */
export function moveBeyond(
  piece: Piece,
  shape: Shape,
  levels: readonly MoveLevel[],
  crossings: ReadonlyMap<string, readonly EdgeCrossing[]>,
): Shape {
  const grain = grainDirection(shape)
  const movePoint = (p: Point): Point => add(p, scale(grain, movedAt(levels, alongGrain(p, grain))))
  const edges: Record<string, Path> = {}
  for (const edge of piece.edges) {
    const path = shape.edges[edge.id]!
    edges[edge.id] = redrawAcross(path, grain, movedAt(levels, alongGrain(path[0]!.from, grain)), crossings.get(edge.id) ?? [])
  }
  const lines: Record<string, Path> = {}
  const slideAt = (p: Point) => slideBy(scale(grain, movedAt(levels, alongGrain(p, grain))))
  for (const { id, role } of piece.lines) {
    const path = shape.lines[id]!
    if (FOLDED_ROLES.includes(role)) {
      lines[id] = carryCorners(path, slideAt)
      continue
    }
    const own = keepOnLine(path, grain, levels)
    lines[id] = redrawAcross(path, grain, movedAt(own, alongGrain(path[0]!.from, grain)), crossingsOf(path, grain, own))
  }
  const points = Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, movePoint(p)]))
  const notches: Record<string, NotchPlace> = {}
  for (const notch of piece.notches)
    notches[notch.id] = moveNotch(
      shape.notches[notch.id]!,
      shape.edges[notch.edgeId]!,
      edges[notch.edgeId]!,
      crossings.get(notch.edgeId) ?? [],
      movePoint,
    )
  return { edges, lines, points, notches, grain: { from: movePoint(shape.grain.from), to: movePoint(shape.grain.to) } }
}

/** A printed line that a level was walked to, within what counts as good, lies on that level: it stays. */
function keepOnLine(path: Path, grain: Point, levels: readonly MoveLevel[]): MoveLevel[] {
  const ends = [path[0]!.from, path[path.length - 1]!.to].map((p) => alongGrain(p, grain))
  return levels.map((l) => (ends.every((e) => Math.abs(e - l.atMm) <= SEAM_GOOD_MM) ? { ...l, atMm: Math.max(...ends) } : l))
}

function moveNotch(
  place: NotchPlace,
  before: Path,
  after: Path,
  crossings: readonly EdgeCrossing[],
  movePoint: (p: Point) => Point,
): NotchPlace {
  if (crossings.length === 0) return place
  const total = measureLength(before)
  const at = place.from === 'start' ? place.distanceMm : total - place.distanceMm
  if (crossings.every((c) => c.atMm >= at)) return { from: 'start', distanceMm: at }
  if (crossings.every((c) => c.atMm < at)) return { from: 'end', distanceMm: total - at }
  return { from: 'start', distanceMm: nearestPlace(after, movePoint(placeAt(before, at).point)).lengthMm }
}
