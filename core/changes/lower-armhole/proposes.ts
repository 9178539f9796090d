import type { Garment } from '../../pattern'
import { findArmholes, whyNoArmhole } from '../../seams'
import { bodyLengths } from '../../size'
import type { AskedByBody } from '../types'
import { applyLowerArmhole } from './apply'
import type { LowerArmholeInputs } from './schema'

/** An armhole that is off by less than this is left as its maker drew it, mm. */
const LEAST_MM = 3

/** The cap follows by its height; far beyond the printed sizes its width has to give too. */
const WAYS = ['height', 'both', 'width'] as const

/** How far the underarm lies from where the body wants it, with a little room below the arm, once lengths and widths are right. */
export function proposeArmhole(garmentNow: () => Garment, { context }: AskedByBody): { inputs: LowerArmholeInputs; note: string }[] {
  const garment = garmentNow()
  const row = bodyLengths(garment, context.body, context.sizing.wantedMm).find((r) => r.id === 'underarm-to-waist')
  if (!row || row.missingMm === null || Math.abs(row.missingMm) < LEAST_MM) return []
  if (whyNoArmhole(garment, findArmholes(garment))) return []
  const note = 'Underarm to waist: where the armhole lies under the arm, with room to move.'
  const ways = WAYS.map((cap): LowerArmholeInputs => ({ amountMm: -row.missingMm!, cap }))
  return [{ inputs: ways.find((inputs) => applyLowerArmhole(garment, inputs, context).ok) ?? ways[0]!, note }]
}
