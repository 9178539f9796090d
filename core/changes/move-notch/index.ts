import { readMoveNotch } from './reads'
import { mendNotches } from './mends'
import { placeAt } from '../../geometry'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { Handle, PaperStep, StepInput } from '../types'
import { applyMoveNotch } from './apply'
import { notchesOf, notchOnEdge } from './find-notch'
import { MoveNotchSchema, type MoveNotchInputs } from './schema'

/** Half the length of a notch as it is drawn beside a step, mm. */
const TICK_MM = 9

/** Craft 7: notches meet. */
export const moveNotch = defineChange({
  kind: 'move-notch',
  title: 'Move a notch',
  foundBy: ['notch', 'move a notch', 'notches do not meet', 'mark', 'notch off'],
  does: 'Moves a notch along its edge, so that it meets its partner.',
  holds: 'Every line of the piece.',
  schema: MoveNotchSchema,
  reads: readMoveNotch,
  phase: 'true',
  mends: mendNotches,
  begin(garment, context) {
    const all = notchesOf(garment)
    if (all.length === 0) return refuse('no-notch', 'garment', 'it has no notches.', 'Set notches when the pieces are taken in.')
    const room = (n: (typeof all)[number]) => {
      const { atMm, edgeMm } = notchOnEdge(n, context.sizeId)
      return Math.min(atMm, edgeMm - atMm)
    }
    return ok({ notch: all.reduce((a, b) => (room(b) > room(a) ? b : a)).ref, byMm: 0 })
  },
  fields: (garment) => [
    {
      type: 'choice',
      key: 'notch',
      label: 'Which notch',
      options: notchesOf(garment).map((n) => ({ value: n.ref, label: `${n.piece.name}, ${n.edge.name}: ${n.notch.name}` })),
    },
    { type: 'growth', key: 'byMm', label: 'How far along its edge', plus: 'Clockwise', minus: 'Back' },
  ],
  describe(garment, inputs) {
    const found = notchesOf(garment).find((n) => n.ref === inputs.notch)
    return { title: found ? `Move notch “${found.notch.name}” on ${found.piece.name}` : 'Move a notch', amountMm: inputs.byMm }
  },
  apply: applyMoveNotch,
  handles(_garment, inputs, applied, context): Handle[] {
    const found = notchesOf(applied.garment).find((n) => n.ref === inputs.notch)!
    const { point, tangent } = placeAt(
      edgePath(shapeOf(found.piece, context.sizeId), found.edge.id),
      notchOnEdge(found, context.sizeId).atMm,
    )
    return [
      {
        id: 'notch',
        pieceId: found.piece.id,
        at: point,
        axis: tangent,
        label: 'notch',
        valueMm: inputs.byMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, byMm: inputs.byMm + byMm }),
  paperSteps: moveNotchPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, byMm: amountMm }),
})

/** Pencil and ruler: measure from the end of the edge, mark, take the old mark away. */
function moveNotchPaperSteps({ before, inputs, applied, context, ruler }: StepInput<MoveNotchInputs>): PaperStep[] {
  const was = notchesOf(before).find((n) => n.ref === inputs.notch)!
  const is = notchesOf(applied.garment).find((n) => n.ref === inputs.notch)!
  const path = edgePath(shapeOf(findPiece(before, was.piece.id)!, context.sizeId), was.edge.id)
  const tick = (atMm: number, kind: 'line' | 'result') => {
    const { point: p, tangent: t } = placeAt(path, atMm)
    return lineStroke({ x: p.x - t.y * TICK_MM, y: p.y + t.x * TICK_MM }, { x: p.x + t.y * TICK_MM, y: p.y - t.x * TICK_MM }, kind)
  }
  const from = notchOnEdge(was, context.sizeId).atMm
  const to = notchOnEdge(is, context.sizeId).atMm
  const figure = (mm: number) => formatLength(mm, ruler)
  return [
    {
      text: `${was.piece.name}: on the seam line of the ${was.edge.name}, measure ${figure(Math.abs(inputs.byMm))} from notch “${was.notch.name}” ${inputs.byMm > 0 ? 'on, clockwise round the piece' : 'back, against the clock'}, and mark the new notch there: ${figure(to)} from the start of the edge (before: ${figure(from)}).`,
      drawing: {
        pieceId: was.piece.id,
        strokes: [outlineStroke(before, was.piece.id, context.sizeId, 'outline'), tick(from, 'line'), tick(to, 'result')],
        labels: [{ at: placeAt(path, to).point, text: figure(to) }],
      },
    },
    { text: 'Cross the old notch out, also in the seam allowance.', drawing: null },
    { text: 'Walk the seam once more: the notch must meet its partner.', drawing: null },
  ]
}
