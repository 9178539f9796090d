import { plainText } from '../units'

/**
 * A wish in plain signs. What is said to be right, and where a change is to have faded out, are one word each that is not known:
 * no place of the change, and never done without asking; a height that is right is kept.
 *
 * @example plainWish('Waist in, nothing at the bust') // 'waist in,  nothing-at-bust '
 */
export const plainWish = (text: string): string =>
  plainText(text)
    .replace(/[“”"](?=\p{L})|(?<=\p{L})[“”"]/gu, ' ')
    .replace(/(?<=\p{L})'(?=\p{L})/gu, '’')
    // What is right stays: a height is kept; of anything else it is not known whether the change leaves it alone.
    .replace(/\b(knee|knees|elbow|elbows) (?:is|are) (?:fine|right|ok|okay|good)\b/gu, 'keep the $1')
    .replace(/\b([\p{L}-]+) (?:is|are) (fine|right|ok|okay|good)\b/gu, ' $1-being-$2 ')
    // Where a change is to have faded out is no place of it: one word that is not known.
    .replace(/\b(?:(?:tapering|tapered|fading|blending|going|down) )*(?:to )?(?:nothing|zero) at (?:the )?([\p{L}-]+)/gu, ' nothing-at-$1 ')
