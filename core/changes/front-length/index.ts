import { apexOfFront, frontsOf } from '../../measure'
import { distance, scale } from '../../geometry'
import { findPiece, grainDirection, shapeOf } from '../../pattern'
import { ok } from '../../result'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { noFront } from '../shared/no-front'
import { finishSteps } from '../shared/darts/finish-steps'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import type { Handle, PaperStep, StepInput } from '../types'
import { applyFrontLength } from './apply'
import { changeFrontLength, frontOf } from './draw'
import { proposeFrontLength } from './proposes'
import { readFrontLength } from './reads'
import { FrontLengthSchema, type FrontLengthInputs } from './schema'

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
  reads: (wish, _garment, _context, begun) => readFrontLength(wish, begun),
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

function lengthSteps({ before, inputs, applied, context, ruler }: StepInput<FrontLengthInputs>): PaperStep[] {
  const done = changeFrontLength(before, inputs)
  if (!done.ok) return []
  const { apex, atCentre, dartId, isNewDart } = done.value
  const piece = findPiece(before, inputs.pieceId)!
  const amount = formatLength(Math.abs(inputs.amountMm), ruler)
  const way = inputs.amountMm >= 0 ? 'down' : 'up'
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const through = isNewDart ? 'straight across to the side' : 'through the middle of the side dart'
  const by = scale(grainDirection(shapeOf(piece, context.sizeId)), inputs.amountMm)
  return [
    {
      text: `${piece.name}: rule from the centre square across to the apex (${formatLength(distance(atCentre, apex), ruler)}), and on ${through}.`,
      drawing: { pieceId: piece.id, strokes: [outline, lineStroke(atCentre, apex, 'line')], labels: [{ at: apex, text: 'apex' }] },
    },
    {
      text: `${piece.name}: cut along it. Slide the lower part ${way} the centre by ${amount}, the centre in one line and the grain straight; tape${inputs.amountMm >= 0 ? ' paper behind the gap' : ''}. The back is not changed.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, result, lineStroke(atCentre, { x: atCentre.x + by.x, y: atCentre.y + by.y }, 'line')],
        labels: [{ at: atCentre, text: amount }],
      },
    },
    ...finishSteps(applied.garment, piece.id, dartId, apex, context.sizeId, ruler),
  ]
}

export type { FrontLengthInputs } from './schema'
