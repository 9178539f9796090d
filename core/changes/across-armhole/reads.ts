import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { AcrossArmholeInputs } from './schema'

const LONGER: readonly Concept[] = ['longer', 'too-short', 'more']
const SHORTER: readonly Concept[] = ['shorter', 'too-long', 'less', 'hollow-chest']

/**
 * As it is said: “shorten the front across the armhole 1/2”, “hollow chest 3/8”, “front too long above the bust 1/2”, “lengthen the
 * back across the armhole 1 cm”; “shorten the front alone 1/2” where no side dart could give it.
 *
 * @param inputsOn inputs for a half of this garment, without an amount; null where it cannot be done there
 */
export function readAcross(
  wish: Wish,
  inputsOn: (half: 'front' | 'back') => AcrossArmholeInputs | null,
  isWithoutSideDart: boolean,
): Reading<AcrossArmholeInputs>[] {
  const way = towards(wish, LONGER, SHORTER)
  const isFront = says(wish, 'front', 'front-alone')
  // What lies between shoulder and bust is the front.
  const isToBust = says(wish, 'between') && says(wish, 'shoulder') && says(wish, 'bust') && !says(wish, 'back')
  const isAboveBust = isToBust || (isFront && says(wish, 'bust') && says(wish, 'above'))
  const isFrontAlone = isWithoutSideDart && says(wish, 'front-alone') && way < 0
  // The length of an armhole is said of a half of it.
  const isHalf = says(wish, 'armhole') && (isFront || says(wish, 'back')) && says(wish, 'longer', 'shorter', 'too-long', 'too-short')
  if (!says(wish, 'upper-chest', 'hollow-chest') && !isAboveBust && !isFrontAlone && !isHalf) return []
  const usual = inputsOn(says(wish, 'back') ? 'back' : 'front')
  if (way === 0 || !usual || says(wish, 'dart', 'fold', 'wedge')) return []
  const mm = oneAmount(wish, way)
  return [
    {
      inputs: { ...usual, amountMm: mm ?? 0 },
      uses: used(
        wish,
        'upper-chest',
        'armhole',
        'shoulder',
        'front',
        'front-alone',
        'back',
        'above',
        'between',
        'bust',
        'length',
        ...LONGER,
        ...SHORTER,
      ),
      // Front or back is not left to a guess.
      sure: mm !== null && !isHalf && (isToBust || says(wish, 'front', 'front-alone', 'back', 'hollow-chest')),
      towards: way,
      how: `the ${usual.half === 'front' ? 'back' : 'front'} and the sides stay; the cap follows`,
    },
  ]
}
