import { line, measureLength, scale } from '../../geometry'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment, type Shape } from '../../pattern'
import { ok, type Result } from '../../result'
import { lengthToken, limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { changeFrontLength, type FrontDone } from './draw'
import { heldByLength } from './held'
import type { FrontLengthInputs } from './schema'

function cautionsOf(
  before: Shape,
  { garment, isNewDart, isWrap, centreId }: FrontDone,
  { pieceId, amountMm }: FrontLengthInputs,
  sizeId: string,
): Caution[] {
  if (amountMm === 0) return []
  const grewMm =
    measureLength(edgePath(shapeOf(findPiece(garment, pieceId)!, sizeId), centreId)) - measureLength(edgePath(before, centreId))
  const wrap: Caution = {
    code: 'wrap-edge-grows',
    pieceId,
    message: `The edge of the wrap becomes ${lengthToken(Math.abs(grewMm))} ${grewMm > 0 ? 'longer' : 'shorter'}: what is sewn to it must follow. Look whether it gapes.`,
  }
  if (!isNewDart) return isWrap ? [wrap] : []
  return [
    ...(isWrap ? [wrap] : []),
    {
      code: 'new-dart',
      pieceId,
      message:
        'A bust dart is drawn at the side: it takes up what the front is longer than the back. Move it elsewhere if you want it there.',
    },
  ]
}

/**
 * Makes a front longer or shorter at its centre than the back beside it (craft 4 and 6.11): see changeFrontLength.
 * Refuses: no front, panels, no dart to take it from, more than the dart holds or the outline bears (with the largest that works).
 */
export function applyFrontLength(garment: Garment, inputs: FrontLengthInputs, context: ChangeContext): Result<Applied<FrontLengthInputs>> {
  const piece = findPiece(garment, inputs.pieceId)
  if (inputs.amountMm === 0 && piece)
    return ok({ garment, touched: touchedBy(garment, garment, [piece.id]), leftOut: [], held: [], cautions: [] })
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => changeFrontLength(g, { ...inputs, amountMm }),
    (mm) => `Here the front can be ${inputs.amountMm < 0 ? 'shortened' : 'lengthened'} by ${limitToken(Math.abs(mm))} at most.`,
    ['reference-gone', 'no-dart', 'no-side', 'no-front'],
  )
  if (!done.ok) return done
  const { cut, slid, atCentre, apex, isWrap } = done.value
  const shape = shapeOf(piece!, context.sizeId)
  const drawnIn = garment.baseSizeId === context.sizeId
  return ok({
    garment: done.value.garment,
    touched: touchedBy(garment, done.value.garment, [inputs.pieceId]),
    leftOut: [],
    held: heldByLength(garment, done.value, inputs, context.sizeId),
    cautions: cautionsOf(shape, done.value, inputs, context.sizeId),
    folded: { pieceId: inputs.pieceId, dartId: done.value.dartId },
    moves: drawnIn
      ? [
          {
            pieceId: inputs.pieceId,
            label: `cut from the ${isWrap ? 'front edge' : 'centre'} to the apex and through the dart, slide what is below ${inputs.amountMm > 0 ? 'down' : 'up'}`,
            pin: null,
            cut: [line(atCentre, apex)],
            parts: [{ id: slid, outline: cut.parts[slid]!.outline }],
            traced: [],
            turnRad: 0,
            by: scale(grainDirection(shape), inputs.amountMm),
          },
        ]
      : [],
  })
}
