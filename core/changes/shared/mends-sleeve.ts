import type { Garment } from '../../pattern'
import { armholesWithSleeve } from '../../seams'
import type { Mismatch } from '../types'

/**
 * What to try where the seam of a sleeve, or a mark on it, is off: the ease as bought, and, where the pattern as bought was off
 * itself, ease in the middle of what is wanted.
 *
 * @param tries inputs with so much ease beyond that of the pattern, front and back, mm
 * @returns none where the mismatch is no sleeve’s, else one list
 */
export function mendsSleeve<I>(garment: Garment, mismatch: Mismatch, tries: (frontMm: number, backMm: number) => I[]): I[][] {
  if (mismatch.what !== 'seam' && mismatch.what !== 'mark') return []
  const { seam, surplusMm } = mismatch.seam
  const pairs = armholesWithSleeve(garment)
  const pair = pairs.ok ? pairs.value.find((p) => p.sleeve.seam.id === seam.id) : undefined
  if (!pair) return []
  const { minMm, maxMm } = seam.wantedEase
  const sign = pair.sleeve.side === 0 ? 1 : -1
  const moreMm = (sign * ((minMm + maxMm) / 2 - surplusMm)) / 2
  return [[...tries(0, 0), ...tries(moreMm, moreMm)]]
}
