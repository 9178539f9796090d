import { findPiece, placeOnSide, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { armholesWithSleeve, settleCaps, topOfCap, type CapWay, type SettledCap, type SleevedArmhole } from '../../seams'
import { lengthToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByCaps } from './held'
import type { CapToArmholeInputs } from './schema'

/** A shoulder notch that goes further than this asks for the whole cap to be slid (craft 6.10), mm. */
const FAR_NOTCH_MM = 10

/** Caps of every size with the ease that they had as bought, and what was asked beyond it. */
export function capsFollow(garment: Garment, inputs: CapToArmholeInputs, context: ChangeContext) {
  const bought = context.bought ?? garment
  const caps = new Map<string, SettledCap[]>()
  let drawn = garment
  for (const size of garment.sizes) {
    const sizeBought = bought.sizes.some((s) => s.id === size.id) ? size.id : bought.baseSizeId
    const how = { way: inputs.way as CapWay, more: { front: inputs.frontMm, back: inputs.backMm } }
    const settled = settleCaps(bought, drawn, sizeBought, size.id, how)
    if (!settled.ok) return settled
    drawn = settled.value.garment
    caps.set(size.id, settled.value.caps)
  }
  return ok({ garment: drawn, caps })
}

/**
 * Makes caps follow their armholes (craft 6.10): front and back each with the ease that the pattern had as bought, or with so much
 * more or less; by height, by width at the bicep, or by half each.
 * Refuses: a garment without a sleeve sewn into an armhole, a length that the cap cannot reach (with the closest that it can).
 */
export function applyCapToArmhole(
  garment: Garment,
  inputs: CapToArmholeInputs,
  context: ChangeContext,
): Result<Applied<CapToArmholeInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return pairs
  const done = capsFollow(garment, inputs, context)
  if (!done.ok) return done
  const { garment: after, caps } = done.value
  const broken = findBrokenOutline(garment, after)
  if (broken) return refuse('amount-too-large', broken.where, `${broken.what} by this.`, 'Let the armhole follow the cap instead.')
  const sleeves = new Set(pairs.value.flatMap(({ sleeve: { seam, side } }) => seam.sides[side].map((r) => r.pieceId)))
  return ok({
    garment: after,
    touched: [...sleeves].map((pieceId, i) => ({ pieceId, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByCaps(garment, after, inputs, context),
    cautions: [...(caps.get(context.sizeId) ?? [])].flatMap((cap) =>
      whatMoved(cap, topPiece(after, pairs.value, cap.seamId, context.sizeId)),
    ),
    setsEase: true,
  })
}

/** The name of the piece on which the shoulder meets a cap. */
function topPiece(garment: Garment, pairs: readonly SleevedArmhole[], seamId: string, sizeId: string): string {
  const pair = pairs.find((p) => p.sleeve.seam.id === seamId)!
  const { seam, side } = pair.sleeve
  return findPiece(garment, placeOnSide(garment, seam, side, topOfCap(garment, pair, sizeId), sizeId).pieceId)!.name
}

/** What went where, in a sentence. */
function whatMoved(cap: SettledCap, name: string): Caution[] {
  const parts = [
    cap.riseMm === 0 ? '' : `its top went ${lengthToken(Math.abs(cap.riseMm))} ${cap.riseMm > 0 ? 'up' : 'down'}`,
    ...(['front', 'back'] as const).map((h) => {
      const mm = cap.outMm[h]
      return mm === 0 ? '' : `its ${h} end ${lengthToken(Math.abs(mm))} ${mm > 0 ? 'out' : 'in'}`
    }),
    cap.notchMm === 0
      ? ''
      : `the shoulder notch ${lengthToken(Math.abs(cap.notchMm))} along the cap to the ${cap.notchMm > 0 ? 'front' : 'back'}`,
  ].filter(Boolean)
  const said: Caution[] = parts.length === 0 ? [] : [{ code: 'cap-moved', message: `${name}: ${parts.join(', ')}.` }]
  if (Math.abs(cap.notchMm) < FAR_NOTCH_MM) return said
  return [
    ...said,
    {
      code: 'notch-far',
      message: 'The shoulder notch goes far along the cap: look whether the shoulder should go forward or back as a whole.',
    },
  ]
}
