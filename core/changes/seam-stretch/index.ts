import { add, scale } from '../../geometry'
import { ok, refuse } from '../../result'
import { lengthOfSide, placeOnSeam, sidesOfSeam } from '../../seams'
import type { Garment } from '../../pattern'
import { defineChange } from '../define-change'
import { applySeamStretch } from './apply'
import { findSeams, refOfSeam, seamOf, seamOfRef } from './find-seams'
import { seamStretchSteps } from './paper-steps'
import { usualStretch } from './places'
import { proposeLegs } from './proposes'
import { readSeamStretch } from './reads'
import { SeamStretchSchema } from './schema'

const noSeam = () =>
  refuse('no-seam', 'garment', 'no seam that runs down the body or a limb is found.', 'Name the edges of its pieces first.')

/** Craft 9: a seam taken in or let out along a stretch, as it is pinned. */
export const seamStretch = defineChange({
  kind: 'seam-stretch',
  title: 'Take in or let out part of a seam',
  foundBy: [
    'part of a seam',
    'centre back seam',
    'inseam',
    'crotch point',
    'fuller thigh',
    'princess seam',
    'panel seam',
    'pinned along a seam',
  ],
  does: 'Moves both edges of one seam in or out along a stretch, deepest at one place and running out above and below.',
  holds: 'Everything beyond the stretch, seams as equal as before, cap ease, grain.',
  schema: SeamStretchSchema,
  reads: (wish, garment, context) => readSeamStretch(wish, garment, context),
  mayMend: { 'back-width': 4, seat: 5, 'flat-seat': 2, 'straight-leg': 2, hip: 1 },
  gives: ['thigh', 'knee'],
  proposes: proposeLegs,
  phase: 'sides',
  ofPin(garment, pinned) {
    if (pinned.how !== 'seam') return null
    const { pieceId, edgeId, atMm, aboveMm, belowMm, mm, isOut } = pinned
    const found = seamOf(garment, pieceId, edgeId)
    if (!found) return refuse('no-seam', 'garment', 'that seam has gone, or it is a fold.', 'Choose another seam.')
    return ok({ seam: refOfSeam(found), atMm, aboveMm, belowMm, amountMm: isOut ? mm : 0 - mm })
  },
  begin(garment, context) {
    const first = findSeams(garment)[0]
    return first ? ok(usualStretch(garment, first, context.sizeId)) : noSeam()
  },
  withField(garment, inputs, key, value) {
    const seam = key === 'seam' ? seamOfRef(garment, String(value)) : undefined
    return seam ? { ...usualStretch(garment, seam, garment.baseSizeId), amountMm: inputs.amountMm } : { ...inputs, [key]: value }
  },
  fields: (garment) => [
    { type: 'choice', key: 'seam', label: 'Seam', options: findSeams(garment).map((s) => ({ value: refOfSeam(s), label: s.name })) },
    { type: 'growth', key: 'amountMm', label: 'Each edge, where it is deepest', plus: 'Out', minus: 'In' },
    { type: 'length', key: 'atMm', label: 'Deepest so far below the upper end', hint: 'Along the seam.' },
    {
      type: 'length',
      key: 'aboveMm',
      label: 'Runs out above over',
      hint: 'To nothing. Beyond the end of the seam, its corner goes along.',
    },
    { type: 'length', key: 'belowMm', label: 'Runs out below over' },
  ],
  describe(garment, inputs) {
    const name = seamOfRef(garment, inputs.seam)?.name ?? 'a seam'
    const way = inputs.amountMm < 0 ? 'Take in part of the' : inputs.amountMm > 0 ? 'Let out part of the' : 'Take in or let out part of the'
    const isAtPoint = inputs.atMm === 0 && seamOfRef(garment, inputs.seam)?.edge.role === 'inseam'
    if (isAtPoint) return { title: `${way.replace('part of the', 'the')} inseam at the crotch point`, amountMm: inputs.amountMm }
    return { title: `${way} ${seamWords(name)}`, amountMm: inputs.amountMm }
  },
  apply: applySeamStretch,
  handles(garment: Garment, inputs, _applied, context) {
    const found = seamOfRef(garment, inputs.seam)
    if (!found) return []
    const side = sidesOfSeam(garment, found.piece.id, found.edge.id, context.sizeId)[0]!
    const { pieceId, point, out } = placeOnSeam(
      garment,
      side,
      Math.min(inputs.atMm, lengthOfSide(garment, side, context.sizeId)),
      context.sizeId,
    )
    return [
      {
        id: 'amountMm',
        pieceId,
        at: add(point, scale(out, inputs.amountMm)),
        axis: out,
        label: 'deepest',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: seamStretchSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

/** A seam as one speaks of it. */
const seamWords = (name: string): string => (name.includes('seam') ? name : name.replace(/^[^,]+/, (own) => `${own} seam`))

export type { SeamStretchInputs } from './schema'
