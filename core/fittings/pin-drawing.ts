import type { Pinned, StepDrawing } from '../changes'
import { add, line, placeAt, scale, subtract, type Point } from '../geometry'
import { edgePath, findPiece, outlineOf, placeFromMark, shapeOf, type Garment } from '../pattern'
import { edgeDown, lengthOfSide, placeOnSeam, sidesOfSeam } from '../seams'

/** A pin is drawn so far to each side of its edge, mm. */
const PIN_MM = 14

const across = (at: Point, out: Point) => ({
  path: [line(subtract(at, scale(out, PIN_MM)), add(at, scale(out, PIN_MM)))],
  kind: 'cut' as const,
})

/**
 * Where something was pinned on its piece, in the pattern’s own size: the edge, and each pin across it. Null for what has no place of
 * its own (sides, hem), and where piece or edge has gone.
 */
export function pinDrawing(garment: Garment, pinned: Pinned): StepDrawing | null {
  if (pinned.how === 'side' || pinned.how === 'hem') return null
  const { pieceId, edgeId } = pinned
  const piece = findPiece(garment, pieceId)
  const shape = piece?.shapes[garment.baseSizeId]
  if (!piece || !shape || !piece.edges.some((e) => e.id === edgeId)) return null
  const path = edgePath(shape, edgeId)
  const pins = (): { point: Point; out: Point }[] => {
    if (pinned.how === 'fold') {
      const near = placeFromMark(piece, shape, edgeId, pinned.from, pinned.atMm)
      return [near.atMm, near.atMm + near.way * pinned.mm].map((mm) => {
        const { point, tangent } = placeAt(path, mm)
        return { point, out: { x: tangent.y, y: -tangent.x } }
      })
    }
    const side =
      pinned.how === 'wedge'
        ? edgeDown(garment, pieceId, edgeId, garment.baseSizeId)
        : sidesOfSeam(garment, pieceId, edgeId, garment.baseSizeId)[0]!
    const total = lengthOfSide(garment, side, garment.baseSizeId)
    const places = pinned.how === 'wedge' ? [pinned.belowMm] : [pinned.atMm - pinned.aboveMm, pinned.atMm, pinned.atMm + pinned.belowMm]
    return places
      .filter((mm) => mm >= 0 && mm <= total)
      .map((mm) => placeOnSeam(garment, side, mm, garment.baseSizeId))
      .filter((place) => place.pieceId === pieceId)
  }
  return {
    pieceId,
    strokes: [
      { path: outlineOf(piece, shapeOf(piece, garment.baseSizeId)), kind: 'outline' },
      { path, kind: 'line' },
      ...pins().map(({ point, out }) => across(point, out)),
    ],
    labels: [],
  }
}
