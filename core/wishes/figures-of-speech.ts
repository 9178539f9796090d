import { FIGURE, WITHIN, type Said } from './said'

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
export const FIGURES: readonly Said[] = [
  [/\bcrotch (?:is )?(?:cut(?:s|ting) (?:in|up)|rid(?:es|ing) up|dig(?:s|ging) in|pull(?:s|ing) up)\b/gu, 'crotch too high'],
  [/\b(?:wedgies?|camel ?toe)\b/gu, 'crotch too high'],
  [/\b(?:(?:show(?:s|ing)?|too much|less|hide|hides|cover)(?: (?:the|my|so much|too much|less))* cleavage)\b/gu, 'neckline too low'],
  [/\bneck(?:line)? (?:is )?too revealing\b/gu, 'neckline too low'],
  [/(?:\b(?:the|my|its)|^) ?\bv(?:ee)?\b(?![- ](?:neck|notch))/gu, 'the neckline'],
  [/\blow(?:er)? rise\b/gu, 'shorter rise'],
  [new RegExp(`\\b(?:another|an? (?:additional|extra|further)|additional|extra|further) (${FIGURE})`, 'gu'), '$1 more '],
  [/\bhigh(?:er)? rise\b/gu, 'longer rise'],
  // What goes across the body is length.
  [new RegExp(`\\b(?:add|insert) (${FIGURE}) (above|below|under) (?:the |my )?(bust|waist)\\b`, 'gu'), 'lengthen $1 $2 the $3'],
  [new RegExp(`\\b(?:take|fold) out (${FIGURE}) (above|below|under) (?:the |my )?(bust|waist)\\b`, 'gu'), 'shorten $1 $2 the $3'],
  [/\b(?:fold|pinch|tuck|pin)(?:ed|ing)? out\b/gu, 'pin'],
  [new RegExp(`\\bwaist (shaping|suppression) (?:by )?(${FIGURE}) ?(less|more)\\b`, 'gu'), '$3 waist $1 $2'],
  [/\b(?:remove|less|reduce|decrease|take out|lose)(?: the)? waist (?:shap(?:ing|e)|suppression)\b/gu, 'boxier'],
  [
    /\b(?:(?:more|add|increase)(?: the)? waist (?:shap(?:ing|e)|suppression)|shape the waist(?: more| in)?|waist suppression(?! .*\bless\b))\b(?: more\b)?/gu,
    'nipped waist',
  ],
  [/\bwaist suppression\b/gu, 'boxier'],
  // What lies on the shoulder wants room above it.
  [/\b(?:remove|without|no|omit|leave out|take out)(?: the)? shoulder pads?\b/gu, 'more sloping shoulder'],
  [
    /\b(?:for|with|to fit|add|room for|insert|because of)(?: the| a)? shoulder pads?\b(?=.*\d)(?=[^,;]*$)|^shoulder pads?(?=(?: of)? \d)/gu,
    'squarer shoulder',
  ],
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
  // Beside no armhole, what is too large of a cap is its ease; how high it is is said of its line.
  [
    new RegExp(`\\b${CAP} (?:is )?(${FIGURE} ?|)too (?:big|large|full|long)(?: by)?\\b(?:,? ease it (?:down|in))?`, 'gu'),
    'less ease in the cap $1',
  ],
  [new RegExp(`\\bcap (?=(?:by )?(?:${FIGURE} ?)?(?:higher|lower|taller|flatter|shallower)\\b)`, 'gu'), 'sleeve cap '],
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
    new RegExp(
      `\\b(sleeves?) (?:should |to )?(?:end|stop|finish)s? (?:${FIGURE} ?)?(above|below) (?:the )?(elbow|wrist)s?\\b(?!.*\\b(?:longer|lengthen|too short|add|more)\\b)`,
      'gu',
    ),
    'shorten the $1 ending-$2-the-$3',
  ],
  [new RegExp(`\\b(sleeves?) (?:should |to )?(?:end|stop|finish)s? at (?:the )?(elbow|wrist)s?\\b`, 'gu'), 'shorten the $1 to the $2'],
  [/\bbell (?=(?:shaped )?sleeves?)/gu, 'flared '],
  // What is wrong with a figure, and not with a size of it.
  [/\b(?:flat|small)[- ](?:chested|busted)\b|\bflat (?:chest|bust)\b/gu, 'smaller bust'],
  [/\b(?:full|large|big|heavy)[- ](?:chested|busted)\b/gu, 'fuller bust'],
  [/\b(?:full|large|big|heavy) bust(?: adjustment)?(?= (?:of |by )?1?\d(?!\d))/gu, 'fuller bust'],
  [/\bsaddle ?bags?\b/gu, 'let out the thigh'],
  [/\bpetite(?:,| by)?(?= .*\d)/gu, 'shorter'],
  [/(?<!\btoo )\btall(?:,| by)(?= .*\d)/gu, 'longer'],
  [/\b(?:i’m|i am|she’s|she is|he’s|he is) (long|short) (?:in|through) (?:the )?(torso|body|waist|trunk|arms?|legs?)\b/gu, '$1 $2'],
  // A dart that is only closed is left out.
  [/\bclose (?:up )?(?:the |my |these |those |both )*(?:bust |side |front |back |waist |shoulder |armhole )?darts?(?: up)?$/gu, 'no darts'],
  [
    /\b(?:move|shift|bring) (?:the |my |both )*(apex|apexes|bust points?) (out|in)(?:wards?)?(?: by)?\b/gu,
    (_, what: string, way: string) => `move the ${what} toward the ${way === 'out' ? 'side' : 'centre'}`,
  ],
  [/\b(?:from )?(?:the )?(?:cent(?:re|er) )?back neck(?:line)? to (?:the )?(?=waist)/gu, 'from the neck to the '],
  // Where one half hangs lower than the other, its hem is longer.
  [
    new RegExp(
      `\\b(back|front|side)s?(?: hem)?(?: (?:hangs?|is|are|sits?))? (${FIGURE} ?|)(lower|higher) +than-(?:back|front|sides?)(?: +by)?(?![\\p{L}])`,
      'gu',
    ),
    (_, where, figure, way) => `hem ${way === 'lower' ? 'longer' : 'shorter'} at the ${where} ${figure}`,
  ],
  [new RegExp(`\\bpinch (${FIGURE}) (?:out )?(?:of|at|from|in) (?:the )?(?=armhole|neck)`, 'gu'), 'pin $1 at the '],
  [
    /\btoo much (?:wearing )?ease (?:in|at|around|through) (?:the |my )?(?:body|bodice|trunk|garment)\b,? ?(?:(?:take|remove) (?:it )?(?:out|in) )?/gu,
    'take in the sides ',
  ],
  [/\b(more|less) full\b/gu, '$1 fullness'],
  // Where the seam goes, the width goes the other way.
  [
    /\b(?:move|shift|bring|swing) (?:the |both |my )*side ?seams? (?:to(?:ward|wards)? (?:the )?)?(back|front|forward|backward)s?\b/gu,
    (_, to) => (to!.startsWith('b') ? 'move width from the back to the front' : 'move width from the front to the back'),
  ],
  [/\bshirt ?tails?\b/gu, 'hem at the back'],
  [/\bboot[- ]?(?:cut|leg)\b/gu, 'flared'],
  [
    /\bsleeves? (?:is |are )?(?:too )?(?:tight|snug) (?:at|in|around|over|below) (?:the |my )?(elbow|forearm|wrist)s?\b/gu,
    'sleeve too tight at the $1',
  ],
  // Where a hem is to end.
  [
    new RegExp(
      `\\b(?:the |my |make )*(?:skirt|dress|hem)(?: (?:should|to|must|needs to|has to|that))? (?:ends?|finish(?:es)?|stops?|reach(?:es)?|falls?|hits?|comes?)(?: to)?(?: at)?(?: (${FIGURE} ?)(above|below))? (?:the |my )?knees?\\b`,
      'gu',
    ),
    (_, figure, way) => `hem ${figure ?? ''} ${way ?? ''} at the knee`,
  ],
  [
    new RegExp(`\\b(?:make )?(?:the |my |a )?(?:skirt |dress |hem )?(?:to )?knee[- ]length(?: (?:skirt|dress|hem))?$`, 'gu'),
    'hem at the knee',
  ],
  // The whole of a garment, and no stretch between two places.
  [new RegExp(`\\b(${FIGURE} ?)long (?=from (?:the )?(?:(?:cent(?:re|er) )?back neck|nape))`, 'gu'), '$1long, '],
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
