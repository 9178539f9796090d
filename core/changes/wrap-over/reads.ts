import type { Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { WrapOverInputs } from './schema'

/** Craft 6.13 as it is said: “wrap front”, “make the front cross over by 4”, “overlap 1 more”. */
export function readWrapOver(wish: Wish, begun: () => WrapOverInputs | null): Reading<WrapOverInputs>[] {
  if (!says(wish, 'wrap-front') || says(wish, 'gapes', 'dart', 'fold')) return []
  const usual = begun()
  if (!usual) return []
  // “Overlap 1 more” is said of what it reaches now.
  const way = towards(wish, ['more', 'out', 'longer'], ['less', 'in', 'shorter'])
  const said = wish.amounts.length === 0 ? null : oneAmount(wish, way || 1)
  const asked =
    wish.wantedMm ?? (wish.amounts.length === 0 ? usual.overlapMm : said === null ? null : way === 0 ? said : usual.overlapMm + said)
  // It cannot reach less far than the centre.
  const amountMm = asked !== null && asked >= 0 ? asked : null
  return [
    {
      inputs: { ...usual, overlapMm: amountMm ?? usual.overlapMm },
      uses: used(wish, 'wrap-front', 'front', 'make', 'more', 'out', 'longer', 'less', 'in', 'shorter', 'neckline'),
      sure: amountMm !== null,
      ...(wish.wantedMm === null ? {} : { takes: ['wanted' as const] }),
      field: 'overlapMm',
      towards: 1,
      how: wish.amounts.length > 0 || wish.wantedMm !== null ? 'beyond the centre' : '',
    },
  ]
}
