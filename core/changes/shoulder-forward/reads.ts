import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { ForwardShoulderInputs } from './schema'

const FORWARD: readonly Concept[] = ['forward-shoulder', 'forward', 'front', 'toward', 'collar-back']
const BACKWARD: readonly Concept[] = ['backward', 'back']

/** Craft 6.10 as it is said: “forward shoulder 1/2”, “move the shoulder seam forward by 3/8”, “shoulder seam to the front”. */
export function readForwardShoulder(wish: Wish, begun: () => ForwardShoulderInputs | null): Reading<ForwardShoulderInputs>[] {
  const isNamed = says(wish, 'forward-shoulder')
  // “Bring the shoulder seam back”: there “back” is a way.
  const isBroughtBack = says(wish, 'shoulder') && /\b(?:bring|move|set|shift|put|take)\b.*\bshoulders?(?: seams?)? back\b/i.test(wish.text)
  const isMoved = says(wish, 'shoulder') && (says(wish, 'forward', 'backward') || isBroughtBack)
  // “Slide the cap forward”: the cap alone has no place to go.
  const isCap = says(wish, 'finish', 'sleeve-cap') && says(wish, 'forward', 'backward')
  if ((!isNamed && !isMoved && !isCap) || says(wish, 'dart', 'neckline', 'hem', 'in', 'out', 'too-tight', 'too-loose')) return []
  const usual = begun()
  if (!usual) return []
  const way = isNamed ? 1 : isBroughtBack ? -1 : towards(wish, ['forward'], ['backward'])
  const amountMm = oneAmount(wish, way)
  return [
    {
      inputs: usualFor(usual, amountMm ?? 0),
      uses: used(
        wish,
        'shoulder',
        'sleeve',
        'sleeve-cap',
        'finish',
        'slide',
        'move',
        'place',
        'less',
        'each',
        'more',
        ...FORWARD,
        ...BACKWARD,
      ),
      sure: amountMm !== null && !isCap,
      ...(way === 0 ? {} : { towards: way }),
      how: wish.amounts.length > 0 ? 'each shoulder, front and back armhole together as long as before' : '',
    },
  ]
}

/** From here on the cap is slid and not its notch alone (craft 6.10), mm. */
export const SLIDE_FROM_MM = 10

/** The school for an amount: a small one moves the notch, a larger one slides the cap. */
export const usualFor = (inputs: ForwardShoulderInputs, amountMm: number): ForwardShoulderInputs => ({
  ...inputs,
  amountMm,
  sleeve: Math.abs(amountMm) < SLIDE_FROM_MM ? 'notch' : 'slide',
})
