import { armholesWithSleeve, measureArmhole } from '../../seams'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { dragEase, easeHandles } from '../shared/ease-handles'
import { mendsSleeve } from '../shared/mends-sleeve'
import { readsPair } from '../shared/reading/pairs'
import type { Field } from '../types'
import { applyArmholeToCap } from './apply'
import { armholePaperSteps } from './paper-steps'
import { ArmholeToCapSchema, type ArmholeToCapInputs } from './schema'

const WAYS = [
  { value: 'lower', label: 'lower at the side seam' },
  { value: 'out', label: 'lower and outward in equal parts' },
] as const

/** Craft 6.10: the armhole follows the cap. */
export const armholeToCap = defineChange({
  kind: 'armhole-to-cap',
  title: 'Make the armhole follow the cap',
  foundBy: ['armhole follows the cap', 'armhole too short for the cap', 'armhole too long for the cap', 'fit the armhole to the sleeve'],
  does: 'Moves the underarm until the armhole fits its cap again, front and back.',
  holds: 'Ease of front and back each, shoulder, side seams equal, hem.',
  schema: ArmholeToCapSchema,
  reads: (wish, _garment, _context, begun) => readsPair(wish, 'armhole', begun()),
  mayMend: { 'sleeve-cap': 2 },
  phase: 'true',
  begin(garment) {
    const pairs = armholesWithSleeve(garment)
    return pairs.ok ? ok({ way: 'lower' as const, frontMm: 0, backMm: 0 }) : pairs
  },
  fields(garment): Field[] {
    const pairs = armholesWithSleeve(garment)
    const ease = pairs.ok ? measureArmhole(garment, pairs.value[0]!, garment.baseSizeId).ease : { front: 0, back: 0 }
    return [
      { type: 'choice', key: 'way', label: 'Underarm', options: [...WAYS] },
      { type: 'growth', key: 'frontMm', label: 'Ease in front, beyond as bought', plus: 'More', minus: 'Less', nowMm: ease.front },
      { type: 'growth', key: 'backMm', label: 'Ease at the back, beyond as bought', plus: 'More', minus: 'Less', nowMm: ease.back },
    ]
  },
  describe: (_garment, inputs) => ({
    title: 'Armhole follows the cap',
    amountMm: inputs.frontMm + inputs.backMm === 0 ? null : inputs.frontMm + inputs.backMm,
  }),
  mends: (garment, mismatch) =>
    mendsSleeve(garment, mismatch, (frontMm, backMm) => WAYS.map(({ value }): ArmholeToCapInputs => ({ way: value, frontMm, backMm }))).map(
      (tries) => ({ label: 'Let the armhole follow the cap', note: 'The armhole drawn anew for the cap, its ease as bought.', tries }),
    ),
  apply: applyArmholeToCap,
  handles: (_garment, inputs, applied, context) => easeHandles(applied.garment, inputs, 'armhole', context.sizeId),
  drag: (_garment, inputs, handleId, byMm) => dragEase(inputs, handleId, byMm),
  choices: (_garment, inputs) => WAYS.map(({ value, label }) => ({ label, inputs: { ...inputs, way: value } })),
  paperSteps: armholePaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
})

export type { ArmholeToCapInputs } from './schema'
