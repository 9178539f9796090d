import { distance } from '../../geometry'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { askedDarts } from '../shared/reading/things'
import { apexOf, type FoundDart } from '../shared/darts/find-darts'
import type { Reading } from '../types'
import type { FinishDartInputs } from './schema'

/** How far from its apex the tip of a dart ends as it is drawn, mm. */
function tipBackNow(garment: Garment, found: FoundDart): number {
  const { tip } = dartFigures(found.piece, shapeOf(found.piece, garment.baseSizeId), found.dart)
  return distance(tip, apexOf(found)(garment.baseSizeId))
}

const LONGER: readonly Concept[] = ['longer', 'too-short']
const SHORTER: readonly Concept[] = ['shorter', 'too-long']

/** Craft 6.11 as it is said: “finish the side dart”, “dart tip 1 1/2 from the apex”, “shorten the dart 1/2”. */
export function readFinishDart(wish: Wish, garment: Garment, usual: (dart: FoundDart) => FinishDartInputs): Reading<FinishDartInputs>[] {
  if (!says(wish, 'dart') || says(wish, 'two-tipped', 'move', 'split', 'merge', 'up', 'down', 'too-high', 'too-low')) return []
  const way = towards(wish, SHORTER, LONGER)
  const isFromApex = says(wish, 'apex') && wish.amounts.length === 1
  if (!says(wish, 'finish') && way === 0 && !isFromApex) return []
  const { darts, uses } = askedDarts(garment, wish)
  const byMm = way === 0 ? null : oneAmount(wish, way)
  return darts.map((d) => {
    const begun = usual(d)
    const tipBackMm = byMm === null ? (wish.amounts.length === 1 ? wish.amounts[0]!.mm : begun.tipBackMm) : tipBackNow(garment, d) + byMm
    return {
      inputs: { ...begun, tipBackMm },
      uses: [...uses, ...used(wish, 'finish', 'side', 'front', 'back', 'apex', 'from', 'bust', ...LONGER, ...SHORTER)],
      // How far a dart is too long is asked: how near the apex its tip is to end.
      sure: darts.length === 1 && (way === 0 ? wish.amounts.length <= (says(wish, 'apex') ? 1 : 0) : byMm !== null && byMm !== 0),
      where: `on the ${d.piece.name}`,
      ...(way === 0 && !isFromApex ? {} : { how: `its tip then ends ${lengthToken(tipBackMm)} from the apex` }),
    }
  })
}
