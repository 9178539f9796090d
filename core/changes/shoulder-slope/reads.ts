import { oneAmount, says, used } from '../shared/reading/amounts'
import { isShoulderSeam } from '../shared/reading/things'
import type { Wish } from '../../wishes'
import type { Reading } from '../types'
import type { ShoulderSlopeInputs } from './schema'

/** Craft 6.7 as it is said: “square shoulders 3/8”, “more sloping shoulder 1/4”, “raise the shoulder at its end”. */
export function readShoulderSlope(wish: Wish, begun: () => ShoulderSlopeInputs | null): Reading<ShoulderSlopeInputs>[] {
  // The slope of a shoulder is named without a way: what is said of it tells.
  const isSlope = says(wish, 'slope')
  const isSquare = says(wish, 'square-shoulder') || (isSlope && says(wish, 'less', 'too-loose', 'shallower'))
  const isSloping = says(wish, 'sloping-shoulder') || (isSlope && says(wish, 'more', 'deeper'))
  const isMoved = says(wish, 'shoulder') && says(wish, 'up', 'down', 'too-high', 'too-low')
  // “Take in the shoulder seam 1/4”: sewn deeper, it lies lower at its end, or all along.
  const isSeam = isShoulderSeam(wish)
  if (
    (!isSquare && !isSloping && !isMoved && !isSlope && !isSeam) ||
    says(wish, 'dart', 'size', 'forward', 'backward', 'neckline', 'pivot')
  )
    return []
  if (isSquare && isSloping) return []
  const usual = begun()
  if (!usual) return []
  // “Drop shoulder” is a design, and may be meant.
  const isOpen = (isSlope && !isSquare && !isSloping) || /\bdrop(?:ped)? shoulders?\b/i.test(wish.text)
  const isUp = isSquare || (!isSloping && (says(wish, 'up', 'too-low') || (isSeam && says(wish, 'out'))))
  const way = isUp ? 1 : -1
  const amountMm = oneAmount(wish, way)
  return [
    {
      inputs: { ...usual, amountMm: amountMm ?? 0 },
      uses: used(
        wish,
        'square-shoulder',
        'sloping-shoulder',
        'shoulder',
        'up',
        'down',
        'too-high',
        'too-low',
        'each',
        'more',
        'less',
        'slope',
        'too-loose',
        ...(isSeam ? (['in', 'out', 'seam'] as const) : []),
      ),
      sure: amountMm !== null && !isOpen && !isSeam,
      towards: way,
      how: wish.amounts.length > 0 ? 'at its end, each shoulder' : '',
      stays: 'the armhole’s length',
    },
  ]
}
