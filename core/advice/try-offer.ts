import {
  applyOrRefuse,
  CHANGE_KINDS,
  changedPieces,
  newStop,
  piecesFor,
  withLargest,
  type ChangeContext,
  type ChangeKind,
} from '../changes'
import type { Garment } from '../pattern'
import { problemSentence } from '../result'
import { limitToken } from '../units'
import type { Offer, WishAnswer } from './wish-answers'

/** The same change with as much as works. */
function largestOf(kind: ChangeKind<unknown>, inputs: unknown, garment: Garment): Offer {
  const { title, amountMm } = kind.describe(garment, inputs)
  const amount = amountMm === null ? '' : ` ${limitToken(Math.abs(amountMm))}`
  const sentence = `${title}${amount}, the largest that works`
  return { change: newStop(kind.kind, inputs), sentence, towards: 0, asksAmount: false, field: null, isLargest: true }
}

/** What is typed can be read and yet not be done, since it is too much: then it asks, and offers the largest that works. */
export function answerAsTried(answer: WishAnswer, garment: Garment, context: ChangeContext): { answer: WishAnswer; pieces: string[] } {
  if (answer.how !== 'does') return { answer, pieces: [] }
  const tried = tryOffer(answer.offer, garment, context)
  if ('pieces' in tried) return { answer, pieces: tried.pieces }
  return { answer: { how: 'asks', why: tried.sentence, offers: tried.largest ? [tried.largest] : [], measure: null }, pieces: [] }
}

/**
 * The pieces that an offer would change, by name; or why it cannot be done, and the same with the largest amount that works.
 */
export function tryOffer(
  offer: Offer,
  given: Garment,
  context: ChangeContext,
): { pieces: string[] } | { sentence: string; largest: Offer | null } {
  const kind = CHANGE_KINDS.find((k) => k.kind === offer.change.kind)!
  const garment = piecesFor(kind, given, context)
  const applied = applyOrRefuse(kind, garment, offer.change.inputs, context)
  if (!applied.ok) {
    const { largestMm } = applied.problem
    const inputs = largestMm ? withLargest(kind, garment, offer.change.inputs, largestMm, context) : null
    return { sentence: problemSentence(applied.problem), largest: inputs === null ? null : largestOf(kind, inputs, garment) }
  }
  const changed = changedPieces(garment, applied.value.garment, context.sizeId).map((p) => p.name)
  // One that begins with nothing has changed none yet: those that it would.
  const asked = applied.value.touched.flatMap((t) => garment.pieces.find((p) => p.id === t.pieceId)?.name ?? [])
  return { pieces: changed.length > 0 ? changed : asked }
}
