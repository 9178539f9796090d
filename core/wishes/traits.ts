import { PHRASES, type Concept } from './lexicon'

/**
 * What is said of a body, with the change that it asks for: adjectives by the direction that they ask for, each with the parts
 * that it is said of. Of a garment the same adjectives are its design (“long sleeves”, “a wide hem”), and are not read so.
 */
const TRAITS: readonly [adjectives: string, asks: Concept, parts: Partial<Record<Concept, string>>][] = [
  ['long', 'longer', { sleeve: 'arm|arms', leg: 'leg|legs', body: 'torso|trunk|body|waist|upper body' }],
  ['short', 'shorter', { sleeve: 'arm|arms', leg: 'leg|legs', body: 'torso|trunk|body|waist|upper body' }],
  ['broad|wide', 'out', { shoulder: 'shoulder|shoulders' }],
  [
    'full|fuller|large|larger|big|bigger|heavy|thick|wide|broad',
    'out',
    {
      bicep: 'arm|arms|upper arm|upper arms|bicep|biceps',
      hip: 'hip|hips',
      waist: 'waist|middle',
      thigh: 'thigh|thighs',
      calf: 'calf|calves',
      neckline: 'neck',
    },
  ],
  ['large|larger|big|bigger|heavy', 'out', { bust: 'bust|chest|breasts' }],
  [
    'small|thin|slim|slender|skinny|narrow|lean',
    'in',
    {
      bicep: 'arm|arms|upper arm|upper arms|bicep|biceps',
      hip: 'hip|hips',
      waist: 'waist|middle',
      thigh: 'thigh|thighs',
      calf: 'calf|calves',
      neckline: 'neck',
    },
  ],
  ['small|flat', 'in', { bust: 'bust|chest|breasts' }],
  // Of a skirt, its hem.
  ['more ease in|more ease in the|more ease at the', 'more', { 'cap-ease': 'cap|sleeve cap|sleeve head|sleeve' }],
  ['less ease in|less ease in the|less ease at the', 'less', { 'cap-ease': 'cap|sleeve cap|sleeve head|sleeve' }],
  ['less|reduce the|reduce|remove', 'less', { fullness: 'flare|fullness' }],
]

const LONG_WAISTED: [string, Concept[]][] = ['waisted', '-waisted'].flatMap((word): [string, Concept[]][] => {
  const glue = word.startsWith('-') ? '' : ' '
  return [
    [`long${glue}${word}`, ['longer', 'body']],
    [`short${glue}${word}`, ['shorter', 'body']],
  ]
})

/** Phrases that say two things at once: what to do, and with what. */
export const PAIRS: ReadonlyMap<string, readonly Concept[]> = new Map([
  ...LONG_WAISTED,
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
