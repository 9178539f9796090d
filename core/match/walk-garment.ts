import type { Garment } from '../pattern'
import { DEFAULT_TOLERANCES, type Tolerances, type WalkedCorner, type WalkedGarment } from './types'
import { walkDarts, walkDoubleDarts, walkFolds } from './walk-darts'
import { walkSeam } from './walk-seam'

/**
 * Walks every seam, dart and fold of a garment in one size, on the seam lines.
 * @returns figures and verdicts only; listFaults puts them into words
 */
export function walkGarment(garment: Garment, sizeId: string, tolerances: Tolerances = DEFAULT_TOLERANCES): WalkedGarment {
  return {
    seams: garment.seams.map((s) => walkSeam(garment, s, sizeId, tolerances)),
    darts: [...walkDarts(garment, sizeId, tolerances), ...walkDoubleDarts(garment, sizeId, tolerances)],
    folds: walkFolds(garment, sizeId, tolerances),
  }
}

/** Every place where a sewn edge runs through a seam, a closed dart or a fold. */
export function cornersAsSewn(walked: WalkedGarment): WalkedCorner[] {
  return [...walked.seams.flatMap((s) => s.corners), ...walked.darts.flatMap((d) => d.corner ?? []), ...walked.folds.map((f) => f.corner)]
}
