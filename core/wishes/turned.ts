import { PARTED, type Concept } from './lexicon'
import type { Token } from './tokens'

/** Verbs that keep their own meaning beside the word that turns them. */
const KEPT_VERBS: readonly Concept[] = ['pivot', 'slide', 'move']

/** “take the side in”: the word that turns a verb is looked for after it, up to the next verb that could be turned. */
export function joinParted(tokens: readonly Token[]): Token[] {
  const out = [...tokens]
  for (let i = 0; i < out.length; i++) {
    const verb = out[i]!
    const turns = 'text' in verb && verb.is !== 'amount' ? PARTED[verb.text] : undefined
    if (!turns) continue
    for (let j = i + 1; j < out.length; j++) {
      const t = out[j]!
      if (t.is === 'concept' && PARTED[t.text]) break
      const turnedBy = (t.is === 'small' && t.turns) || (t.is === 'concept' && (t.concept === 'up' || t.concept === 'down')) ? t.text : ''
      const concept = turns[turnedBy]
      if (!concept) continue
      const joined: Token = { is: 'concept', concept, text: `${(verb as { text: string }).text} ${turnedBy}` }
      if (verb.is === 'concept' && KEPT_VERBS.includes(verb.concept)) out[j] = joined
      else {
        out[i] = joined
        out.splice(j, 1)
      }
      break
    }
  }
  return out
}

/** “Sides in by 1/2”: the word that turns a verb, where there is no verb that says which way. */
export function turnedAlone(tokens: readonly Token[]): Token[] {
  const ways: readonly Concept[] = ['in', 'out', 'more', 'less', 'longer', 'shorter', 'fuller', 'up', 'down', 'too-tight', 'too-loose']
  if (tokens.some((t) => t.is === 'concept' && ways.includes(t.concept))) return [...tokens]
  // “2 cm off the hem” takes away, whatever follows.
  const off = tokens.findIndex((t) => t.is === 'small' && t.text === 'off')
  if (off >= 0 && tokens.some((t) => t.is === 'amount')) return tokens.with(off, { is: 'concept', concept: 'less', text: 'off' })
  return tokens.map((t) =>
    t.is === 'small' && t.turns && (t.text === 'in' || t.text === 'out') ? { is: 'concept', concept: t.text, text: t.text } : t,
  )
}

/** What something is said to be, where it is not to be so. */
const COMPLAINTS: Readonly<Record<string, Concept>> = {
  long: 'too-long',
  short: 'too-short',
  narrow: 'too-tight',
  small: 'too-tight',
  tight: 'too-tight',
  wide: 'too-loose',
  broad: 'too-loose',
  big: 'too-loose',
  large: 'too-loose',
  loose: 'too-loose',
  high: 'too-high',
  low: 'too-low',
  tall: 'too-high',
}
/** Said so, something is to become so; and what is said of a body the garment has to follow. */
const MEANT = /^(?:should|shall|must|can|will|would|like|i|i’m|she|she’s|he|they|you|person|wearer|to|if)$/
const WHOSE = /^(?:my|her|his|their)$/
const OF_GARMENT = /^(?:sleeve|hem|skirt|dart|armhole|neckline|cuff|wrist|pants|trousers|waistband)/
/** No alteration is as large: so long something is, and no figure by which it is wrong, mm. */
const LARGEST_FAULT_MM = 150

const textOf = (t: Token) => ('text' in t ? t.text : '')

/** The same in one part of a sentence. */
function complainedIn(part: readonly Token[]): Token[] {
  const at = part.findIndex((t) => t.is !== 'amount' && COMPLAINTS[textOf(t)] !== undefined)
  const before = part.slice(0, at)
  const verb = before.findLastIndex((t) => /^(?:is|are|was|were|sits?|falls?|hits?|lies?)$/.test(textOf(t)))
  const figure = before.findLastIndex((t) => t.is === 'amount')
  const amount = part.find((t) => t.is === 'amount')
  const isBody = before.some((t, i) => WHOSE.test(textOf(t)) && !OF_GARMENT.test(textOf(before[i + 1] ?? t)))
  const isMeant =
    isBody ||
    before.some((t) => MEANT.test(textOf(t))) ||
    part.some((t, i) => i !== at && t.is === 'concept' && WAYS_SAID.includes(t.concept))
  // Between “is” and its word there is nothing but how much.
  const isSaid = verb >= 0 && before.slice(verb + 1).every((t) => t.is === 'amount' || t.is === 'small')
  const isLongAlone = verb < 0 && figure >= 0 && figure === at - 1 && textOf(part[at]!) === 'long'
  if (at < 1 || isMeant || !(isSaid || isLongAlone) || (amount && amount.mm > LARGEST_FAULT_MM)) return [...part]
  return part.with(at, { is: 'concept', concept: COMPLAINTS[textOf(part[at]!)]!, text: `too ${textOf(part[at]!)}` })
}

/** “The shoulders are 1/2 narrow”, “sleeves an inch long”: so much too narrow, and too long. */
export function complained(tokens: readonly Token[]): Token[] {
  const ends = tokens.flatMap((t, i) => (t.is === 'break' || /^(?:and|but)$/.test(textOf(t)) ? [i] : []))
  return [...ends, tokens.length].flatMap((end, i) => complainedIn(tokens.slice(i === 0 ? 0 : ends[i - 1]!, end)))
}

const WAYS_SAID: readonly Concept[] = [
  ...(['in', 'out', 'more', 'less', 'longer', 'shorter', 'fuller', 'up', 'down', 'deeper', 'shallower', 'make', 'change'] as const),
  ...(['too-tight', 'too-loose', 'too-long', 'too-short', 'too-high', 'too-low'] as const),
]

/** What has one measure: so much more or less of it is wider or narrower, or longer or shorter. */
const OF_ONE_MEASURE: readonly Concept[] = [
  'bust',
  'waist',
  'hip',
  'bicep',
  'thigh',
  'knee',
  'calf',
  'shoulder',
  'length',
  'sleeve',
  'inseam',
]

/** What a figure with a sign makes longer or shorter: “torso length +4”, “leg -2”. */
const OF_LENGTH: readonly Concept[] = ['body', 'leg', 'skirt', 'length']
/** Where, which says no way: “sleeve length +1 below the elbow”. */
const WHERE: readonly Concept[] = ['above', 'below', 'elbow', 'knee', 'waist', 'hip', 'bust', 'sleeve', 'front', 'back']

/** “Waist -3”, “hip + 4”: a sign beside a thing says which way, where no word does. */
export function signedAlone(tokens: readonly Token[]): Token[] {
  const figures = tokens.filter((t) => t.is === 'amount')
  const things = tokens.filter((t) => t.is === 'concept')
  const areOf = (list: readonly Concept[]) => things.length > 0 && things.every((t) => list.includes(t.concept))
  const saysLength = things.some((t) => t.concept === 'length')
  const isLength = areOf(saysLength ? [...OF_LENGTH, ...WHERE] : OF_LENGTH)
  if (figures.length !== 1 || figures[0]!.sign === 0 || !(isLength || areOf(OF_ONE_MEASURE))) return [...tokens]
  const isMore = figures[0]!.sign > 0
  const concept = isLength ? (isMore ? 'longer' : 'shorter') : isMore ? 'more' : 'less'
  return tokens.flatMap((t): Token[] =>
    t.is === 'amount'
      ? [
          { is: 'concept', concept, text: t.text[0]! },
          { ...t, sign: 0 },
        ]
      : [t],
  )
}

/** “The hips need 2 inches”: what needs so much needs so much more, where nothing else says which way. */
export function neededAlone(tokens: readonly Token[]): Token[] {
  const at = tokens.findIndex((t, i) => t.is === 'small' && /^needs?$/.test(t.text) && tokens[i + 1]?.is === 'amount')
  const isSaid = tokens.some((t) => t.is === 'concept' && WAYS_SAID.includes(t.concept))
  const concept = tokens.some((t) => t.is === 'concept' && t.concept === 'length') ? 'longer' : 'more'
  return at < 0 || isSaid ? [...tokens] : tokens.with(at, { is: 'concept', concept, text: 'need' })
}
