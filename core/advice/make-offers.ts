import { begunOn, CHANGE_KINDS, checkInputs, newStop, piecesFor, type ChangeContext, type ChangeKind, type Reading } from '../changes'
import type { Garment } from '../pattern'
import { problemSentence, type Problem } from '../result'
import { lengthToken } from '../units'
import { readWish, TRADE, waysIn, type Concept, type Wish } from '../wishes'
import type { Offer } from './wish-answers'

/** A change as a wish may be read, and how much of the wish it leaves out. */
export interface Candidate {
  kind: ChangeKind<unknown>
  reading: Reading<unknown>
  /** Words that it does not account for. */
  left: number
}

/** A candidate as it is shown: its sentence says what it will do. */
export function offerOf({ kind, reading }: Candidate, given: Garment, context: ChangeContext): Offer {
  const garment = piecesFor(kind, given, context)
  const { inputs, towards = 0, words, where = '', how = '', stays, field } = reading
  const { amountMm } = kind.describe(garment, inputs)
  const asksAmount = kind.withAmount !== undefined && amountMm === 0
  // What it is called depends on the way that it goes, which is known before its amount is.
  const begun = () => (field ? { ...(inputs as object), [field]: towards } : kind.withAmount!(garment, inputs, towards, context))
  const named = asksAmount && towards !== 0 ? begun() : inputs
  const { title } = kind.describe(garment, named)
  const amount = amountMm === null || amountMm === 0 ? '' : lengthToken(Math.abs(amountMm))
  const what = words ?? [title, amount, where].filter(Boolean).join(' ')
  const more = [how, stays ?? '', asksAmount ? 'how much is asked next' : ''].filter(Boolean)
  return { change: newStop(kind.kind, inputs), sentence: [what, ...more].join('; '), towards, asksAmount, field: field ?? null }
}

/** The first of those that are widths: their figures are said round the body, and how they are shared is for a kind’s own reading. */
const WIDTHS_FROM = 4
/** What a change may say of itself only where the wish does, too. */
const PLACES: readonly Concept[] = [
  'bust',
  'waist',
  'hip',
  'thigh',
  'knee',
  'hem',
  'sleeve',
  'bicep',
  'shoulder',
  'neckline',
  'armhole',
  'centre-back',
  'centre-front',
]

/**
 * A kind with the one length of a wish, where the change then says in its own words that it goes the way that the wish says;
 * null where there is no figure, or no such way.
 */
function withFigure(kind: ChangeKind<unknown>, begun: unknown, wish: Wish | null, garment: Garment, context: ChangeContext): unknown {
  const [amount] = wish?.amounts ?? []
  const ways = wish ? waysIn(wish.said) : []
  if (!wish || !kind.withAmount || wish.amounts.length !== 1 || amount!.sign === -1 || ways.length !== 1 || ways[0]! >= WIDTHS_FROM)
    return null
  const tried = [amount!.mm, -amount!.mm].map((mm) => kind.withAmount!(garment, begun, mm, context))
  const says = (inputs: unknown) => {
    const own = readWish(kind.describe(garment, inputs).title, 'in')?.said ?? new Set<Concept>()
    return waysIn(own).includes(ways[0]!) && PLACES.every((place) => !own.has(place) || wish.said.has(place))
  }
  const fits = tried.filter((inputs) => checkInputs(kind.kind, garment, inputs) === null && says(inputs))
  return fits.length === 1 ? fits[0] : null
}

/**
 * A kind as it begins on a garment, with the figure of the wish where that has one and says its way; null where it does not
 * apply.
 */
export function begunOffer(kind: ChangeKind<unknown>, wish: Wish | null, given: Garment, context: ChangeContext): Offer | null {
  const garment = piecesFor(kind, given, context)
  const begun = begunOn(kind, garment, context)
  if (!begun.ok) return null
  const inputs = withFigure(kind, begun.value, wish, garment, context)
  if (inputs !== null) {
    const { title, amountMm } = kind.describe(garment, inputs)
    const sentence = [title, ...(amountMm ? [lengthToken(Math.abs(amountMm))] : [])].join(' ')
    return { change: newStop(kind.kind, inputs), sentence, towards: 0, asksAmount: false, field: null }
  }
  const sentence = `${kind.title}; it begins with nothing`
  return { change: newStop(kind.kind, begun.value), sentence, towards: 0, asksAmount: kind.withAmount !== undefined, field: null }
}

/** The kinds that may help where a trade word is said, by their own order. */
const kindsFor = (concept: Concept): ChangeKind<unknown>[] =>
  CHANGE_KINDS.filter((k) => k.mayMend?.[concept] !== undefined).sort((a, b) => a.mayMend![concept]! - b.mayMend![concept]!)

/** What is said of a trade word: why the change for it is not possible on this garment, or what it asks for. */
export function whyTrade(concept: Concept, garment: Garment, context: ChangeContext): string {
  const [first] = kindsFor(concept)
  const begun = first && begunOn(first, garment, context)
  return first && begun && !begun.ok ? notPossible(first, begun.problem) : TRADE[concept]!
}

export const notPossible = (kind: ChangeKind<unknown>, problem: Problem): string =>
  `“${kind.title}” is not possible here: ${problemSentence(problem)}`

/**
 * What may help where a word is known and the change for it is not made, by the kinds' own order.
 *
 * @param wish its one figure is taken by what goes the way that the word asks for
 */
export function nearestTo(concept: Concept, given: Garment, context: ChangeContext, wish: Wish | null = null): Offer[] {
  const [figure, ...more] = wish?.amounts ?? []
  return kindsFor(concept).flatMap((kind): Offer[] => {
    const garment = piecesFor(kind, given, context)
    if (!kind.beginFor) return [begunOffer(kind, null, garment, context) ?? []].flat()
    const begun = kind.beginFor(concept, garment, context)
    if (!begun) return []
    const { towards } = begun
    const isSet = figure?.sign === 0 && more.length === 0 && towards !== 0
    const set = isSet ? kind.withAmount?.(garment, begun.inputs, towards * figure.mm, context) : undefined
    const inputs = kind.schema.safeParse(set).success ? set : begun.inputs
    return [offerOf({ kind, reading: { inputs, uses: [], sure: false, ...(towards === 0 ? {} : { towards }) }, left: 0 }, garment, context)]
  })
}
