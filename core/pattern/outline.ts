import { add, distance, mix, placeAt, rotateAbout, subtract, tangentAt, turnRad, unit, type Path, type Point } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'
import type { Corner, Dart, Edge, Garment, Piece, Seam, Shape } from './schema'

/** The piece with this id, or undefined when it has gone. */
export function findPiece(garment: Garment, pieceId: string): Piece | undefined {
  return garment.pieces.find((p) => p.id === pieceId)
}

/** The lines of a piece in a size; a bug if the size is unknown (files are checked when read). */
export function shapeOf(piece: Piece, sizeId: string): Shape {
  const shape = piece.shapes[sizeId]
  if (!shape) throw new Error(`${piece.name} has no size ${sizeId}`)
  return shape
}

export function edgePath(shape: Shape, edgeId: string): Path {
  const path = shape.edges[edgeId]
  if (!path) throw new Error(`edge ${edgeId} has no line`)
  return path
}

/** The whole seam line of a piece, closed, clockwise on the page. Kept per shape: it is asked for often. */
const outlines = new WeakMap<Shape, Path>()
export function outlineOf(piece: Piece, shape: Shape): Path {
  let known = outlines.get(shape)
  if (!known) {
    known = piece.edges.flatMap((e) => [...edgePath(shape, e.id)])
    outlines.set(shape, known)
  }
  return known
}

/** The corner at the start and the corner at the end of an edge. */
export function cornersOf(piece: Piece, edgeId: string): { start: Corner; end: Corner } {
  const i = piece.edges.findIndex((e) => e.id === edgeId)
  return { start: piece.corners[i]!, end: piece.corners[(i + 1) % piece.corners.length]! }
}

/** Where a corner lies, or undefined when the piece has no such corner. */
export function cornerPoint(piece: Piece, shape: Shape, cornerId: string): Point | undefined {
  const i = piece.corners.findIndex((c) => c.id === cornerId)
  return i < 0 ? undefined : edgePath(shape, piece.edges[i]!.id)[0]!.from
}

/** The edge before and the edge after in outline order. */
export function neighbours(piece: Piece, edgeId: string): { before: Edge; after: Edge } {
  const n = piece.edges.length
  const i = piece.edges.findIndex((e) => e.id === edgeId)
  return { before: piece.edges[(i + n - 1) % n]!, after: piece.edges[(i + 1) % n]! }
}

/** Unit direction of the grain, from the top of the garment down. */
export function grainDirection(shape: Shape): Point {
  return unit(subtract(shape.grain.to, shape.grain.from))
}

/** All seams that walk an edge, with the side and the place in its run. */
export function seamsOfEdge(garment: Garment, pieceId: string, edgeId: string): { seam: Seam; side: 0 | 1; index: number }[] {
  const found: { seam: Seam; side: 0 | 1; index: number }[] = []
  for (const seam of garment.seams)
    for (const side of [0, 1] as const)
      seam.sides[side].forEach((run, index) => {
        if (run.pieceId === pieceId && run.edgeId === edgeId) found.push({ seam, side, index })
      })
  return found
}

/** The dart of a piece with this id; a bug if it has none (what comes from outside is looked up first). */
export function dartIn(piece: Piece, dartId: string): Dart {
  const dart = piece.darts.find((d) => d.id === dartId)
  if (!dart) throw new Error(`${piece.name} has no dart ${dartId}`)
  return dart
}

export interface DartFigures {
  /** Leg ends on the edge, in outline order, and the point where the legs meet. */
  first: Point
  second: Point
  tip: Point
  firstMm: number
  secondMm: number
  intakeMm: number
  angleRad: number
  /** The two parts of the edge that meet when the dart is closed; null when the neighbours are not known. */
  before: Edge
  after: Edge
}

/** Legs, intake and angle of a dart on an edge, measured on the seam line. */
export function dartFigures(piece: Piece, shape: Shape, dart: Dart): DartFigures {
  const legA = edgePath(shape, dart.legs[0])
  const legB = edgePath(shape, dart.legs[1])
  const first = legA[0]!.from
  const tip = legA[legA.length - 1]!.to
  const second = legB[legB.length - 1]!.to
  return {
    first,
    second,
    tip,
    firstMm: distance(first, tip),
    secondMm: distance(second, tip),
    intakeMm: distance(first, second),
    angleRad: Math.abs(turnRad(subtract(first, tip), subtract(second, tip))),
    before: neighbours(piece, dart.legs[0]).before,
    after: neighbours(piece, dart.legs[1]).after,
  }
}

/**
 * How far from the tip the point of a dart's cap lies, mm: L sin(a) / sin(a + t/2) (law of sines in the triangle of tip, leg
 * end and cap; worked case 4).
 *
 * @param legMm L, the leg as long as both are when it is closed
 * @param seamRad a, between the leg, seen from its end, and the way the seam goes on
 * @param dartRad t, the dart's angle
 */
export const capReachMm = (legMm: number, seamRad: number, dartRad: number): number =>
  (legMm * Math.sin(seamRad)) / Math.sin(seamRad + dartRad / 2)

/**
 * The point of a dart's cap: fold closed, cut straight across along the seam on the side it is pressed to, unfold.
 * The fold's middle line, half the dart's angle inside the pressed-to leg, is cut by the seam's onward direction there.
 */
export function dartCapPoint(piece: Piece, shape: Shape, dart: Dart): Point {
  const d = dartFigures(piece, shape, dart)
  const onto = dart.pressTo === 'after'
  const leg = onto ? d.second : d.first
  const legMm = onto ? d.secondMm : d.firstMm
  const onward = onto
    ? tangentAt(edgePath(shape, d.after.id)[0]!, 0)
    : (() => {
        const before = edgePath(shape, d.before.id)
        const t = tangentAt(before[before.length - 1]!, 1)
        return { x: -t.x, y: -t.y }
      })()
  const a = Math.abs(turnRad(subtract(d.tip, leg), onward))
  const reach = capReachMm(legMm, a, d.angleRad)
  const towardOther = turnRad(subtract(leg, d.tip), subtract(onto ? d.first : d.second, d.tip))
  const along = unit(subtract(rotateAbout(leg, d.tip, towardOther / 2), d.tip))
  const fallback = mix(d.first, d.second, 0.5)
  if (!Number.isFinite(reach) || reach <= 0 || legMm <= SAME_POINT_MM) return fallback
  return add(d.tip, { x: along.x * reach, y: along.y * reach })
}

/** Where a notch lies on its edge, mm from the edge's start, with its point and direction. */
export function notchPlace(piece: Piece, shape: Shape, notchId: string, lengthOf: (p: Path) => number) {
  const notch = piece.notches.find((n) => n.id === notchId)
  const place = shape.notches[notchId]
  if (!notch || !place) return undefined
  const path = edgePath(shape, notch.edgeId)
  const total = lengthOf(path)
  const at = place.from === 'start' ? place.distanceMm : total - place.distanceMm
  return { edgeId: notch.edgeId, ...placeAt(path, at) }
}
