import { mix, scale, subtract, unit } from '../../geometry'
import type { Garment } from '../../pattern'
import { armholesWithSleeve, bicepPieces } from '../../seams'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { sideFields, titleOnSide } from '../shared/one-side'
import { applyBicepWidth, wayFor } from './apply'
import { bicepPaperSteps } from './paper-steps'
import { proposeBicep } from './proposes'
import { readBicepWidth } from './reads'
import { BicepWidthSchema, type BicepWidthInputs } from './schema'

const ARMHOLES = [
  { value: 'lower', label: 'lowered at the side seam' },
  { value: 'out', label: 'lowered and led outward in equal parts' },
  { value: 'stays', label: 'stays: the cap takes the ease' },
] as const

/** The same with another amount; an armhole that follows does so by the school for that amount. */
const withBicep = (garment: Garment, inputs: BicepWidthInputs, amountMm: number, sizeId: string): BicepWidthInputs => ({
  ...inputs,
  amountMm,
  armhole: inputs.armhole === 'stays' ? 'stays' : wayFor(garment, amountMm, sizeId),
})

/** Craft 6.10: fuller or slimmer bicep. */
export const bicepWidth = defineChange({
  kind: 'bicep-width',
  title: 'Fuller or slimmer bicep',
  foundBy: [
    'fuller bicep',
    'slimmer bicep',
    'full arms',
    'upper arm too tight',
    'sleeve too tight',
    'sleeve too wide',
    'sleeve drags across the upper arm',
    'cap pulls',
    'wider sleeve at the bicep',
    'bicep',
  ],
  does: 'Makes the sleeve wider or narrower at the bicep, fading to nothing at the wrist, and the armhole with it.',
  holds: 'Wrist, sleeve seams, cap ease of each half; each armhole takes half of what the cap grows by.',
  schema: BicepWidthSchema,
  reads: (wish, garment, context, begun) =>
    readBicepWidth(wish, garment, context, (amountMm) => {
      const first = begun()
      return first && { ...first, amountMm, armhole: wayFor(garment, amountMm, context.sizeId) }
    }),
  mayMend: { bicep: 0, 'arm-drags': 0 },
  gives: ['bicep'],
  givesMore: (garment, begun, missingMm, context) => ({
    ...begun,
    amountMm: missingMm,
    armhole: wayFor(garment, missingMm, context.sizeId),
  }),
  phase: 'widths',
  sideOf: (inputs) => inputs.side,
  proposes: proposeBicep,
  takesOver: (_there, proposed) => proposed,
  begin(garment) {
    const pairs = armholesWithSleeve(garment)
    return pairs.ok ? ok<BicepWidthInputs>({ amountMm: 0, armhole: 'lower' }) : pairs
  },
  fields: (garment) => {
    const pairs = armholesWithSleeve(garment)
    const widths = pairs.ok ? bicepPieces(garment, pairs.value[0]!, garment.baseSizeId).map((p) => p.widthMm) : []
    return [
      {
        type: 'growth',
        key: 'amountMm',
        label: 'Bicep, round the arm',
        plus: 'Fuller',
        minus: 'Slimmer',
        first: 'plus',
        nowMm: widths.reduce((a, b) => a + b, 0),
      },
      { type: 'choice', key: 'armhole', label: 'Armhole', options: [...ARMHOLES] },
      ...sideFields(garment),
    ]
  },
  withField(garment, inputs, key, value) {
    const set = { ...inputs, [key]: value }
    return key === 'amountMm' && inputs.armhole !== 'stays' ? { ...set, armhole: wayFor(garment, set.amountMm, garment.baseSizeId) } : set
  },
  describe: (_garment, inputs) => ({
    title: titleOnSide(
      inputs.amountMm === 0 ? 'Fuller or slimmer bicep' : inputs.amountMm > 0 ? 'Fuller bicep' : 'Slimmer bicep',
      inputs.side,
    ),
    amountMm: inputs.amountMm,
  }),
  apply: applyBicepWidth,
  handles(_garment, inputs, applied, context) {
    const pairs = armholesWithSleeve(applied.garment)
    if (!pairs.ok) return []
    const pieces = bicepPieces(applied.garment, pairs.value[0]!, context.sizeId)
    const widest = pieces.reduce((a, b) => (b.widthMm > a.widthMm ? b : a))
    const { first, last } = widest.line
    const axis = unit(subtract(last.point, first.point))
    const whole = pieces.reduce((sum, p) => sum + p.widthMm, 0)
    return [
      {
        id: 'amount',
        pieceId: widest.piece.id,
        at: last.point,
        axis,
        label: 'bicep',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
        line: { from: mix(first.point, last.point, 0), to: last.point },
        // Each end goes half of what its piece opens by.
        pace: widest.widthMm / whole / 2,
      },
      {
        id: 'amount-first',
        pieceId: widest.piece.id,
        at: first.point,
        axis: scale(axis, -1),
        label: 'bicep',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'level',
        pace: widest.widthMm / whole / 2,
      },
    ]
  },
  drag: (garment, inputs, _handle, byMm, context) => withBicep(garment, inputs, inputs.amountMm + byMm, context.sizeId),
  choices: (_garment, inputs) => ARMHOLES.map(({ value, label }) => ({ label: `armhole ${label}`, inputs: { ...inputs, armhole: value } })),
  paperSteps: bicepPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (garment, inputs, amountMm, context) => withBicep(garment, inputs, amountMm, context.sizeId),
})

export type { BicepWidthInputs } from './schema'
