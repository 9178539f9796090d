import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { isShoulderSeam } from '../shared/reading/things'
import type { Reading } from '../types'
import type { ShoulderWidthInputs } from './schema'

const BROADER: readonly Concept[] = ['out', 'longer', 'too-tight', 'too-short', 'more']
const NARROWER: readonly Concept[] = ['in', 'shorter', 'too-loose', 'too-long', 'less']

/** Craft 6.8 as it is said: “narrower shoulder 1/4”, “shoulders too wide”. */
export function readShoulderWidth(wish: Wish, begun: () => ShoulderWidthInputs | null): Reading<ShoulderWidthInputs>[] {
  if (!says(wish, 'shoulder') || says(wish, 'dart', 'up', 'down', 'straighten', 'fold', 'gapes', 'armhole', 'neckline', 'sleeve')) return []
  // “Take the shoulders up” is said of their height.
  if (wish.tokens.some((t) => t.is === 'concept' && t.concept === 'shorter' && t.text.endsWith(' up'))) return []
  // A shoulder seam that is taken in or let out is sewn deeper or less deep: that changes how high the shoulder is.
  if (isShoulderSeam(wish)) return []
  const usual = begun()
  const way = towards(wish, BROADER, NARROWER)
  const amountMm = oneAmount(wish, way)
  if (!usual || (way === 0 && !says(wish, 'width'))) return []
  // Of what is wrong, “each” may be said of front and back.
  const each: Concept[] = says(wish, 'too-tight', 'too-loose') ? [] : ['each']
  return [
    {
      inputs: { ...usual, amountMm: amountMm ?? 0 },
      uses: used(wish, 'shoulder', 'width', ...each, ...BROADER, ...NARROWER),
      sure: amountMm !== null,
      ...(way === 0 ? {} : { towards: way }),
      how: wish.amounts.length > 0 ? 'each shoulder' : '',
    },
  ]
}
