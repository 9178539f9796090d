import { growLeg } from '../../darts'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { dartsOf, type FoundDart } from '../shared/darts/find-darts'
import { findLargest } from '../find-largest'
import { bothShapes } from '../shared/held'
import type { Applied, ChangeContext } from '../types'
import type { EqualLegsInputs } from './schema'
import { heldByEqualLegs } from './held'

function growGarment(garment: Garment, found: FoundDart, inputs: EqualLegsInputs): Garment {
  if (inputs.growMm === 0) return garment
  const shapes = Object.fromEntries(
    garment.sizes.map((s) => [s.id, growLeg(found.piece, shapeOf(found.piece, s.id), found.dart, inputs.leg, inputs.growMm)]),
  )
  const piece = { ...found.piece, shapes: { ...found.piece.shapes, ...shapes } }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === piece.id ? piece : p)) }
}

/**
 * Makes one leg of a dart longer or shorter, so that both legs are equal (craft 6.11, finish). The end on the edge
 * moves along the leg; the edge beside it follows; tip, angle and the other leg stay.
 * Refuses: a dart that has gone, an amount that would cross or use up the outline (with the largest that works).
 */
export function applyEqualLegs(garment: Garment, inputs: EqualLegsInputs, context: ChangeContext): Result<Applied<EqualLegsInputs>> {
  const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
  if (!found) return refuse('reference-gone', 'dart', 'the dart this was made for has gone.', 'Delete the change, or choose another dart.')
  const works = (growMm: number) =>
    garment.sizes.every((s) => {
      const d = dartFigures(found.piece, shapeOf(found.piece, s.id), found.dart)
      return (inputs.leg === 'first' ? d.firstMm : d.secondMm) + growMm > EQUAL_MM
    }) && findBrokenOutline(garment, growGarment(garment, found, { ...inputs, growMm })) === null
  if (!works(inputs.growMm)) {
    const largest = findLargest(inputs.growMm, works)
    return refuse(
      'amount-too-large',
      `${found.piece.name}, ${found.dart.name}`,
      'the leg cannot change by this amount without spoiling the outline.',
      `At most ${limitToken(Math.abs(largest))} that way works.`,
      largest,
    )
  }
  const after = growGarment(garment, found, inputs)
  const { piece, was, is } = bothShapes(garment, after, found.piece.id, context.sizeId)
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByEqualLegs(found, inputs, was, is),
    cautions: [],
  })
}
