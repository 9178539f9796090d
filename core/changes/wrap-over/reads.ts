import type { Wish } from '../../wishes'
import { oneAmount, says, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { WrapOverInputs } from './schema'

/** Craft 6.13 as it is said: “wrap front”, “make the front cross over by 4”, “more overlap”. */
export function readWrapOver(wish: Wish, begun: () => WrapOverInputs | null): Reading<WrapOverInputs>[] {
  if (!says(wish, 'wrap-front') || says(wish, 'gapes', 'dart', 'fold')) return []
  const usual = begun()
  if (!usual) return []
  const asked = wish.wantedMm ?? (wish.amounts.length === 0 ? usual.overlapMm : oneAmount(wish, 1))
  // It cannot reach less far than the centre.
  const amountMm = asked !== null && asked >= 0 ? asked : null
  return [
    {
      inputs: { ...usual, overlapMm: amountMm ?? usual.overlapMm },
      uses: used(wish, 'wrap-front', 'front', 'make', 'more', 'out', 'neckline'),
      sure: amountMm !== null,
      ...(wish.wantedMm === null ? {} : { takes: ['wanted' as const] }),
      field: 'overlapMm',
      towards: 1,
      how: wish.amounts.length > 0 || wish.wantedMm !== null ? 'beyond the centre' : '',
    },
  ]
}
