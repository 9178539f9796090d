import {
  add,
  cross,
  cubic,
  distance,
  dot,
  line,
  mapPath,
  measureLength,
  reversePath,
  rotateAbout,
  scale,
  subtract,
  tangentAt,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { displaceAlong, fading, partedAt, together, type Field } from '../moves'
import { findPiece, grainDirection, shapeOf, type Garment, type Piece, type Shape } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'
import { DEG } from '../units'
import { capParts, edgeBeyond, joinRuns, type CapPart } from './cap-parts'
import { topOfCap, type Half, type SleevedArmhole } from './measure-armhole'
import { turnChain } from './turn-chain'
import { endOf, startOf } from './walked'

/** How a cap is drawn anew, mm. */
export interface CapMove {
  /** Its top goes up along the grain, everything above the ends in proportion to its height. */
  riseMm: number
  /** Its top goes toward the front, what lies below it by less and less. */
  slideMm: number
  /** The sleeve seams’ upper ends go outward, turned about the wrist. */
  outMm: Record<Half, number>
}

export const NO_CAP_MOVE: CapMove = { riseMm: 0, slideMm: 0, outMm: { front: 0, back: 0 } }

/** One end of a part of a cap: the half that it belongs to, and whether a sleeve seam begins there. */
interface PartEnd {
  which: 'first' | 'last'
  half: Half
  isSeam: boolean
}

interface LaidPart extends CapPart {
  /** Where the shoulder meets it, from its own start, mm; null on a part that lies wholly on one half. */
  topMm: number | null
  ends: PartEnd[]
  /** Is it the whole cap, from underarm to underarm? */
  isWhole: boolean
}

function layParts(garment: Garment, armhole: SleevedArmhole, sizeId: string): LaidPart[] {
  const top = topOfCap(garment, armhole, sizeId)
  const { beginsAt } = armhole.sleeve
  const later: Half = beginsAt === 'front' ? 'back' : 'front'
  const parts = capParts(garment, armhole, sizeId)
  return parts.map((part) => {
    const piece = findPiece(garment, part.pieceId)!
    const topMm = top > part.fromMm && top < part.toMm ? top - part.fromMm : null
    const end = (which: 'first' | 'last'): PartEnd => ({
      which,
      half: topMm === null ? (part.toMm <= top ? beginsAt : later) : which === 'first' ? beginsAt : later,
      isSeam: edgeBeyond(piece, part.runs, which).role !== 'cap',
    })
    return { ...part, topMm, ends: [end('first'), end('last')], isWhole: parts.length === 1 }
  })
}

const NOTHING: Point = { x: 0, y: 0 }
const NOWHERE: Field = { by: () => NOTHING, slope: () => NOTHING }

/** One field before a place and another from there on. */
const either = (atMm: number, before: Field, after: Field): Field => ({
  by: (mm) => (mm <= atMm ? before : after).by(mm),
  slope: (mm) => (mm <= atMm ? before : after).slope(mm),
})

/** The direction in which a line leaves its first or arrives at its last end given back to it: the handle there is turned. */
function turnedBack(path: Path, which: 'first' | 'last', direction: Point): Path {
  const i = which === 'first' ? 0 : path.length - 1
  const s = path[i]!
  if (s.kind === 'line') return path
  const own =
    which === 'first'
      ? { ...s, c1: add(s.from, scale(direction, distance(s.from, s.c1))) }
      : { ...s, c2: subtract(s.to, scale(direction, distance(s.to, s.c2))) }
  return path.map((other, k) => (k === i ? own : other))
}

/**
 * A cap to be drawn anew (craft 6.10): its top higher or lower, slid to the front, its ends further out. What it keeps: the length
 * and the shape of every sleeve seam, the wrist, the directions of the cap at its ends. What no move changes is laid out once: a cap
 * is solved by trying moves.
 *
 * @returns draws the garment with a move; null where a sleeve seam is too short for how far its end should go
 */
export function capDrawer(garment: Garment, armhole: SleevedArmhole, sizeId: string): (move: CapMove) => Garment | null {
  const parts = layParts(garment, armhole, sizeId)
  /** How many sleeve seams’ ends share what a half goes outward. */
  const count = (half: Half) => parts.flatMap((p) => p.ends).filter((e) => e.isSeam && e.half === half).length
  const shared = { front: count('front'), back: count('back') }
  const drawers = parts.map((part) => {
    const piece = findPiece(garment, part.pieceId)!
    return { piece, draw: partDrawer(piece, shapeOf(piece, sizeId), part) }
  })
  return (move) => {
    const shapes = new Map<string, Shape>()
    for (const { piece, draw } of drawers) {
      const drawn = draw(shapes.get(piece.id) ?? shapeOf(piece, sizeId), {
        ...move,
        outAt: (end) => (end.isSeam ? move.outMm[end.half] / shared[end.half] : 0),
        frontIsLast: armhole.sleeve.beginsAt === 'back',
      })
      if (!drawn) return null
      shapes.set(piece.id, drawn)
    }
    return {
      ...garment,
      pieces: garment.pieces.map((p) => (shapes.has(p.id) ? { ...p, shapes: { ...p.shapes, [sizeId]: shapes.get(p.id)! } } : p)),
    }
  }
}

interface PartMove extends CapMove {
  outAt: (end: PartEnd) => number
  frontIsLast: boolean
}

/**
 * The sleeve seams at the ends of a part of a cap led outward: its piece’s lines, the fields by which the part follows them, and how
 * far each turned, as far as the cap’s direction may go with it. null where a seam is too short for that.
 *
 * @param path the part as it is walked; `onward` across, from its first end toward the last
 */
function leadEnds(
  piece: Piece,
  was: Shape,
  now: Shape,
  part: LaidPart,
  path: Path,
  onward: Point,
  outAt: PartMove['outAt'],
): { edges: Shape['edges']; fields: Field[]; turns: Record<PartEnd['which'], number> } | null {
  const total = part.toMm - part.fromMm
  let edges = now.edges
  const fields: Field[] = []
  const turns = { first: 0, last: 0 }
  for (const end of part.ends) {
    const outMm = outAt(end)
    if (outMm === 0) continue
    const beyond = edgeBeyond(piece, part.runs, end.which)
    const run = end.which === 'first' ? part.runs[0]! : part.runs[part.runs.length - 1]!
    const forward = (end.which === 'last') !== run.reversed
    const out = end.which === 'first' ? scale(onward, -1) : onward
    const led = turnChain(piece, { ...was, edges }, beyond.id, forward, out, outMm)
    if (!led) return null
    edges = led.edges
    turns[end.which] = Math.max(-MOST_TURN_RAD, Math.min(MOST_TURN_RAD, led.turnRad))
    const [endMm, point] = end.which === 'first' ? [0, startOf(path)] : [total, endOf(path)]
    fields.push(fading(subtract(led.end, point), endMm, part.topMm ?? total - endMm))
  }
  return { edges, fields, turns }
}

/** One part of a cap, laid out to be drawn with moves. @param was its piece before any of them */
function partDrawer(piece: Piece, was: Shape, part: LaidPart): (now: Shape, move: PartMove) => Shape | null {
  const path = joinRuns(was, part.runs)
  const total = part.toMm - part.fromMm
  const down = grainDirection(was)
  const across = { x: down.y, y: -down.x }
  const chord = subtract(endOf(path), startOf(path))
  /** Across, from the first end toward the last. */
  const onward = scale(across, Math.sign(dot(chord, across)) || 1)
  const directions = { first: tangentAt(path[0]!, 0), last: tangentAt(path[path.length - 1]!, 1) }
  let at = 0
  const runs = part.runs.map((run) => {
    const own = joinRuns(was, [run])
    const offset = at
    at += measureLength(own)
    return { run, offset, path: partedAt(own, part.topMm === null ? [] : [part.topMm - offset]) }
  })
  /** The part as a field carries it. */
  const carry = (field: Field): Path[] =>
    runs.map(({ path: own, offset }) => displaceAlong(own, { by: (mm) => field.by(mm + offset), slope: (mm) => field.slope(mm + offset) }))
  const still = carry(NOWHERE)
  return (now, move) => {
    const led = leadEnds(piece, was, now, part, path, onward, move.outAt)
    if (!led) return null
    const { edges, fields, turns } = led
    const toFront = scale(onward, move.frontIsLast ? move.slideMm : -move.slideMm)
    // The ends of a cap in several pieces lie above the underarm and stay: there the slide fades out along the cap.
    if (part.topMm !== null && move.slideMm !== 0 && !part.isWhole)
      fields.push(either(part.topMm, fading(toFront, part.topMm, 0), fading(toFront, part.topMm, total)))
    const isSlid = part.topMm !== null && move.slideMm !== 0 && part.isWhole
    const isLifted = part.topMm !== null && move.riseMm !== 0
    if (fields.length === 0 && !isSlid && !isLifted) return { ...now, edges }
    const carried = fields.length > 0 ? carry(together(...fields)) : still
    const lift = isSlid || isLifted ? overHeight(carried.flat(), scale(down, -move.riseMm), isSlid ? toFront : NOTHING) : null
    const drawn: Record<string, Path> = {}
    let before: Point | null = null
    for (const [i, { run }] of runs.entries()) {
      let own = lift ? lift(carried[i]!) : carried[i]!
      if (i === 0) own = turnedBack(own, 'first', turned(directions.first, turns.first))
      if (i === runs.length - 1) own = turnedBack(own, 'last', turned(directions.last, turns.last))
      if (before) own = [{ ...own[0]!, from: before }, ...own.slice(1)]
      before = endOf(own)
      drawn[run.edgeId] = run.reversed ? reversePath(own) : own
    }
    return { ...now, edges: { ...edges, ...drawn } }
  }
}

/** The cap goes along with a sleeve seam that turns by so much at the most: its own direction stays to a degree. */
const MOST_TURN_RAD = 0.95 / DEG

const turned = (d: Point, rad: number): Point => rotateAbout(d, NOTHING, rad)

/**
 * How a cap is carried by the height of its places over the line between its ends, as shares of its top’s: lifted in proportion
 * to it, which is an affine map and bends nothing; slid by more and more of the way, level at the top, so that what lies
 * above the notches goes nearly as far as the top and the curve below runs out smoothly into its ends.
 */
function overHeight(path: Path, up: Point, slide: Point): ((path: Path) => Path) | null {
  const from = startOf(path)
  const along = unit(subtract(endOf(path), from))
  const height = (p: Point) => cross(along, subtract(p, from))
  const top = path.reduce((most, s) => (Math.abs(height(s.to)) > Math.abs(most) ? height(s.to) : most), 0)
  if (Math.abs(top) <= SAME_POINT_MM) return null
  const share = (p: Point) => height(p) / top
  const by = (p: Point): Point => {
    const v = share(p)
    return add(scale(up, v), scale(slide, v * (2 - v)))
  }
  if (slide.x === 0 && slide.y === 0) return (own) => mapPath(own, (p) => add(p, by(p)))
  /** What a handle is carried by beyond its node: the map’s slope there. */
  const carry = (node: Point, handle: Point): Point => {
    const grows = share(handle) - share(node)
    return add(handle, add(by(node), scale(add(up, scale(slide, 2 * (1 - share(node)))), grows)))
  }
  return (own) =>
    own.map((s) => {
      const [a, b] = [add(s.from, by(s.from)), add(s.to, by(s.to))]
      return s.kind === 'line' ? line(a, b) : cubic(a, carry(s.from, s.c1), carry(s.to, s.c2), b)
    })
}
