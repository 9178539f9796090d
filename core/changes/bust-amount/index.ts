import { readBust } from './reads'
import { distance, placeAt } from '../../geometry'
import { apexOfFront, frontKind } from '../../measure'
import { outwardOf } from '../../moves'
import { dartFigures, edgePath, findPiece, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { finishSteps } from '../shared/darts/finish-steps'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { Field, Handle, PaperStep, StepInput, Way } from '../types'
import { applyBustAmount } from './apply'
import { beginBust } from './begin'
import { changeBust } from './change-bust'
import { proposeFuller } from './proposes'
import { BustAmountSchema, type BustAmountInputs } from './schema'

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
  reads: (wish, garment, _context, begun) => readBust(wish, garment, begun),
  gives: ['bust'],
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

function bustSteps({ before, inputs, applied, context, ruler }: StepInput<BustAmountInputs>): PaperStep[] {
  const done = changeBust(before, inputs)
  if (!done.ok) return []
  const { prepared, spread, dartId } = done.value
  const piece = findPiece(prepared, inputs.pieceId)!
  const shape = shapeOf(piece, context.sizeId)
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const amount = figure(inputs.amountMm)
  const start = outlineStroke(prepared, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const front = frontKind(before, findPiece(before, inputs.pieceId)!)!
  if (front.how === 'panels') {
    const at = placeAt(edgePath(shape, front.edge.id), 0).point
    return [
      {
        text: `${piece.name} and ${front.other.name}: mark the height of the bust on the ${front.edge.name} of both.`,
        drawing: { pieceId: piece.id, strokes: [start, lineStroke(at, at, 'line')], labels: [] },
      },
      {
        text: `${piece.name}: let the seam ${inputs.amountMm > 0 ? 'out' : 'in'} there and run it into the old line at both ends; both panels together give ${amount}, so shared that both edges grow alike.`,
        drawing: { pieceId: piece.id, strokes: [start, result], labels: [] },
      },
      {
        text: `Walk the two edges along each other: they must end together.`,
        drawing: {
          pieceId: front.other.id,
          strokes: [
            outlineStroke(before, front.other.id, context.sizeId, 'outline'),
            outlineStroke(applied.garment, front.other.id, context.sizeId, 'result'),
          ],
          labels: [],
        },
      },
    ]
  }
  const apex = apexOfFront(front, context.sizeId).point
  const lines = spread ? [spread.slashes.armhole, spread.slashes.lower, spread.slashes.centre].map((p) => lineStroke(p, apex, 'line')) : []
  const dart = piece.darts.find((d) => d.id === dartId)
  const d = dart && dartFigures(piece, shape, dart)
  const drop = spread ? figure(distance(spread.apex, apex)) : ''
  return [
    ...(front.how === 'other-dart'
      ? [
          {
            text: `${piece.name}: first move the ${front.dart.name} to the side.`,
            drawing: { pieceId: piece.id, strokes: [outlineStroke(before, piece.id, context.sizeId, 'outline'), start], labels: [] },
          },
        ]
      : []),
    {
      text: `${piece.name}: rule from the armhole to the apex, from the apex straight down to the lower edge, square across to the centre, and through the middle of the side dart${d && d.intakeMm < 1 ? ' (where none is: straight across to the side)' : ''}.`,
      drawing: { pieceId: piece.id, strokes: [start, ...lines], labels: [{ at: apex, text: 'apex' }] },
    },
    {
      text: `${piece.name}: cut from below to the apex and on almost to the armhole, and from the side to the apex. Swing the part with the armhole until the cut stands ${amount} ${inputs.amountMm >= 0 ? 'open' : 'overlapped'} at the apex; keep the cut below it just as wide all the way. Tape.`,
      drawing: { pieceId: piece.id, strokes: [start, result], labels: spread ? [{ at: spread.apex, text: amount }] : [] },
    },
    {
      text: `${piece.name}: cut across to the centre and slide the lower centre ${inputs.amountMm >= 0 ? 'down' : 'up'} until the lower edge is level again; at the apex the paper has gone ${drop} in all. Redraw the lower edge. ${inputs.waist === 'side' ? `Take ${amount} out along the side below the dart.` : inputs.waist === 'dart' ? `Draw a dart of ${amount} below the apex.` : `The lower edge is ${amount} ${inputs.amountMm >= 0 ? 'wider' : 'narrower'}.`}`,
      drawing: { pieceId: piece.id, strokes: [start, result], labels: [] },
    },
    ...(dartId && spread ? finishSteps(applied.garment, piece.id, dartId, spread.apex, context.sizeId, ruler) : []),
  ]
}

export { proposeBust } from './apply'
export type { BustAmountInputs } from './schema'
