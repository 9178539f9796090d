import type { Garment } from '../../pattern'
import { bodyLengths } from '../../size'
import type { AskedByBody } from '../types'
import { findHem } from './find-hem'
import type { UnevenHemInputs } from './schema'

/** Less than this at a hem is left as it is, mm. */
const LEAST_MM = 3

const KEYS = { 'waist-to-hem-front': 'centreFrontMm', 'waist-to-hem-side': 'sideMm', 'waist-to-hem-back': 'centreBackMm' } as const

/** Where the hem is wanted at centre front, side and centre back, less where the pieces end: in one stop, after all else. */
export function proposeHem(garmentNow: () => Garment, { context }: AskedByBody): { inputs: UnevenHemInputs; note: string }[] {
  const garment = garmentNow()
  if (findHem(garment, context.sizeId).length === 0) return []
  const inputs: UnevenHemInputs = { centreFrontMm: 0, sideMm: 0, centreBackMm: 0 }
  for (const row of bodyLengths(garment, context.body, context.sizing.wantedMm)) {
    const key = KEYS[row.id as keyof typeof KEYS]
    if (key && row.missingMm !== null) inputs[key] = row.missingMm
  }
  if (Object.values(inputs).every((mm) => Math.abs(mm) < LEAST_MM)) return []
  return [{ inputs, note: 'Waist to hem, as wanted at centre front, side and centre back.' }]
}
