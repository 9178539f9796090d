import type { UnitSystem } from '../units'
import type { Concept } from './lexicon'
import { LONGEST_WISH, readTokens, type Token } from './tokens'

/** One figure of a wish, with what stands beside it. */
export interface WishAmount {
  mm: number
  /** As it was typed: 1 or -1, or 0 without a sign. */
  sign: 1 | 0 | -1
  /** What is said in the same part of the sentence. */
  beside: ReadonlySet<Concept>
}

/** A typed wish, as far as its words can be understood without knowing the garment. */
export interface Wish {
  text: string
  tokens: readonly Token[]
  /** Everything that was said, each once. */
  said: ReadonlySet<Concept>
  amounts: readonly WishAmount[]
  /** How long something is to be in the end, mm: “make the sleeve 22 in long”; null where a change is asked for. */
  wantedMm: number | null
  /** That it is meant so is only likely: “waist 30 in”. */
  isWantedGuessed: boolean
  sizes: readonly { name: string; beside: ReadonlySet<Concept> }[]
  /** New sizes to make. */
  counts: { up: number; down: number }
  cup: string | null
  /** Words that are known only since something on the garment is called so: which, the kinds must have taken account of. */
  names: readonly string[]
  /** Words that nothing is known of. */
  unknown: readonly string[]
  /** Slips of the hand, and what they were taken for. */
  slips: readonly { typed: string; as: string }[]
  /** Two things are asked for at once: each has its own verb and its own figure. */
  isSeveral: boolean
}

/** Figures that are no amounts. */
export type WishFigure = 'wanted' | 'sizes' | 'cup' | 'counts' | 'several'

/** Which of those a wish has: what does it must take account of each. */
export const figuresOf = (wish: Wish): WishFigure[] => [
  ...(wish.wantedMm === null ? [] : (['wanted'] as const)),
  ...(wish.sizes.length === 0 ? [] : (['sizes'] as const)),
  ...(wish.cup === null ? [] : (['cup'] as const)),
  ...(wish.counts.up + wish.counts.down === 0 ? [] : (['counts'] as const)),
  ...(wish.isSeveral ? (['several'] as const) : []),
]

const DIRECTIONS: readonly Concept[] = [
  'longer',
  'shorter',
  'out',
  'in',
  'fuller',
  'more',
  'less',
  'up',
  'down',
  'deeper',
  'shallower',
  'square-shoulder',
  'sloping-shoulder',
  'forward-shoulder',
  'forward',
  'backward',
  'move',
  'straighten',
  'finish',
  'split',
  'merge',
]

/** Signs that say which way would mend them. */
const SIGNS: readonly Concept[] = ['too-long', 'too-short', 'too-tight', 'too-loose', 'too-high', 'too-low']

const VERBS: readonly Concept[] = [
  'too-long',
  'too-short',
  'too-tight',
  'too-loose',
  'grading',
  'blending',
  'slash',
  'pivot',
  'place',
  'level',
]

const MADE: readonly Concept[] = ['dart', 'two-tipped', 'wedge', 'fold', 'notch', 'size']

/** A sentence in its parts: at commas, and where it has several figures at “and” too. */
function partsOf(tokens: readonly Token[]): Token[][] {
  const several = tokens.filter((t) => t.is === 'amount').length > 1
  const parts: Token[][] = [[]]
  for (const t of tokens) {
    if (t.is === 'break' || (several && t.is === 'small' && t.text === 'and')) parts.push([])
    else parts[parts.length - 1]!.push(t)
  }
  return parts.filter((p) => p.length > 0)
}

const conceptsIn = (tokens: readonly Token[]): Set<Concept> => new Set(tokens.flatMap((t) => (t.is === 'concept' ? [t.concept] : [])))

/** Is a figure what something is to measure in the end: “make it 22 long”, “to 8 in”? */
function isResult(part: readonly Token[], at: number): boolean {
  const before = part[at - 1]
  const after = part[at + 1]
  const isLong = after?.is === 'concept' && after.concept === 'length'
  const isTo = before?.is === 'small' && before.text === 'to'
  // What is made and has no length of its own is made by so much: a dart, a wedge.
  const isMade = !part.some((t) => t.is === 'concept' && MADE.includes(t.concept))
  const made = isMade && part.slice(0, at).some((t) => t.is === 'concept' && t.concept === 'make')
  const turned = part.some((t) => t.is === 'concept' && DIRECTIONS.includes(t.concept) && t.concept !== 'more')
  return isTo || ((isLong || made) && !turned)
}

/** “Hem 12 wide”: what it is to measure, flat or all round. So little of it is a change, mm. */
const NARROWEST_MM = 100
function isWidth(part: readonly Token[], at: number): boolean {
  const [amount, after] = [part[at]!, part[at + 1]]
  const isWide = after?.is === 'concept' && after.concept === 'out' && after.text === 'wide'
  const others = part.filter((t, i) => i !== at + 1 && t.is === 'concept' && (DIRECTIONS.includes(t.concept) || SIGNS.includes(t.concept)))
  return isWide && others.length === 0 && amount.is === 'amount' && amount.sign === 0 && amount.mm >= NARROWEST_MM
}

/** No change is as large: a figure that stands beside a thing without a verb is what the thing is to measure, mm. */
export const LARGER_THAN_CHANGES_MM = 254
/** Of what is narrow by itself, mm. */
const LARGER_THAN_NARROW_MM = 130
const NARROW: readonly Concept[] = ['wrist', 'ankle', 'bicep', 'calf']

/** “Waist 30 in”: a thing and a figure of its size, and nothing that says what is to be done. */
function isBareMeasure(part: readonly Token[], amount: Token & { is: 'amount' }): boolean {
  const verbs = part.filter((t) => t.is === 'concept' && (DIRECTIONS.includes(t.concept) || VERBS.includes(t.concept)))
  const isThing = part.some((t) => t.is === 'concept')
  const isNarrow = part.some((t) => t.is === 'concept' && NARROW.includes(t.concept))
  return isThing && verbs.length === 0 && amount.sign === 0 && amount.mm >= (isNarrow ? LARGER_THAN_NARROW_MM : LARGER_THAN_CHANGES_MM)
}

/**
 * Reads a wish: verbs, things, places, amounts and what is to be in the end, anywhere in the sentence. What it means for a
 * garment is for the kinds of change to say.
 *
 * @param system what figures without a unit are in
 * @param names names on the garment (pieces, edges, darts, seams ...): their words are no unknown ones
 * @returns null where nothing was typed, or more than a wish has
 */
export function readWish(text: string, system: UnitSystem, names: readonly string[] = []): Wish | null {
  if (text.trim() === '' || text.length > LONGEST_WISH) return null
  const known = new Set(names.flatMap((n) => n.toLowerCase().match(/[\p{L}’'-]+/gu) ?? []))
  const tokens = readTokens(text, system, known)
  const parts = partsOf(tokens)
  const amounts: WishAmount[] = []
  const sizes: { name: string; beside: ReadonlySet<Concept> }[] = []
  let wantedMm: number | null = null
  let isWantedGuessed = false
  for (const part of parts) {
    const beside = conceptsIn(part)
    part.forEach((t, i) => {
      if (t.is === 'size') sizes.push({ name: t.name, beside })
      if (t.is !== 'amount') return
      if (wantedMm === null && isResult(part, i) && !isWidth(part, i)) wantedMm = t.mm
      else if (wantedMm === null && (isBareMeasure(part, t) || isWidth(part, i))) [wantedMm, isWantedGuessed] = [t.mm, true]
      else amounts.push({ mm: t.mm, sign: t.sign, beside })
    })
  }
  const counted = (way: 'up' | 'down') => tokens.reduce((sum, t) => sum + (t.is === 'sizes' && t.way === way ? t.count : 0), 0)
  const saysWay = (t: Token) => t.is === 'concept' && (DIRECTIONS.includes(t.concept) || SIGNS.includes(t.concept))
  const doing = parts.filter((p) => p.some((t) => t.is === 'amount') && p.some(saysWay))
  return {
    text,
    tokens,
    said: conceptsIn(tokens),
    amounts,
    wantedMm,
    isWantedGuessed,
    sizes,
    counts: { up: counted('up'), down: counted('down') },
    cup: tokens.find((t): t is Token & { is: 'cup' } => t.is === 'cup')?.name ?? null,
    names: tokens.flatMap((t) => (t.is === 'name' ? [t.text] : [])),
    unknown: tokens.flatMap((t) =>
      t.is === 'unknown'
        ? [
            t.text
              .replace(/^nothing-at-/, 'nothing at ')
              .replace(/^than-/, 'than ')
              .replace(/^ending-(above|below)-the-/, 'ending $1 the ')
              .replace('-being-', ' being '),
          ]
        : [],
    ),
    slips: tokens.flatMap((t) => (t.is === 'concept' && t.typed !== undefined ? [{ typed: t.typed, as: t.text }] : [])),
    isSeveral: doing.length > 1,
  }
}
