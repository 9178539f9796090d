import { answerAsTried, answerWish, askedGiven, type Offer } from '../advice'
import type { MeasureSet } from '../body'
import type { ChangeContext } from '../changes'
import type { Garment } from '../pattern'
import { findSign } from './places'
import type { Sighting } from './schema'

/** What may mend something, in the order of trying, and why the rest of it is not possible on this garment. */
export interface FittingMend {
  offers: Offer[]
  /** Sentences with lengths as tokens. */
  whyNot: string[]
}

/** What the pieces lack of a measure of the body and the ease wanted, mm; null where that is not known or nothing is missing. */
function missingOf(garment: Garment, measureId: string, body: MeasureSet | null, context: ChangeContext): number | null {
  if (!body) return null
  const row = askedGiven(context.bought ?? garment, garment, [], { sizing: context.sizing, body }).find((r) => r.id === measureId)
  return row?.leftMm !== undefined && row.leftMm !== null && row.leftMm > 0 ? row.leftMm : null
}

/** How much a sign asks for, mm: as it was measured; else, where the body’s figures tell it, what the pieces lack. */
export function amountOf(sighting: Sighting, garment: Garment, context: ChangeContext): number | null {
  if (sighting.mm !== null) return sighting.mm
  const fromBody = sighting.signId === null ? undefined : findSign(sighting.signId)?.fromBody
  return fromBody === undefined ? null : missingOf(garment, fromBody, context.body, context)
}

/** From so much on a larger size is asked for before the sides are let out, mm round the body: what sizes usually grow by. */
const A_SIZE_MM = 40

/** Amounts in a wish are read to a thousandth of a millimetre. */
const inWords = (mm: number) => `${Number(mm.toFixed(3))} mm`

/** What one wish comes to on a garment: it is offered where it is understood and can be done, else it is said why not. */
function mendByWish(wish: string, garment: Garment, context: ChangeContext): FittingMend {
  const { answer } = answerAsTried(answerWish(wish, 'cm', garment, context), garment, context)
  if (answer.how === 'does') return { offers: [answer.offer], whyNot: [] }
  if (answer.how === 'nothing') return { offers: [], whyNot: answer.why === null ? [] : [answer.why] }
  // As much as works is still of the same change; anything else would be a guess.
  return { offers: answer.offers.filter((o) => o.isLargest), whyNot: [answer.why] }
}

/**
 * What may mend a sign on a garment, in the order of trying, each with the amount that was measured (craft 9). What one’s own words
 * ask for is offered as the wish that they are. Nothing is offered that would be refused.
 *
 * @param garment the pieces that the stop would be made on: as altered
 */
export function mendSign(sighting: Sighting, garment: Garment, context: ChangeContext): FittingMend {
  const sign = sighting.signId === null ? undefined : findSign(sighting.signId)
  if (!sign) {
    const { answer } = answerAsTried(answerWish(sighting.words, 'cm', garment, context), garment, context)
    if (answer.how === 'does') return { offers: [answer.offer], whyNot: [] }
    return answer.how === 'asks'
      ? { offers: answer.offers, whyNot: answer.offers.length === 0 ? [answer.why] : [] }
      : { offers: [], whyNot: answer.why ? [answer.why] : [] }
  }
  const mm = amountOf(sighting, garment, context)
  const isSize = sign.fromBody !== undefined && mm !== null && mm >= A_SIZE_MM && (context.nest ?? garment).sizes.length > 1
  const found = sign.tries.map(({ wish, share = 1 }) =>
    mendByWish(wish.replace('#', mm === null || mm === 0 ? '' : inWords(mm * share)), garment, context),
  )
  const size = isSize ? ['That is as much as a size or more: choose another size there first, under Size.'] : []
  return { offers: found.flatMap((f) => f.offers), whyNot: [...size, ...new Set(found.flatMap((f) => f.whyNot))] }
}

/**
 * Signs of one fitting that may have one cause: what is tried for the one is tried for the other. One change is made, then one looks
 * again.
 */
export function sharedCauses(sightings: readonly Sighting[]): [Sighting, Sighting][] {
  const open = sightings.filter((s) => s.signId !== null && s.decision.is === 'open')
  const tries = (s: Sighting) => findSign(s.signId!)?.tries.map((t) => t.wish) ?? []
  return open.flatMap((a, i) =>
    open.slice(i + 1).flatMap((b): [Sighting, Sighting][] => (tries(a).some((w) => tries(b).includes(w)) ? [[a, b]] : [])),
  )
}
