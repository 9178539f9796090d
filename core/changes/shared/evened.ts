import { surplusOf, type Garment, type Seam } from '../../pattern'
import { SEAM_KEPT_MM } from '../../tolerances'

/** The wanted ease that lies nearest to a surplus, mm. */
export const nearestWanted = ({ wantedEase: { minMm, maxMm } }: Seam, surplusMm: number): number =>
  Math.min(Math.max(surplusMm, minMm), maxMm)

/** Was this seam off its wanted ease before, and is it on it now? Such a change mends it: its sides are not to differ as before. */
export function isEvened(before: Garment, after: Garment, seam: Seam, sizeId: string): boolean {
  const off = (garment: Garment) => {
    const surplus = surplusOf(garment, seam, sizeId)
    return Math.abs(surplus - nearestWanted(seam, surplus))
  }
  return off(before) > SEAM_KEPT_MM && off(after) <= SEAM_KEPT_MM
}
