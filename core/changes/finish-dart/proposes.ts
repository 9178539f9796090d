import { tipBackMm } from '../../moves'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { dartsOf } from '../shared/darts/find-darts'
import type { AskedByBody } from '../types'
import type { FinishDartInputs } from './schema'

/** The side dart of a front whose bust the plan has just changed, finished afresh: its legs equal, its tip where it belongs. */
export function proposeFinish(garmentNow: () => Garment, { stops }: AskedByBody): { inputs: FinishDartInputs; note: string }[] {
  const fronts = stops.filter((s) => s.isNew && s.phase === 'bust').map((s) => s.pieceId)
  return fronts.flatMap((pieceId) => {
    const garment = garmentNow()
    const isSide = (d: ReturnType<typeof dartsOf>[number]) =>
      d.piece.id === pieceId && dartFigures(d.piece, shapeOf(d.piece, garment.baseSizeId), d.dart).before.role === 'side'
    const side = dartsOf(garment).find(isSide)
    if (!side) return []
    const inputs: FinishDartInputs = { dart: side.ref, tipBackMm: tipBackMm('side'), legs: 'equal', pressTo: side.dart.pressTo }
    return [{ inputs, note: 'The fuller bust moved its legs.' }]
  })
}
