/**
 * What the words of a wish mean (craft 11). A wish is read into these; what they ask for on a garment is known to the kinds of
 * change alone.
 */
const WORDS = {
  // Verbs, with the direction that lies in them.
  longer: 'lengthen|lengthens|lengthened|lengthening|longer|elongate|extend|let down|more length|add length|taller|letting down',
  shorter:
    'crop|crops|cropped|cropping|shorten|shortens|shortened|shortening|shorter|take up|taken up|less length|reduce the length|turn up',
  out: 'let out|letting out|widen|widens|widening|wider|broaden|broader|bigger|larger|looser|roomier|more room|more width|more ease|enlarge|bring out|go out|goes out|wide',
  in: 'taper|tapers|tapered|tapering|take in|taken in|taking in|narrow|narrower|narrowing|slim|slimmer|smaller|tighter|less width|less ease|nip in|bring in|pull in|go in|goes in|cinch|cinch in',
  fuller: 'a-line|aline|fuller|more volume|more fabric|more cloth|more fullness|more flare|flare|flared|flare out|add flare|add fullness',
  more: 'add|adds|adding|more|increase|insert|put in|give|gain|grow',
  less: 'lose|loses|losing|remove|removing|less|reduce|decrease|take out|taken out|taking out|take off|take away|cut off|chop off|chopped off|cut away|take|takes|excess',
  up: 'raise|raises|raised|raising|higher|lift|move up|bring up|up|upward|upwards|pull up',
  down: 'lower|lowers|lowered|lowering|drop|move down|bring down|down|downward|downwards',
  deeper: 'deeper|deepen|deepens|deepened|deepening',
  shallower: 'shallower|less deep|flatter',
  apart: 'further apart|farther apart|wider apart|more apart|too close together|too near together',
  together: 'closer together|nearer together|close together|too far apart|too wide apart',
  'to-side':
    'too close to the centre|too close to the center|too near the centre|too near the center|toward the side|towards the side|nearer the side|nearer to the side|closer to the side',
  'to-centre':
    'too close to the side|too near the side|toward the centre|towards the centre|toward the center|towards the center|nearer the centre|nearer the center|closer to the centre|closer to the center',
  change: 'change|changes|changing|convert|converts|turn into|make into',
  move: 'move|moves|moving|transfer|rotate|relocate',
  straighten: 'straighten|straightened|straightening|straight across|horizontal|horizontally',
  finish: 'finish|finished|finishing|cap',
  split: 'split|splitting|divide|part',
  merge: 'merge|merging|combine|combining|unite|join',
  true: 'true|truing|trued|smooth|smoothen|smooth out|run through|blend the corner',
  equal: 'different lengths|different length|equal|unequal|not equal|equalise|equalize|even|same length|alike',
  place: 'place|placing|position|sit|sits|put',
  level: 'level|levelled|leveled|even out',
  uneven: 'uneven|unevenly',
  grading: 'grade|grading|graded|interval|intervals',
  blending:
    'blend|blending|grade from|grading from|grade between|grading between|grade between sizes|grading between sizes|blend between sizes|blend between|between sizes',
  slash: 'slash|slashing|slash and swing|slash and spread|cut open|freely',
  forward: 'too far back|too far to the back|forward|forwards|further forward|to the front|toward the front|towards the front',
  backward:
    'too far forward|too far to the front|too far front|backward|backwards|further back|to the back|toward the back|towards the back',
  open: 'open|opens|opening',
  close: 'close|closes|closing',
  swing: 'swing',
  pivot: 'pivot|pivots|pivoting|pivot and slide',
  slide: 'slide|slides|sliding',
  shape: 'shape|make or change|redraw',
  make: 'make|making|set|want|wants',
  cut: 'cut|cutting|trace',
  // What is wrong, with the direction that would mend it.
  'too-long':
    'not so long|not as long|come down over|comes down over|points too close to the apex|ends too close to the apex|ends too near the apex|too close to the apex|too near the apex|too close to the bust point|too near the bust point|ends on the apex|ends at the apex|hang over|hangs over|too long|overlong|bunches|bunching|bunches up|folds up',
  'too-short': 'too short|not long enough|not enough length|rides up|ride up|pulls up|pull up',
  'too-tight':
    'cuts in|snug|not enough room|not enough space|not enough ease|not enough width|digs in|digs into|cuts into|too tight|too small|too narrow|tight|strains|strain|straining|pulls|pulling|dig in|dig into|cut into|bind|not wide enough|too snug|binds|no room',
  'too-loose':
    'too steep|slides off|slide off|sliding off|slips off|slip off|slipping off|not so wide|not as wide|not so loose|not as loose|not so big|not as big|not so full|not as full|too loose|too big|too large|too wide|baggy|loose|too roomy|hangs off|hang off|hangs away|hang away|falls off|fall off|too full|too broad|empty',
  'too-high':
    'too shallow|not deep enough|kicks up|kick up|kicks out|kick out|hikes up|hike up|too high|sits above|sit above|sits too high|sit too high|rises|rides high|ride high|is above|are above|points above|point above|ends above|end above|lifts',
  'too-low':
    'too low|hangs too low|hang too low|too deep|cut too deep|sits below|sit below|sits too low|sit too low|dips|dip|hangs low|hang low|is below|are below|points below|point below|ends below|end below|hangs down|hang down|droops|droop',
  gapes: 'gapes|gaping|gape|gaps|gap|stands away|stands off',
  // Pieces and parts of a garment.
  body: 'body|bodice|torso|trunk|top',
  front: 'front|fronts|in front',
  back: 'back|backs|behind',
  sleeve: 'sleeve|sleeves|arm|arms|two-piece sleeve|two-piece sleeves|one-piece sleeve|one-piece sleeves',
  leg: 'leg|legs|trouser leg|trouser legs|pant leg|pants leg|trousers|pants',
  skirt: 'skirt',
  hem: 'train|hem|hems|hemline|lower edge|bottom edge|bottom',
  side: 'side|sides|side seam|side seams|at the side|outseam|outseams|sideseam',
  inseam: 'inseam|inseams|inside leg|inner leg|inside leg seam',
  shoulder: 'shoulder|shoulders|shoulder seam',
  neckline: 'neckline|neck|neck edge|neck opening|wrap edge',
  'panel-seam': 'panel seam|panel seams|princess seam|princess seams|princess line|princess lines|seam of the panel',
  'stretch-of-seam':
    'along a stretch|along the stretch|part of a seam|part of the seam|stretch of a seam|stretch of the seam|part of the|for a stretch',
  armhole: 'armhole|armholes|armscye|arm hole',
  bust: 'bust|chest|full bust|bustline',
  waist: 'waist|waists|waistline|waste',
  'waist-seam': 'waist seam|waistline seam|waist casing|casing',
  hip: 'hip|hips|hipline',
  knee: 'knee|knees|knee line',
  calf: 'calf|calves',
  thigh: 'thigh|thighs',
  ankle: 'ankle|ankles',
  elbow: 'elbow|elbows',
  wrist: 'wrist|wrists|cuff|cuffs|sleeve opening',
  underarm: 'under the arms|under my arms|underarm|under the arm|under arm|armpit',
  'leg-opening': 'leg opening|leg openings|leg hole|leg holes|leghole|legholes',
  'centre-back': 'centre back|center back|cb|middle of the back|back centre|back center',
  'centre-front': 'centre front|center front|cf|middle of the front|front centre|front center',
  dart: 'dart intake|dart intakes|dart|darts',
  'two-tipped':
    'double ended dart|double-ended dart|double dart|fish-eye|fish-eye dart|fisheye dart|dart inside the piece|waist dart inside a piece',
  'dart-legs': 'dart legs|dart leg|legs of the dart|legs of a dart|leg of the dart|equal legs',
  apex: 'apex|apexes|bust point|bust points',
  notch: 'notch|notches',
  corner: 'corner|corners',
  fold: 'fold|pinned fold|folds|pinned|pin|pinned out|tuck',
  wedge: 'wedge|wedges',
  fullness: 'fullness',
  size: 'size|sizes|whole sizes',
  cup: 'cup|cups',
  seam: 'seam|seams',
  edge: 'edge|edges',
  piece: 'piece|pieces',
  length: 'length|long|in length',
  width: 'width|wide across',
  'whole-length':
    'back neck to hem|back neckline to hem|center back neck to hem|centre back neck to hem|nape to hem|from back neck to hem|from nape to hem|from the back neck|from the back neckline|from the nape|from the center back neck|from the centre back neck',
  // Where.
  above: 'above',
  over: 'over',
  below: 'below|under|beneath|underneath',
  between: 'between',
  toward: 'toward|towards',
  from: 'from|out of|off of',
  into: 'into',
  'one-side':
    'on the left side|on the right side|on the left hand side|on the right hand side|left|right|left side|right side|left only|right only|on the left|on the right|one side only|only one side',
  each: 'each|every|per|apiece',
  round:
    'all round|all around|around|in all|altogether|in total|total|round|circumference|girth|overall|all the way round|round the body|everywhere|all over',
  keep: 'keep|keeping|hold|leave|stays|must stay|without moving|keeps',
  other: 'another|other',
  free: 'a list of my own',
  // Signs on the body, and trade words.
  'collar-back':
    'collar rides back|collar seam rides back|neck rides back|neckline rides back|neckline chokes|chokes|seam slants to the back',
  sway: 'too much fabric at the lower back|too much cloth at the lower back|excess fabric at the lower back|extra fabric at the lower back|too much fabric at the back waist|excess fabric at the back waist|excess at the lower back|swayback|sway back|swayed back|hollow back|pools above the back waist|pools at the back waist|pools above the waist at the back|pools|back tilts down|back hem tilts|back waist hangs|folds above the waist|bunches at my lower back|bunches at the lower back|bunches above the back waist|bunches at the back waist|bunches in the small of the back|bunches at the small of the back|folds at the small of the back|folds in the small of the back|wrinkles at the small of the back|extra fabric above the waist at the back|extra cloth above the waist at the back|fold above the waist at the back',
  'arm-drags':
    'drags across the upper arm|drags across the arm|sleeve drags|drag lines across the upper arm|sleeve is tight|tight sleeve|tight sleeves',
  bicep: 'bicep|biceps|upper arm',
  'forward-shoulder': 'forward shoulder|forward shoulders|shoulder forward|shoulders forward',
  'square-shoulder':
    'shoulders are square|shoulders are squarer|shoulder is square|square shoulder|square shoulders|squarer shoulder|squarer shoulders|squarer',
  slope: 'slope',
  'sloping-shoulder':
    'shoulders are sloping|shoulders are sloped|slopes|slope more|sloping shoulder|sloping shoulders|more sloping shoulder|slopes more|sloping|sloped shoulder|sloped shoulders',
  'crotch-curve':
    'crotch curve|crotch shape|crotch line|crotch seam|bottom curve|scoop the crotch|scoop out the crotch|scoop the seat|folds radiate from the crotch|smile lines at the crotch|smiles at the crotch|smile lines|whiskers|whiskering|whiskers at the crotch|frown lines|frown lines at the crotch|frowns at the crotch|wrinkles at the crotch|front crotch wrinkles|crotch wrinkles|folds at the crotch|seat hollow',
  'crotch-depth': 'crotch depth|depth of the crotch|crotch length|crotch height|rise|body rise|deeper crotch|crotch',
  'crotch-point':
    'crotch point|crotch points|crotch extension|crotch extensions|crotch fork|fork of the crotch|inseam at the crotch|inseams at the crotch|inseam at the top|top of the inseam|inseam under the crotch',
  'front-rise': 'front rise|front crotch|front crotch seam|front crotch length|crotch length in front|rise in front',
  'back-rise': 'back rise|back crotch|back crotch seam|back crotch length|crotch length at the back|rise in back|rise at the back',
  'flat-seat':
    'bum too flat|butt too flat|seat too flat|bottom too flat|seat is flat|bum is flat|butt is flat|bottom is flat|behind is flat|backside is flat|no bum|no butt|baggy under the bum|baggy under the bottom|baggy under the seat|baggy under the butt|bags under the bum|bags under the seat|folds under the seat|folds under the bum|folds under the bottom|seat smaller|seat flatter|flatter bum|flatter butt|flatter bottom|flat butt|flat bum|flat behind|flat seat|flat bottom|flatter seat|seat hangs|seat bags|baggy seat|seat too full',
  'full-seat':
    'big butt|big behind|bum sticks out|butt sticks out|bottom sticks out|behind sticks out|seat sticks out|protruding bum|protruding seat|seat bigger|seat larger|seat fuller|seat roomier|bigger bum|bigger butt|bigger behind|bigger bottom|bigger seat|fuller bum|fuller butt|fuller behind|fuller bottom|large bum|large butt|more room in the seat|more room for the seat|not enough room in the seat|no room in the seat|full butt|full bum|full behind|large seat|big seat|big bottom|big bum|large bottom|protruding seat|full seat|fuller seat|full bottom|round seat|seat strained|seat too tight|seat too small|too tight in the seat|too small in the seat|tight in the seat|tight across the seat|seat strains',
  seat: 'seat|bum|butt|buttocks|backside|my bottom|my behind|rear end',
  belly: 'belly|full belly|tummy|stomach|abdomen',
  'rounded-back':
    'rounded back|round back|hunched back|hunch back|hunchback|hunched over|back is rounded|back is round|upper back is rounded|upper back is round|dowager|hump|stooped|stooping|stoop|upper back|shoulder blades|rounded upper back|round upper back',
  'rounded-shoulders':
    'hunched shoulders|hunched shoulder|slouched shoulders|slumped shoulders|rounded shoulders|round shoulders|rounded shoulder',
  'back-width':
    'when i reach forward|when reaching forward|reaching forward|when i reach|when i drive|narrower back|broader back|wider back|back too broad|back is too broad|too broad across the back|too wide across the back|too narrow across the back|narrow across the back|broad across the back|broaden the back|widen the back|narrow the back|broaden across the back|tight across the shoulder blades|too tight across the shoulder blades|across the shoulder blades|broad back|wide back|narrow back|back too narrow|back too wide|back is too narrow|back is too wide|tight across the back|too tight across the back|across the back|across back|back width|width across the back',
  'upper-chest': 'across the armhole|across the armholes|upper chest|across the upper chest|across the chest above the bust',
  'hollow-chest':
    'hollow above the bust|hollow chest|hollow chested|hollow upper chest|chest is hollow|chest hollow|hollow in the chest|chest collapses|chest caves in|sunken chest|folds across the upper chest|folds above the bust|collapses above the bust',
  'armhole-depth': 'armhole depth',
  'armhole-cuts-in':
    'armhole cuts in|armhole cuts|armhole rubs|armholes rub|rubs under the arm|rubs under my arm|cuts in under the arm|deeper armhole|deeper armholes',
  'lifts-with-arm':
    'garment lifts with the arm|lifts with the arm|lifts when i raise my arms|lifts with the arms|rides up with the arm|can’t raise my arms|can’t lift my arms|cannot raise my arms|cannot lift my arms|cant raise my arms|cant lift my arms|higher armhole|higher armholes',
  'cap-follows':
    'cap follow the armhole|cap follows the armhole|cap to follow the armhole|cap follow its armhole|cap follows armhole|cap fit the armhole|cap to the armhole|cap does not fit the armhole|cap doesn’t fit the armhole|cap too long for the armhole|cap too short for the armhole|sleeve follow the armhole|sleeve follows the armhole|sleeve fit the armhole|sleeve to the armhole|sleeve does not fit the armhole|sleeve doesn’t fit the armhole|cap no longer fits|sleeve no longer fits',
  'armhole-follows':
    'armhole follow the cap|armhole follows the cap|armhole to follow the cap|armhole follow the sleeve|armhole follows the sleeve|armhole fit the cap|armhole fit the sleeve|armhole to the cap|armhole to the sleeve|armhole does not fit the cap|armhole too long for the cap|armhole too short for the cap',
  ease: 'ease|eased|easing',
  'cap-ease':
    'cap ease|ease in cap|ease from the cap|ease from the sleeve cap|ease from sleeve cap|ease in the sleeve cap|ease in sleeve cap|ease in the cap|ease of the cap|sleeve ease|ease in the sleeve',
  'sleeve-cap': 'sleeve cap|cap height|cap pulls|cap folds|sleeve head',
  'sleeve-pitch':
    'sleeve pitch|pitch of the sleeve|rotate the sleeve|rotate the sleeves|turn the sleeve|turn the sleeves|sleeve twists|sleeves twist|sleeve hangs too far back|sleeve hangs too far forward|sleeves hang too far back|sleeves hang too far forward|sleeve swings forward|sleeve swings back',
  'no-match': 'do not match|does not match|don’t match|doesn’t match|not matching|mismatch|mismatched|unequal seams',
  'no-dart': 'no darts|no dart|no bust darts|no bust dart|without darts|without a dart|without the dart|dartless',
  'dart-pokes':
    'dart pokes|darts poke|dart points poke|dart point pokes|dart tips poke|dart tip pokes|darts pucker|dart puckers|dart bubbles|darts bubble|bubble at the end of the dart|dart pooches|darts pooch',
  'straight-leg':
    'straighter leg|straighter legs|straight leg|straight legs|straight leg pants|straighten the leg|straighten the legs|stovepipe|stovepipes',
  'front-alone':
    'front alone|only the front|front only|front length|front waist length|front bodice length|length of the front|front balance',
  'front-rises':
    'front too short|front is too short|front rides up|front hikes up|rides up in front|waist seam rises in front|waist rises in front|waist seam rides up in front|hem lifts in front',
  'wrap-front':
    'wrap|wrap front|wrap-front|wrapped front|wrap over|wrap-over|wraps over|crossover front|crossover|cross over|crosses over|cross-over|overlap of the wrap|wrap overlap|overlap',
  scoop: 'scoop|scoops|scooped|scooping|scoop out|hollow out',
  'neck-shape':
    'scoop neck|scooped neck|scoop the neck|scoop the neckline|scoop out the neck|scoop out the neckline|v neck|v-neck|boat neck|neckline shape',
  'swings-forward':
    'swings forward|swings to the front|swings toward the front|side seam swings forward|side seam swings to the front|side seams swing forward|side seams swing to the front|sides swing forward|side swings forward',
  'swings-back':
    'swings back|swings to the back|swings backward|side seam swings back|side seam swings to the back|side seams swing back|side seams swing to the back|sides swing back|side swings back',
  'side-swings': 'side seam swings|side swings|side not upright|side seam not upright',
  'made-elsewhere':
    'sleeveless|peplum|gusset|gussets|godet|godets|pocket|pockets|zip|zipper|button|buttons|buttonhole|lining|facing|facings|collar|add a cuff|add cuffs|sew a cuff|new cuff|yoke|pleat|pleats|ruffle|strap|straps|belt|loop|loops|elastic|placket|vent|hood|lapel|trim|piping',
  gathers: 'gathers|gather|gathered|gathering',
  'leg-stance':
    'legs bow|legs knock|bowed legs|knees knock|knees touch|bow legs|bow leg|bow-legs|bowlegs|bow legged|bow-legged|bowlegged|knock knees|knock-knees|knock knee|knock kneed|knock-kneed',
  'high-hip': 'hip is higher|hip higher|hips are uneven|uneven hips|high hip|higher hip|hip sits higher|hip sticks up',
  'erect-back':
    'erect back|very straight back|straight back|flat upper back|upper back is flat|upper back too long|too erect|erect posture|erect figure',
  'leg-twists':
    'leg twists|legs twist|legs are twisting|legs twist outward|legs twist inward|legs twist around|twisted legs|twisting legs|leg seams twist|seams twist around the leg|seam twists around the leg',
  'mock-up': 'muslin|toile|mock-up|mockup|fitting',
  'grain-line': 'grain|grainline|bias',
  // It is said that something shall not be done: the wish is never guessed at.
  not: 'not|but not|no|never|dont|don’t|without|instead|except',
} as const

export type Concept = keyof typeof WORDS

/** Every phrase with what it means, by the phrase; the longest is looked for first. */
export const PHRASES: ReadonlyMap<string, Concept> = new Map(
  (Object.entries(WORDS) as [Concept, string][]).flatMap(([concept, words]) =>
    words.split('|').map((w): [string, Concept] => [w, concept]),
  ),
)

/** Words that carry nothing a change could do otherwise. */
export const SMALL_WORDS: ReadonlySet<string> = new Set(
  (
    'a an the this that these those my her his their our its it is are be been was were to of on in at by for with and or as so then ' +
    'please would like should could can will must need needs have has i we she he they you me us just bit little some much very really quite ' +
    'too about roughly exactly only also here there where when which who whole again get got go goes do does did done wearer person ' +
    'but cloth fabric everything garment shirt blouse dress jacket coat vest waistcoat jumpsuit one-piece swimsuit tunic suit gown robe costume shorts smock shift ' +
    'pattern new way how what why because if than too all both any one ones two three half inch inches cm mm ' +
    'off away along across through inner outer upper first second line lines part amount same few hand paper sewing sew fit fits fitting ' +
    'bring brings come comes set shift them i’m tall petite further am im her she’s it’s its there’s apart distance says said because adjustment adjustments adjust alteration alterations tip tips client clients customer figure hands'
  ).split(' '),
)

/** Verbs that are parted from the word that turns them: “take the side in”, “let it out”. By verb, then by that word. */
export const PARTED: Readonly<Record<string, Readonly<Record<string, Concept>>>> = {
  take: { in: 'in', out: 'less', off: 'less', up: 'shorter', away: 'less' },
  taken: { in: 'in', out: 'less', off: 'less', up: 'shorter', away: 'less' },
  taking: { in: 'in', out: 'less', off: 'less', up: 'shorter', away: 'less' },
  let: { out: 'out', down: 'longer' },
  letting: { out: 'out', down: 'longer' },
  come: { in: 'in', out: 'out', up: 'up', down: 'down' },
  bring: { in: 'in', out: 'out', up: 'up', down: 'down' },
  pull: { in: 'in', out: 'out', up: 'up', down: 'down' },
  draw: { in: 'in', out: 'out', up: 'up', down: 'down' },
  pinch: { in: 'in' },
  bringing: { in: 'in', out: 'out', up: 'up', down: 'down' },
  pulling: { in: 'in', out: 'out', up: 'up', down: 'down' },
  move: { up: 'up', down: 'down', out: 'out', in: 'in' },
  put: { in: 'more' },
  pivot: { in: 'in', out: 'out' },
  slide: { in: 'in', out: 'out', up: 'up', down: 'down' },
  nip: { in: 'in' },
  cut: { off: 'less', away: 'less' },
  chop: { off: 'less' },
  turn: { up: 'shorter', down: 'longer' },
}
