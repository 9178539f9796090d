import type { Garment } from '../../pattern'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { askedDarts } from '../shared/reading/things'
import type { FoundDart } from '../shared/darts/find-darts'
import type { Reading } from '../types'
import type { EqualLegsInputs } from './schema'

/** Craft 6.11 as it is said: “make the dart legs equal”. */
export function readEqualLegs(wish: Wish, garment: Garment, usual: (dart: FoundDart) => EqualLegsInputs): Reading<EqualLegsInputs>[] {
  if (!says(wish, 'dart-legs') && !(says(wish, 'dart') && says(wish, 'equal'))) return []
  const { darts, uses } = askedDarts(garment, wish)
  return darts.map((d) => ({
    inputs: usual(d),
    uses: [...uses, ...used(wish, 'equal', 'dart-legs', 'longer', 'shorter', 'front', 'back')],
    sure: darts.length === 1 && wish.amounts.length === 0,
    where: `on the ${d.piece.name}`,
  }))
}
