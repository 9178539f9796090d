import { ok, refuse, type Result } from '../../result'
import type { Garment } from '../../pattern'
import { bodySides } from '../../seams'
import { defineChange } from '../define-change'
import { dragSide, hasSides, largestSide, sideHandles, zonesOnSides } from '../shared/side-drawing'
import { sideFields, titleOnSide } from '../shared/one-side'
import type { ChangeContext, Field } from '../types'
import { applyAddAtEdge } from './apply'
import { proposeRemainder } from './proposes'
import { readAddAtEdge } from './reads'
import { AddAtEdgeSchema, type AddAtEdgeInputs } from './schema'
import { addPaperSteps } from './paper-steps'

const KEYS = ['bustMm', 'waistMm', 'hipMm'] as const
const WORDS = { bust: 'At the bust', waist: 'At the waist', hip: 'At the hip' } as const

const beginAdd = (garment: Garment, context: ChangeContext): Result<AddAtEdgeInputs> =>
  hasSides(garment, context.sizeId)
    ? ok({ bustMm: 0, waistMm: 0, hipMm: 0 })
    : refuse('no-sides', 'garment', 'no side seam with a bust, waist or hip is found.', 'Name the side seams and the waist first.')

/** Craft 6.12: add at an edge. */
export const addAtEdge = defineChange({
  kind: 'add-at-edge',
  title: 'Add at the side seams',
  foundBy: [
    'add at an edge',
    'add width',
    'wider',
    'narrower',
    'too tight',
    'too loose',
    'take in',
    'let out',
    'side seam',
    'more room',
    'hip too tight',
    'waist too tight',
  ],
  does: 'Lets the side seams out or takes them in, by an amount at bust, waist and hip, alike on every piece.',
  holds: 'Side seams equal on front and back, corners where nothing is added, cap ease, grain.',
  schema: AddAtEdgeSchema,
  reads: readAddAtEdge,
  mayMend: { belly: 2, 'back-width': 1, seat: 3, 'full-seat': 2 },
  gives: ['bust', 'waist', 'hip'],
  phase: 'sides',
  sideOf: (inputs) => inputs.side,
  forOneSide: (inputs) => ({ ...inputs, bustMm: 2 * inputs.bustMm, waistMm: 2 * inputs.waistMm, hipMm: 2 * inputs.hipMm }),
  ofOneSide: true,
  proposes: (garmentNow, asked) => (hasSides(garmentNow(), asked.context.sizeId) ? proposeRemainder(garmentNow, asked) : []),
  takesOver: (_there, proposed) => proposed,
  ofPin(garment, pinned, side, context) {
    if (pinned.how !== 'side') return null
    const out = (mm: number) => (pinned.isOut ? mm : 0 - mm)
    const begun = beginAdd(garment, context)
    return begun.ok
      ? ok({
          bustMm: out(pinned.bustMm),
          waistMm: out(pinned.waistMm),
          hipMm: out(pinned.hipMm),
          ...(side === 'both' || bodySides(garment).size === 0 ? {} : { side }),
        })
      : begun
  },
  begin: beginAdd,
  fields: (garment) => [
    ...zonesOnSides(garment, garment.baseSizeId).map((z): Field => ({
      type: 'growth',
      key: `${z}Mm`,
      label: `${WORDS[z]}, each edge`,
      plus: 'Out',
      minus: 'In',
    })),
    ...sideFields(garment),
  ],
  describe(_garment, inputs) {
    const most = KEYS.reduce((a, b) => (Math.abs(inputs[b]) > Math.abs(inputs[a]) ? b : a))
    const way = inputs[most] === 0 ? 'Add at the side seams' : inputs[most] > 0 ? 'Let the sides out' : 'Take the sides in'
    return { title: titleOnSide(way, inputs.side), amountMm: inputs[most] }
  },
  apply: applyAddAtEdge,
  handles: (garment, inputs, _applied, context) => sideHandles(garment, inputs, context.sizeId),
  drag: (_garment, inputs, handleId, byMm) => dragSide(inputs, handleId, byMm),
  paperSteps: addPaperSteps,
  withLargest: (_garment, inputs, largestMm) => largestSide(inputs, largestMm),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, bustMm: amountMm / 4, waistMm: amountMm / 2, hipMm: amountMm }),
})

export type { AddAtEdgeInputs } from './schema'
