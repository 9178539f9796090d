import { PHRASES, type Concept } from './lexicon'

type Parts = Partial<Record<Concept, string>>

/** Parts of a body that have a length, and those that have a round. */
const LENGTHS: Parts = { sleeve: 'arm|arms', leg: 'leg|legs', body: 'torso|trunk|body|waist|upper body' }
const ROUNDS: Parts = {
  bicep: 'arm|arms|upper arm|upper arms|bicep|biceps',
  hip: 'hip|hips',
  waist: 'waist|middle',
  thigh: 'thigh|thighs',
  calf: 'calf|calves',
  knee: 'knee|knees',
  neckline: 'neck',
}
const BUST: Parts = { bust: 'bust|chest|breasts' }
const CAP: Parts = { 'cap-ease': 'cap|sleeve cap|sleeve head|sleeve' }

/**
 * What is said of a body, with the change that it asks for: adjectives by the direction that they ask for, each with the parts
 * that it is said of. Of a garment the same adjectives are its design (“long sleeves”, “a wide hem”), and are not read so. Besides,
 * the ease of a cap and the flare of a skirt, where a word of direction stands before them.
 */
const TRAITS: readonly [adjectives: string, asks: Concept, parts: Parts][] = [
  ['long', 'longer', LENGTHS],
  ['short', 'shorter', LENGTHS],
  ['broad|wide', 'out', { shoulder: 'shoulder|shoulders' }],
  ['narrow|small', 'in', { shoulder: 'shoulder|shoulders' }],
  ['full|fuller|large|larger|big|bigger|heavy|protruding|bulky|thick|wide|broad|fat|plump|muscular', 'out', ROUNDS],
  ['small|thin|slim|slender|skinny|narrow|lean', 'in', ROUNDS],
  // “Full bust” is the name of a measure.
  ['large|larger|big|bigger|heavy', 'out', BUST],
  ['small|flat', 'in', BUST],
  ['more ease in|more ease in the|more ease at the', 'more', CAP],
  ['less ease in|less ease in the|less ease at the', 'less', CAP],
  [
    'less|reduce the|reduce|remove',
    'less',
    { fullness: 'flare|fullness|volume|fabric in the skirt|cloth in the skirt|fabric|volume in the skirt' },
  ],
]

const WAISTED: [string, Concept[]][] = [
  ['long waisted', ['longer', 'body']],
  ['long-waisted', ['longer', 'body']],
  ['short waisted', ['shorter', 'body']],
  ['short-waisted', ['shorter', 'body']],
]

/** Adjectives of a body that are said after it, too: “my arms are too fat for the sleeves”. */
const OF_A_BODY: readonly [adjectives: string, asks: Concept][] = [
  ['full|large|big|heavy|thick|wide|broad|fat|plump|chunky|muscular', 'out'],
  ['small|thin|slim|slender|skinny|narrow|lean|bony', 'in'],
]
const OWNERS = ['my ', 'her ', 'his ', 'their ']
/** Of a garment these are not said: “upper arms are big” tells of a body, without a word for whose. */
const OF_BODIES_ALONE: readonly string[] = ['arms', 'upper arms', 'biceps', 'thighs', 'calves']

const saidAfter = (): [string, Concept[]][] =>
  OF_A_BODY.flatMap(([adjectives, asks]) =>
    adjectives
      .split('|')
      .flatMap((adjective) =>
        (Object.entries({ ...ROUNDS, ...BUST }) as [Concept, string][]).flatMap(([part, words]) =>
          words
            .split('|')
            .flatMap((word) =>
              [
                ...OWNERS.flatMap((own) => ['is', 'are', 'is too', 'are too'].map((verb) => `${own}${word} ${verb}`)),
                ...(OF_BODIES_ALONE.includes(word) ? [`${word} are`] : []),
              ].map((said): [string, Concept[]] => [`${said} ${adjective}`, [asks, part]]),
            ),
        ),
      ),
  )

/** Signs that say where something ends, or gives way. */
const ENDS: [string, Concept[]][] = ['my wrist', 'my wrists', 'the wrist', 'her wrist', 'his wrist'].flatMap((at) =>
  ['end', 'ends', 'stop', 'stops'].map((verb): [string, Concept[]] => [`${verb} above ${at}`, ['too-short', 'sleeve']]),
)
const STRAINED: [string, Concept[]][] = [
  'gapes between the buttons',
  'gaps between the buttons',
  'gapes between buttons',
  'buttons pull',
  'buttons gape',
  'buttons strain',
  'buttons pull apart',
  'button band gapes',
].map((words): [string, Concept[]] => [words, ['too-tight', 'bust']])

/** How close it follows the body, and shapes by their names. */
const SHAPES: [string, Concept[]][] = [
  ...['boxy', 'boxier', 'less fitted', 'less shaped', 'less waisted'].map((w): [string, Concept[]] => [w, ['out', 'waist']]),
  ...['nip the waist', 'nip at the waist'].map((w): [string, Concept[]] => [w, ['in', 'waist']]),
  ...['more fitted', 'more shaped', 'nipped waist', 'nipped in waist', 'fitted waist'].map((w): [string, Concept[]] => [
    w,
    ['in', 'waist'],
  ]),
  ...['bell bottom', 'bell bottoms', 'bell-bottoms'].map((w): [string, Concept[]] => [w, ['fuller', 'leg-opening']]),
  ...['peg the hem', 'pegged hem', 'peg the legs', 'pegged legs'].map((w): [string, Concept[]] => [w, ['in', 'leg-opening']]),
  ...['two darts out of one', 'two darts from one', 'two darts instead of one'].map((w): [string, Concept[]] => [w, ['split', 'dart']]),
]
/** Lines that point to what is too small. */
const DRAGGING: [string, Concept[]][] = [
  ...['drag lines', 'strain lines', 'stress lines', 'pull lines', 'drags', 'pulls'].flatMap((lines) =>
    ['from the', 'from', 'to the', 'toward the', 'towards the', 'at the', 'across the', 'pointing to the'].map((way) => `${lines} ${way}`),
  ),
  // Folds at a bust may be too much cloth.
  ...['folds', 'wrinkles'].flatMap((lines) => ['toward the', 'towards the', 'pointing to the'].map((way) => `${lines} ${way}`)),
].flatMap((lines) =>
  ['bust', 'bust point', 'apex', 'bust to the side', 'bust to the side seam', 'bust to side'].map((at): [string, Concept[]] => [
    `${lines} ${at}`,
    ['too-tight', 'bust'],
  ]),
)
/** “I am short between shoulder and bust.” */
const BETWEEN: [string, Concept[]][] = ['between', 'from'].flatMap((at): [string, Concept[]][] => [
  [`short ${at}`, ['shorter', 'between']],
  [`long ${at}`, ['longer', 'between']],
])

/** The length of a body, by its ends. */
const BY_ENDS: [string, Concept[]][] = ['neck', 'nape', 'shoulder', 'shoulders']
  .flatMap((end) => [`${end} to waist`, `the ${end} to the waist`])
  .flatMap((ends) => [ends, `from ${ends}`].map((words): [string, Concept[]] => [words, ['length', 'body', 'above', 'waist']]))

/** Phrases that say two things at once: what to do, and with what. */
export const PAIRS: ReadonlyMap<string, readonly Concept[]> = new Map([
  ...WAISTED,
  ...ENDS,
  ...STRAINED,
  ...SHAPES,
  ...DRAGGING,
  ...BETWEEN,
  ...BY_ENDS,
  ...saidAfter(),
  ...TRAITS.flatMap(([adjectives, asks, parts]) =>
    adjectives
      .split('|')
      .flatMap((adjective) =>
        (Object.entries(parts) as [Concept, string][]).flatMap(([part, words]) =>
          words.split('|').map((word): [string, Concept[]] => [`${adjective} ${word}`, [asks, part]]),
        ),
      ),
  ),
])

/** No phrase has more words. */
export const LONGEST_PHRASE = Math.max(...[...PHRASES.keys(), ...PAIRS.keys()].map((p) => p.split(' ').length))
