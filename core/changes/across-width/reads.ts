import type { Concept, Wish } from '../../wishes'
import { lengthToken } from '../../units'
import { isAtEach, oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { AcrossWidthInputs } from './schema'

const BROADER: readonly Concept[] = ['out', 'more', 'too-tight', 'fuller']
const NARROWER: readonly Concept[] = ['in', 'less', 'too-loose']
/** What else names the chest between the armholes. */
const BETWEEN: readonly Concept[] = ['armhole', 'between']
const OF_CHEST: readonly Concept[] = ['bust', 'front', ...BETWEEN]

/** Said with the place itself, as of a body (“broad back”) and as of a garment (“back too narrow”): both ask for more. */
const AS_BROADER =
  /\b(?:broaden|widen) (?:the|across the) (?:back|chest)\b|\b(?:broad(?:er)?|wide|wider) (?:upper )?(?:back|chest)\b|\b(?:back|chest) (?:is )?too narrow\b|\btoo narrow (?:across|between)\b|\btight across\b/i
const AS_NARROWER =
  /\bnarrow the (?:back|chest)\b|\b(?:narrow(?:er)?) (?:upper )?(?:back|chest)\b|\b(?:back|chest) (?:is )?too (?:wide|broad)\b|\btoo (?:wide|broad) (?:across|between)\b/i
/** The chest between the armholes; “chest” by itself may as well be the bust. */
const CHEST =
  /\b(?:across (?:the )?(?:chest|front)|(?:broad|wide|narrow)(?:er)? chest|chest (?:is )?too (?:narrow|wide|broad)|chest width)\b|\bbetween the armholes\b/i

/** Craft 6.10 as it is said: “broad back 1/2”, “back too narrow by 3/4”, “front too wide across the chest 1/2”; round the body unless “each” is said. */
export function readAcrossWidth(wish: Wish, has: (half: 'front' | 'back') => boolean): Reading<AcrossWidthInputs>[] {
  const isBack = says(wish, 'back-width')
  const isChest = !isBack && CHEST.test(wish.text) && !says(wish, 'back')
  const half = isBack ? 'back' : 'front'
  if ((!isBack && !isChest) || says(wish, 'dart', 'fold', 'wedge', 'shoulder', 'longer', 'shorter') || !has(half)) return []
  const phrase = AS_BROADER.test(wish.text) ? 1 : AS_NARROWER.test(wish.text) ? -1 : 0
  const way = phrase !== 0 ? phrase : towards(wish, BROADER, NARROWER)
  const mm = oneAmount(wish, way)
  const isEach = isAtEach(wish)
  return [
    {
      inputs: { half, amountMm: mm === null ? 0 : isEach ? 2 * mm : mm },
      uses: used(wish, 'back-width', 'back', 'each', 'round', ...(isChest ? OF_CHEST : BETWEEN), ...BROADER, ...NARROWER),
      sure: mm !== null && way !== 0,
      ...(way === 0 ? {} : { towards: way }),
      how: mm ? `${lengthToken(Math.abs(isEach ? mm : mm / 2))} at each armhole, halfway down` : '',
    },
  ]
}
