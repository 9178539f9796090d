import { dot, findSelfCrossing, measureArea, measureLength, pointsOf, subtract, type Path, type Point } from '../geometry'
import { edgePath, findPiece, grainDirection, neighbours, outlineOf, REACH_MM, shapeOf, type Garment, type Piece } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'

/** Does an edge run between the same neighbours on both pieces? */
function sameStretch(old: Piece, now: Piece, edgeId: string): boolean {
  if (!old.edges.some((e) => e.id === edgeId)) return false
  const [a, b] = [neighbours(old, edgeId), neighbours(now, edgeId)]
  return a.before.id === b.before.id && a.after.id === b.after.id
}

/**
 * Looks whether a change left every piece it touched sound.
 * @param sizes those that are looked at; all when left out
 * @returns the name of the piece and what is wrong with it, or null when all is well
 */
export function findBrokenOutline(
  before: Garment,
  after: Garment,
  sizes = after.sizes,
): { pieceId: string; where: string; what: string } | null {
  for (const piece of after.pieces) {
    const old = findPiece(before, piece.id)
    if (!old || old === piece) continue
    if (!isOnPaper(piece)) return { pieceId: piece.id, where: piece.name, what: 'a line would run off to where no paper is' }
    for (const size of sizes) {
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
        // A dart's leg is drawn anew wherever its dart goes, and may well turn over.
        const turned = edge.role !== 'dart-leg' && Math.abs(run(a)) > measureLength(a) / 2 && run(a) * run(b) <= 0
        if (lost || turned) return { pieceId: piece.id, where: piece.name, what: `the edge “${edge.name}” would be used up` }
      }
      const outline = outlineOf(piece, is)
      if (measureArea(outline) <= 0) return { pieceId: piece.id, where: piece.name, what: 'nothing of the piece would be left' }
      if (findSelfCrossing(outline)) return { pieceId: piece.id, where: piece.name, what: 'the outline would cross itself' }
    }
  }
  return null
}

/** Does a place lie on paper that there is: finite, and within what a garment may measure? */
const onPaper = (p: Point) => Math.abs(p.x) <= REACH_MM && Math.abs(p.y) <= REACH_MM
const pathOnPaper = (path: Path) => path.every((s) => pointsOf(s).every(onPaper))

/** Is every figure of a piece finite and within reach, in every size? */
const isOnPaper = (piece: Piece): boolean =>
  Object.values(piece.shapes).every(
    (shape) =>
      Object.values(shape.edges).every(pathOnPaper) &&
      Object.values(shape.lines).every(pathOnPaper) &&
      Object.values(shape.points).every(onPaper) &&
      onPaper(shape.grain.from) &&
      onPaper(shape.grain.to) &&
      Object.values(shape.notches).every((n) => Number.isFinite(n.distanceMm)),
  )

/**
 * Looks whether every figure of the pieces that a change touched is finite and within reach.
 * @returns the name of the first piece with one that is not, or null
 */
export function findBrokenFigure(before: Garment, after: Garment): string | null {
  return after.pieces.find((p) => !before.pieces.includes(p) && !isOnPaper(p))?.name ?? null
}
