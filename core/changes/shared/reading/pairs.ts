import type { Concept, Wish } from '../../../wishes'
import type { Reading } from '../../types'
import { says, towards, used } from './amounts'

const MORE: readonly Concept[] = ['more', 'longer', 'out', 'up', 'too-tight', 'too-short']
const LESS: readonly Concept[] = ['less', 'shorter', 'in', 'down', 'too-loose', 'too-long']

/**
 * “Make the cap follow the armhole”, “the armhole follows the cap”, “more cap ease 1/4”: which of the two follows is the one that is
 * said before “follow”.
 *
 * @param begun inputs of the kind with the ease as bought; null where it does not apply
 */
export function readsPair<I extends { frontMm: number; backMm: number }>(
  wish: Wish,
  follows: 'cap' | 'armhole',
  begun: I | null,
): Reading<I>[] {
  if (!begun) return []
  const isFollowing = says(wish, follows === 'cap' ? 'cap-follows' : 'armhole-follows')
  if (isFollowing && wish.amounts.length === 0) {
    const isTurned = towards(wish, MORE, LESS) !== 0
    return [
      {
        inputs: begun,
        uses: used(wish, 'cap-follows', 'armhole-follows', 'armhole', 'sleeve-cap', 'sleeve', 'finish', 'shape', ...MORE, ...LESS),
        // “Enlarge the armhole to fit the sleeve”: whether it grows is not known before it is drawn.
        sure: !isTurned,
        stays: 'the ease as bought',
      },
    ]
  }
  if (follows !== 'cap' || !says(wish, 'cap-ease')) return []
  const way = towards(wish, MORE, LESS)
  const mm = wish.amounts.length === 1 && way !== 0 && wish.amounts[0]!.sign >= 0 ? way * wish.amounts[0]!.mm : 0
  // “1/4 more ease at the back of the cap” is all of one half.
  const half = says(wish, 'front') === says(wish, 'back') ? null : says(wish, 'front') ? 'front' : 'back'
  const part = (which: 'front' | 'back') => (half === null ? mm / 2 : half === which ? mm : 0)
  const where = half === null ? 'half of it in front, half at the back' : half === 'front' ? 'in front' : 'at the back'
  return [
    {
      inputs: { ...begun, frontMm: part('front'), backMm: part('back') },
      uses: used(wish, 'cap-ease', 'sleeve', 'armhole', 'each', 'front', 'back', ...MORE, ...LESS),
      sure: mm !== 0,
      field: half === 'back' ? 'backMm' : 'frontMm',
      how: mm === 0 ? '' : `${mm > 0 ? 'more' : 'less'} ease, ${where}`,
    },
  ]
}
