import { inputsFor } from './begin'
import type { Point } from '../../geometry'
import { drawTipBack, equaliseLegs } from '../../darts'
import { type Garment, mapShapes, type Dart } from '../../pattern'
import { type Result, ok } from '../../result'
import { apexOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { evenSides } from '../shared/even-sides'
import { soundOr, dartCautions } from '../shared/darts/turn-dart'
import type { ChangeContext, Applied } from '../types'
import { heldByFinish } from './held'
import type { FinishDartInputs } from './schema'

function finished(garment: Garment, { piece, dart }: FoundDart, apex: (sizeId: string) => Point, inputs: FinishDartInputs): Garment {
  const drawn = mapShapes(garment, piece.id, (p, shape, sizeId) => {
    const at = apex(sizeId)
    const toApex = drawTipBack(p, shape, dart, at, 0)
    return drawTipBack(p, inputs.legs === 'equal' ? equaliseLegs(p, toApex, dart) : toApex, dart, at, inputs.tipBackMm)
  })
  // Legs that were made alike lengthen or shorten a side that they lie in: it still meets its partner.
  const evened = garment.sizes.reduce((g, size) => evenSides(garment, g, size.id, { from: [size.id], alone: true }).garment, drawn)
  const darts = (list: readonly Dart[]) => list.map((d) => (d.id === dart.id ? { ...d, pressTo: inputs.pressTo } : d))
  return { ...evened, pieces: evened.pieces.map((p) => (p.id === piece.id ? { ...p, darts: darts(p.darts) } : p)) }
}

/**
 * Finishes a dart (craft 6.11): its tip drawn back from the apex, legs alike where that is asked, its cap drawn as it is pressed.
 * Refuses: a dart that has gone, legs that would cross the outline.
 */
export function applyFinish(garment: Garment, inputs: FinishDartInputs, context: ChangeContext): Result<Applied<FinishDartInputs>> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const { piece, dart } = found
  const after = finished(garment, found, apexOf(found), inputs)
  const broken = soundOr(garment, after, 'Leave the legs as they are, or mend the edge beside them first.')
  if (broken) return broken
  const at = apexOf(found)(context.sizeId)
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByFinish(garment, after, found, inputs, context.sizeId),
    folded: { pieceId: piece.id, dartId: dart.id },
    cautions: dartCautions(after, found, dart.id, at, context.sizeId).map((c) =>
      c.code === 'tip-on-apex'
        ? { ...c, mend: { label: 'Draw it back', inputs: { ...inputs, tipBackMm: inputsFor(garment, found).tipBackMm } } }
        : c,
    ),
  })
}
