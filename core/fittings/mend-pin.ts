import { tryOffer, type Offer } from '../advice'
import { CHANGE_KINDS, newStop, wordsWithAmount, type ChangeContext, type Pinned } from '../changes'
import type { Garment } from '../pattern'
import { problemSentence } from '../result'
import { lengthToken } from '../units'
import type { FittingMend } from './mend-sign'
import type { Pin } from './schema'

/** What was pinned, mm: the largest of its figures. */
export const pinnedMm = (pinned: Pinned): number =>
  pinned.how === 'side'
    ? Math.max(pinned.bustMm, pinned.waistMm, pinned.hipMm)
    : pinned.how === 'hem'
      ? Math.max(pinned.centreFrontMm, pinned.sideMm, pinned.centreBackMm)
      : pinned.mm

/** What was pinned, in words, with lengths as tokens. */
export function pinWords(garment: Garment, { pinned, side }: Pick<Pin, 'pinned' | 'side'>): string {
  const on = side === 'both' ? '' : `, ${side} only`
  const piece = 'pieceId' in pinned ? garment.pieces.find((p) => p.id === pinned.pieceId) : undefined
  const edge = 'edgeId' in pinned ? piece?.edges.find((e) => e.id === pinned.edgeId) : undefined
  const at = `${edge ? `the ${edge.name}` : 'an edge that has gone'}, ${piece?.name ?? 'a piece that has gone'}${on}`
  const levels = (parts: [string, number][]) =>
    parts.flatMap(([level, mm]) => (mm > 0 ? [`${lengthToken(mm)} at the ${level}`] : [])).join(', ')
  switch (pinned.how) {
    case 'fold':
      return `Fold of ${lengthToken(pinned.mm)} at ${at}`
    case 'wedge':
      return `Wedge of ${lengthToken(pinned.mm)} ${pinned.isOut ? 'out' : 'in'} at ${at}`
    case 'seam':
      return `Seam ${pinned.isOut ? 'let out' : 'taken in'} by ${lengthToken(pinned.mm)} at ${at}`
    case 'side':
      return `Sides ${pinned.isOut ? 'let out' : 'taken in'}: each edge ${levels([
        ['bust', pinned.bustMm],
        ['waist', pinned.waistMm],
        ['hip', pinned.hipMm],
      ])}${on}`
    case 'hem':
      return `Hem ${pinned.isLonger ? 'let down' : 'turned up'}: ${levels([
        ['centre front', pinned.centreFrontMm],
        ['sides', pinned.sideMm],
        ['centre back', pinned.centreBackMm],
      ])}${on}`
  }
}

/**
 * The stop that does on the pieces what was pinned on the body; or why none does. What is pinned on one side alone is done on that
 * side where the change can, else it is said that both sides get it.
 */
export function mendPin(pin: Pin, garment: Garment, context: ChangeContext): FittingMend {
  if (pinnedMm(pin.pinned) === 0) return { offers: [], whyNot: ['Nothing was pinned yet: type how much.'] }
  for (const kind of CHANGE_KINDS) {
    const inputs = kind.ofPin?.(garment, pin.pinned, pin.side, context)
    if (!inputs) continue
    if (!inputs.ok) return { offers: [], whyNot: [problemSentence(inputs.problem)] }
    if (!kind.schema.safeParse(inputs.value).success) return { offers: [], whyNot: ['It is more than these pieces bear: pin less.'] }
    const sentence = wordsWithAmount(kind.describe(garment, inputs.value))
    const offer: Offer = { change: newStop(kind.kind, inputs.value), sentence, towards: 0, asksAmount: false, field: null }
    const tried = tryOffer(offer, garment, context)
    const isOnSide = kind.ofOneSide && (!kind.sideOf || kind.sideOf(inputs.value) !== undefined)
    const alike = pin.side !== 'both' && !isOnSide ? [`Pinned on the ${pin.side} only: this change does both sides alike.`] : []
    if ('pieces' in tried) return { offers: [offer], whyNot: alike }
    return { offers: tried.largest ? [tried.largest] : [], whyNot: [tried.sentence, ...alike] }
  }
  return { offers: [], whyNot: ['No change is known for that pin.'] }
}
