import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { LowerArmholeInputs } from './schema'

const LOWER: readonly Concept[] = ['down', 'deeper', 'scoop', 'too-high', 'too-tight', 'more', 'longer', 'out', 'armhole-cuts-in']
const RAISE: readonly Concept[] = ['up', 'shallower', 'too-low', 'too-loose', 'shorter', 'less', 'in', 'lifts-with-arm']

/** Craft 6.10 as it is said: “lower the armhole 1/2”, “armhole 3/8 higher”, “armhole cuts in”, “garment lifts with the arm”. */
export function readLowerArmhole(wish: Wish, begun: () => LowerArmholeInputs | null): Reading<LowerArmholeInputs>[] {
  const isSign = says(wish, 'armhole-cuts-in', 'lifts-with-arm', 'armhole-depth')
  const isSaid =
    says(wish, 'armhole', 'underarm') &&
    says(wish, 'up', 'down', 'deeper', 'scoop', 'shallower', 'too-high', 'too-low', 'too-tight', 'too-loose', 'longer', 'shorter')
  if ((!isSign && !isSaid) || says(wish, 'dart', 'fold', 'gapes', 'shoulder', 'true', 'notch', 'move', 'armhole-follows', 'cap-follows'))
    return []
  const usual = begun()
  if (!usual) return []
  const way = towards(wish, LOWER, RAISE)
  const amountMm = oneAmount(wish, way)
  return [
    {
      inputs: { ...usual, amountMm: amountMm ?? 0 },
      uses: used(wish, 'armhole', 'armhole-depth', 'underarm', 'side', 'sleeve', ...LOWER, ...RAISE),
      // One that is too large may gape, and then a fold is pinned out of it.
      sure: amountMm !== null && !says(wish, 'too-loose'),
      ...(way === 0 ? {} : { towards: way }),
      how: wish.amounts.length > 0 ? 'at the side, front and back alike' : '',
    },
  ]
}
