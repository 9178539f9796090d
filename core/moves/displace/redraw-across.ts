import {
  add,
  cutPath,
  isStraightPath,
  line,
  measureLength,
  movePath,
  scale,
  weld,
  type Path,
  type Point,
  type Segment,
} from '../../geometry'
import { SAME_POINT_MM, STRAIGHT_MM } from '../../tolerances'
import { easeIn, redrawMoved } from './redraw-moved'

/** One place where a path crosses a level: how far along, how much the paper beyond it moves, and which way it crosses. */
export interface LevelCrossing {
  /** mm from the path's start. */
  atMm: number
  /** The step in displacement met here when walking the path, mm along the grain (negative when walking back up). */
  stepMm: number
  /** How far the redrawn part reaches to each side, mm along the path. */
  beforeMm: number
  afterMm: number
}

/**
 * Redraws a path whose paper moves along the grain by different amounts on the two sides of each level it crosses.
 * A path that was one straight line is redrawn straight, end to end. A curve keeps its exact shape outside the windows
 * and moves through them by an amount that grows smoothly along its length, so it stays between the two sides of the
 * jog, keeps its end directions, and turns nowhere that it did not turn before.
 *
 * @param path the line as it was
 * @param grain unit direction that "beyond" moves in
 * @param startMm how far the path's first point moves along the grain
 * @param crossings in order along the path
 */
export function redrawAcross(path: Path, grain: Point, startMm: number, crossings: readonly LevelCrossing[]): Path {
  const endMm = crossings.reduce((sum, c) => sum + c.stepMm, startMm)
  if (crossings.length === 0) return movePath(path, scale(grain, startMm))
  const first = path[0]!.from
  const last = path[path.length - 1]!.to
  if (isStraightPath(path, STRAIGHT_MM)) return [line(add(first, scale(grain, startMm)), add(last, scale(grain, endMm)))]

  const total = measureLength(path)
  const movedBy = (atMm: number) =>
    crossings.reduce((sum, c) => {
      const reach = c.beforeMm + c.afterMm
      const u = reach <= SAME_POINT_MM ? (atMm >= c.atMm ? 1 : 0) : (atMm - (c.atMm - c.beforeMm)) / reach
      return sum + c.stepMm * easeIn(u)
    }, startMm)
  const stretches = joinStretches(crossings.map((c) => [Math.max(0, c.atMm - c.beforeMm), Math.min(total, c.atMm + c.afterMm)]))
  const out: Segment[] = []
  let reached = 0
  for (const [from, to] of stretches) {
    if (from - reached > SAME_POINT_MM) out.push(...movePath(cutPath(path, reached, from), scale(grain, movedBy(from))))
    out.push(...redrawMoved(cutPath(path, from, to), grain, (atMm) => movedBy(from + atMm)))
    reached = to
  }
  if (total - reached > SAME_POINT_MM) out.push(...movePath(cutPath(path, reached, total), scale(grain, endMm)))
  return weld(out)
}

function joinStretches(stretches: [number, number][]): [number, number][] {
  const joined: [number, number][] = []
  for (const s of [...stretches].sort((a, b) => a[0] - b[0])) {
    const last = joined[joined.length - 1]
    if (last && s[0] <= last[1]) last[1] = Math.max(last[1], s[1])
    else joined.push([...s])
  }
  return joined
}
