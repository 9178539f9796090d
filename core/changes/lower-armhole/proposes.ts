import { findRoot } from '../../geometry'
import { keepSizes, type Garment } from '../../pattern'
import { findArmholes, HALVES, runLength, whyNoArmhole } from '../../seams'
import { bodyLengths } from '../../size'
import { LENGTH_FOUND_MM } from '../../tolerances'
import type { AskedByBody, ChangeContext } from '../types'
import { applyLowerArmhole, canLower } from './apply'
import type { LowerArmholeInputs } from './schema'

/** An armhole that is off by less than this is left as its maker drew it, mm. */
const LEAST_MM = 3

/** The cap follows by its height; far beyond the printed sizes its width has to give too. */
const WAYS = ['height', 'both', 'width'] as const

/** So far down, or up, the underarm is looked for, mm, as far as the sides and the cap bear it; further would be another armhole. */
const LOOKED_FOR_MM = [60, 40, 25, 12]

/**
 * The underarm so far down that an armhole is so much longer round, front and back together; up where that is less than nothing.
 * @returns null where the sides or the cap have no room for it
 */
export function lowerFor(garment: Garment, begun: LowerArmholeInputs, longerMm: number, context: ChangeContext): LowerArmholeInputs | null {
  const [armhole] = findArmholes(garment)
  if (!armhole || longerMm === 0) return null
  const roundMm = (g: Garment) => HALVES.reduce((sum, half) => sum + runLength(g, armhole[half], context.sizeId), 0)
  const wantedMm = roundMm(garment) + longerMm
  // The size that is cut: the others follow by the same figure.
  const cut = keepSizes(garment, [context.sizeId])
  const off = (amountMm: number): number => {
    const done = applyLowerArmhole(cut, { ...begun, amountMm }, context)
    return done.ok ? roundMm(done.value.garment) - wantedMm : Number.NaN
  }
  const way = Math.sign(longerMm)
  const farMm = LOOKED_FOR_MM.map((mm) => way * mm).find((mm) => way * off(mm) >= 0)
  const amountMm = farMm === undefined ? null : findRoot(off, Math.min(0, farMm), Math.max(0, farMm), LENGTH_FOUND_MM)
  return amountMm === null ? null : { ...begun, amountMm }
}

/** How far the underarm lies from where the body wants it, with a little room below the arm, once lengths and widths are right. */
export function proposeArmhole(garmentNow: () => Garment, { context }: AskedByBody): { inputs: LowerArmholeInputs; note: string }[] {
  const garment = garmentNow()
  const row = bodyLengths(garment, context.body, context.sizing.wantedMm).find((r) => r.id === 'underarm-to-waist')
  if (!row || row.missingMm === null || Math.abs(row.missingMm) < LEAST_MM) return []
  if (whyNoArmhole(garment, findArmholes(garment))) return []
  const note = 'Underarm to waist: where the armhole lies under the arm, with room to move.'
  const ways = WAYS.map((cap): LowerArmholeInputs => ({ amountMm: -row.missingMm!, cap }))
  return [{ inputs: ways.find((inputs) => canLower(garment, inputs)) ?? ways[0]!, note }]
}
