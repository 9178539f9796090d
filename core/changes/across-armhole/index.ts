import { add, scale } from '../../geometry'
import { frontsOf } from '../../measure'
import { cornerPoint, grainDirection, shapeOf, type Garment } from '../../pattern'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { acrossOf, goodPlace } from '../shared/across'
import { armholeAsSewn } from '../shared/as-sewn'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import type { Handle } from '../types'
import { applyAcrossArmhole, noHalf } from './apply'
import { acrossPaperSteps } from './paper-steps'
import { proposeAcross } from './proposes'
import { readAcross } from './reads'
import { AcrossArmholeSchema, type AcrossArmholeInputs } from './schema'

const HALF_OPTIONS = [
  { value: 'front', label: 'the front' },
  { value: 'back', label: 'the back' },
] as const

/** Inputs for a half, without an amount; null where that half cannot change alone. */
function inputsOn(garment: Garment, half: AcrossArmholeInputs['half']): AcrossArmholeInputs | null {
  const [across] = acrossOf(garment, half)
  return across ? { half, belowMm: goodPlace(garment, across).belowMm, amountMm: 0 } : null
}

/** Craft 6.1 and 6.10: one half of the body longer or shorter between shoulder and underarm. */
export const acrossArmhole = defineChange({
  kind: 'across-armhole',
  title: 'Lengthen or shorten across the armhole',
  foundBy: [
    'front too long above the bust',
    'front too long in the chest',
    'hollow chest',
    'sunken chest',
    'folds across the upper chest',
    'upper back too short',
    'upper chest',
  ],
  does: 'Takes length out across the front or the back between shoulder and underarm, or puts it in; the cap of the sleeve follows.',
  holds: 'The other half, the side seam, neckline and shoulder, the waist and all below it, cap ease of each half.',
  schema: AcrossArmholeSchema,
  reads: (wish, garment) =>
    readAcross(
      wish,
      (half) => inputsOn(garment, half),
      frontsOf(garment).every((f) => f.how !== 'side-dart'),
    ),
  mayMend: { 'rounded-back': 2, 'erect-back': 2, 'rounded-shoulders': 3, 'collar-back': 3, 'hollow-chest': 1 },
  gives: ['front-to-waist'],
  takesOver: (there, proposed) => (there.half === proposed.half ? sumOfAmounts(there, proposed) : null),
  proposes: proposeAcross,
  phase: 'widths',
  begin(garment) {
    const begun = inputsOn(garment, 'front') ?? inputsOn(garment, 'back')
    return begun ? ok(begun) : noHalf(garment)
  },
  withField(garment, inputs, key, value) {
    const set = { ...inputs, [key]: value }
    if (key !== 'half') return set
    const on = inputsOn(garment, set.half)
    return on ? { ...on, amountMm: set.amountMm } : set
  },
  fields: () => [
    { type: 'choice', key: 'half', label: 'On', options: [...HALF_OPTIONS] },
    { type: 'growth', key: 'amountMm', label: 'Between shoulder and underarm', plus: 'Longer', minus: 'Shorter' },
    { type: 'length', key: 'belowMm', label: 'The line below the shoulder’s end' },
  ],
  describe(_garment, { half, amountMm }) {
    const what = amountMm === 0 ? 'Lengthen or shorten' : amountMm > 0 ? 'Lengthen' : 'Shorten'
    return { title: `${what} the ${half} across the armhole`, amountMm }
  },
  apply: applyAcrossArmhole,
  handles(garment, inputs, _applied, context): Handle[] {
    const [across] = acrossOf(garment, inputs.half)
    if (!across) return []
    const { piece, cornerId, reachMm } = across
    const shape = shapeOf(piece, context.sizeId)
    const axis = grainDirection(shape)
    const place = cornerPoint(piece, shape, cornerId)!
    const at = (mm: number) => add(place, scale(axis, mm))
    return [
      {
        id: 'amount',
        pieceId: piece.id,
        at: at(reachMm + inputs.amountMm),
        axis,
        label: inputs.half,
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
      {
        id: 'below',
        pieceId: piece.id,
        at: at(inputs.belowMm),
        axis,
        label: 'line',
        valueMm: inputs.belowMm,
        isGrowth: false,
        kind: 'level',
      },
    ]
  },
  drag: (_garment, inputs, handleId, byMm) =>
    handleId === 'below' ? { ...inputs, belowMm: inputs.belowMm + byMm } : { ...inputs, amountMm: inputs.amountMm + byMm },
  paperSteps: acrossPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { AcrossArmholeInputs } from './schema'
