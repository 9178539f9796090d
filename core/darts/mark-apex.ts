import type { Point } from '../geometry'
import { findPiece, type Garment, mapShapes } from '../pattern'

/** Marks the apex on a piece that has none there yet, so that later changes turn about the same place. */
export function markApex(garment: Garment, pieceId: string, apexOf: (sizeId: string) => Point): Garment {
  const piece = findPiece(garment, pieceId)!
  const base = apexOf(garment.baseSizeId)
  const there = piece.points.some((p) => {
    const at = piece.shapes[garment.baseSizeId]!.points[p.id]!
    return p.role === 'apex' && at.x === base.x && at.y === base.y
  })
  if (there) return garment
  const ids = new Set(piece.points.map((p) => p.id))
  let id = 'apex'
  for (let i = 2; ids.has(id); i++) id = `apex-${i}`
  const marked = { ...piece, points: [...piece.points, { id, name: 'apex', role: 'apex' as const }] }
  const pieces = garment.pieces.map((p) => (p.id === pieceId ? marked : p))
  return mapShapes({ ...garment, pieces }, pieceId, (_, shape, sizeId) => ({
    ...shape,
    points: { ...shape.points, [id]: apexOf(sizeId) },
  }))
}
