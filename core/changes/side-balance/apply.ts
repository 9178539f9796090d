import { finishedMm, findZones, sideChains } from '../../measure'
import { shapeOf, timesCut, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { settleCaps } from '../../seams'
import { SEAM_KEPT_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { bothShapes, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { settleBands } from '../shared/settle-bands'
import { largestSide } from '../shared/side-drawing'
import { sideCautions } from '../shared/side-turns'
import { SIDE_KEYS, widenSides, type SideAmounts, type SideZone } from '../shared/widen-sides'
import type { Applied, ChangeContext, HeldPromise } from '../types'
import type { SideBalanceInputs } from './schema'

/** Which half of the garment a piece with a side belongs to: 1 the front, −1 the back, 0 neither. */
export const halfOf = (piece: Piece): 1 | 0 | -1 => (piece.kind.includes('front') ? 1 : piece.kind.includes('back') ? -1 : 0)

const NONE: SideAmounts = { bustMm: 0, waistMm: 0, hipMm: 0 }

/** How far each side edge of a piece goes out. */
export function amountsFor(piece: Piece, inputs: SideBalanceInputs): SideAmounts {
  const way = halfOf(piece)
  return way === 0 ? NONE : { bustMm: way * inputs.bustMm, waistMm: way * inputs.waistMm, hipMm: way * inputs.hipMm }
}

/** The pieces whose sides are moved. */
export const piecesMoved = (garment: Garment, sizeId: string): Piece[] =>
  garment.pieces.filter((p) => halfOf(p) !== 0 && sideChains(p, shapeOf(p, sizeId)).length > 0)

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

/** Round the body every zone stays as it was; the front has gained just what was asked, on each of its side edges. */
function heldByMoving(before: Garment, after: Garment, inputs: SideBalanceInputs, sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const zone of findZones(before)) {
    const key = SIDE_KEYS[zone.id as SideZone]
    if (!key || zone.parts.some((p) => p.by === 'narrowest')) continue
    const front = zone.parts.filter((part) => halfOf(before.pieces.find((p) => p.id === part.pieceId)!) === 1)
    const edges = front.reduce((sum, part) => {
      const piece = before.pieces.find((p) => p.id === part.pieceId)!
      return sum + sideChains(piece, shapeOf(piece, sizeId)).length * timesCut(piece)
    }, 0)
    const grew = (parts: typeof zone.parts) =>
      finishedMm(after, { ...zone, parts }, sizeId) - finishedMm(before, { ...zone, parts }, sizeId)
    held.push(holdMeasure(`${zone.name}, front and back together`, 'finished', 0, grew(zone.parts), 2 * SEAM_KEPT_MM))
    if (edges > 0)
      held.push(holdMeasure(`${zone.name}, the front by ${edges} edges`, 'finished', inputs[key] * edges, grew(front), 2 * SEAM_KEPT_MM))
  }
  for (const piece of before.pieces) {
    const { was, is } = bothShapes(before, after, piece.id, sizeId)
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}

/**
 * Moves width between front and back along the side seams (craft 9): what the front gains at a level, the back loses, so that the seam
 * hangs upright and the body is gone round as before.
 * Refuses: a garment whose front or back has no side seam, an amount that would cross an outline (with the largest that works).
 */
export function applySideBalance(garment: Garment, inputs: SideBalanceInputs, context: ChangeContext): Result<Applied> {
  const moved = piecesMoved(garment, context.sizeId)
  if (!moved.some((p) => halfOf(p) === 1) || !moved.some((p) => halfOf(p) === -1))
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
