import { applyAffine, distance, measureLength, nearestPlace, placeAt, type Affine, type Path, type Point } from '../../geometry'
import { centreEdge, edgePath, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { SAME_POINT_MM } from '../../tolerances'
import { carryLines } from './carry-lines'
import { partOfPlace, partOfPoint, type CutPiece } from './cut-piece'
import { rejoinEdge, type Bit } from '../trace/rejoin-edge'

/**
 * Lays the parts of a cut piece down in new places and puts its outline together again: edges keep their ids, stretches
 * keep their exact shape, and every edge that was cut is redrawn over its opening or through its overlap (see rejoinEdge).
 * Notches, inner lines and points go with the part that they lie on; the grain goes with the fold or centre, or else
 * with the part that it lies on. Paper that opened is part of the piece, paper that overlaps counts once.
 *
 * @param moves one placement for each part
 * Refuses an overlap that leaves no room to redraw an edge, naming it.
 */
export function moveParts(piece: Piece, shape: Shape, cut: CutPiece, moves: readonly Affine[]): Result<Shape> {
  const bits = new Map<string, Bit[]>()
  for (const [i, part] of cut.parts.entries())
    for (const b of part.bits) bits.set(b.edgeId, [...(bits.get(b.edgeId) ?? []), { fromMm: b.fromMm, toMm: b.toMm, move: moves[i]! }])
  const edges = rejoinOutline(piece, shape, bits, cut.cutAtEnd)
  if (!edges.ok) return edges
  const moveAt = (p: Point) => moves[partOfPoint(cut, p)]!
  const notches = Object.fromEntries(
    piece.notches.map((notch): [string, NotchPlace] => {
      const place = shape.notches[notch.id]!
      const old = edgePath(shape, notch.edgeId)
      const length = measureLength(old)
      const atMm = place.from === 'start' ? place.distanceMm : length - place.distanceMm
      const move = moves[partOfPlace(cut, notch.edgeId, Math.min(length, Math.max(0, atMm)))]!
      return [notch.id, notchNear(edges.value[notch.edgeId]!, applyAffine(move, placeAt(old, atMm).point), place.from)]
    }),
  )
  const points = Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, applyAffine(moveAt(p), p)]))
  const straight = centreEdge(piece)
  const middle = { x: (shape.grain.from.x + shape.grain.to.x) / 2, y: (shape.grain.from.y + shape.grain.to.y) / 2 }
  const withGrain = straight ? moves[partOfPlace(cut, straight.id, 0)]! : moveAt(middle)
  const lines = carryLines(piece, shape, moveAt, withGrain)
  const grain = { from: applyAffine(withGrain, shape.grain.from), to: applyAffine(withGrain, shape.grain.to) }
  return ok({ edges: edges.value, notches, lines, points, grain })
}

/** A notch at the place of an edge nearest to a point, measured from the end it was measured from. */
export function notchNear(path: Path, point: Point, from: 'start' | 'end'): NotchPlace {
  const { lengthMm } = nearestPlace(path, point)
  return { from, distanceMm: Math.max(0, from === 'start' ? lengthMm : measureLength(path) - lengthMm) }
}

/**
 * All edges of a piece from their moved stretches, meeting at the corners. Where a cut ran into a corner, the edge that
 * the cut was said to end on is led over the opening, else the one after the corner that is no dart's leg.
 */
function rejoinOutline(
  piece: Piece,
  shape: Shape,
  bits: ReadonlyMap<string, readonly Bit[]>,
  cutAtEnd: ReadonlySet<string>,
): Result<Record<string, Path>> {
  const n = piece.edges.length
  const all = piece.edges.map((e) => [...bits.get(e.id)!].sort((a, b) => a.fromMm - b.fromMm))
  for (let i = 0; i < n; i++) {
    const edge = piece.edges[i]!
    const before = all[(i + n - 1) % n]!
    const own = all[i]!
    const corner = edgePath(shape, edge.id)[0]!.from
    const [a, b] = [before[before.length - 1]!, own[0]!]
    if (distance(applyAffine(a.move, corner), applyAffine(b.move, corner)) <= SAME_POINT_MM) continue
    const beforeId = piece.edges[(i + n - 1) % n]!.id
    if (cutAtEnd.has(beforeId) || edge.role === 'dart-leg') before.push({ fromMm: a.toMm, toMm: a.toMm, move: b.move })
    else own.unshift({ fromMm: 0, toMm: 0, move: a.move })
  }
  const edges: Record<string, Path> = {}
  for (const [i, edge] of piece.edges.entries()) {
    const path = rejoinEdge(edgePath(shape, edge.id), all[i]!)
    if (!path)
      return refuse(
        'no-room',
        `${piece.name}, ${edge.name}`,
        'the overlap leaves no room to redraw this edge.',
        'Take in less here, or share it between several places.',
      )
    edges[edge.id] = path
  }
  // Ends that came out a rounding apart are made one point.
  for (let i = 0; i < n; i++) {
    const own = edges[piece.edges[i]!.id]!
    const next = edges[piece.edges[(i + 1) % n]!.id]!
    edges[piece.edges[i]!.id] = [...own.slice(0, -1), { ...own[own.length - 1]!, to: next[0]!.from }]
  }
  return ok(edges)
}
