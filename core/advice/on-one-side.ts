import { findKind, newStop, type ChangeKind } from '../changes'
import type { Garment } from '../pattern'
import { bodySides, type Side } from '../seams'
import { lengthToken } from '../units'
import { LONGEST_WISH } from '../wishes'
import type { Answer } from './in-parts'
import { MOST_OFFERS, offersOf, type Offer, type WishAnswer } from './wish-answers'

/** “The knee is right”, “right at the waist”, “the right length”: “right” that is no side. */
const BEFORE_RIGHT = 'is|are|was|be|looks?|fits?|sits?|feels?|just|all|about|quite|not'
const BEHIND_RIGHT = 'at|above|below|over|under|where|there|now|across|length|size|width|place|fit'
/** What may stand before a side. */
const BEFORE = '(?:only\\s+)?(?:(?:on|at|for|in)\\s+)?(?:the\\s+|my\\s+|her\\s+|his\\s+)?'
/** “Left side”, but not the left side seam: that is a seam. */
const A_SIDE = `(?<!\\b(?:${BEFORE_RIGHT})\\s)(left|right)(?!\\s+(?:${BEHIND_RIGHT})\\b)(?:[- ]hand)?(?:\\s+sides?\\b(?!\\s+seams?\\b))?`
/** “One side”, “one shoulder lower”. */
const ONE = 'one\\s+side\\b|one(?=\\s+(?:shoulder|sleeve|arm|upper arm|bicep|leg|hip|armhole)\\b)'
/** The words of a wish that say a side of the body: “on the left side only”. */
const SAID = new RegExp(`,?\\s*\\b${BEFORE}(?:${A_SIDE}|${ONE})(?:\\s+only\\b)?`, 'gi')
/** “Both left and right sleeves”, “left and right alike”. */
const BOTH = /\b(?:both\s+)?(?:the\s+)?(?:left\s+(?:and|&)\s+(?:the\s+)?right|right\s+(?:and|&)\s+(?:the\s+)?left)\b(?:\s+alike\b)?/gi
const THE_OTHER = /\bthan the other(?: one)?\b/gi
const plain = (text: string): string => text.replace(THE_OTHER, ' ').replace(/\s+/g, ' ').trim()

/** A side of the body that a wish says, and the wish without that. */
interface SideSaid {
  side: Side | 'one' | 'both'
  rest: string
}

/** What a wish says of the sides of the body; null where it says nothing of them. */
export function sideIn(text: string): SideSaid | null {
  const both = text.replace(BOTH, ' ')
  if (both !== text) return { side: 'both', rest: plain(both) }
  const found = [...text.matchAll(SAID)]
  const sides = new Set(found.flatMap((m) => m[1]?.toLowerCase() ?? [])) as Set<Side>
  if (found.length === 0 || sides.size > 1) return null
  return { side: [...sides][0] ?? 'one', rest: plain(text.replace(SAID, ' ')) }
}

/**
 * What a wish says of the sides of a garment; null where its sides cannot be told, or left and right are names that its maker gave.
 * @param names what everything on the garment is called
 */
export function sideOn(text: string, garment: Garment, names: readonly string[]): SideSaid | null {
  const said = text.length > LONGEST_WISH ? null : sideIn(text)
  // What opening out calls “armhole, left” is a side all the same.
  const areNames = () => names.some((name) => /\b(?:left|right)\b/i.test(name.replace(/, (?:left|right)$/, '')))
  return said && !areNames() && bodySides(garment).size > 0 ? said : null
}

/** What is said of both shoulders, and of one side as a share of the round. */
const OF_BOTH = /each shoulder, |(?:, |; )each shoulder|, \{mm [\d.-]+\} round the body/g
const EACH = /\b(?:each|every|per)\b/i

/** A change for both sides as it is on one of them. */
function onSide(offer: Offer, side: Side, isEach: boolean, garment: Garment): Offer {
  const kind: ChangeKind<unknown> = findKind(offer.change.kind)!
  const whole = isEach ? null : (kind.forOneSide?.(offer.change.inputs) ?? null)
  const isWhole = whole !== null && kind.schema.safeParse(whole).success
  const { inputs } = offer.change
  const set = { ...((isWhole ? whole : inputs) as object), side }
  const change = newStop(kind.kind, kind.onItsSide?.(garment, set) ?? set, offer.change.note)
  const [first = '', ...more] = offer.sentence.replace(OF_BOTH, '').split('; ')
  const tokenOf = (of: unknown) => lengthToken(Math.abs(kind.describe(garment, of).amountMm ?? 0))
  const what = isWhole ? first.replace(tokenOf(inputs), tokenOf(whole)) : first
  return { ...offer, change, sentence: [`${what}, on the ${side} side only`, ...more.filter(Boolean)].join('; ') }
}

/** A change that was read from the rest of a wish, on the side that it says. */
export const putOnSide = (offer: Offer, { side, rest }: SideSaid, garment: Garment): Offer =>
  side === 'left' || side === 'right' ? onSide(offer, side, EACH.test(rest), garment) : offer

/**
 * A wish for one side of the body: what it would be for both, on that side; on either, where it is not said which. Null where it says nothing
 * of sides, or where nothing that is meant can be done on one side.
 */
export function onOneSideOnly(text: string, garment: Garment, names: readonly string[], answer: Answer): WishAnswer | null {
  const said = sideOn(text, garment, names)
  if (!said) return null
  const both = answer(said.rest, { side: false })
  const { side } = said
  if (side === 'both') return both
  const can = offersOf(both).filter((o) => findKind(o.change.kind)?.sideOf)
  const on = (o: Offer, own: Side) => onSide(o, own, EACH.test(said.rest), garment)
  if (both.how === 'does' && side !== 'one' && can.length === 1) return { ...both, offer: on(both.offer, side) }
  const offers = can.flatMap((o) => (side === 'one' ? [on(o, 'left'), on(o, 'right')] : [on(o, side)])).slice(0, MOST_OFFERS)
  if (offers.length === 0) return null
  const isAsked = both.how === 'asks'
  return {
    how: 'asks',
    why: side === 'one' ? 'On which side?' : isAsked ? both.why : 'Is this meant?',
    offers,
    measure: isAsked ? both.measure : null,
  }
}
