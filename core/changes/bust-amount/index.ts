import { readBust } from './reads'
import { apexOfFront, frontKind } from '../../measure'
import { outwardOf } from '../../darts'
import { findPiece, shapeOf } from '../../pattern'
import { defineChange } from '../define-change'
import type { Field, Handle, Way } from '../types'
import { applyBustAmount } from './apply'
import { beginBust } from './begin'
import { changeBust } from './change-bust'
import { proposeFuller } from './proposes'
import { BustAmountSchema, type BustAmountInputs } from './schema'
import { bustSteps } from './paper-steps'

/** Craft 6.11: fuller or smaller bust. */
export const bustAmount = defineChange({
  kind: 'bust-amount',
  title: 'Fuller or smaller bust',
  foundBy: [
    'fuller bust',
    'smaller bust',
    'full bust',
    'small bust',
    'tight over the bust',
    'pulls at the bust',
    'empty at the bust',
    'cup size',
  ],
  does: 'Slashes the front to the apex and spreads it: the bust grows, the dart with it, and the front in length where the bust needs it.',
  holds: 'Armhole, shoulder, neckline, and the side seam with its dart closed.',
  schema: BustAmountSchema,
  reads: (wish, garment, context, begun) => readBust(wish, garment, context, begun),
  gives: ['bust'],
  mayMend: { cup: 2 },
  phase: 'bust',
  costsAfter: {
    'dart-height': 'the dart was set to its height before the bust was changed, which moves it again.',
    'finish-darts': 'the dart was finished before its legs were moved, and has to be finished again.',
  },
  onePiece: (inputs) => inputs.pieceId,
  begin: beginBust,
  proposes: proposeFuller,
  withPiece: (_garment, inputs, pieceId) => ({ ...inputs, pieceId }),
  fields(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const front = piece ? frontKind(garment, piece) : null
    const waist = [
      { value: 'keep', label: 'kept' },
      { value: 'side', label: 'taken out along the side' },
      ...(piece?.edges.some((e) => e.role === 'waist') ? [{ value: 'dart', label: 'sewn as a dart' }] : []),
    ]
    const rest: Field[] =
      front?.how === 'panels'
        ? []
        : [
            { type: 'choice', key: 'waist', label: 'What the lower edge gains is', options: waist },
            ...(front?.how === 'no-dart'
              ? [
                  {
                    type: 'choice' as const,
                    key: 'opening',
                    label: 'What opens at the side becomes',
                    options: [
                      { value: 'dart', label: 'a dart' },
                      { value: 'ease', label: 'ease in the side seam' },
                    ],
                  },
                ]
              : []),
            { type: 'length', key: 'tipBackMm', label: 'Tip short of the apex' },
          ]
    return [
      { type: 'piece', key: 'pieceId', label: 'Front' },
      { type: 'growth', key: 'amountMm', label: 'Bust, on the half front', plus: 'Fuller', minus: 'Smaller', first: 'plus' },
      ...rest,
    ]
  },
  describe(garment, inputs) {
    const name = findPiece(garment, inputs.pieceId)?.name ?? 'a piece that has gone'
    const what = inputs.amountMm === 0 ? 'Fuller or smaller bust' : inputs.amountMm > 0 ? 'Fuller bust' : 'Smaller bust'
    return { title: `${what}, ${name}`, amountMm: inputs.amountMm }
  },
  apply: applyBustAmount,
  handles(garment, inputs, _applied, context): Handle[] {
    const piece = findPiece(garment, inputs.pieceId)
    const front = piece ? frontKind(garment, piece) : null
    if (!piece || !front) return []
    const done = changeBust(garment, inputs)
    const shape = shapeOf(piece, context.sizeId)
    const apex = apexOfFront(front, context.sizeId).point
    const axis = outwardOf(piece, shape, apex)
    const at = (done.ok && done.value.spread?.apex) || { x: apex.x + axis.x * inputs.amountMm, y: apex.y + axis.y * inputs.amountMm }
    return [{ id: 'amount', pieceId: piece.id, at, axis, label: 'bust', valueMm: inputs.amountMm, isGrowth: true, kind: 'amount' }]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  choices(garment, inputs): Way<BustAmountInputs>[] {
    const piece = findPiece(garment, inputs.pieceId)
    const front = piece ? frontKind(garment, piece) : null
    if (!piece || !front || front.how === 'panels') return []
    const waist = piece.edges.some((e) => e.role === 'waist')
    return [
      { label: 'kept at the lower edge', inputs: { ...inputs, waist: 'keep' } },
      { label: 'taken out along the side', inputs: { ...inputs, waist: 'side' } },
      ...(waist ? [{ label: 'sewn as a dart', inputs: { ...inputs, waist: 'dart' as const } }] : []),
    ]
  },
  paperSteps: bustSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export { proposeBust } from './apply'

export type { BustAmountInputs } from './schema'
