import { findSelfCrossing, measureArea, measureLength } from '../../geometry'
import { edgePath, outlineOf, shapeOf, type Garment } from '../../pattern'
import { SAME_POINT_MM } from '../../tolerances'

/**
 * Looks whether every size that was added is sound.
 * @returns the first piece and size that is not, and what is wrong with it, or null
 */
export function findBrokenSize(before: Garment, after: Garment): { pieceName: string; sizeName: string; what: string } | null {
  const old = new Set(before.sizes.map((s) => s.id))
  for (const size of after.sizes.filter((s) => !old.has(s.id)))
    for (const piece of after.pieces) {
      const shape = shapeOf(piece, size.id)
      const at = { pieceName: piece.name, sizeName: size.name }
      const outline = outlineOf(piece, shape)
      if (outline.some((s) => !Number.isFinite(s.to.x + s.to.y))) return { ...at, what: 'the outline cannot be drawn' }
      const lost = piece.edges.find((e) => measureLength(edgePath(shape, e.id)) <= SAME_POINT_MM)
      if (lost) return { ...at, what: `the edge “${lost.name}” would be used up` }
      if (measureArea(outline) <= 0) return { ...at, what: 'nothing of the piece would be left' }
      if (findSelfCrossing(outline)) return { ...at, what: 'the outline would cross itself' }
      const reversed = piece.edges.find((e) => runsBack(edgePath(shape, e.id), edgePath(shapeOf(piece, after.baseSizeId), e.id)))
      if (reversed) return { ...at, what: `the edge “${reversed.name}” would be used up` }
    }
  return null
}

/** Does an edge run the other way than it did? */
function runsBack(now: ReturnType<typeof edgePath>, was: ReturnType<typeof edgePath>): boolean {
  const chord = (p: typeof now) => ({ x: p[p.length - 1]!.to.x - p[0]!.from.x, y: p[p.length - 1]!.to.y - p[0]!.from.y })
  const [a, b] = [chord(now), chord(was)]
  return a.x * b.x + a.y * b.y < 0
}
