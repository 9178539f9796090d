import { findArmholes, armholesWithSleeve, whyNoArmhole } from '../../seams'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { sideFields, titleOnSide } from '../shared/one-side'
import type { Field } from '../types'
import { applyForwardShoulder } from './apply'
import { forwardHandles } from './handles'
import { forwardPaperSteps } from './paper-steps'
import { readForwardShoulder, usualFor } from './reads'
import { ForwardShoulderSchema } from './schema'

/** Added across the back when nothing else is said, mm (craft 6.10). */
const USUAL_ACROSS_MM = 6

/** Craft 6.10: forward shoulder. */
export const forwardShoulder = defineChange({
  kind: 'shoulder-forward',
  title: 'Forward shoulder',
  foundBy: [
    'forward shoulder',
    'shoulder forward',
    'shoulder seam slants to the back',
    'shoulder seam too far back',
    'collar rides back',
    'front neckline chokes',
    'cap folds at the back',
    'move the shoulder seam forward',
  ],
  does: 'Moves the outer ends of the shoulder seams to the front, back and front armhole and the sleeve with them.',
  holds: 'Neck points, both shoulder lengths, front and back armhole together, cap ease of each half, bicep width.',
  schema: ForwardShoulderSchema,
  reads: (wish, _garment, _context, begun) => readForwardShoulder(wish, begun),
  mayMend: { 'collar-back': 1, 'sleeve-cap': 2, 'rounded-back': 2, 'rounded-shoulders': 1, 'sleeve-pitch': 1 },
  phase: 'widths',
  sideOf: (inputs) => inputs.side,
  begin(garment) {
    const none = whyNoArmhole(garment, findArmholes(garment))
    return none ?? ok({ amountMm: 0, sleeve: 'notch', acrossMm: USUAL_ACROSS_MM })
  },
  fields(garment): Field[] {
    const sleeve: Field = {
      type: 'choice',
      key: 'sleeve',
      label: 'Sleeve',
      options: [
        { value: 'notch', label: 'move its notch along the cap' },
        { value: 'slide', label: 'slide the whole cap' },
      ],
    }
    return [
      { type: 'growth', key: 'amountMm', label: 'Shoulder seam, at its end', plus: 'Forward', minus: 'Back', first: 'plus' },
      ...(armholesWithSleeve(garment).ok ? [sleeve] : []),
      { type: 'length', key: 'acrossMm', label: 'More across the back', hint: 'In the middle of the armhole; the front gives as much.' },
      ...sideFields(garment),
    ]
  },
  withField: (_garment, inputs, key, value) => {
    const set = { ...inputs, [key]: value }
    return key === 'amountMm' ? usualFor(set, set.amountMm) : set
  },
  describe: (_garment, inputs) => ({
    title: titleOnSide(inputs.amountMm < 0 ? 'Backward shoulder' : 'Forward shoulder', inputs.side),
    amountMm: inputs.amountMm,
  }),
  apply: applyForwardShoulder,
  handles: forwardHandles,
  drag: (_garment, inputs, _handle, byMm) => usualFor(inputs, inputs.amountMm + byMm),
  choices: (garment, inputs) =>
    armholesWithSleeve(garment).ok
      ? [
          { label: 'the notch alone', inputs: { ...inputs, sleeve: 'notch' as const } },
          { label: 'the whole cap slid', inputs: { ...inputs, sleeve: 'slide' as const } },
          { label: 'nothing across the back', inputs: { ...inputs, acrossMm: 0 } },
        ]
      : [],
  paperSteps: forwardPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (_garment, inputs, amountMm) => usualFor(inputs, amountMm),
})

export type { ForwardShoulderInputs } from './schema'
