import { sideChains } from '../../measure'
import { shapeOf, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { settleCaps } from '../../seams'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { settleBands } from '../shared/settle-bands'
import { largestSide } from '../shared/side-drawing'
import { sideCautions } from '../shared/side-turns'
import { widenSides, type SideAmounts } from '../shared/widen-sides'
import type { Applied, ChangeContext } from '../types'
import { wayOf, heldByMoving } from './held'
import type { SideBalanceInputs } from './schema'

const NONE: SideAmounts = { bustMm: 0, waistMm: 0, hipMm: 0 }

/** How far each side edge of a piece goes out. */
export function amountsFor(piece: Piece, inputs: SideBalanceInputs): SideAmounts {
  const way = wayOf(piece)
  return way === 0 ? NONE : { bustMm: way * inputs.bustMm, waistMm: way * inputs.waistMm, hipMm: way * inputs.hipMm }
}

/** The pieces whose sides are moved. */
export const piecesMoved = (garment: Garment, sizeId: string): Piece[] =>
  garment.pieces.filter((p) => wayOf(p) !== 0 && sideChains(p, shapeOf(p, sizeId)).length > 0)

function move(garment: Garment, inputs: SideBalanceInputs): { garment: Garment; broken: ReturnType<typeof findBrokenOutline> } {
  if (inputs.bustMm === 0 && inputs.waistMm === 0 && inputs.hipMm === 0) return { garment, broken: null }
  let g = garment
  for (const size of garment.sizes) {
    const moved = widenSides(g, (piece) => amountsFor(piece, inputs), size.id)
    const capped = settleCaps(garment, moved, size.id, size.id)
    g = settleBands(garment, capped.ok ? capped.value.garment : moved, size.id, size.id)
    const broken = findBrokenOutline(garment, g, [size])
    if (broken) return { garment: g, broken }
  }
  return { garment: g, broken: null }
}

/**
 * Moves width between front and back along the side seams (craft 9): what the front gains at a level, the back loses, so that the seam
 * hangs upright and the body is gone round as before.
 * Refuses: a garment whose front or back has no side seam, an amount that would cross an outline (with the largest that works).
 */
export function applySideBalance(garment: Garment, inputs: SideBalanceInputs, context: ChangeContext): Result<Applied<SideBalanceInputs>> {
  const moved = piecesMoved(garment, context.sizeId)
  if (!moved.some((p) => wayOf(p) === 1) || !moved.some((p) => wayOf(p) === -1))
    return refuse(
      'reference-gone',
      'garment',
      'it has no front and back that meet in a side seam.',
      'Delete this change, or name the side seams.',
    )
  const { garment: after, broken } = move(garment, inputs)
  if (broken) {
    const most = [inputs.bustMm, inputs.waistMm, inputs.hipMm].reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
    const largest = findLargest(most, (mm) => move(garment, largestSide(inputs, mm)).broken === null)
    return refuse(
      'amount-too-large',
      broken.where,
      `${broken.what} by this amount.`,
      `All three can be moved together up to ${limitToken(Math.abs(largest))} an edge where most was asked.`,
      largest,
    )
  }
  return ok({
    garment: after,
    touched: moved.map((p, i) => ({ pieceId: p.id, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByMoving(garment, after, inputs, context.sizeId),
    cautions: sideCautions(garment, after, context.sizeId),
  })
}
