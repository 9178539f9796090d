import type { Garment } from '../../pattern'
import { heldByPairs } from '../shared/held-pairs'
import type { ChangeContext, HeldPromise } from '../types'
import type { CapToArmholeInputs } from './schema'

/** Ease of front and back as the pattern had it as bought, and so much more or less. */
export function heldByCaps(
  before: Garment,
  after: Garment,
  inputs: CapToArmholeInputs,
  { sizeId, bought = before }: ChangeContext,
): HeldPromise[] {
  const sizeBought = bought.sizes.some((s) => s.id === sizeId) ? sizeId : bought.baseSizeId
  return heldByPairs(before, after, sizeId, {
    more: { front: inputs.frontMm, back: inputs.backMm },
    easeOf: { garment: bought, sizeId: sizeBought },
  })
}
