import { plainText } from '../units'

/** Places that a wish may leave as they are. */
const LEFT = '(bust|chest|waist|hips?|thighs?|knees?|shoulders?|sleeves?|neckline)'

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
    // What is to be the same is kept.
    .replace(new RegExp(`\\b(?:the )?same ${LEFT}\\b`, 'gu'), 'keep the $1')
    .replace(
      new RegExp(
        `\\b${LEFT} (?:(?:is|are|to|be|stays?|remains?|should|must|can) )*(?:the same|same|unchanged|as is|as it is|untouched|alone|remains?)\\b`,
        'gu',
      ),
      'keep the $1',
    )
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
      /\b(?:cut|take|trim|chop|lop|snip)(?:ping|ting|ming|ing|s)? ((?:[^,;.]|[.](?=\d)){0,24}?)\b(?:off|from) (?:of )?(?:the )?(?:bottom|bottom edge|lower edge|ends?|hems?)\b( (?:of|on)\b)?/gu,
      (_, much: string, of: string | undefined) => (of ? `shorten ${much} ` : `shorten ${much} at the hem`),
    )
    .replace(/\btrim (?=[^,;.]{0,20}\boff\b)/gu, 'cut ')
    // A place with “only” is that place.
    .replace(/\b(?:only )?(at|in|on) (?:the )?(front|back)(?: only)?\b/gu, (all, at: string, where: string) =>
      all.includes('only') ? `${at} the ${where}` : all,
    )
    .replace(/\btoo (?:close|near) to (?:the |my )?(?:nipple|(?:bust )?point|fullest (?:part|point))\b/gu, 'too close to the apex')
    // Where a seam lies now, and not where it is to go.
    .replace(/\b(sits|falls|lies) (?:to|toward|towards|too far to) the (front|back)\b/gu, 'too far to the $2')
    .replace(/\b(?:sits|falls|lies) (behind|in front of) (?:the |my )?shoulders?\b/gu, (_, where: string) =>
      where === 'behind' ? 'too far to the back' : 'too far to the front',
    )
    .replace(/\bbell (?=(?:shaped )?sleeves?)/gu, 'flared ')
    .replace(/\bwedgies?\b/gu, 'crotch too high')
    .replace(/\bsaddle ?bags?\b/gu, 'let out the thigh')
    .replace(/\bpetite(?:,| by)?(?= .*\d)/gu, 'shorter')
    .replace(/\btall(?:,| by)(?= .*\d)/gu, 'longer')
    .replace(/\bease (?:out )?(?:the )?(hips?|waist|bust|sides?|side seams?|thighs?)\b(?! ease)/gu, 'let out the $1')
    .replace(/\b(bust|chest) buttons?\b/gu, '$1')
    .replace(/\b(?:i’m|i am|she’s|she is|he’s|he is|wears?|takes?) an? (\d{1,2}|xs|s|m|l|xl) (?=(?:in|at|on|for) )/gu, 'size $1 ')
    .replace(/\b(shoulders?) (?:drop|droop|dip|hang)s\b/gu, '$1 is lower')
    .replace(/\b(rise|crotch) ((?:[^,;.]|[.](?=\d)){0,30}?)\b(?:at|in) (?:the )?(back|front)\b/gu, '$3 $1 $2')
    .replace(/\b(lower|raise|flatten|heighten|lift|higher|flatter|shallower|taller) (?:the )?cap\b/gu, 'sleeve cap $1')
    .replace(/\bdeeper v\b(?! ?-? ?neck)/gu, 'deeper neckline')
    .replace(/\b(lower|raise|drop|lift)((?:s|ed|ing)? (?:the )?)waistband\b/gu, '$1$2waist')
    .replace(/\bwaistband (?=(?:is |sits |rides |comes )?too (?:high|low))/gu, 'waist ')
    // Where a change is to have faded out is no place of it: one word that is not known.
    .replace(/\b(?:(?:tapering|tapered|fading|blending|going|down) )*(?:to )?(?:nothing|zero) at (?:the )?([\p{L}-]+)/gu, ' nothing-at-$1 ')
