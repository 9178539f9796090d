import {
  add,
  cross,
  distance,
  dot,
  line,
  placeAt,
  measureLength,
  reversePath,
  cutPath,
  mapPath,
  rotateAbout,
  scale,
  subtract,
  turnRad,
  unit,
  type Path,
  type Point,
} from '../../../geometry'
import { dartCapPoint, dartFigures, edgePath, type Dart, type Piece, type Shape } from '../../../pattern'

/** A dart as it lies when closed and pressed. */
export interface FoldedDart {
  /** The edge on both sides of the closed dart, as it will be sewn: the part toward which it is pressed lies still. */
  still: Path
  swung: Path
  /** The leg both parts now share, from the edge to the tip. */
  leg: Path
  /** The cloth under it: the dart folded flat, its cap last. */
  under: Path
  /** How far the folded cap stands off the edge it should lie along, mm. */
  offMm: number
}

/** How much of the edge on each side of a folded dart is shown, mm. */
const SHOWN_MM = 90

const mirrorIn = (p: Point, at: Point, along: Point): Point => {
  const d = subtract(p, at)
  return add(at, subtract(scale(along, 2 * dot(d, along)), d))
}

/**
 * Folds a dart closed and presses it (craft 6.11, finish): the part beyond it is turned about the tip until the legs meet,
 * and its cloth is folded under the part toward which it is pressed, once along the leg and once along its middle.
 */
export function foldCap(piece: Piece, shape: Shape, dart: Dart): FoldedDart {
  const d = dartFigures(piece, shape, dart)
  const onto = dart.pressTo === 'after'
  const [end, other] = onto ? [d.second, d.first] : [d.first, d.second]
  const angle = turnRad(subtract(other, d.tip), subtract(end, d.tip))
  const outward = (edgeId: string, fromStart: boolean): Path => {
    const path = edgePath(shape, edgeId)
    const walked = fromStart ? path : reversePath(path)
    return cutPath(walked, 0, Math.min(SHOWN_MM, measureLength(walked)))
  }
  const still = onto ? outward(d.after.id, true) : outward(d.before.id, false)
  const beyond = onto ? outward(d.before.id, false) : outward(d.after.id, true)
  const swung = mapPath(beyond, (p) => rotateAbout(p, d.tip, angle))
  // The cap's point lies on the middle of the dart; folded under along the leg it comes to lie on the other side of it.
  const cap = mirrorIn(dartCapPoint(piece, shape, dart), d.tip, unit(subtract(end, d.tip)))
  const onward = placeAt(still, 0).tangent
  return {
    still,
    swung,
    leg: [line(end, d.tip)],
    under: [line(end, cap), line(cap, d.tip), line(d.tip, end)],
    offMm: distance(end, cap) === 0 ? 0 : Math.abs(cross(onward, subtract(cap, end))),
  }
}
