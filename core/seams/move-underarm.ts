import {
  add,
  dot,
  farthestAlong,
  findRoot,
  line,
  measureLength,
  nearestPlace,
  placeAt,
  reversePath,
  scale,
  subtract,
  tangentAt,
  turnRad,
  rotateAbout,
  type Path,
  type Point,
  alongGrain,
} from '../geometry'
import { narrowestPlace } from '../measure'
import { displaceAlong, fading, swelling, together } from '../moves'
import { findPiece, frameOf, grainDirection, shapeOf, type Garment, type Piece, type RunEdge, type Shape } from '../pattern'
import { LENGTH_FOUND_MM } from '../tolerances'
import { beginAt } from './begin-at'
import { edgeBeyond, joinRuns } from './cap-parts'
import { keepNotches } from './keep-notches'
import { carryRuns } from './carry-runs'
import { displaceRuns } from './displace-runs'
import { closeDartsIn } from './over-darts'
import { endedAt, endOf, startOf, walked } from './walked'

/** How the underarm end of half an armhole is moved, mm. */
export interface UnderarmMove {
  /** Down along the side seam; up when negative. */
  downMm: number
  /** Outward across the grain, the side seam redrawn to its far end. */
  outMm: number
  /** The redrawn stretch of the armhole further into the piece, in its middle. */
  hollowMm: number
}

export const NO_UNDERARM_MOVE: UnderarmMove = { downMm: 0, outMm: 0, hollowMm: 0 }

/**
 * How much of an armhole is redrawn above an underarm that goes: the way up to where it reaches farthest into the piece, nearly, where it
 * runs upright, as a part of that way; the least and the most, as parts of the whole.
 */
const REACH = { parts: 0.95, least: 0.5, most: 0.9 }

/** A side seam must keep at least this much of its first edge, mm. */
const LEAST_SIDE_MM = 5

/** The end of half an armhole: its edges on the piece that has the underarm, and the edges of the side below it, walked down. */
export interface UnderarmEnd {
  piece: Piece
  armhole: RunEdge[]
  side: { edgeId: string; reversed: boolean; isLeg: boolean }[]
}

export function underarmEnd(garment: Garment, half: readonly RunEdge[]): UnderarmEnd {
  const last = half[half.length - 1]!
  const piece = findPiece(garment, last.pieceId)!
  const armhole = half.slice(half.findLastIndex((r) => r.pieceId !== piece.id) + 1)
  const first = edgeBeyond(piece, armhole, 'last')
  const forward = !last.reversed
  const n = piece.edges.length
  const from = piece.edges.findIndex((e) => e.id === first.id)
  const side: UnderarmEnd['side'] = []
  for (let k = from, steps = 0; steps < n; k = (k + (forward ? 1 : n - 1)) % n, steps++) {
    const edge = piece.edges[k]!
    if (edge.role !== first.role && edge.role !== 'dart-leg') break
    side.push({ edgeId: edge.id, reversed: !forward, isLeg: edge.role === 'dart-leg' })
  }
  return { piece, armhole, side }
}

/** How far above the underarm an armhole is redrawn, mm. @param out across the grain, away from the body */
function reachOf(path: Path, totalMm: number, out: Point): number {
  const deepestMm = nearestPlace(path, farthestAlong(path, scale(out, -1))).lengthMm
  return Math.max(REACH.least * totalMm, Math.min(REACH.most * totalMm, REACH.parts * (totalMm - deepestMm)))
}

/**
 * The side seam led to a corner that went outward: everything along it goes out by less and less down to the waist, level
 * at both ends. A dart in
 * it keeps its tip and its angle: what lies below it goes out as it would with the dart closed, turned about the tip, so that
 * its legs stay alike and the seam is as long as one without a dart.
 */
function leadOut(piece: Piece, shape: Shape, side: UnderarmEnd['side'], begun: Path, out: Point, outMm: number): Record<string, Path> {
  const paths = side.map((s, i) => (i === 0 ? begun : walked(shape, s)))
  const total = wayToWaist(piece, shape, side, paths)
  const edges: Record<string, Path> = {}
  let at = 0
  let way = out
  side.forEach((s, i) => {
    const path = paths[i]!
    const offset = at
    let drawn: Path
    if (s.isLeg) {
      const by = fading(scale(way, outMm), 0, total).by(offset)
      const isFirst = !side[i - 1]?.isLeg
      if (isFirst) {
        drawn = [line(add(startOf(path), by), endOf(path))]
        const other = paths[i + 1] ?? path
        way = rotateAbout(way, { x: 0, y: 0 }, turnRad(subtract(startOf(path), endOf(path)), subtract(endOf(other), startOf(other))))
      } else drawn = [line(startOf(path), add(endOf(path), by))]
    } else {
      at += measureLength(path)
      const field = fading(scale(way, outMm), 0, total)
      drawn = displaceAlong(path, { by: (mm) => field.by(mm + offset), slope: (mm) => field.slope(mm + offset) })
    }
    edges[s.edgeId] = s.reversed ? reversePath(drawn) : drawn
  })
  return edges
}

/** Length of a side from its upper end to the waist, its darts closed, mm; to its lower end where it has none. */
function wayToWaist(piece: Piece, shape: Shape, side: UnderarmEnd['side'], paths: readonly Path[]): number {
  const down = grainDirection(shape)
  const waist = narrowestPlace(piece, shape)
  let walkedMm = 0
  for (const [i, s] of side.entries()) {
    if (s.isLeg) continue
    const own = measureLength(paths[i]!)
    const at = waist === null ? null : findRoot((mm) => alongGrain(placeAt(paths[i]!, mm).point, down) - waist, 0, own, LENGTH_FOUND_MM)
    if (at !== null) return walkedMm + at
    walkedMm += own
  }
  return walkedMm
}

/**
 * A side seam whose upper end goes to another place, mm: begun so far up or down along itself, then led outward.
 * @returns the edges of the side that were drawn anew; null where it is too short
 */
export function moveSideTop(
  end: UnderarmEnd,
  shape: Shape,
  downMm: number,
  outMm: number,
): { edges: Record<string, Path>; top: Point } | null {
  const { piece, side } = end
  const sidePath = walked(shape, side[0]!)
  const begun = beginAt(sidePath, downMm, LEAST_SIDE_MM)
  if (!begun) return null
  const out = outwardAt(end, shape)
  const edges =
    outMm === 0 ? { [side[0]!.edgeId]: side[0]!.reversed ? reversePath(begun) : begun } : leadOut(piece, shape, side, begun, out, outMm)
  return { edges, top: add(startOf(begun), scale(out, outMm)) }
}

/** Across the grain, away from the body, at the underarm. */
export function outwardAt({ piece, armhole, side }: UnderarmEnd, shape: Shape): Point {
  const { across } = frameOf(piece, shape)
  const inward = subtract(startOf(joinRuns(shape, armhole)), startOf(walked(shape, side[0]!)))
  return dot(across, inward) > 0 ? scale(across, -1) : across
}

/**
 * Half an armhole with its underarm moved (craft 6.10): the corner goes down along the side seam, or down and outward with the
 * side redrawn to its far end; the armhole is redrawn over most of its curve, and keeps its angle to the side. Notches stay
 * as far from the ends that did not move.
 * @returns null where the side seam is too short, or its curve has no room for the hollow
 */
export function moveUnderarm(garment: Garment, half: readonly RunEdge[], sizeId: string, move: UnderarmMove): Garment | null {
  const end = underarmEnd(garment, half)
  const { piece, armhole, side } = end
  const open = shapeOf(piece, sizeId)
  const { shape, reopen } = closeDartsIn(piece, open, armhole, 'last')
  const sidePath = walked(shape, side[0]!)
  const moved = moveSideTop(end, shape, move.downMm, move.outMm)
  if (!moved) return null
  const { edges: sideEdges, top: corner } = moved
  const newSide = sideEdges[side[0]!.edgeId]!
  const turn = turnRad(
    tangentAt(sidePath[0]!, 0),
    side[0]!.reversed ? scale(tangentAt(newSide[newSide.length - 1]!, 1), -1) : tangentAt(newSide[0]!, 0),
  )
  const path = joinRuns(shape, armhole)
  const last = path[path.length - 1]!
  const totalMm = measureLength(path)
  const out = outwardAt(end, shape)
  const reach = last.kind === 'line' ? measureLength([last]) : reachOf(path, totalMm, out)
  const by = subtract(corner, last.to)
  const carry = (fullerMm: number) =>
    last.kind === 'line'
      ? null
      : carryRuns(shape, armhole, { fromMm: totalMm - reach, toMm: totalMm, last: { by, turnRad: turn }, fullerMm })
  const carried = carry(move.hollowMm)
  if (!carried && move.hollowMm !== 0 && carry(0)) return null
  // Of an armhole of straight lines the last one goes; one that is nearly straight is bent evenly.
  const drawnRuns =
    carried ??
    displaceRuns(
      shape,
      armhole,
      together(fading(by, totalMm, totalMm - reach), swelling(scale(out, -move.hollowMm), totalMm - reach, totalMm)),
      [totalMm - reach],
    )
  const final = armhole[armhole.length - 1]!
  drawnRuns[final.edgeId] = endedAt(drawnRuns[final.edgeId]!, final.reversed, corner)
  const edges = { ...open.edges, ...sideEdges, ...reopen(drawnRuns) }
  const notches = keepNotches(piece, open, edges, [
    ...armhole.map((r) => ({ ...r, still: 'first' as const })),
    ...side.map((s) => ({ ...s, still: 'last' as const })),
  ])
  const drawn: Shape = { ...open, edges, notches }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === piece.id ? { ...p, shapes: { ...p.shapes, [sizeId]: drawn } } : p)) }
}
