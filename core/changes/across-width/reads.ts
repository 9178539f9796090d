import type { Concept, Wish } from '../../wishes'
import { lengthToken } from '../../units'
import { isAtEach, oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { AcrossWidthInputs } from './schema'

const BROADER: readonly Concept[] = ['out', 'more', 'too-tight', 'fuller']
const NARROWER: readonly Concept[] = ['in', 'less', 'too-loose']

/** Said with the place itself, as of a body (“broad back”) and as of a garment (“back too narrow”): both ask for more. */
const AS_BROADER =
  /\b(?:broaden|widen) (?:the|across the) back\b|\b(?:broad(?:er)?|wide|wider) (?:upper )?back\b|\bback (?:is )?too narrow\b|\btight across\b/i
const AS_NARROWER = /\bnarrow the back\b|\b(?:narrow(?:er)?) (?:upper )?back\b|\bback (?:is )?too (?:wide|broad)\b/i

/** Craft 6.10 as it is said: “broad back 1/2”, “back too narrow by 3/4”, “1/2 more across the shoulder blades”; round the body unless “each” is said. */
export function readAcrossWidth(wish: Wish, has: (half: 'front' | 'back') => boolean): Reading<AcrossWidthInputs>[] {
  const isBack = says(wish, 'back-width')
  if (!isBack || says(wish, 'dart', 'fold', 'wedge', 'shoulder') || !has('back')) return []
  const phrase = AS_BROADER.test(wish.text) ? 1 : AS_NARROWER.test(wish.text) ? -1 : 0
  const way = phrase !== 0 ? phrase : towards(wish, BROADER, NARROWER)
  const mm = oneAmount(wish, way)
  const isEach = isAtEach(wish)
  return [
    {
      inputs: { half: 'back', amountMm: mm === null ? 0 : isEach ? 2 * mm : mm },
      uses: used(wish, 'back-width', 'back', 'each', 'round', ...BROADER, ...NARROWER),
      sure: mm !== null && way !== 0,
      ...(way === 0 ? {} : { towards: way }),
      how: mm ? `${lengthToken(Math.abs(isEach ? mm : mm / 2))} at each armhole, halfway down` : '',
    },
  ]
}
