import { FIGURE, MAYBE_SO_FAR, OWN, type Said } from './said'

const NOT = '(?:(?:do|does|will|can|could|is|are) not|cannot|don’t|dont|doesn’t|doesnt|won’t|wont|can’t|cant|isn’t|aren’t|not)'
const REACHES = '(?:(?:extend|hang|fall|drop|sit|lie|land|come)s?|go(?:es)?|reach(?:es)?|(?:stick|jut|poke)s? out|is|are)'
const ROUND = '(bust|chest|waist|hips?|belly|seat|thighs?|calves|calf|biceps?|back)'

/** What a garment does on a body, as what is wrong with it. */
export const WORN: readonly Said[] = [
  [
    new RegExp(
      `\\b(sleeves?|legs?|trousers|pants) ${NOT} (?:quite )?(?:reach|cover|come(?: down)? to|get to) ${OWN}(?:wrist|ankle)(?: ?bone)?s?\\b`,
      'gu',
    ),
    '$1 too short',
  ],
  [
    new RegExp(`\\bshoulders?(?: seams?)? ${NOT} (?:quite )?(?:reach|come to|get to) ${OWN}shoulder(?: bone| point| tip)?s?\\b`, 'gu'),
    'shoulder too narrow',
  ],
  [
    new RegExp(
      `\\bshoulders?(?: seams?)? ${REACHES} ${MAYBE_SO_FAR}(?:past|beyond|over|off|outside) (?:of )?${OWN}(?:shoulder|arm|upper arm)(?: bone| point| tip)?s?\\b`,
      'gu',
    ),
    'shoulder too wide $1',
  ],
  [new RegExp(`\\bshoulders?(?: seams?)? (?:stick|jut|stand|wing)s? out(?: by)?(?: |$)${MAYBE_SO_FAR}`, 'gu'), 'shoulder too wide $1 '],
  [
    new RegExp(
      `\\b(?:(?:the )?(?:buttons?|fronts?|front edges|edges|zip|zipper|it) )?${NOT} (?:quite )?(?:close|meet|button|zip|fasten|do up|go)(?: up)? (?:over|at|across|around|round) ${OWN}${ROUND}\\b`,
      'gu',
    ),
    '$1 too tight',
  ],
  [new RegExp(`\\b(too (?:tight|short|narrow)[^,;.\\d]{0,12}),? (${FIGURE}) (?:too )?short\\b`, 'gu'), '$1 by $2'],
  [
    new RegExp(
      `\\b(?:there(?:’s| is| are) )?(${FIGURE}) (?:too much|(?:of )?extra|(?:of )?excess)(?: fabric| cloth| room| width)? (?:at|in|around|round|across) ${OWN}${ROUND}\\b`,
      'gu',
    ),
    '$2 too loose by $1',
  ],
  [
    new RegExp(
      `\\b(?:i |you |we |she |he )?can (?:pinch|grab|gather)(?: out)? (${FIGURE}) (?:at|in|around|round|across) ${OWN}${ROUND}\\b`,
      'gu',
    ),
    '$2 too loose by $1',
  ],
  [new RegExp(`\\bwaist(?:line|band)? comes? up ${MAYBE_SO_FAR}too high(?! (?:in|at) )`, 'gu'), 'waist is too high $1'],
  [
    new RegExp(
      `\\b(?:(?:excess|extra|loose|baggy|too much)(?: fabric| cloth| material)?|bag(?:s|ging)?|sags?|sagging|folds?) (?:under|below|beneath) ${OWN}(?:seat|bum|butt|bottom|behind|backside|rear)\\b`,
      'gu',
    ),
    'baggy under the seat',
  ],
  [
    /\barmholes? (?:is |are )?(?:too )?(?:bigger|larger|smaller|longer|shorter|big|small|large) (?: ?than-|for (?:the |my )?)(?:sleeves?|caps?|sleeve caps?)\b/gu,
    'sleeve cap',
  ],
  [/[,;]?\s*(?:and |so |because |since )?(?:my |the )?bra straps? (?:shows?|showing|peeks? out|are visible)\b/gu, ' neckline too wide'],
  [
    /\b(knees?|elbows?|legs?) (?:are |is )?bag(?:s|ging)?(?: out)?\b|\bbagging(?: out)? (?:at|in|around) (?:the |my )?(knees?|elbows?|legs?)\b/gu,
    '$1$2 too loose',
  ],
  [
    /\b(?:get(?:ting)? rid of|remove|eliminate|lose|leave out|do without|omit|delete|take away) (?:the |my |these |those |both |all )?(?:bust |side |front |back |waist |shoulder |armhole )?darts?\b/gu,
    'no darts',
  ],
  [/\b(?:swings|kicks|flips|tips|sticks) up\b/gu, 'rides up'],
  [new RegExp(`\\bwaist seam (?:falls|lies|hits|lands|comes|hangs) (?=${FIGURE} ?(?:above|below))`, 'gu'), 'waist seam sits '],
  [new RegExp(`\\bwaist seam (?:rides|creeps|pulls) up(?: by)? (?=${FIGURE})`, 'gu'), 'waist seam is too high by '],
  [new RegExp(`\\b(darts?) (?:ends?|stops?) ${MAYBE_SO_FAR}too (?:soon|early)\\b`, 'gu'), '$1 too short $2'],
  [new RegExp(`\\b(darts?) (?:ends?|stops?) ${MAYBE_SO_FAR}too (?:late|far)\\b`, 'gu'), '$1 too long $2'],
  [/\b(sleeves?|cuffs?) (?:needs? to |has to |have to |should |must )?come up\b/gu, 'shorten the $1'],
  [/\b(?:(?:is |are )?flooding|floods|high[- ]?waters?)\b/gu, 'leg too short'],
  [new RegExp(`\\b(?:overlap|wrap) (?:is )?${MAYBE_SO_FAR}too (?:small|little|narrow|short)\\b`, 'gu'), 'more overlap $1'],
  [new RegExp(`\\b(?:overlap|wrap) (?:is )?${MAYBE_SO_FAR}too (?:big|large|much|wide)\\b`, 'gu'), 'less overlap $1'],
  [new RegExp(`\\b(skirt|hem|legs?) ${NOT} (?:full|flared|flary) enough\\b`, 'gu'), 'fuller $1'],
  [/\b(skirt|hem|legs?|sleeves?) flares? (?:out )?too much\b/gu, '$1 too full'],
  [
    new RegExp(
      `\\bwaist(?:line|band)? (?:falls|lies|hits|lands|comes|hangs|sits|is) ${MAYBE_SO_FAR}above ${OWN}(?:natural )?waist(?:line)?\\b`,
      'gu',
    ),
    'waist is too high $1',
  ],
  [
    new RegExp(
      `\\bwaist(?:line|band)? (?:falls|lies|hits|lands|comes|hangs|sits|is) ${MAYBE_SO_FAR}below ${OWN}(?:natural )?waist(?:line)?\\b`,
      'gu',
    ),
    'waist is too low $1',
  ],
  [
    new RegExp(
      `\\b(?:excess|extra)(?: fabric| cloth| material)? (?:at|in|around) ${OWN}((?:front |back )?(?:armholes?|neckline|neck))\\b`,
      'gu',
    ),
    '$1 gapes',
  ],
  [
    new RegExp(
      `\\b(?:horizontal )?(?:fold|tuck|crease|roll|wrinkle)s? (?:of (?:fabric|cloth) )?(?:at|above|across|in|out of) ${OWN}(?:back waist|small of ${OWN}back|lower back|waist (?:at|in) (?:the )?back)\\b`,
      'gu',
    ),
    'swayback',
  ],
  [/\btoo much length\b/gu, 'too long'],
  [
    /\b(?:(?:it|garment|body|bodice|waist|waistline|hem|top|front) )?(?:rides?|lifts?|pulls?|hikes?|goes|moves?) up(?: with me)? when(?:ever)? (?:i|she|he|they|you) (?:lift|raise|reach|put)s?(?: up)?(?: (?:my|her|his|their|your|the) arms?)?(?: up)?\b/gu,
    'lifts with the arm',
  ],
  [/\bgap(?:s|ing|es)? (?:at|between) (?:the )?buttons?\b|\bgaping (?:at|between) (?:the )?buttons?\b/gu, 'gapes between the buttons'],
  [/\bcollar (?:stands|sticks|sits) (?:away|off|out)(?: from (?:the|my) neck)?\b/gu, 'neckline gapes'],
  [
    new RegExp(
      `\\bwaist(?:line|band)? (?:is )?(?:${FIGURE} ?)?too (?:big|loose|large|wide) (?:at|in) (?:the )?(?:centre |center )?back\\b`,
      'gu',
    ),
    (all) => `waist gapes at back ${/\d[^a-z]*/.exec(all)?.[0] ?? ''}`,
  ],
  // How a hem hangs is what is wrong with it.
  [/\bhem hangs? (?:longer|lower)\b/gu, 'hem too long'],
  [/\bhem hangs? (?:shorter|higher)\b/gu, 'hem too short'],
]
