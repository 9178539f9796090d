import { line, scale, subtract, unit, type Path } from '../../geometry'
import { findPiece, shapeOf, type Garment } from '../../pattern'
import { armholesWithSleeve, joinRuns } from '../../seams'
import type { PlayMove } from '../types'

/**
 * The whole cap cut off along the bicep line and slid forward, as the hands do it, on sleeves whose cap lies on one piece; the cap is
 * redrawn afterwards.
 *
 * @param amountMm how far to the front; to the back when negative
 */
export function playSlide(garment: Garment, amountMm: number, sizeId: string): PlayMove[] {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return []
  const seen = new Set<string>()
  return pairs.value.flatMap(({ sleeve: { seam, side, beginsAt } }): PlayMove[] => {
    const runs = seam.sides[side]
    const pieceId = runs[0]!.pieceId
    if (runs.some((r) => r.pieceId !== pieceId) || seen.has(pieceId)) return []
    seen.add(pieceId)
    const cap = joinRuns(shapeOf(findPiece(garment, pieceId)!, sizeId), runs)
    const [first, last] = [cap[0]!.from, cap[cap.length - 1]!.to]
    const toFront = scale(unit(subtract(last, first)), beginsAt === 'front' ? -1 : 1)
    const cut: Path = [line(first, last)]
    const outline: Path = [...cap, line(last, first)]
    return [
      {
        pieceId,
        label: 'Cut along the bicep line and slide the cap',
        pin: null,
        cut,
        parts: [{ id: 0, outline }],
        traced: [cap],
        turnRad: 0,
        by: scale(toFront, amountMm),
      },
    ]
  })
}
