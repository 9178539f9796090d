import { cutPath, line, measureLength, type Path, type Point } from '../geometry'
import {
  edgePath,
  legOf,
  partOfEdge,
  shapeOf,
  type Corner,
  type Dart,
  type Edge,
  type Garment,
  type Notch,
  type NotchPlace,
  type Piece,
  type RunEdge,
  type Shape,
} from '../pattern'
import { SNAP_MM } from '../tolerances'

/** Where a dart begins: a stretch of an edge that it takes away, mm from the edge's start; of no length for a mere slit. */
export interface DartMouth {
  edgeId: string
  fromMm: number
  toMm: number
}

/**
 * Puts a dart into a piece: its edge is parted at the mouth, two straight legs lead to the tip and back. Seams that walk
 * the edge walk both parts; notches stay where they are. At a corner nothing is parted. The dart is in every size.
 *
 * @param mouthOf where it begins in each size, on the same edge
 * @param tipOf where its legs meet in each size
 */
export function insertDart(
  garment: Garment,
  pieceId: string,
  dart: { id: string; name: string },
  mouthOf: (shape: Shape) => DartMouth,
  tipOf: (sizeId: string) => Point,
): Garment {
  const piece = garment.pieces.find((p) => p.id === pieceId)!
  const base = shapeOf(piece, garment.baseSizeId)
  const asked = mouthOf(base)
  // At the start of an edge the dart goes between it and the one before.
  const n = piece.edges.length
  const asAsked = piece.edges.findIndex((e) => e.id === asked.edgeId)
  const atStart = asked.toMm <= SNAP_MM
  const k = atStart ? (asAsked + n - 1) % n : asAsked
  const edge = piece.edges[k]!
  const whole = measureLength(edgePath(base, edge.id))
  const parts = !atStart && asked.toMm < whole - SNAP_MM
  const rest: Edge = { ...edge, id: partOfEdge(edge.id, dart.id) }
  const legs: Edge[] = (['first', 'second'] as const).map((which) => ({
    id: legOf(dart.id, which),
    name: `${dart.name}, ${which} leg`,
    role: 'dart-leg',
    fold: false,
    allowanceMm: edge.fold ? 0 : edge.allowanceMm,
  }))
  const corners: Corner[] = (['first end', 'tip', 'second end'] as const).map((what) => ({
    id: `${dart.id}:${what}`,
    name: `${dart.name}, ${what}`,
  }))
  const edges = [...piece.edges.slice(0, k + 1), ...legs, ...(parts ? [rest] : []), ...piece.edges.slice(k + 1)]
  const cornerList = [...piece.corners.slice(0, k + 1), ...(parts ? corners : corners.slice(0, 2)), ...piece.corners.slice(k + 1)]
  const shapes: Record<string, Shape> = {}
  const onRest = new Set<string>()
  for (const size of garment.sizes) {
    const shape = shapeOf(piece, size.id)
    const mouth = mouthOf(shape)
    const path = edgePath(shape, edge.id)
    const length = measureLength(path)
    const [fromMm, toMm] = atStart ? [length, length] : parts ? [mouth.fromMm, mouth.toMm] : [mouth.fromMm, length]
    const before: Path = fromMm >= length - SNAP_MM ? path : cutPath(path, 0, fromMm)
    const after: Path | null = parts ? cutPath(path, toMm, length) : null
    const tip = tipOf(size.id)
    const [first, second] = [before[before.length - 1]!.to, after ? after[0]!.from : path[path.length - 1]!.to]
    const notches: Record<string, NotchPlace> = { ...shape.notches }
    for (const notch of piece.notches) {
      if (notch.edgeId !== edge.id) continue
      const place = notches[notch.id]!
      const at = place.from === 'start' ? place.distanceMm : length - place.distanceMm
      if (parts && at >= toMm) {
        if (size.id === garment.baseSizeId) onRest.add(notch.id)
        notches[notch.id] = { from: 'end', distanceMm: length - at }
      } else notches[notch.id] = { from: 'start', distanceMm: Math.min(at, fromMm) }
    }
    shapes[size.id] = {
      ...shape,
      notches,
      edges: {
        ...shape.edges,
        [edge.id]: before,
        [legs[0]!.id]: [line(first, tip)],
        [legs[1]!.id]: [line(tip, second)],
        ...(after ? { [rest.id]: after } : {}),
      },
    }
  }
  const notches: Notch[] = piece.notches.map((x) => (onRest.has(x.id) ? { ...x, edgeId: rest.id } : x))
  const entry: Dart = { ...dart, legs: [legs[0]!.id, legs[1]!.id], pressTo: 'after' }
  const made: Piece = {
    ...piece,
    edges,
    corners: cornerList,
    notches,
    darts: [...piece.darts, entry],
    shapes: { ...piece.shapes, ...shapes },
  }
  const walked = (run: RunEdge): RunEdge[] => {
    if (!parts || run.pieceId !== pieceId || run.edgeId !== edge.id) return [run]
    return run.reversed ? [{ ...run, edgeId: rest.id }, run] : [run, { ...run, edgeId: rest.id }]
  }
  return {
    ...garment,
    pieces: garment.pieces.map((p) => (p.id === pieceId ? made : p)),
    seams: garment.seams.map((s) => ({ ...s, sides: [s.sides[0].flatMap(walked), s.sides[1].flatMap(walked)] })),
  }
}
