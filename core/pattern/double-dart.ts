import {
  add,
  distance,
  dot,
  farthestAlong,
  line,
  measureLength,
  mix,
  nearestPlace,
  scale,
  subtract,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { FOLDED_ROLES, type InnerLine, type Piece, type Shape } from './schema'

/**
 * A double-ended dart lies inside a piece, with a tip at both ends (a fish-eye at the waist). It is a closed inner line
 * that begins at its upper tip, runs down one leg and up the other; the cloth inside is folded away.
 */
export interface DoubleDartFigures {
  upper: Point
  lower: Point
  /** Unit direction from the upper tip to the lower one, and square to it. */
  down: Point
  across: Point
  /** The widest place of each leg, in the order in which the line is walked. */
  lips: [Point, Point]
  /** Where the middle line crosses the widest place. */
  middle: Point
  intakeMm: number
  /** Along the middle line, from the widest place to each tip. */
  upperMm: number
  lowerMm: number
  /** Each leg above and below its widest place. */
  legsMm: [{ above: number; below: number }, { above: number; below: number }]
}

/** The double-ended darts of a piece. */
export const doubleDartsOf = (piece: Piece): InnerLine[] => piece.lines.filter((l) => l.role === 'dart')

/** The lines of a piece that no cloth is folded at: what a level can be measured from. */
export const markLinesOf = (piece: Piece): InnerLine[] => piece.lines.filter((l) => !FOLDED_ROLES.includes(l.role))

/** What of a piece is folded away inside it, each as a closed line: double-ended darts, and pleats with their mouth. */
export function foldedAway(piece: Piece, shape: Shape): Path[] {
  return piece.lines
    .filter((l) => FOLDED_ROLES.includes(l.role))
    .map((l) => {
      const path = shape.lines[l.id]!
      const [from, to] = [path[path.length - 1]!.to, path[0]!.from]
      return distance(from, to) > 0 ? [...path, line(from, to)] : path
    })
}

/** Tips, widest place, intake and legs of a double-ended dart, mm; exact for curved legs too. */
export function doubleDartFigures(shape: Pick<Shape, 'lines'>, lineId: string): DoubleDartFigures {
  const path = shape.lines[lineId]
  if (!path) throw new Error(`line ${lineId} has no path`)
  const upper = path[0]!.from
  const turn = farEnd(path)
  const lower = path[turn]!.to
  const down = unit(subtract(lower, upper))
  const across = { x: -down.y, y: down.x }
  const legs: [Path, Path] = [path.slice(0, turn + 1), path.slice(turn + 1)]
  const lips = legs.map((leg) => widest(leg, upper, across)) as [Point, Point]
  const upperMm = dot(subtract(mix(lips[0], lips[1], 0.5), upper), down)
  return {
    upper,
    lower,
    down,
    across,
    lips,
    middle: add(upper, scale(down, upperMm)),
    intakeMm: Math.abs(dot(subtract(lips[0], lips[1]), across)),
    upperMm,
    lowerMm: distance(upper, lower) - upperMm,
    legsMm: [legParts(legs[0], lips[0], upper), legParts(legs[1], lips[1], upper)],
  }
}

/** A dart's line drawn with straight legs between its tips and its two widest places. */
export function ruleDoubleDart(upper: Point, lower: Point, upperMm: number, intakeMm: number): Path {
  const middle = mix(upper, lower, upperMm / distance(upper, lower))
  const down = unit(subtract(lower, upper))
  const half = scale({ x: -down.y, y: down.x }, intakeMm / 2)
  const corners = [upper, add(middle, half), lower, subtract(middle, half)]
  return corners.map((from, i) => ({ kind: 'line', from, to: corners[(i + 1) % corners.length]! }))
}

/** A leg's length above and below its widest place, walked down or up. */
function legParts(leg: Path, lip: Point, upper: Point): { above: number; below: number } {
  const first = nearestPlace(leg, lip).lengthMm
  const second = measureLength(leg) - first
  return distance(leg[0]!.from, upper) === 0 ? { above: first, below: second } : { above: second, below: first }
}

/** The part of the line that ends farthest from its start: there lies the other tip. */
function farEnd(path: Path): number {
  let best = 0
  for (let i = 1; i < path.length; i++) if (distance(path[i]!.to, path[0]!.from) > distance(path[best]!.to, path[0]!.from)) best = i
  return best
}

function widest(leg: Path, upper: Point, across: Point): Point {
  const off = (p: Point) => Math.abs(dot(subtract(p, upper), across))
  const [one, other] = [farthestAlong(leg, across), farthestAlong(leg, scale(across, -1))]
  return off(other) > off(one) ? other : one
}
