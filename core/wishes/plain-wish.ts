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
    .replace(/\b([\p{L}-]+) (fine|ok|okay)\b/gu, ' $1-being-$2 ')
    // “3/4 sleeves” are so long by their design: a part of a length is no amount.
    .replace(/\b(?:3\/4|7\/8|three[- ]quarters?|seven[- ]eighths?)[ -](?:length[ -])?(sleeves?|length)\b/gu, ' part-of-length $1 ')
    // An angle is no length.
    .replace(/\b\d+(?:[.,]\d+)? ?(?:degrees?|deg\b|°)/gu, ' angle ')
    // Where a stretch begins is no crotch that is to change.
    .replace(/\bfrom (?:the )?crotch(?= (?:down )?to\b)/gu, '')
    // What something measures when it is finished: no verb.
    .replace(/\bfinished (?=bust|waist|hips?|hem|biceps?|thighs?|knees?|length|sleeve)/gu, '')
    .replace(/(?<=\d ?(?:in|inch|inches|cm|mm|["”])?) finished\b/gu, '')
    // “From the knee down” says where, and no way.
    .replace(/\bfrom (?:the )?(bust|waist|hips?|thighs?|knees?|calf|elbows?) (down|up)(?:wards?)?\b/gu, (_, at: string, way: string) =>
      way === 'down' ? `below the ${at}` : `above the ${at}`,
    )
    .replace(/\bthan (?:i|we|she|he|they|you) (?:need|want|like|have|am|is|are)s?\b/gu, '')
    // What something is compared with is no place of the change; the pattern itself is what all is compared with.
    .replace(
      /\bthan (?!(?:the |in |at |my )*(?:pattern|paper|piece|it|that|this|now|usual)\b)(?:the |in |at |my )*([\p{L}-]+)/gu,
      ' than-$1 ',
    )
    .replace(/\bcrotch (?:is )?(?:cut(?:s|ting) (?:in|up)|rid(?:es|ing) up|dig(?:s|ging) in|pull(?:s|ing) up)\b/gu, 'crotch too high')
    // What is cut off an end makes the piece shorter: the end is no place of another change.
    .replace(
      /\b(?:cut|take|trim|chop|lop|snip)(?:ping|ting|ming|ing|s)? ([^,;.]{0,24}?)\b(?:off|from) (?:of )?(?:the )?(?:bottom|bottom edge|lower edge|ends?|hems?)\b( (?:of|on)\b)?/gu,
      (_, much: string, of: string | undefined) => (of ? `shorten ${much} ` : `shorten ${much} at the hem`),
    )
    .replace(/\btrim (?=[^,;.]{0,20}\boff\b)/gu, 'cut ')
    // A place with “only” is that place.
    .replace(/\b(?:only )?(at|in|on) (?:the )?(front|back)(?: only)?\b/gu, (all, at: string, where: string) =>
      all.includes('only') ? `${at} the ${where}` : all,
    )
    .replace(/\btoo (?:close|near) to (?:the |my )?(?:nipple|(?:bust )?point|fullest (?:part|point))\b/gu, 'too close to the apex')
    .replace(/\b(lower|raise|drop|lift)((?:s|ed|ing)? (?:the )?)waistband\b/gu, '$1$2waist')
    .replace(/\bwaistband (?=(?:is |sits |rides |comes )?too (?:high|low))/gu, 'waist ')
    // Where a change is to have faded out is no place of it: one word that is not known.
    .replace(/\b(?:(?:tapering|tapered|fading|blending|going|down) )*(?:to )?(?:nothing|zero) at (?:the )?([\p{L}-]+)/gu, ' nothing-at-$1 ')
