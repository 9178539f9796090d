import { alongGrain, measureLength, nearestPlace, placeAt, reversePath, scale, subtract, type Path, type Point } from '../geometry'
import { equaliseLegs } from '../darts'
import { asCurves, displaceAlong, easeIn } from '../moves'
import {
  edgePath,
  findPiece,
  frameOf,
  grainDirection,
  neighbours,
  seamsOfEdge,
  shapeOf,
  type Garment,
  type NotchPlace,
  type Piece,
  type RunEdge,
  type Shape,
} from '../pattern'
import { SAME_POINT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import { followCorner } from './follow-corner'

/** A stretch of a seam as it is pinned: where it goes out most, measured from the upper end, and over what it runs out to nothing. */
export interface SeamStretch {
  atMm: number
  aboveMm: number
  belowMm: number
  /** Of each edge, square to it: out when positive. */
  mm: number
  /** By piece: a line beside an end that goes along stays as it is on the other side of this level, mm along the grain. */
  stillBeyondMm?: Readonly<Record<string, number>>
}

/** One side of a seam, walked from its upper end down. */
export type SeamSide = RunEdge[]

/** The same side, walked the other way. */
const backward = (runs: readonly RunEdge[]): SeamSide => [...runs].reverse().map((r) => ({ ...r, reversed: !r.reversed }))

/** How much further up the grain a side begins than it ends, mm. */
function fallOf(garment: Garment, side: readonly RunEdge[], sizeId: string): number {
  const ends = [side[0]!, side[side.length - 1]!].map((run, i) => {
    const shape = shapeOf(findPiece(garment, run.pieceId)!, sizeId)
    const path = joinRuns(shape, [run])
    return alongGrain(i === 0 ? path[0]!.from : path[path.length - 1]!.to, grainDirection(shape))
  })
  return ends[1]! - ends[0]!
}

const isSame = (a: SeamSide, b: SeamSide): boolean =>
  a.length === b.length && a.every((run) => b.some((r) => r.pieceId === run.pieceId && r.edgeId === run.edgeId))

/** What is sewn to the same edge elsewhere: a half piece lies on both sides of the body, and its partner may be opened out by then. */
function alsoSewnTo(garment: Garment, side: SeamSide): SeamSide[] {
  return garment.seams.flatMap((seam) =>
    ([0, 1] as const).flatMap((at) => {
      if (!isSame(seam.sides[at], side)) return []
      const other = seam.sides[at === 0 ? 1 : 0]
      // From the same end as the side that both have.
      return [
        seam.sides[at][0]!.edgeId === side[0]!.edgeId && seam.sides[at][0]!.reversed === side[0]!.reversed ? [...other] : backward(other),
      ]
    }),
  )
}

/**
 * The sides of the seam that an edge is part of, each from its upper end down; the edge alone where it is sewn to its own mirror
 * image, as a centre seam is. Where one side is sewn to more than one, as a half back to both halves of a whole front, all of them.
 */
export function sidesOfSeam(garment: Garment, pieceId: string, edgeId: string, sizeId: string): SeamSide[] {
  const found = seamsOfEdge(garment, pieceId, edgeId)[0]
  const sides = found
    ? [found.seam.sides[found.side], found.seam.sides[found.side === 0 ? 1 : 0]]
    : [[{ pieceId, edgeId, reversed: false }]]
  const all = found ? [...sides, ...sides.flatMap((side) => alsoSewnTo(garment, side))] : sides
  const distinct = all.filter((s, i) => all.findIndex((o) => isSame(o, s)) === i)
  // Both sides run from the same end of the seam: the first one says which end is up.
  return fallOf(garment, distinct[0]!, sizeId) >= 0 ? distinct.map((s) => [...s]) : distinct.map(backward)
}

/** One edge by itself, from its upper end down. */
export function edgeDown(garment: Garment, pieceId: string, edgeId: string, sizeId: string): SeamSide {
  const side = [{ pieceId, edgeId, reversed: false }]
  return fallOf(garment, side, sizeId) >= 0 ? side : backward(side)
}

/** Length of one side of a seam, mm. */
export const lengthOfSide = (garment: Garment, side: SeamSide, sizeId: string): number =>
  side.reduce((sum, run) => sum + measureLength(edgePath(shapeOf(findPiece(garment, run.pieceId)!, sizeId), run.edgeId)), 0)

/** The part of the whole amount, 0 to 1, at so much below the upper end. */
export function shareAt({ atMm, aboveMm, belowMm }: Omit<SeamStretch, 'mm'>, mm: number): number {
  const span = mm <= atMm ? aboveMm : belowMm
  return span <= SAME_POINT_MM ? Number(Math.abs(mm - atMm) <= SAME_POINT_MM) : easeIn(1 - Math.abs(mm - atMm) / span)
}

/** Out of the cloth, for a direction along an edge: outlines run clockwise. */
const outOf = (tangent: Point, reversed: boolean): Point => (reversed ? { x: -tangent.y, y: tangent.x } : { x: tangent.y, y: -tangent.x })

/** A place of a side, and the direction out of its piece there. */
export function placeOnSeam(garment: Garment, side: SeamSide, atMm: number, sizeId: string): { pieceId: string; point: Point; out: Point } {
  let from = 0
  for (const [i, run] of side.entries()) {
    const path = joinRuns(shapeOf(findPiece(garment, run.pieceId)!, sizeId), [run])
    const own = measureLength(path)
    if (atMm <= from + own || i === side.length - 1) {
      const { point, tangent } = placeAt(path, Math.min(own, Math.max(0, atMm - from)))
      return { pieceId: run.pieceId, point, out: outOf(tangent, run.reversed) }
    }
    from += own
  }
  throw new Error('a side of a seam has no edge')
}

const STEP_MM = 0.5
/** How far apart the ends of the redrawn curves lie, mm. */
const NODE_MM = 40

/** One edge of a side, as it is walked, moved; the same path where the stretch does not reach it. */
function drawRun(path: Path, run: RunEdge, stretch: SeamStretch, fromMm: number): Path {
  const total = measureLength(path)
  const end = fromMm + total
  const [low, high] = [stretch.atMm - stretch.aboveMm, stretch.atMm + stretch.belowMm]
  if (end <= low || fromMm >= high) return path
  const by = (mm: number): Point => {
    const at = Math.min(total, Math.max(0, mm))
    return scale(outOf(placeAt(path, at).tangent, run.reversed), stretch.mm * shareAt(stretch, fromMm + at))
  }
  const slope = (mm: number): Point => {
    const [a, b] = [Math.max(0, mm - STEP_MM), Math.min(total, mm + STEP_MM)]
    return scale(subtract(by(b), by(a)), 1 / (b - a))
  }
  const count = Math.max(2, Math.ceil((high - low) / NODE_MM))
  const places = Array.from({ length: count + 1 }, (_, i) => low + ((high - low) * i) / count - fromMm)
  return displaceAlong(asCurves(path), { by, slope }, [...places, stretch.atMm - fromMm])
}

/** One piece with its part of a side moved. */
function drawPiece(garment: Garment, piece: Piece, side: SeamSide, stretch: SeamStretch, sizeId: string): Shape {
  const shape = shapeOf(piece, sizeId)
  const edges: Record<string, Path> = { ...shape.edges }
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  const frame = frameOf(piece, shape)
  let fromMm = 0
  for (const run of side) {
    const was = joinRuns(shapeOf(findPiece(garment, run.pieceId)!, sizeId), [run])
    const startsMm = fromMm
    fromMm += measureLength(was)
    if (run.pieceId !== piece.id) continue
    const drawn = drawRun(was, run, stretch, startsMm)
    if (drawn === was) continue
    edges[run.edgeId] = run.reversed ? reversePath(drawn) : drawn
    for (const notch of piece.notches.filter((n) => n.edgeId === run.edgeId)) {
      // A notch goes out with its place of the seam.
      const old = edgePath(shape, run.edgeId)
      const place = shape.notches[notch.id]!
      const at = place.from === 'start' ? place.distanceMm : measureLength(old) - place.distanceMm
      const { point } = placeAt(old, at)
      const now = nearestPlace(edges[run.edgeId]!, point).lengthMm
      notches[notch.id] = { from: place.from, distanceMm: place.from === 'start' ? now : measureLength(edges[run.edgeId]!) - now }
    }
  }
  const own = side.filter((r) => r.pieceId === piece.id)
  for (const { edgeId } of own) {
    const [old, now] = [edgePath(shape, edgeId), edges[edgeId]!]
    const { before, after } = neighbours(piece, edgeId)
    for (const [beside, atStart, by] of [
      [before, false, subtract(now[0]!.from, old[0]!.from)],
      [after, true, subtract(now[now.length - 1]!.to, old[old.length - 1]!.to)],
    ] as const)
      if (Math.hypot(by.x, by.y) > SAME_POINT_MM && !own.some((r) => r.edgeId === beside.id))
        followCorner(piece, edges, beside.id, atStart, by, frame, stretch.stillBeyondMm?.[piece.id])
  }
  const drawn = { ...shape, edges, notches }
  return piece.darts
    .filter((d) => d.legs.some((leg) => edges[leg] !== shape.edges[leg]))
    .reduce((now, dart) => equaliseLegs(piece, now, dart), drawn)
}

/**
 * A seam taken in or let out along a stretch, as it is pinned (craft 9): each of its edges goes out by the amount at the deepest
 * place, square to itself, and runs out smoothly to nothing above and below. Where the stretch reaches beyond an end of the seam
 * that corner goes with it, and the edge beside it follows.
 *
 * @param sides as `sidesOfSeam` gives them
 */
export function letOutSeam(garment: Garment, sides: readonly SeamSide[], stretch: SeamStretch, sizeId: string): Garment {
  if (stretch.mm === 0) return garment
  return sides.reduce((now, side) => {
    const ids = new Set(side.map((r) => r.pieceId))
    return {
      ...now,
      pieces: now.pieces.map((p) =>
        ids.has(p.id) ? { ...p, shapes: { ...p.shapes, [sizeId]: drawPiece(now, p, side, stretch, sizeId) } } : p,
      ),
    }
  }, garment)
}
