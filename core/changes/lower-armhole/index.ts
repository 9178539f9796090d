import { tangentAt } from '../../geometry'
import { edgePath, shapeOf } from '../../pattern'
import { armholesWithSleeve, findArmholes, HALVES, underarmEnd, whyNoArmhole } from '../../seams'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { sideFields, titleOnSide } from '../shared/one-side'
import type { Field, Handle } from '../types'
import { applyLowerArmhole } from './apply'
import { lowerFor, proposeArmhole } from './proposes'
import { sumOfAmounts } from '../shared/sum-of-amounts'
import { readLowerArmhole } from './reads'
import { LowerArmholeSchema } from './schema'
import { lowerPaperSteps } from './paper-steps'

const CAPS = [
  { value: 'height', label: 'follows by its height' },
  { value: 'width', label: 'follows by its width at the bicep' },
  { value: 'both', label: 'follows by half of each' },
  { value: 'left', label: 'is left as it is' },
] as const

/** Craft 6.10: raise or lower an armhole. */
export const lowerArmhole = defineChange({
  kind: 'lower-armhole',
  title: 'Lower or raise the armhole',
  foundBy: [
    'lower the armhole',
    'raise the armhole',
    'deeper armhole',
    'higher armhole',
    'armhole cuts in',
    'armhole too tight under the arm',
    'armhole too low',
    'garment lifts with the arm',
    'armhole depth',
  ],
  does: 'Moves the underarm down or up the side seams, front and back alike, and the cap of the sleeve with it.',
  holds: 'Shoulders, side seams equal, hem, cap ease of each half where the cap follows.',
  schema: LowerArmholeSchema,
  reads: (wish, garment, context, begun) => readLowerArmhole(wish, begun, (mm, usual) => lowerFor(garment, usual, mm, context)),
  mayMend: { 'armhole-depth': 0 },
  proposes: proposeArmhole,
  takesOver: sumOfAmounts,
  gives: ['underarm-to-waist'],
  // The side grows by what the armhole is raised.
  givesMore: (_garment, begun, missingMm) => ({ ...begun, amountMm: -missingMm }),
  phase: 'widths',
  sideOf: (inputs) => inputs.side,
  begin(garment) {
    const none = whyNoArmhole(garment, findArmholes(garment))
    return none ?? ok({ amountMm: 0, cap: 'height' })
  },
  fields(garment): Field[] {
    const cap: Field = { type: 'choice', key: 'cap', label: 'The cap', options: [...CAPS] }
    return [
      { type: 'growth', key: 'amountMm', label: 'Underarm, along the side seam', plus: 'Lower', minus: 'Raise', first: 'plus' },
      ...(armholesWithSleeve(garment).ok ? [cap] : []),
      ...sideFields(garment),
    ]
  },
  describe: (_garment, inputs) => ({
    title: titleOnSide(
      inputs.amountMm === 0 ? 'Lower or raise the armhole' : inputs.amountMm > 0 ? 'Lower the armhole' : 'Raise the armhole',
      inputs.side,
    ),
    amountMm: inputs.amountMm,
  }),
  apply: applyLowerArmhole,
  handles: (garment, inputs, applied, context): Handle[] =>
    findArmholes(garment)
      .slice(0, 1)
      .flatMap((armhole) =>
        HALVES.map((half, i): Handle => {
          const { piece, side } = underarmEnd(applied.garment, armhole[half])
          const path = edgePath(shapeOf(piece, context.sizeId), side[0]!.edgeId)
          const last = path[path.length - 1]!
          const t = side[0]!.reversed ? tangentAt(last, 1) : tangentAt(path[0]!, 0)
          return {
            id: half,
            pieceId: piece.id,
            at: side[0]!.reversed ? last.to : path[0]!.from,
            axis: side[0]!.reversed ? { x: -t.x, y: -t.y } : t,
            label: 'underarm',
            valueMm: inputs.amountMm,
            isGrowth: true,
            kind: i === 0 ? 'amount' : 'level',
          }
        }),
      ),
  drag: (_garment, inputs, _handle, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  choices: (garment, inputs) =>
    armholesWithSleeve(garment).ok
      ? CAPS.map(({ value, label }) => ({ label: `the cap ${label}`, inputs: { ...inputs, cap: value } }))
      : [],
  paperSteps: lowerPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { LowerArmholeInputs } from './schema'
