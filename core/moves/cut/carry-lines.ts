import {
  add,
  applyAffine,
  distance,
  dot,
  isStraightPath,
  line,
  mapPath,
  measureLength,
  scale,
  subtract,
  turnDirection,
  type Affine,
  type Path,
  type Point,
} from '../../geometry'
import { FOLDED_ROLES, grainDirection, type Piece, type Shape } from '../../pattern'
import { PARALLEL_RAD, SAME_POINT_MM, STRAIGHT_MM } from '../../tolerances'
import { DEG } from '../../units'

/** A mark line nearer to the cross-grain than this is a level, deg: printed lines are ruled square to the grain. */
const LEVEL_DEG = 0.5

/**
 * All inner lines of a piece after its parts were laid elsewhere: each goes with the part that it lies on. A level (bust,
 * waist, hip, ...: a straight mark line square to the grain) is ruled square to the grain again, through its end that has
 * not turned, or its middle when both have: a level of the body does not tilt with the paper.
 *
 * @param withGrain where the grain was laid
 */
export function carryLines(piece: Piece, shape: Shape, moveAt: (p: Point) => Affine, withGrain: Affine): Shape['lines'] {
  return Object.fromEntries(
    piece.lines.map((l) => {
      const path = shape.lines[l.id]!
      if (FOLDED_ROLES.includes(l.role)) return [l.id, carryCorners(path, moveAt)]
      const carried = carryLine(path, moveAt)
      return [l.id, l.role !== 'other' && isLevel(path, shape) ? level(path, carried, shape, moveAt, withGrain) : carried]
    }),
  )
}

const ends = (path: Path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]

function isLevel(path: Path, shape: Shape): boolean {
  const [from, to] = ends(path)
  const off = Math.abs(dot(subtract(to, from), grainDirection(shape))) / distance(from, to)
  return isStraightPath(path, STRAIGHT_MM) && off < Math.sin(LEVEL_DEG / DEG)
}

/** A carried level ruled square to the grain again. */
function level(path: Path, carried: Path, shape: Shape, moveAt: (p: Point) => Affine, withGrain: Affine): Path {
  const hasTurned = ({ a, b }: Affine) =>
    Math.abs(Math.atan2(b * withGrain.a - a * withGrain.b, a * withGrain.a + b * withGrain.b)) > PARALLEL_RAD
  const [firstTurned, lastTurned] = ends(path).map((p) => hasTurned(moveAt(p)))
  if (!firstTurned && !lastTurned) return carried
  const down = turnDirection(withGrain, grainDirection(shape))
  const [from, to] = ends(carried)
  const at = firstTurned === lastTurned ? (dot(from, down) + dot(to, down)) / 2 : dot(firstTurned ? to : from, down)
  const ruled = (p: Point) => add(p, scale(down, at - dot(p, down)))
  return [line(ruled(from), ruled(to))]
}

/** A dart or pleat: each of its corners goes with the paper that it lies on, and its legs are drawn on between them. */
export function carryCorners(path: Path, moveAt: (p: Point) => Affine): Path {
  return path.map((s) => {
    const [a, b] = [moveAt(s.from), moveAt(s.to)]
    const [from, to] = [applyAffine(a, s.from), applyAffine(b, s.to)]
    return s.kind === 'line' ? line(from, to) : { kind: 'cubic', from, c1: applyAffine(a, s.c1), c2: applyAffine(b, s.c2), to }
  })
}

/** An inner line: on one part it goes along; over a cut it is drawn anew between its two ends. */
function carryLine(path: Path, moveAt: (p: Point) => Affine): Path {
  const from = path[0]!.from
  const to = path[path.length - 1]!.to
  const [a, b] = [moveAt(from), moveAt(to)]
  if (a === b) return mapPath(path, (p) => applyAffine(a, p))
  const [start, end] = [applyAffine(a, from), applyAffine(b, to)]
  if (isStraightPath(path, STRAIGHT_MM) && distance(start, end) > SAME_POINT_MM) return [line(start, end)]
  // A bent line takes more and more of the second part's move on its way.
  const total = measureLength(path)
  let walked = 0
  return path.map((s) => {
    const ends = [walked / total, (walked + measureLength([s])) / total]
    walked += measureLength([s])
    const moved = (p: Point, u: number): Point => {
      const [x, y] = [applyAffine(a, p), applyAffine(b, p)]
      return { x: x.x + (y.x - x.x) * u, y: x.y + (y.y - x.y) * u }
    }
    const [u, v] = ends as [number, number]
    if (s.kind === 'line') return line(moved(s.from, u), moved(s.to, v))
    return { kind: 'cubic', from: moved(s.from, u), c1: moved(s.c1, u + (v - u) / 3), c2: moved(s.c2, v - (v - u) / 3), to: moved(s.to, v) }
  })
}
