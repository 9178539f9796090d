import { plainText } from '../units'
import { FIGURE, MAYBE_SO_FAR, OWN, type Said } from './said'
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
  [/\bfinished (?=bust|waist|hips?|hem|biceps?|thighs?|knees?|length|sleeve)/gu, ''],
  [/(?<=\d ?(?:in|inch|inches|cm|mm|["”])?) finished\b/gu, ''],
  [/\b(bust|chest) buttons?\b/gu, '$1'],
]

/** A word of a sentence; a dot within a figure is part of it. */
const WITHIN = '(?:[^,;.]|[.](?=\\d))'

const LIES = '(?:sits|falls|lies|is)'
const ON_SHOULDER = `${OWN}(?:top of ${OWN})?shoulders?(?: tops?| points?| bones?)?`

/** Where something is, or is to be. */
const PLACES: readonly Said[] = [
  // “From the knee down” says where, and no way.
  [
    /\bfrom (?:the )?(bust|waist|hips?|thighs?|knees?|calf|elbows?) (down|up)(?:wards?)?\b/gu,
    (_, at, way) => (way === 'down' ? `below the ${at}` : `above the ${at}`),
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

const CUT = '(?:cut|take|trim|chop|lop|snip)(?:ping|ting|ming|ing|s)?'
/** How much is cut; what is taken in, out or up is something else. */
const MUCH = `((?:(?!(?<!\\d ?)\\b(?:in|out|up)\\b)${WITHIN}){0,24}?)`
/** Off the end; or so much from it, and not from there to somewhere. */
const OFF_END =
  '\\b(?:off|(?<=\\d.{0,8})from) (?:of )?(?:the )?(?:bottom|bottom edge|lower edge|ends?|hems?)\\b(?! (?:to|up|toward|towards)\\b)'

const CAP = '(?:sleeve )?(?:cap|head)'
const ARMHOLE = '(?:armhole|armscye)s?'
const FOR_ARMHOLE = `for (?:the |its |their )?${ARMHOLE}\\b`
/** Beside its armhole, a sleeve is as large as its cap. */
const SLEEVE = `(?:${CAP}|sleeve)s?`
/** Must it fit what it is sewn to, or does it not? */
const FITS =
  '(?:(?:has|have|needs?|must|should|no longer|will not|won’t|can’t|cannot|does not|doesn’t|to|still|now) )*(?:fit|match|follow|go|suit)(?:s|es)?'
const WITH = '(?: back)?(?: again)?(?: (?:with|into|in|to))* (?:the |its |their )?(?:new |changed )?'

/** Figures of speech, as they are said plainly. */
const FIGURES: readonly Said[] = [
  [/\bcrotch (?:is )?(?:cut(?:s|ting) (?:in|up)|rid(?:es|ing) up|dig(?:s|ging) in|pull(?:s|ing) up)\b/gu, 'crotch too high'],
  [/\b(?:wedgies?|camel ?toe)\b/gu, 'crotch too high'],
  [/\b(?:(?:show(?:s|ing)?|too much|less|hide|hides|cover)(?: (?:the|my|so much|too much|less))* cleavage)\b/gu, 'neckline too low'],
  [/\bneck(?:line)? (?:is )?too revealing\b/gu, 'neckline too low'],
  [/\b(?:the|my|its) v(?:ee)?\b(?![- ](?:neck|notch))/gu, 'the neckline'],
  [/\blow(?:er)? rise\b/gu, 'shorter rise'],
  [new RegExp(`\\b(?:another|an? (?:additional|extra|further)|additional|extra|further) (${FIGURE})`, 'gu'), '$1 more '],
  [/\bhigh(?:er)? rise\b/gu, 'longer rise'],
  // What goes across the body is length.
  [new RegExp(`\\b(?:add|insert) (${FIGURE}) (above|below|under) (?:the |my )?(bust|waist)\\b`, 'gu'), 'lengthen $1 $2 the $3'],
  [new RegExp(`\\b(?:take|fold) out (${FIGURE}) (above|below|under) (?:the |my )?(bust|waist)\\b`, 'gu'), 'shorten $1 $2 the $3'],
  [/\b(?:fold|pinch|tuck|pin)(?:ed|ing)? out\b/gu, 'pin'],
  [/\b(?:remove|less|reduce|take out|lose)(?: the)? waist shap(?:ing|e)\b/gu, 'boxier'],
  [/\b(?:(?:more|add|increase)(?: the)? waist shap(?:ing|e)|shape the waist(?: more| in)?)\b/gu, 'nipped waist'],
  [/\ba[- ]line(?: it)?(?= (?:by )?\d)/gu, 'flare the hem'],
  [new RegExp(`\\b(flare|fullness) (?:by )?(${FIGURE}) ?(less|more)\\b`, 'gu'), '$3 $1 $2'],
  [/\b(?:isn’t|is not|not) level\b/gu, 'uneven'],
  // What is cut off an end makes the piece shorter: the end is no place of another change.
  [new RegExp(`\\b${CUT} ${MUCH}${OFF_END} (?:of|on)\\b`, 'gu'), 'shorten $1 '],
  [new RegExp(`\\b${CUT} ${MUCH}${OFF_END}`, 'gu'), 'shorten $1 at the hem'],
  // So short that it ends there.
  [
    /\b(?:cut|crop|chop)((?: [\p{L}’-]+){0,3}?) off (?:at|above|below) (?:the )?(elbow|knee|calf|thigh|wrist|ankle|hip|waist)s?\b/gu,
    'shorten$1 to the $2',
  ],
  [
    /\bcut (?:the |my )?(sleeves?|legs?|pants|trousers) (?:off )?at (?:the )?(elbow|knee|calf|thigh|wrist|ankle)s?\b/gu,
    'shorten the $1 to the $2',
  ],
  [/\btrim (?=[^,;.]{0,20}\boff\b)/gu, 'cut '],
  [new RegExp(`\\bcut out (?=${FIGURE})`, 'gu'), 'take out '],
  [/\bcuts? (?:less|so much|too much) into (?=(?:my|the|her|his)\b)/gu, 'too tight at '],
  // “Cut the neckline lower”: what is cut otherwise is changed; in another size it is traced.
  [
    /(?<=^|\b(?:and|please|then) )(?:cut|dig|carve) (?!(?:in|off|open|away|out|from)\b)(?=(?:(?!\bsizes?\b)[^,;.])*\b(?:lower|deeper|higher|wider|narrower|shorter|longer|looser|tighter|bigger|smaller|fuller|slimmer|shallower)\b)(?!.*\bsizes?\b)/gu,
    '',
  ],
  // Of two that are sewn to each other, the one that is named first follows.
  [new RegExp(`\\b${SLEEVE} ${FITS}${WITH}${ARMHOLE}\\b(?: again)?`, 'gu'), 'cap follow the armhole'],
  [new RegExp(`\\b${ARMHOLE} ${FITS}${WITH}${SLEEVE}\\b(?: again)?`, 'gu'), 'armhole follow the cap'],
  [
    new RegExp(
      `\\b${CUT} ${MUCH}(?:off|out of|from) (?:the )?(?:bottom of the ${ARMHOLE}|${ARMHOLE} (?:at|on) the (?:bottom|underarm))\\b`,
      'gu',
    ),
    'lower the armhole $1',
  ],
  // One half of a cap.
  [new RegExp(`\\bease (?:at|in) (?:the )?(back|front)(?: half)? of (?:the )?${CAP}\\b`, 'gu'), 'ease in the cap, $1'],
  [new RegExp(`\\b${CAP} (${FIGURE} ?|)(more|less) ease\\b`, 'gu'), '$2 ease in the cap $1'],
  // What a cap has too much of goes.
  [new RegExp(`\\b${CAP} (?:has|is) (${FIGURE} ?|)too much ease(?: by)?\\b`, 'gu'), 'less ease in the cap $1'],
  [new RegExp(`\\b${CAP} (?:has|is) (${FIGURE} ?|)too little ease(?: by)?\\b`, 'gu'), 'more ease in the cap $1'],
  [new RegExp(`\\b(?:too much|excess|excessive) ease in (?:the )?${CAP}\\b`, 'gu'), 'less ease in the cap'],
  [new RegExp(`\\b(?:too little|not enough) ease in (?:the )?${CAP}\\b`, 'gu'), 'more ease in the cap'],
  [new RegExp(`\\b(?:reduce|remove|lower|decrease|less|cut)(?: the)? ${CAP} ease\\b`, 'gu'), 'less ease in the cap'],
  [new RegExp(`\\b(?:increase|add|raise|more)(?: the)? ${CAP} ease\\b`, 'gu'), 'more ease in the cap'],
  // With a figure, the cap has so much too much or too little ease.
  [new RegExp(`\\b${SLEEVE} (?:is |are )?(${FIGURE}) ?too (?:big|large|wide|loose|long) ${FOR_ARMHOLE}`, 'gu'), 'less ease in the cap $1'],
  [new RegExp(`\\b${SLEEVE} (?:is |are )?(${FIGURE}) ?too (?:small|narrow|tight|short) ${FOR_ARMHOLE}`, 'gu'), 'more ease in the cap $1'],
  [
    new RegExp(`\\b${SLEEVE} (?:is |are |does not |doesn’t )?(?:too )?(?:small|big|large|wide|narrow|tight|loose) ${FOR_ARMHOLE}`, 'gu'),
    'cap does not fit the armhole',
  ],
  [new RegExp(`\\bcap (?=(?:is |are )?(?:${FIGURE} ?)?too (?:tall|high|flat|low|short|shallow)\\b)`, 'gu'), 'sleeve cap '],
  [/\bcap (?=(?:needs|should|must|has|ought)(?: to)? be\b)/gu, 'sleeve cap '],
  // Where it ends on a body, and should not.
  [
    new RegExp(
      `\\b(sleeves?|legs?|trousers|pants) (?:ends?|stops?|finish|finishes) (${FIGURE}) ?above (?:my|her|his) (?:wrist|ankle)(?: ?bone)?s?\\b`,
      'gu',
    ),
    '$1 too short by $2',
  ],
  [
    /\b(?:hem |skirt )?(?:drags?|trails?|sweeps?|(?:is|are) (?:dragging|trailing)) (?:(?:on|along) )?the (?:floor|ground)\b/gu,
    'hem too long',
  ],
  [/\b(?:falls|swings|flaps|drops|comes|blows) open\b/gu, 'gapes'],
  [/\bfront edge (?=gapes\b)/gu, 'wrap edge '],
  [/\b(?:(?:is|are|keeps?) )?(?:riding|hiking|hitching|creeping|pulling|climbing) up\b/gu, 'rides up'],
  // A collar is as tight as the neckline that it is sewn to.
  [new RegExp(`\\b(?:collar|neck ?band)(?= (?:is )?(?:${FIGURE} ?)?too (?:tight|small|loose|big|large|wide|narrow)\\b)`, 'gu'), 'neckline'],
  [
    /\b(?:drag|pull|strain|stress|tension) lines? (?:at|across|over|around|round|on) (?:the |my )?(hips?|waist|thighs?|knees?|calves|calf|seat|belly)\b/gu,
    '$1 too tight',
  ],
  [new RegExp(`\\b(?:body |bodice )?needs? (${FIGURE}) more length (?:at|in) (?:the )?front\\b`, 'gu'), 'lengthen the front only by $1'],
  [new RegExp(`\\b(${FIGURE}) ?(?:further|farther) over\\b`, 'gu'), '$1 more overlap'],
  [
    /\b(?:turn|convert|make|change)(?: all(?: of)?)? (?:the |my )?((?:side|bust|armhole|shoulder|waist|neck) dart) into (?:an? |the )?(waist|side|armhole|shoulder|neck)(?:line)?(?: dart)?\b/gu,
    'move the $1 to the $2',
  ],
  [
    /\bwhen (?:i|she|he|they) (?:sit|bend)s?(?: down| over)?,? (?:the |my |its )?(?:back|waist|waistband)(?: waist)? (?:pulls|goes|slides|slips|rides|drops|comes) down\b/gu,
    'back rise too short',
  ],
  // Where a sleeve is to end says how long it is to be, and no way by itself.
  [
    new RegExp(`\\b(sleeves?) (?:should |to )?(?:end|stop|finish)s? (?:${FIGURE} ?)?(above|below) (?:the )?(elbow|wrist)s?\\b`, 'gu'),
    'shorten the $1 ending-$2-the-$3',
  ],
  [new RegExp(`\\b(sleeves?) (?:should |to )?(?:end|stop|finish)s? at (?:the )?(elbow|wrist)s?\\b`, 'gu'), 'shorten the $1 to the $2'],
  [/\bbell (?=(?:shaped )?sleeves?)/gu, 'flared '],
  [/\bsaddle ?bags?\b/gu, 'let out the thigh'],
  [/\bpetite(?:,| by)?(?= .*\d)/gu, 'shorter'],
  [/(?<!\btoo )\btall(?:,| by)(?= .*\d)/gu, 'longer'],
  [/\b(?:i’m|i am|she’s|she is|he’s|he is) (long|short) (?:in|through) (?:the )?(torso|body|waist|trunk|arms?|legs?)\b/gu, '$1 $2'],
  // A dart is shallow by its width, and past the bust point by its length.
  [new RegExp(`\\b(darts? (?:is |are )?(?:${FIGURE} ?)?)too shallow\\b`, 'gu'), '$1too narrow'],
  [
    new RegExp(
      `\\b(darts?) (?:tips? |points? )?(?:ends?|goes|go|runs?|points?|is|are|stops?) (${FIGURE} ?|)(?:past|beyond) (?:the |my )?(?:apex|bust point)\\b`,
      'gu',
    ),
    '$1 too long $2',
  ],
  [/\btwo (bust|side|waist|armhole|shoulder|front|back) darts (instead of|out of|from|in place of) one\b/gu, '$1 two darts out of one'],
  [/\bpuff(?:y|ier|ed)? (?=sleeves?\b)/gu, 'fuller '],
  [/\b(sleeves?) (?:more )?puff(?:y|ier|ed)\b/gu, '$1 fuller'],
  // Half of one is no whole size.
  [/\b(?:half|1\/2)(?: of)? an? size\b|\bhalf[- ]sizes?\b|\ba size and a half\b/gu, ' half-a-size '],
  // One of two: what has two of it is said of one side.
  [/\bone (shoulder|hip|sleeve|arm|thigh|bicep|armhole|calf|breast)\b/gu, 'one side only $1'],
  [/\bease (?:out )?(?:the )?(hips?|waist|bust|sides?|side seams?|thighs?)\b(?! ease)/gu, 'let out the $1'],
  [/\b(?:i’m|i am|she’s|she is|he’s|he is|wears?|takes?) an? (\d{1,2}|xs|s|m|l|xl) (?=(?:in|at|on|for) )/gu, 'size $1 '],
  [/\b(shoulders?) (?:drop|droop|dip|hang)s\b/gu, '$1 is lower'],
  [/\b(lower|raise|flatten|heighten|lift|higher|flatter|shallower|taller) (?:the )?cap\b/gu, 'sleeve cap $1'],
  [/\bdeeper v\b(?! ?-? ?neck)/gu, 'deeper neckline'],
  [/\b(lower|raise|drop|lift)((?:s|ed|ing)? (?:the )?)waistband\b/gu, '$1$2waist'],
  [/\bwaistband (?=(?:is |sits |rides |comes )?too (?:high|low))/gu, 'waist '],
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
