import type { Garment, RunEdge } from '../../pattern'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import { holdSeams, holdTheRest } from '../shared/held'
import type { ChangeContext, HeldPromise } from '../types'
import type { ArmholeToCapInputs } from './schema'

/**
 * Ease of front and back as the pattern had it as bought, and so much more; the sleeve’s own seams; every edge that was not redrawn.
 * @param redrawn the armholes and the side seams below them
 */
export function heldByArmholes(
  before: Garment,
  after: Garment,
  inputs: ArmholeToCapInputs,
  redrawn: readonly RunEdge[],
  { sizeId, bought = before }: ChangeContext,
): HeldPromise[] {
  const sizeBought = bought.sizes.some((s) => s.id === sizeId) ? sizeId : bought.baseSizeId
  return [
    ...heldByPairs(before, after, sizeId, {
      more: { front: inputs.frontMm, back: inputs.backMm },
      easeOf: { garment: bought, sizeId: sizeBought },
    }),
    ...holdSeams(before, after, sizeId, sleeveSeams(before)),
    ...holdTheRest(before, after, redrawn, sizeId),
  ]
}
