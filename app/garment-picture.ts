import { bestLayout } from '~~/core/paper/best-layout'
import { boundsOf, joinBoxes, type Path } from '~~/core/geometry'
import { toPathData } from '~~/core/formats/path-data'
import { outlineOf, shapeOf, type Garment } from '~~/core/pattern'

/** A garment as a small picture of its pieces, side by side. */
export interface GarmentPicture {
  /** The view box of the drawing, mm. */
  box: string
  /** Each outline as path data, where the piece was as it was before, and how far it is moved. */
  pieces: { id: string; d: string; was?: string; move: string }[]
}

/** Proportion of the frame that it is laid out for, and what lies between and around the pieces, mm. */
const FRAME = { width: 8, height: 5 }
const GAP_MM = 40
const MARGIN_MM = 20

/**
 * The pieces of a garment in its base size, laid out so that they are seen as large as can be.
 * @param before as the pieces were before, drawn beneath
 */
export function pictureOf(garment: Garment, before?: Garment): GarmentPicture {
  const outlines = (of: Garment) => new Map(of.pieces.map((p) => [p.id, outlineOf(p, shapeOf(p, of.baseSizeId))] as const))
  const old = before ? outlines(before) : new Map<string, Path>()
  const items = [...outlines(garment)].map(([pieceId, outline]) => {
    const was = old.get(pieceId)
    return { pieceId, outline, was, box: was ? joinBoxes([boundsOf(outline), boundsOf(was)]) : boundsOf(outline) }
  })
  const best = bestLayout(items, FRAME, GAP_MM)
  return {
    box: `${-MARGIN_MM} ${-MARGIN_MM} ${best.widthMm + 2 * MARGIN_MM} ${best.heightMm + 2 * MARGIN_MM}`,
    pieces: best.pieces.map(({ pieceId, dx, dy }) => {
      const { outline, was } = items.find((i) => i.pieceId === pieceId)!
      return {
        id: pieceId,
        d: toPathData(outline, true),
        ...(was && { was: toPathData(was, true) }),
        move: `translate(${dx} ${dy})`,
      }
    }),
  }
}
