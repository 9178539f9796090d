import { apexOfFront, frontsOf } from '../../measure'
import { grainDirection, shapeOf } from '../../pattern'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { noFront } from '../shared/no-front'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import type { Handle } from '../types'
import { applyFrontLength } from './apply'
import { frontOf } from './draw'
import { proposeFrontLength } from './proposes'
import { readFrontLength } from './reads'
import { FrontLengthSchema } from './schema'
import { lengthSteps } from './paper-steps'

/** Craft 4 and 6.11: the front longer or shorter than the back beside it. */
export const frontLength = defineChange({
  kind: 'front-length',
  title: 'Lengthen or shorten the front alone',
  foundBy: [
    'front too short',
    'front too long',
    'front waist length',
    'front rides up',
    'front longer than the back',
    'waist seam rises in front',
  ],
  does: 'Slides the front below the bust down or up along the grain; the side dart takes what the side gains, and the back stays.',
  holds: 'Neckline, shoulder, armhole, lower edge, the side seam with its dart closed.',
  schema: FrontLengthSchema,
  reads: (wish, garment, _context, begun) =>
    readFrontLength(
      wish,
      begun,
      frontsOf(garment).some((f) => f.how === 'side-dart'),
    ),
  gives: ['front-to-waist'],
  givesMore: (_garment, begun, missingMm) => ({ ...begun, amountMm: missingMm }),
  phase: 'widths',
  costsAfter: {
    'dart-height': 'the dart was set to its height before its lower leg was moved.',
    'finish-darts': 'the dart was finished before its legs were moved, and has to be finished again.',
  },
  onePiece: (inputs) => inputs.pieceId,
  takesOver: (there, proposed) => (there.pieceId === proposed.pieceId ? sumOfAmounts(there, proposed) : null),
  proposes: proposeFrontLength,
  begin(garment) {
    const front = frontsOf(garment).find((f) => f.how !== 'panels')
    return front ? ok({ pieceId: front.piece.id, amountMm: 0 }) : noFront(garment, 'an armhole, a centre and a side seam')
  },
  withPiece: (_garment, inputs, pieceId) => ({ ...inputs, pieceId }),
  fields: () => [
    { type: 'piece', key: 'pieceId', label: 'Front' },
    { type: 'growth', key: 'amountMm', label: 'Centre front, from bust to waist', plus: 'Longer', minus: 'Shorter', first: 'plus' },
  ],
  describe(_garment, inputs) {
    const what = inputs.amountMm === 0 ? 'Lengthen or shorten' : inputs.amountMm > 0 ? 'Lengthen' : 'Shorten'
    return { title: `${what} the front alone`, amountMm: inputs.amountMm }
  },
  apply: applyFrontLength,
  handles(garment, inputs, _applied, context): Handle[] {
    const front = frontOf(garment, inputs.pieceId)
    if (!front) return []
    const axis = grainDirection(shapeOf(front.piece, context.sizeId))
    const apex = apexOfFront(front, context.sizeId).point
    const at = { x: apex.x + axis.x * inputs.amountMm, y: apex.y + axis.y * inputs.amountMm }
    return [{ id: 'amount', pieceId: front.piece.id, at, axis, label: 'front', valueMm: inputs.amountMm, isGrowth: true, kind: 'amount' }]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: lengthSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { FrontLengthInputs } from './schema'
