import { ok } from '../../result'
import { findArmholes, whyNoArmhole } from '../../seams'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import type { Handle } from '../types'
import { applyAcrossWidth } from './apply'
import { halvesOf, middleOf } from './middle'
import { acrossWidthPaperSteps } from './paper-steps'
import { readAcrossWidth } from './reads'
import { AcrossWidthSchema } from './schema'

/** Each of the two armholes goes half of what both give. */
const HALF = 0.5

const HALF_OPTIONS = [
  { value: 'back', label: 'the back' },
  { value: 'front', label: 'the chest' },
] as const

/** Craft 6.10: more or less across the back, or the chest, between the armholes. */
export const acrossWidth = defineChange({
  kind: 'across-width',
  title: 'Broader or narrower between the armholes',
  foundBy: ['broad back', 'narrow back', 'tight across the back', 'across the shoulder blades', 'back width', 'chest width', 'broad chest'],
  does: 'Moves the middle of the armholes out or in across the back or the chest, fading to nothing at both ends; the cap follows.',
  holds: 'Shoulders, side seams, the other half, cap ease of each half; no armhole bends back.',
  schema: AcrossWidthSchema,
  reads: (wish, garment) => readAcrossWidth(wish, (half) => halvesOf(garment, half).length > 0),
  mayMend: { 'back-width': 0 },
  takesOver: (there, proposed) => (there.half === proposed.half ? sumOfAmounts(there, proposed) : null),
  phase: 'widths',
  begin(garment) {
    const none = whyNoArmhole(garment, findArmholes(garment))
    return none ?? ok({ half: 'back', amountMm: 0 })
  },
  fields: () => [
    { type: 'choice', key: 'half', label: 'Across', options: [...HALF_OPTIONS] },
    { type: 'growth', key: 'amountMm', label: 'Across the body', plus: 'Broader', minus: 'Narrower' },
  ],
  describe(_garment, { half, amountMm }) {
    const what = half === 'back' ? 'back' : 'chest'
    return { title: amountMm === 0 ? `Width across the ${what}` : `${amountMm > 0 ? 'Broader' : 'Narrower'} ${what}`, amountMm }
  },
  apply: applyAcrossWidth,
  handles: (garment, inputs, applied, context): Handle[] =>
    halvesOf(garment, inputs.half)
      .slice(0, 1)
      .map((runs) => {
        const { at, out, pieceId } = middleOf(applied.garment, runs, context.sizeId)
        return {
          id: 'middle',
          pieceId,
          at,
          axis: out,
          label: inputs.half,
          valueMm: inputs.amountMm,
          isGrowth: true,
          kind: 'amount',
          pace: HALF,
        }
      }),
  drag: (_garment, inputs, _handle, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: acrossWidthPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { AcrossWidthInputs } from './schema'
