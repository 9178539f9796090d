import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { LowerArmholeInputs } from './schema'

const LOWER: readonly Concept[] = ['down', 'deeper', 'scoop', 'too-high', 'too-tight', 'more', 'longer', 'out', 'armhole-cuts-in']
const RAISE: readonly Concept[] = ['up', 'shallower', 'too-low', 'too-loose', 'shorter', 'less', 'in', 'lifts-with-arm']

const LARGER: readonly Concept[] = ['more', 'out']
const SMALLER: readonly Concept[] = ['less', 'in']

/** “Make the armhole 1/2 bigger”: so much longer round; null for any other wish, or where the sides have no room for it. */
function readRound(
  wish: Wish,
  begun: () => LowerArmholeInputs | null,
  longerBy: (mm: number, usual: LowerArmholeInputs) => LowerArmholeInputs | null,
): Reading<LowerArmholeInputs> | null {
  const way = towards(wish, LARGER, SMALLER)
  const byMm = oneAmount(wish, way)
  // What is taken in at an armhole is a fold that is pinned there.
  if (!says(wish, 'armhole') || way === 0 || byMm === null || /\b(?:tak(?:e|en|ing) in|let out|pinch)/i.test(wish.text)) return null
  if (says(wish, 'sleeve', 'bicep', 'bust', 'back', 'front', 'side', 'waist', 'body', 'ease', 'dart', 'fold', 'shoulder')) return null
  const usual = begun()
  const inputs = usual && longerBy(byMm, usual)
  const how = `${lengthToken(Math.abs(byMm))} ${byMm > 0 ? 'longer' : 'shorter'} all round`
  return inputs && { inputs, uses: used(wish, 'armhole', 'make', ...LARGER, ...SMALLER), sure: false, towards: way, how }
}

/** Craft 6.10 as it is said: “lower the armhole 1/2”, “armhole 3/8 higher”, “armhole cuts in”, “garment lifts with the arm”. */
export function readLowerArmhole(
  wish: Wish,
  begun: () => LowerArmholeInputs | null,
  longerBy: (mm: number, usual: LowerArmholeInputs) => LowerArmholeInputs | null,
): Reading<LowerArmholeInputs>[] {
  const isSign = says(wish, 'armhole-cuts-in', 'lifts-with-arm', 'armhole-depth')
  const isSaid =
    says(wish, 'armhole', 'underarm') &&
    says(wish, 'up', 'down', 'deeper', 'scoop', 'shallower', 'too-high', 'too-low', 'too-tight', 'too-loose', 'longer', 'shorter')
  const round = isSign || isSaid ? null : readRound(wish, begun, longerBy)
  if (round) return [round]
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
