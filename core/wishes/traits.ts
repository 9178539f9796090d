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
  ['full|fuller|large|larger|big|bigger|heavy|thick|wide|broad', 'out', ROUNDS],
  ['small|thin|slim|slender|skinny|narrow|lean', 'in', ROUNDS],
  // “Full bust” is the name of a measure.
  ['large|larger|big|bigger|heavy', 'out', BUST],
  ['small|flat', 'in', BUST],
  ['more ease in|more ease in the|more ease at the', 'more', CAP],
  ['less ease in|less ease in the|less ease at the', 'less', CAP],
  ['less|reduce the|reduce|remove', 'less', { fullness: 'flare|fullness' }],
]

const WAISTED: [string, Concept[]][] = [
  ['long waisted', ['longer', 'body']],
  ['long-waisted', ['longer', 'body']],
  ['short waisted', ['shorter', 'body']],
  ['short-waisted', ['shorter', 'body']],
]

/** Phrases that say two things at once: what to do, and with what. */
export const PAIRS: ReadonlyMap<string, readonly Concept[]> = new Map([
  ...WAISTED,
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
