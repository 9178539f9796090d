import { armholesWithSleeve, measureArmhole } from '../../seams'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { dragEase, easeHandles } from '../shared/ease-handles'
import { mendsSleeve } from '../shared/mends-sleeve'
import type { Field } from '../types'
import { applyCapToArmhole } from './apply'
import { capPaperSteps } from './paper-steps'
import { readCap } from './reads'
import { CapToArmholeSchema, type CapToArmholeInputs } from './schema'

const WAYS = [
  { value: 'height', label: 'its height' },
  { value: 'width', label: 'its width at the bicep' },
  { value: 'both', label: 'half by each' },
] as const

const AS_BOUGHT: CapToArmholeInputs = { way: 'height', frontMm: 0, backMm: 0 }

/** Craft 6.10: the cap follows the armhole. */
export const capToArmhole = defineChange({
  kind: 'cap-to-armhole',
  title: 'Make the cap follow the armhole',
  foundBy: [
    'cap follows the armhole',
    'sleeve does not fit the armhole',
    'cap too long for the armhole',
    'cap too short for the armhole',
    'cap ease',
    'more cap ease',
    'less cap ease',
    'redraw the sleeve cap',
    'higher cap',
  ],
  does: 'Draws the cap of the sleeve anew so that it fits its armhole again, front and back.',
  holds: 'Ease of front and back cap each, sleeve seams, wrist, the cap’s directions at its ends, notches.',
  schema: CapToArmholeSchema,
  reads: (wish, garment, context, begun) => readCap(wish, garment, context, begun()),
  mayMend: { 'sleeve-cap': 1 },
  phase: 'true',
  begin(garment) {
    const pairs = armholesWithSleeve(garment)
    return pairs.ok ? ok(AS_BOUGHT) : pairs
  },
  fields(garment): Field[] {
    const pairs = armholesWithSleeve(garment)
    const ease = pairs.ok ? measureArmhole(garment, pairs.value[0]!, garment.baseSizeId).ease : { front: 0, back: 0 }
    return [
      { type: 'choice', key: 'way', label: 'What gives', options: [...WAYS] },
      { type: 'growth', key: 'frontMm', label: 'Ease in front, beyond as bought', plus: 'More', minus: 'Less', nowMm: ease.front },
      { type: 'growth', key: 'backMm', label: 'Ease at the back, beyond as bought', plus: 'More', minus: 'Less', nowMm: ease.back },
    ]
  },
  describe: (_garment, inputs) => ({
    title: 'Cap follows the armhole',
    amountMm: inputs.frontMm + inputs.backMm === 0 ? null : inputs.frontMm + inputs.backMm,
  }),
  mends: (garment, mismatch) =>
    mendsSleeve(garment, mismatch, (frontMm, backMm) => WAYS.map(({ value }): CapToArmholeInputs => ({ way: value, frontMm, backMm }))).map(
      (tries) => ({ label: 'Let the cap follow the armhole', note: 'The cap drawn anew for the armhole, its ease as bought.', tries }),
    ),
  apply: applyCapToArmhole,
  handles: (_garment, inputs, applied, context) => easeHandles(applied.garment, inputs, 'cap', context.sizeId),
  drag: (_garment, inputs, handleId, byMm) => dragEase(inputs, handleId, byMm),
  choices: (_garment, inputs) =>
    WAYS.map(({ value, label }) => ({ label: `by ${label.replace('its ', '')}`, inputs: { ...inputs, way: value } })),
  paperSteps: capPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
})

export type { CapToArmholeInputs } from './schema'
