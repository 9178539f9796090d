import {
  add,
  cross,
  cubic,
  distance,
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
import { edgeBeyond, joinRuns } from './cap-parts'
import type { Half, SleevedArmhole } from './measure-armhole'
import { partCarrier, slidPart } from './cap-in-pieces'
import type { EndMove } from './carry-runs'
import { layParts, onwardOf, type LaidPart, type PartEnd } from './lay-cap'
import { turnChain } from './turn-chain'
import { turnsAcrossSeams, type SeamTurns } from './turns-across-seams'
import { endOf, startOf } from './walked'

/** How a cap is drawn anew, mm. */
export interface CapMove {
  /** Its top goes up along the grain, everything above the ends in proportion to its height. */
  riseMm: number
  /** The sleeve seams’ upper ends go outward, turned about the wrist. */
  outMm: Record<Half, number>
}

export const NO_CAP_MOVE: CapMove = { riseMm: 0, outMm: { front: 0, back: 0 } }

const NOTHING: Point = { x: 0, y: 0 }
const NOWHERE: Field = { by: () => NOTHING, slope: () => NOTHING }

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
 * @param slideMm how far its top goes toward the front first, what lies below it by less and less, mm
 * @returns draws the garment with a move; null where a sleeve seam is too short for how far its end should go
 */
export function capDrawer(garment: Garment, armhole: SleevedArmhole, sizeId: string, slideMm: number): (move: CapMove) => Garment | null {
  const parts = layParts(garment, armhole, sizeId)
  /** How many sleeve seams’ ends share what a half goes outward. */
  const count = (half: Half) => parts.flatMap((p) => p.ends).filter((e) => e.isSeam && e.half === half).length
  const shared = { front: count('front'), back: count('back') }
  const drawers = parts.map((part) => {
    const piece = findPiece(garment, part.pieceId)!
    return { piece, draw: partDrawer(piece, shapeOf(piece, sizeId), part, armhole.sleeve.beginsAt === 'back' ? slideMm : -slideMm) }
  })
  const turnsFor = turnsAcrossSeams(parts.map((part) => ({ part, shape: shapeOf(findPiece(garment, part.pieceId)!, sizeId) })))
  return (move) => {
    const shapes = new Map<string, Shape>()
    const seamTurns = turnsFor(move.riseMm)
    for (const [i, { piece, draw }] of drawers.entries()) {
      const drawn = draw(shapes.get(piece.id) ?? shapeOf(piece, sizeId), {
        ...move,
        seamTurns: seamTurns[i]!,
        outAt: (end) => (end.isSeam ? move.outMm[end.half] / shared[end.half] : 0),
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
  /** How far the part turns at its ends so that the cap runs on across the sleeve seams, rad. */
  seamTurns: SeamTurns
}

/**
 * The sleeve seams at the ends of a part of a cap led outward: its piece’s lines, where each end of the part goes, and how far it
 * turns: with the seam, and in one piece as far as the cap’s direction may go with it. null where a seam is too short for that.
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
): { edges: Shape['edges']; ends: Record<PartEnd['which'], Required<EndMove>> } | null {
  let edges = now.edges
  const ends = { first: { by: NOTHING, turnRad: 0 }, last: { by: NOTHING, turnRad: 0 } }
  let turnedBy = 0
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
    turnedBy += Math.abs(led.turnRad)
    if (part.isWhole && turnedBy > MOST_HEM_CORNER_RAD) return null
    ends[end.which] = {
      by: subtract(led.end, end.which === 'first' ? startOf(path) : endOf(path)),
      turnRad: part.isWhole ? Math.max(-MOST_TURN_RAD, Math.min(MOST_TURN_RAD, led.turnRad)) : led.turnRad,
    }
  }
  return { edges, ends }
}

/** One part of a cap, laid out to be drawn with moves. @param slideMm how far its top goes first, toward its last end */
function partDrawer(piece: Piece, unslid: Shape, laid: LaidPart, slideMm: number): (now: Shape, move: PartMove) => Shape | null {
  const { shape: was, part } = laid.isWhole ? { shape: unslid, part: laid } : slidPart(unslid, laid, slideMm)
  const path = joinRuns(was, part.runs)
  const total = measureLength(path)
  const down = grainDirection(was)
  const onward = onwardOf(was, path)
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
  const carryPart = part.isWhole ? null : partCarrier(was, part)
  return (now, move) => {
    const led = leadEnds(piece, was, now, part, path, onward, move.outAt)
    if (!led) return null
    const { edges, ends } = led
    const hasTop = part.topMm !== null
    const isSlid = hasTop && part.isWhole && slideMm !== 0
    const isLifted = hasTop && move.riseMm !== 0
    const isLed = part.ends.some((end) => move.outAt(end) !== 0)
    const { seamTurns } = move
    if (!isLed && !isSlid && !isLifted && was === unslid && seamTurns.first === 0 && seamTurns.last === 0) return { ...now, edges }
    if (carryPart) {
      const top = scale(down, -move.riseMm)
      const turnedBoth = (which: PartEnd['which']) => ({ by: ends[which].by, turnRad: ends[which].turnRad + seamTurns[which] })
      // Too straight for that, it is lifted as a whole, and turns at its ends alike.
      const carriedEdges = carryPart({ first: turnedBoth('first'), last: turnedBoth('last') }, hasTop ? top : NOTHING)
      if (carriedEdges) return { ...now, edges: { ...edges, ...carriedEdges } }
    }
    const fields = part.ends.map(({ which }) => {
      const endMm = which === 'first' ? 0 : total
      return fading(ends[which].by, endMm, part.topMm ?? total - endMm)
    })
    const carried = isLed ? carry(together(...fields)) : still
    const lift =
      isSlid || isLifted ? overHeight(carried.flat(), scale(down, -move.riseMm), isSlid ? scale(onward, slideMm) : NOTHING) : null
    const drawn: Record<string, Path> = {}
    let before: Point | null = null
    for (const [i, { run }] of runs.entries()) {
      let own = lift ? lift(carried[i]!) : carried[i]!
      if (i === 0) own = turnedBack(own, 'first', turned(directions.first, ends.first.turnRad + seamTurns.first))
      if (i === runs.length - 1) own = turnedBack(own, 'last', turned(directions.last, ends.last.turnRad + seamTurns.last))
      if (before) own = [{ ...own[0]!, from: before }, ...own.slice(1)]
      before = endOf(own)
      drawn[run.edgeId] = run.reversed ? reversePath(own) : own
    }
    return { ...now, edges: { ...edges, ...drawn } }
  }
}

/** The hem of a sleeve in one piece meets itself across its seam in a corner of both turns: no more than an eye lets pass. */
const MOST_HEM_CORNER_RAD = 5 / DEG

/** A cap in one piece goes along with a sleeve seam that turns by so much at the most: its own direction stays to a degree. */
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
