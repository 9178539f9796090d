import {
  begunOn,
  CHANGE_KINDS,
  checkInputs,
  likeliestChanges,
  piecesFor,
  type ChangeContext,
  type ChangeKind,
  type Reading,
} from '../changes'
import type { Garment } from '../pattern'
import type { UnitSystem } from '../units'
import {
  figuresOf,
  LARGER_THAN_CHANGES_MM,
  literally,
  NEUTRAL,
  readWish,
  statedAs,
  takeAmount,
  thingsSaid,
  tradeOf,
  waysIn,
  type Concept,
  type Wish,
} from '../wishes'
import { butNot, eachOf, eitherWay, severalOf, type May } from './in-parts'
import { lacking, type Lacking } from './lacking'
import { begunOffer, nearestTo, notPossible, offerOf, whyTrade, type Candidate } from './make-offers'
import { onOneSideOnly, putOnSide, sideOn } from './on-one-side'
import { saidMeasure } from './said-measure'
import { MOST_OFFERS, sameOffers, type Offer, type WishAnswer } from './wish-answers'

/** Everything on a garment that has a name. @param nest the sizes that it had */
function namesOn(garment: Garment, { nest = garment }: ChangeContext): string[] {
  return [
    ...garment.pieces.flatMap((p) => [p.name, ...[...p.edges, ...p.corners, ...p.notches, ...p.darts, ...p.lines].map((x) => x.name)]),
    ...garment.seams.map((s) => s.name),
    ...nest.sizes.map((s) => s.name),
  ]
}

/** What a reading is about, in the garment's own names: a word of those that is said must be among them. */
function wordsAbout(kind: ChangeKind<unknown>, { inputs, where = '', words = '' }: Reading<unknown>, garment: Garment): string {
  const text = JSON.stringify(inputs)
  const things = garment.pieces.flatMap((p) => [p, ...p.edges, ...p.corners, ...p.notches, ...p.darts, ...p.lines])
  const named = [...things, ...garment.seams].filter((t) => new RegExp(`["\\s:]${literally(t.id)}["\\s:]`).test(text)).map((t) => t.name)
  const { title } = kind.describe(garment, inputs)
  return [title, where, words, ...named].join(' ').toLowerCase()
}

function candidatesFor(wish: Wish, garment: Garment, context: ChangeContext): Candidate[] {
  const content = [...wish.said].filter((c) => !NEUTRAL.has(c))
  return CHANGE_KINDS.flatMap((kind): Candidate[] => {
    const pieces = piecesFor(kind, garment, context)
    const begun = () => {
      const first = begunOn(kind, garment, context)
      return first.ok ? first.value : null
    }
    return (kind.reads?.(wish, pieces, context, begun) ?? [])
      .filter((reading) => checkInputs(kind.kind, pieces, reading.inputs) === null)
      .map((reading) => {
        const meant = wish.names.length > 0 ? wordsAbout(kind, reading, pieces) : ''
        const lost = wish.names.filter((n) => !meant.includes(n))
        const figures = figuresOf(wish).filter((f) => !reading.takes?.includes(f))
        const left = content.filter((c) => !reading.uses.includes(c)).length + lost.length + figures.length
        return { kind, reading, left }
      })
  })
}

/**
 * What a typed wish means on a garment. It is done without asking only where one change accounts for every word of it, with verb
 * or sign and thing understood, and no word is unknown; otherwise at most four changes are offered, or it is said why none is.
 *
 * @param garment the pieces that the change will be applied to
 */
export const answerWish = (text: string, system: UnitSystem, garment: Garment, context: ChangeContext): WishAnswer =>
  answerOf(text, system, garment, context, { state: true, deny: true, side: true })

function answerOf(text: string, system: UnitSystem, garment: Garment, context: ChangeContext, may: May): WishAnswer {
  const wish = readWish(text, system, namesOn(garment, context))
  if (!wish)
    return { how: 'nothing', why: text.trim() === '' ? null : 'That is longer than a wish. Say what should change in one sentence.' }
  const body = aboutBody(wish)
  if (body) return body
  const absent = notInPattern(wish, garment, context)
  if (absent) return absent
  const again = (part: string, fewer: Partial<May> = {}) => answerOf(part, system, garment, context, { ...may, ...fewer })
  // A body whose two sides differ is told of, and no side of the garment.
  const isOfBody = wish.said.has('high-hip')
  const ownSide = may.side && !isOfBody ? onOneSideOnly(text, garment, namesOn(garment, context), again) : null
  if (ownSide) return ownSide
  const stated = may.state && !isOfBody && wish.amounts.length === 1 ? statedAs(text) : null
  if (stated) return eitherWay(stated, again, wish.said.has('one-side') ? ONE_SIDE : '')
  const denied = may.deny && wish.said.has('not') ? butNot(text, system, again) : null
  if (denied) return denied
  const trade = tradeOf(wish.said)
  const candidates = candidatesFor(wish, garment, context)
  const isPlain = wish.unknown.length === 0 && !wish.said.has('not') && !wish.isWantedGuessed
  const clear = isPlain ? candidates.filter((c) => c.reading.sure && c.left === 0) : []
  const clearOffers = sameOffers(clear.map((c) => offerOf(c, garment, context)))
  const measure = wish.amounts.length === 0 && wish.wantedMm === null ? takeAmount(wish.said) : null
  const lost = lacking(wish, garment)
  // What is said of a thing that is not there is never done to another.
  if (clearOffers.length > 0 && lost && !lost.isCutIn) return answerLack(lost, garment, context)
  if (clearOffers.length === 1)
    return { how: 'does', offer: clearOffers[0]!, slips: wish.slips, measure: clearOffers[0]!.asksAmount ? measure : null }
  // “Bicep 13”: a figure that it is to measure says more than the word alone.
  const isMeasure = wish.isWantedGuessed && candidates.some((c) => c.reading.sure && c.left === 0)
  const several = severalOf(wish, text, system, again) ?? eachOf(wish, text, system, again)
  if (several) return several
  if (trade !== undefined && !isMeasure) {
    // What takes account of every word and of the figure comes before what only begins.
    const whole = wish.amounts.length > 0 ? candidates.filter((c) => c.left === 0).map((c) => offerOf(c, garment, context)) : []
    const nearest = nearestTo(trade, garment, context, wish).filter((o) => whole.every((w) => w.change.kind !== o.change.kind))
    return {
      how: 'asks',
      why: whyTrade(trade, garment, context),
      offers: sameOffers([...whole, ...nearest]).slice(0, MOST_OFFERS),
      measure,
    }
  }
  const near = bothWays(candidates, wish, garment, context).sort(
    (a, b) => a.left - b.left || Number(b.reading.sure) - Number(a.reading.sure),
  )
  const lacks = near[0] && near[0].left > 0 ? lost : null
  if (lacks && !lacks.isCutIn) return answerLack(lacks, garment, context)
  // What accounts for much less of the sentence than the best is not what was meant.
  const likely = near.filter((c) => c.left <= near[0]!.left + 1).map((c) => offerOf(c, garment, context))
  const offers = sameOffers(clearOffers.length > 1 ? clearOffers : likely).slice(0, MOST_OFFERS)
  if (offers.length > 0) return { how: 'asks', why: lacks?.why ?? whyAsked(wish, offers.length === 1), offers, measure }
  return notHere(text, wish, garment, context)
}

/** What is said of a size or a cup that the pattern has not got, with what may help; null where it has both. */
function notInPattern({ sizes, cup }: Wish, garment: Garment, context: ChangeContext): WishAnswer | null {
  const asks = (why: string, of: Concept): WishAnswer => ({
    how: 'asks',
    why,
    offers: nearestTo(of, garment, context).slice(0, MOST_OFFERS),
    measure: null,
  })
  const { sizes: printed } = context.nest ?? garment
  const noSize = printed.length > 1 ? sizes.find((s) => !printed.some((x) => x.name.toUpperCase() === s.name)) : undefined
  if (noSize) return asks(`This pattern has no size ${noSize.name}: it has ${printed.map((s) => s.name).join(', ')}.`, 'size')
  const cups = [...new Set((garment.cups ?? []).flatMap((c) => c.cup ?? []))]
  if (cup === null || cups.length === 0 || cups.some((c) => c.toUpperCase() === cup)) return null
  return asks(`This pattern has no piece for cup ${cup}: it has ${cups.join(', ')}.`, 'cup')
}

/** A minus beside a word of direction: both ways are offered. */
function bothWays(candidates: readonly Candidate[], wish: Wish, garment: Garment, context: ChangeContext): Candidate[] {
  const [amount] = wish.amounts
  if (wish.amounts.length !== 1 || amount!.sign !== -1) return [...candidates]
  return candidates.flatMap((c): Candidate[] => {
    const { kind, reading } = c
    if (!kind.withAmount || reading.towards === undefined) return [c]
    const ofWay = (way: 1 | -1): Candidate => ({
      ...c,
      reading: { ...reading, inputs: kind.withAmount!(garment, reading.inputs, way * amount!.mm, context), how: '' },
    })
    return [ofWay(1), ofWay(-1)]
  })
}

/** A wish as one kind of change understands it, or the change as it begins; null where it does not apply to the garment. */
export function offerAs(
  kind: ChangeKind<unknown>,
  text: string,
  system: UnitSystem,
  garment: Garment,
  context: ChangeContext,
): Offer | null {
  const said = kind.sideOf ? sideOn(text, garment, namesOn(garment, context)) : null
  const wish = readWish(said?.rest ?? text, system, namesOn(garment, context))
  const own = wish ? candidatesFor(wish, garment, context).filter((c) => c.kind === kind) : []
  const best = own.sort((a, b) => a.left - b.left || Number(b.reading.sure) - Number(a.reading.sure))[0]
  const offer = best ? offerOf(best, garment, context) : begunOffer(kind, wish, garment, context)
  return offer && said ? putOnSide(offer, said, garment) : offer
}

/** What is said of a body, and asks for no change by itself: its figures do. */
function aboutBody(wish: Wish): WishAnswer | null {
  // “Bust 38, waist 30, hips 40”: a body, and no wish.
  if (wish.isWantedGuessed && wish.amounts.some((a) => a.sign === 0 && a.mm >= LARGER_THAN_CHANGES_MM && waysIn(a.beside).length === 0))
    return { how: 'nothing', why: 'These are measures of a body: type them under Wearer, and Size makes a plan of them.' }
  if (!OF_A_BODY.test(wish.text) || wish.amounts.length > 0 || [...wish.said].some((c) => c !== 'shape' && !NEUTRAL.has(c))) return null
  return {
    how: 'nothing',
    why: 'Say what should change and by how much; or type the body’s measures under Wearer, and Size makes a plan of them.',
  }
}

/** What tells of a body, and of no part of it: “make it fit”, “I am pear-shaped”. */
const OF_A_BODY =
  /\b(?:(?:make|have) it fit|fits? (?:me|her|him|better)|(?:pear|apple|hourglass|triangle|column)[- ]?shaped?|petite|\d foot(?: \d+)? tall|plus[- ]size|(?:my|her|his) (?:own )?(?:measurements|measures|figure|body))\b/i

const ONE_SIDE = 'One side alone can be chosen for shoulders, sleeves, armholes, side seams, lengths and pinned folds. '

/** Why a wish is not simply done. */
function whyAsked(wish: Wish, isOne: boolean): string {
  if (wish.said.has('not')) return 'It says what should not be: which of these is meant?'
  if (wish.said.has('one-side')) return `${ONE_SIDE}For both sides, is one of these meant?`
  if (wish.unknown.length > 0) return `“${wish.unknown.slice(0, 3).join(' ')}” is not known here: is one of these meant?`
  if (wish.amounts.some((a) => a.sign === -1)) return 'A minus turns the word round: which way is meant?'
  return isOne ? 'Is this meant?' : 'Which of these is meant?'
}

/** What is said where a garment has not what a wish is about, with what may help. */
function answerLack({ concept, why }: Lacking, garment: Garment, context: ChangeContext): WishAnswer {
  const offers = nearestTo(concept, garment, context)
  return offers.length > 0 ? { how: 'asks', why, offers, measure: null } : { how: 'nothing', why }
}

/** Nothing was read out of a wish: changes whose names and signs share its words, or why they do not apply here. */
function notHere(text: string, wish: Wish, garment: Garment, context: ChangeContext): WishAnswer {
  const measured = saidMeasure(wish, garment, context)
  if (measured) return { how: 'nothing', why: measured }
  const lacks = lacking(wish, garment)
  if (lacks) return answerLack(lacks, garment, context)
  const isKnown = wish.said.size > 0 || wish.cup !== null || wish.sizes.length > 0
  const titled = CHANGE_KINDS.filter((k) => text.toLowerCase().includes(k.title.toLowerCase()))
  if (!isKnown && titled.length === 0)
    return { how: 'nothing', why: 'Nothing of this is known here. Say what should change, such as “shorten the sleeve by 1”.' }
  // What only goes the same way as the wish is about something else, unless nothing else is found.
  const lists = titled.length > 0 ? [titled] : [thingsSaid(wish), text].filter(Boolean).map(likeliestChanges)
  const offersOf = (kinds: ChangeKind<unknown>[]) => kinds.flatMap((k) => begunOffer(k, wish, garment, context) ?? []).slice(0, MOST_OFFERS)
  const found = lists.find((kinds) => offersOf(kinds).length > 0) ?? lists[0]!
  const offers = offersOf(found)
  const first = found[0] && begunOn(found[0], garment, context)
  const why =
    first && !first.ok && offers.length === 0
      ? notPossible(found[0]!, first.problem)
      : `${wish.said.has('one-side') ? ONE_SIDE : ''}Is one of these meant?`
  return offers.length > 0 || (first && !first.ok)
    ? { how: 'asks', why, offers, measure: wish.amounts.length === 0 ? takeAmount(wish.said) : null }
    : { how: 'nothing', why: 'No change is known for that yet.' }
}
