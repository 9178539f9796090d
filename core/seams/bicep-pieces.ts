import { distance, dot, findRoot, measureLength, placeAt, type Point } from '../geometry'
import { edgePath, findPiece, grainDirection, shapeOf, type Edge, type Garment, type Piece, type Shape } from '../pattern'
import { LENGTH_FOUND_MM } from '../tolerances'
import { capParts, edgeBeyond, type CapPart } from './cap-parts'
import type { SleevedArmhole } from './measure-armhole'
import { endOf, startOf } from './walked'

/** Where a sleeve piece is measured at the bicep: a place on each of its two long sides. */
export interface BicepLine {
  first: { edgeId: string; atMm: number; point: Point }
  last: { edgeId: string; atMm: number; point: Point }
}

/** A sleeve piece of a cap, with where it is as wide as the bicep. */
export interface BicepPiece {
  piece: Piece
  parts: CapPart[]
  line: BicepLine
  widthMm: number
}

/** A cap that rises less than this over the bicep line is hollow: it is parted by the slash alone, mm. */
export const HOLLOW_CAP_MM = 20

/** The runs of a cap on a piece in outline order, and the edges beyond them. */
export function capOn(piece: Piece, parts: readonly CapPart[]): { edges: Edge[]; before: Edge; after: Edge } {
  const ids = new Set(parts.flatMap((p) => p.runs.map((r) => r.edgeId)))
  const n = piece.edges.length
  const first = piece.edges.findIndex((e, i) => ids.has(e.id) && !ids.has(piece.edges[(i + n - 1) % n]!.id))
  const edges = Array.from({ length: ids.size }, (_, i) => piece.edges[(first + i) % n]!)
  const runs = edges.map((e) => ({ pieceId: piece.id, edgeId: e.id, reversed: false }))
  return { edges, before: edgeBeyond(piece, runs, 'first'), after: edgeBeyond(piece, runs, 'last') }
}

/**
 * Where the bicep lies on each piece of a sleeve: by the line that is printed there, else at the underarm — the ends of a cap that
 * rises between them, or the lowest place of one that is hollow.
 */
export function bicepPieces(garment: Garment, armhole: SleevedArmhole, sizeId: string): BicepPiece[] {
  const parts = capParts(garment, armhole, sizeId)
  const ids = [...new Set(parts.map((p) => p.pieceId))]
  const own = ids.map((id) => ({ piece: findPiece(garment, id)!, parts: parts.filter((p) => p.pieceId === id) }))
  return own.map(({ piece, parts: here }) => {
    const shape = shapeOf(piece, sizeId)
    const down = grainDirection(shape)
    const cap = capOn(piece, here)
    const path = cap.edges.flatMap((e) => [...edgePath(shape, e.id)])
    const [left, right] = [startOf(path), endOf(path)]
    const printed = piece.lines.find((l) => l.role === 'bicep')
    const corner = { first: cornerPlace(shape, cap.before, 'end'), last: cornerPlace(shape, cap.after, 'start') }
    const lowest = Math.max(...path.map((s) => dot(s.to, down)))
    const ends = (dot(left, down) + dot(right, down)) / 2
    const isRising = ends - Math.min(...path.map((s) => dot(s.to, down))) > HOLLOW_CAP_MM
    // One piece is as wide as the bicep at the ends of its cap, wherever its line is printed.
    const isOne = own.length === 1
    const mm = shape.lines[printed?.id ?? '']
    const level = mm ? (dot(startOf(mm), down) + dot(endOf(mm), down)) / 2 : isRising ? ends : lowest
    const crossing = isOne
      ? corner
      : { first: crossAt(shape, cap.before, level, down) ?? corner.first, last: crossAt(shape, cap.after, level, down) ?? corner.last }
    return { piece, parts: here, line: crossing, widthMm: distance(crossing.first.point, crossing.last.point) }
  })
}

function cornerPlace(shape: Shape, edge: Edge, which: 'start' | 'end') {
  const path = edgePath(shape, edge.id)
  return which === 'start'
    ? { edgeId: edge.id, atMm: 0, point: startOf(path) }
    : { edgeId: edge.id, atMm: measureLength(path), point: endOf(path) }
}

/** Where an edge crosses a level of the grain; null where it does not. */
function crossAt(shape: Shape, edge: Edge, level: number, down: Point) {
  const path = edgePath(shape, edge.id)
  const total = measureLength(path)
  const atMm = findRoot((mm) => dot(placeAt(path, mm).point, down) - level, 0, total, LENGTH_FOUND_MM)
  return atMm === null || atMm < LEAST_FROM_CORNER_MM || atMm > total - LEAST_FROM_CORNER_MM
    ? null
    : { edgeId: edge.id, atMm, point: placeAt(path, atMm).point }
}
/** A bicep line that meets a sleeve seam nearer to its end than this meets the corner, mm. */
const LEAST_FROM_CORNER_MM = 2
