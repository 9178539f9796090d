import { readMoveNotch } from './reads'
import { mendNotches } from './mends'
import { placeAt } from '../../geometry'
import { edgePath, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import type { Handle } from '../types'
import { applyMoveNotch } from './apply'
import { notchesOf, notchOnEdge } from './find-notch'
import { MoveNotchSchema } from './schema'
import { moveNotchPaperSteps } from './paper-steps'

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
