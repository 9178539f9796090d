import { findKind, newStop, type ChangeKind } from '../changes'
import type { Garment } from '../pattern'
import { bodySides, type Side } from '../seams'
import { lengthToken } from '../units'
import type { Answer } from './in-parts'
import { MOST_OFFERS, offersOf, type Offer, type WishAnswer } from './wish-answers'

/** “On the left side only”: the words of a wish that say a side of the body. The left side seam is one; “right at the waist” says none. */
const SAID =
  /,?\s*\b(?:only\s+)?(?:(?:on|at|for|in)\s+)?(?:the\s+|my\s+|her\s+|his\s+)?(?:(left|right)(?!\s+(?:at|above|below|over|under|where|there|now|across)\b)(?:[- ]hand)?(?:\s+sides?\b(?!\s+seams?\b))?|one\s+side\b|one(?=\s+(?:shoulder|sleeve|arm|upper arm|bicep|leg|hip|armhole)\b))(?:\s+only\b)?/gi
/** “Both left and right sleeves”, “left and right alike”. */
const BOTH = /\b(?:both\s+)?(?:the\s+)?(?:left\s+(?:and|&)\s+(?:the\s+)?right|right\s+(?:and|&)\s+(?:the\s+)?left)\b(?:\s+alike\b)?/gi
const THE_OTHER = /\bthan the other(?: one)?\b/gi
const plain = (text: string): string => text.replace(THE_OTHER, ' ').replace(/\s+/g, ' ').trim()

/** What a wish says of the sides of the body, and the wish without that; null where it says nothing of them. */
export function sideIn(text: string): { side: Side | 'one' | 'both'; rest: string } | null {
  const both = text.replace(BOTH, ' ')
  if (both !== text) return { side: 'both', rest: plain(both) }
  const found = [...text.matchAll(SAID)]
  const sides = new Set(found.flatMap((m) => m[1]?.toLowerCase() ?? [])) as Set<Side>
  if (found.length === 0 || sides.size > 1) return null
  return { side: [...sides][0] ?? 'one', rest: plain(text.replace(SAID, ' ')) }
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

/**
 * A wish for one side of the body: what it would be for both, on that side; on either, where it is not said which. Null where it says nothing
 * of sides, or where nothing that is meant can be done on one side.
 */
export function onOneSideOnly(text: string, garment: Garment, answer: Answer): WishAnswer | null {
  const said = sideIn(text)
  if (!said || bodySides(garment).size === 0) return null
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
