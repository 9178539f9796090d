import { plainText } from '../units'
import { FIGURES } from './figures-of-speech'
import { FIGURE, MAYBE_SO_FAR, OWN, WITHIN, type Said } from './said'
import { WORN } from './worn'

/** Places that a wish may leave as they are. */
const STAYS = '(bust|chest|waist|hips?|thighs?|knees?|shoulders?|sleeves?|neckline)'
const IS_SAME =
  '(?:(?:is|are|to|be|stays?|remains?|should|must|can) )*(?:the same|same|unchanged|as is|as it is|untouched|remains?)(?! as the)'

/**
 * What is said to be right stays: a height, and what is to be the same, is kept; of anything else that is right it is not known whether
 * the change leaves it alone. That, what a change is compared with, and where it is to have faded out, are one word each that is not
 * known: no place of the change, and never done without asking.
 */
const LEFT_ALONE: readonly Said[] = [
  [/\b(knee|knees|elbow|elbows) (?:is|are) (?:fine|right|ok|okay|good)\b/gu, 'keep the $1'],
  [/\b([\p{L}-]+) (?:is|are) (fine|right|ok|okay|good)\b/gu, ' $1-being-$2 '],
  [/\b([\p{L}-]+) (fine|ok|okay)\b/gu, ' $1-being-$2 '],
  [new RegExp(`\\b(?:leave|let) (?:the |my )?${STAYS} alone\\b`, 'gu'), 'keep the $1'],
  [new RegExp(`\\b(?:the )?same ${STAYS}\\b`, 'gu'), 'keep the $1'],
  [new RegExp(`\\b${STAYS} ${IS_SAME}\\b`, 'gu'), 'keep the $1'],
  [/\bthan (?:i|we|she|he|they|you) (?:need|want|like|have|am|is|are)s?\b/gu, ''],
  // The pattern itself is what all is compared with.
  [/\bthan (?!(?:the |in |at |my )*(?:pattern|paper|piece|it|that|this|now|usual)\b)(?:the |in |at |my )*([\p{L}-]+)/gu, ' than-$1 '],
  [/\b(?:(?:tapering|tapered|fading|blending|going|down) )*(?:to )?(?:nothing|zero) at (?:the )?([\p{L}-]+)/gu, ' nothing-at-$1 '],
]

/** What is no amount, no verb and no thing, though it looks like one. */
const NOT_MEANT: readonly Said[] = [
  // “3/4 sleeves” are so long by their design.
  [/\b(?:3\/4|7\/8|three[- ]quarters?|seven[- ]eighths?)[ -](?:length[ -])?(sleeves?|length)\b/gu, ' part-of-length $1 '],
  [/\b\d+(?:[.,]\d+)? ?(?:degrees?|deg\b|°)/gu, ' angle '],
  // Where a stretch begins is no crotch that is to change.
  [/\bfrom (?:the )?crotch(?= (?:down )?to\b)/gu, ''],
  // What something measures when it is finished.
  [/\bfinished (?=bust|waist|hips?|hem|biceps?|thighs?|knees?|length|sleeve|inseam|outseam|side)/gu, ''],
  [/(?<=\d ?(?:in|inch|inches|cm|mm|["”])?) finished\b/gu, ''],
  [/\b(bust|chest) buttons?\b/gu, '$1'],
]

const LIES = '(?:sits|falls|lies|is)'
const ON_SHOULDER = `${OWN}(?:top of ${OWN})?shoulders?(?: tops?| points?| bones?)?`

/** Where something is, or is to be. */
const PLACES: readonly Said[] = [
  // “From the knee down” says where, and no way.
  [
    /\bfrom (?:the )?(bust|waist|hips?|thighs?|knees?|calf|elbows?) (down|up)(?:wards?)?\b/gu,
    (_, at, way) => (way === 'down' ? `below the ${at}` : `above the ${at}`),
  ],
  // One half alone is another change than both.
  [
    new RegExp(
      `\\b(shorten|lengthen) (?:the |my )?(?:body |bodice |blouse |dress |jacket |top )?(?:by )?(${FIGURE}) ?(?:at|in|on) (?:the )?front (?:only|alone)\\b`,
      'gu',
    ),
    '$1 the front alone $2',
  ],
  // A place with “only” is that place.
  [/\b(?:only )?(at|in|on) (?:the )?(front|back)(?: only)?\b/gu, (all, at, where) => (all!.includes('only') ? `${at} the ${where}` : all!)],
  [/\btoo (?:close|near) to (?:the |my )?(?:nipple|(?:bust )?point|fullest (?:part|point))\b/gu, 'too close to the apex'],
  // Where a seam lies now, and not where it is to go.
  [/\b(?:sits|falls|lies) (?:to|toward|towards|too far to) the (front|back)\b/gu, 'too far to the $1'],
  [/\btoo far behind\b/gu, 'too far to the back'],
  // A body's, and not the seam's.
  [/\bshoulders? (?:roll|curl|slump|hunch)s? forward\b|\b(?:rolled|curled)(?:[- ]forward)? shoulders?\b/gu, 'forward shoulder'],
  [
    /\b(shoulder (?:seam|line)s?) (?:keeps? )?(?:roll|slid|slip|shift|creep|drift|rid|swing|pull|wander|migrat|slant|angl|tilt|lean)(?:e|s|es|p?ing)? (?:too far )?(?:(?:to|toward|towards) (?:the |my )?)?(front|back|forward|backward)s?\b/gu,
    (_, seam, way) => `${seam} too far to the ${way!.startsWith('f') ? 'front' : 'back'}`,
  ],
  [new RegExp(`\\b${LIES} ${MAYBE_SO_FAR}behind ${ON_SHOULDER}\\b`, 'gu'), '$1too far to the back'],
  [new RegExp(`\\b${LIES} ${MAYBE_SO_FAR}in front of ${ON_SHOULDER}\\b`, 'gu'), '$1too far to the front'],
  [new RegExp(`\\b(rise|crotch) (${WITHIN}{0,30}?)\\b(?:at|in) (?:the )?(back|front)\\b`, 'gu'), '$3 $1 $2'],
]

const SIGNS: readonly Said[] = [
  // “1/2 in at the waist, 1/2 out at the hip”: beside “out” it is a way, and no unit.
  [/(?<=\d) in (?=(?:at|from) [^,;]*(?:[,;]| and ) ?(?:\d[\d ./]*) out\b)/gu, ' inch in '],
  [/\bplus (?=\d)/gu, '+'],
  [/[“”"](?=\p{L})|(?<=\p{L})[“”"]/gu, ' '],
  [/(?<=\p{L})'(?=\p{L})/gu, '’'],
]

/**
 * A wish in plain signs and plain words.
 *
 * @example plainWish('Waist in, nothing at the bust') // 'waist in,  nothing-at-bust '
 */
export const plainWish = (text: string): string =>
  [SIGNS, LEFT_ALONE, NOT_MEANT, PLACES, WORN, FIGURES]
    .flat()
    .reduce((plain, [said, how]) => (typeof how === 'string' ? plain.replace(said, how) : plain.replace(said, how)), plainText(text))
