import { dot, findSelfCrossing, measureArea, measureLength, subtract } from '../geometry'
import { edgePath, findPiece, grainDirection, neighbours, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'

/** Does an edge run between the same neighbours on both pieces? */
function sameStretch(old: Piece, now: Piece, edgeId: string): boolean {
  if (!old.edges.some((e) => e.id === edgeId)) return false
  const [a, b] = [neighbours(old, edgeId), neighbours(now, edgeId)]
  return a.before.id === b.before.id && a.after.id === b.after.id
}

/**
 * Looks whether a change left every piece it touched sound.
 * @returns the name of the piece and what is wrong with it, or null when all is well
 */
export function findBrokenOutline(before: Garment, after: Garment): { pieceId: string; where: string; what: string } | null {
  for (const piece of after.pieces) {
    const old = findPiece(before, piece.id)
    if (!old || old === piece) continue
    for (const size of after.sizes) {
      const was = shapeOf(old, size.id)
      const is = shapeOf(piece, size.id)
      const grain = grainDirection(was)
      for (const edge of piece.edges) {
        // An edge that a dart parted, or that one closed in, is no longer the same stretch.
        if (!sameStretch(old, piece, edge.id)) continue
        const a = edgePath(was, edge.id)
        const b = edgePath(is, edge.id)
        const run = (p: typeof a) => dot(subtract(p[p.length - 1]!.to, p[0]!.from), grain)
        const lost = measureLength(b) <= SAME_POINT_MM && measureLength(a) > SAME_POINT_MM
        // An edge that runs mostly along the grain and now runs the other way has been eaten up.
        const turned = Math.abs(run(a)) > measureLength(a) / 2 && run(a) * run(b) <= 0
        if (lost || turned) return { pieceId: piece.id, where: piece.name, what: `the edge “${edge.name}” would be used up` }
      }
      const outline = outlineOf(piece, is)
      if (measureArea(outline) <= 0) return { pieceId: piece.id, where: piece.name, what: 'nothing of the piece would be left' }
      if (findSelfCrossing(outline)) return { pieceId: piece.id, where: piece.name, what: 'the outline would cross itself' }
    }
  }
  return null
}
