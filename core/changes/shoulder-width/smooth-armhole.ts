import {
  add,
  countInflections,
  cutPath,
  distance,
  findNearestRoot,
  line,
  measureLength,
  placeAt,
  reversePath,
  rotateAbout,
  scale,
  subtract,
  tangentAt,
  turnRad,
  type Path,
  type Point,
} from '../../geometry'
import { asCurves, displaceAlong, fadingTurned } from '../../moves'
import { edgePath, type Shape } from '../../pattern'
import { LENGTH_FOUND_MM, SMOOTH_DEG } from '../../tolerances'
import { DEG } from '../../units'
import type { ShoulderEnd } from '../shared/find-shoulders'

/** How far the tip is looked for to both sides of where the swing brings it, rad about the inner end. */
const LOOKED_FOR_RAD = 0.2

/**
 * How far the tip turns, as a part of what a swing about the hinge would turn it, tried one after the other: not at all, so that the
 * armhole runs on across the shoulder as it did; more and more where the line would have to bend back for it.
 */
const TIP_TURNS = [0, 0.25, 0.5, 0.75, 1]

const cornerAt = (path: Path): boolean =>
  path.some((s, i) => i > 0 && Math.abs(turnRad(tangentAt(path[i - 1]!, 1), tangentAt(s, 0))) * DEG > SMOOTH_DEG)

/**
 * Shoulder and armhole drawn as a hand redraws them after the swing: a swing bends a curved armhole in one place, at the hinge, and a
 * corner there shows; here the bend is spread from the hinge to the tip. Below the hinge nothing moves, the armhole keeps its length,
 * and the shoulder gets the length it is given: the tip lies where both are so, a little beside where the swing has brought it.
 *
 * @param was the shape before the swing
 * @param swungTip where the swing has brought the tip
 * @param shoulderMm how long the redrawn shoulder is
 * @returns the edges that are drawn anew; null where the armhole has a corner of its own above or at the hinge, which a swing may
 * turn about, is parted there, or cannot be drawn so
 */
export function smoothArmhole(
  was: Shape,
  end: ShoulderEnd,
  hingeMm: number,
  swungTip: Point,
  shoulderMm: number,
): Record<string, Path> | null {
  const id = end.armhole[0]!.id
  const old = edgePath(was, id)
  const down = end.reversed ? reversePath(old) : old
  const total = measureLength(down)
  if (hingeMm >= total) return null
  const [upper, lower] = [cutPath(down, 0, hingeMm), cutPath(down, hingeMm, total)]
  if (cornerAt([...upper, ...lower.slice(0, 1)])) return null
  const shoulder = edgePath(was, end.shoulder.id)
  const inner = end.reversed ? shoulder[shoulder.length - 1]!.to : shoulder[0]!.from
  const tip = placeAt(down, 0).point
  const toTip = scale(subtract(swungTip, inner), shoulderMm / distance(swungTip, inner))
  const tipAt = (rad: number): Point => add(inner, rotateAbout(toTip, { x: 0, y: 0 }, rad))
  const bends = countInflections(down)
  let drawn: Path | null = null
  for (const tipTurn of TIP_TURNS) {
    const drawnTo = (rad: number): Path => displaceAlong(asCurves(upper), fadingTurned(subtract(tipAt(rad), tip), hingeMm, tipTurn))
    const found = findNearestRoot(
      (rad) => measureLength(drawnTo(rad)) - hingeMm,
      { plus: LOOKED_FOR_RAD, minus: LOOKED_FOR_RAD },
      LENGTH_FOUND_MM,
    )
    if (!('at' in found)) continue
    drawn = [...drawnTo(found.at), ...lower]
    if (countInflections(drawn) <= bends) break
  }
  if (!drawn) return null
  const armhole = end.reversed ? reversePath(drawn) : drawn
  const outer = drawn[0]!.from
  return { [id]: armhole, [end.shoulder.id]: end.reversed ? [line(outer, inner)] : [line(inner, outer)] }
}
