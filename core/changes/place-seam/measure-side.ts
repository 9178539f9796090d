import { measureLength } from '../../geometry'
import { cornersOf, edgePath, shapeOf, type Garment, type Piece, type Seam } from '../../pattern'

/** The edges of a piece that a seam walks. */
export function seamEdges(piece: Piece, seam: Seam): Set<string> {
  return new Set(
    seam.sides
      .flat()
      .filter((r) => r.pieceId === piece.id)
      .map((r) => r.edgeId),
  )
}

/**
 * Distance along the outline from a corner to the nearest end of a seam's edge on the same piece, mm on the seam line
 * (so without the allowances at both ends), darts closed. Null when the corner or the seam is not on the piece.
 */
export function measureSideToSeam(garment: Garment, piece: Piece, seam: Seam, fromCornerId: string, sizeId: string): number | null {
  const stop = seamEdges(piece, seam)
  const n = piece.edges.length
  const start = piece.corners.findIndex((c) => c.id === fromCornerId)
  if (start < 0 || stop.size === 0) return null
  const shape = shapeOf(piece, sizeId)
  const walk = (step: 1 | -1): number | null => {
    let total = 0
    for (let k = 0; k < n; k++) {
      const edge = piece.edges[(start + (step === 1 ? k : -k - 1) + 2 * n) % n]!
      if (stop.has(edge.id)) return total
      if (edge.role === 'armhole' || edge.fold) return null
      if (edge.role !== 'dart-leg') total += measureLength(edgePath(shape, edge.id))
    }
    return null
  }
  const ways = [walk(1), walk(-1)].filter((w): w is number => w !== null)
  return ways.length === 0 ? null : Math.min(...ways)
}

/** A seam that can be placed: joins waist edges, with an underarm above it. */
export function findPlaceableSeam(
  garment: Garment,
  sizeId: string,
): { seam: Seam; piece: Piece; cornerId: string; distanceMm: number } | null {
  for (const seam of garment.seams) {
    for (const run of seam.sides.flat()) {
      const piece = garment.pieces.find((p) => p.id === run.pieceId)
      const edge = piece?.edges.find((e) => e.id === run.edgeId)
      if (!piece || edge?.role !== 'waist') continue
      for (const armhole of piece.edges.filter((e) => e.role === 'armhole'))
        for (const corner of [cornersOf(piece, armhole.id).end, cornersOf(piece, armhole.id).start]) {
          const distanceMm = measureSideToSeam(garment, piece, seam, corner.id, sizeId)
          if (distanceMm !== null && distanceMm > 0) return { seam, piece, cornerId: corner.id, distanceMm }
        }
    }
  }
  return null
}
