import { likeOf } from '../fittings'
import { measureArea } from '../geometry'
import {
  cutLineOf,
  drawPieces,
  notchStrokes,
  sheetFor,
  type OtherLine,
  type PaperChoice,
  type Sheet,
  type SheetWords,
  type Tiling,
} from '../paper'
import { outlineOf, shapeOf, type Garment } from '../pattern'
import { NO_SIZING } from '../size'
import { laidNearest, outlined } from './share-cuts'

/** A fit in a nest: whose line it is. */
export interface NestedFit {
  name: string
  garment: Garment
}

const sizeOf = ({ garment }: NestedFit) =>
  garment.pieces.reduce((sum, p) => sum + Math.abs(measureArea(outlineOf(p, shapeOf(p, garment.baseSizeId)))), 0)

/** The fit with the most paper first: the others lie inside it, as far as they do. */
export const largestFirst = <T extends NestedFit>(fits: readonly T[]): T[] => [...fits].sort((a, b) => sizeOf(b) - sizeOf(a))

/**
 * Every piece with the lines of all fits on it, laid where they are nearest, grain along grain: several people are cut from one sheet of
 * paper, each along their own line. The largest fit is drawn in full; of the others cut line and notches, named.
 */
export function nestSheet(
  fits: readonly NestedFit[],
  words: Omit<SheetWords, 'wearerName' | 'changes' | 'sizeName'>,
  paper: PaperChoice,
): { sheet: Sheet; tiling: Tiling; full: string } {
  const [first, ...rest] = largestFirst(fits)
  const { garment } = first!
  const sideOf = (own: Garment) => outlined({ garment: own, sizeId: own.baseSizeId, sizing: NO_SIZING, body: null })
  const own = sideOf(garment)
  const others = rest.map((f) => ({ ...f, side: sideOf(f.garment) }))
  const lines = new Map(
    garment.pieces.map((piece) => [
      piece.id,
      others.flatMap(({ name, garment: theirs, side }): OtherLine[] => {
        const like = likeOf(piece, theirs.pieces)
        if (!like) return []
        const lay = laidNearest(piece, like, own, side)
        const shape = shapeOf(like, theirs.baseSizeId)
        return [
          {
            name,
            cutLine: lay(cutLineOf(like, shape)),
            seamLine: lay(outlineOf(like, shape)),
            notches: notchStrokes(like, theirs.baseSizeId).map(lay),
          },
        ]
      }),
    ]),
  )
  const drawn = drawPieces(
    garment,
    garment.baseSizeId,
    {
      ...words,
      wearerName: `${first!.name}: the full line`,
      sizeName: garment.sizes.find((s) => s.id === garment.baseSizeId)?.name ?? '',
      changes: [`for ${fits.length} people, each along their own line`],
    },
    { otherLines: lines },
  )
  return { ...sheetFor(drawn, paper), full: first!.name }
}
