import type { Garment } from '../../pattern'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { askedDarts } from '../shared/reading/things'
import type { FoundDart } from '../shared/darts/find-darts'
import type { Reading } from '../types'
import type { FinishDartInputs } from './schema'

/** Craft 6.11 as it is said: “finish the side dart”, “dart tip 1 1/2 from the apex”. */
export function readFinishDart(wish: Wish, garment: Garment, usual: (dart: FoundDart) => FinishDartInputs): Reading<FinishDartInputs>[] {
  if (!says(wish, 'finish') || !says(wish, 'dart')) return []
  const { darts, uses } = askedDarts(garment, wish)
  const backMm = wish.amounts.length === 1 ? wish.amounts[0]!.mm : null
  return darts.map((d) => ({
    inputs: backMm === null ? usual(d) : { ...usual(d), tipBackMm: backMm },
    uses: [...uses, ...used(wish, 'finish', 'side', 'front', 'back', 'apex', 'from', 'bust')],
    sure: darts.length === 1 && wish.amounts.length <= (says(wish, 'apex') ? 1 : 0),
    where: `on the ${d.piece.name}`,
  }))
}
