import { cutPath, measureLength, scale, tangentAt, type Path, type Point } from '../../geometry'
import { redrawMoved } from './redraw-moved'

/** Leaves its start at a slope of 1 and fades to nothing, level, at 1: u (1 - u)^2, at most 4/27 high. */
const fade = (u: number): number => (u >= 1 ? 0 : u * (1 - u) * (1 - u))

/**
 * Turns the direction in which a path leaves one of its ends, by redrawing it over a reach from there. Both ends stay
 * where they are; beyond the reach the path keeps its exact shape; the redrawn part joins it without a corner.
 *
 * @param atStart which end is turned
 * @param turnRad how far the direction away from that end turns, clockwise on the page positive; under a right angle
 * @param reachMm how much of the path is redrawn, mm; nothing is for 0, all of it at most
 */
export function bendEnd(path: Path, atStart: boolean, turnRad: number, reachMm: number): Path {
  const total = measureLength(path)
  const reach = Math.min(reachMm, total)
  if (reach <= 0 || turnRad === 0) return path
  const last = path[path.length - 1]!
  const away = atStart ? tangentAt(path[0]!, 0) : scale(tangentAt(last, 1), -1)
  const aside: Point = { x: -away.y, y: away.x }
  const rise = reach * Math.tan(turnRad)
  if (atStart) {
    const bent = redrawMoved(cutPath(path, 0, reach), aside, (atMm) => rise * fade(atMm / reach))
    return reach < total ? [...bent, ...cutPath(path, reach, total)] : bent
  }
  const bent = redrawMoved(cutPath(path, total - reach, total), aside, (atMm) => rise * fade(1 - atMm / reach))
  return reach < total ? [...cutPath(path, 0, total - reach), ...bent] : bent
}
