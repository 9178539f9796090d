import { shapeOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { sideChains, zonesOnChain } from '../../measure'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { settleCaps } from '../../seams'
import { settleBands } from '../shared/settle-bands'
import { sideCautions } from '../shared/side-turns'
import { widenSides } from '../shared/widen-sides'
import type { Applied, ChangeContext } from '../types'
import type { AddAtEdgeInputs } from './schema'
import { heldByAdding } from './held'

/** The garment with its sides let out or taken in, size by size, and what broke: sizes after one that breaks are not drawn. */
function widen(garment: Garment, inputs: AddAtEdgeInputs): { garment: Garment; broken: ReturnType<typeof findBrokenOutline> } {
  if (inputs.bustMm === 0 && inputs.waistMm === 0 && inputs.hipMm === 0) return { garment, broken: null }
  let g = garment
  for (const size of garment.sizes) {
    const evened = widenSides(g, inputs, size.id)
    // The cap and the bands follow what they are sewn to: their ease is what it was.
    const capped = settleCaps(garment, evened, size.id, size.id)
    g = settleBands(garment, capped.ok ? capped.value.garment : evened, size.id, size.id)
    const broken = findBrokenOutline(garment, g, [size])
    if (broken) return { garment: g, broken }
  }
  return { garment: g, broken: null }
}

/**
 * Adds at the side seams, or takes away, by an amount at each of bust, waist and hip, the same on every edge (craft 6.12).
 * An amount of nothing at a zone keeps its corners where they are. The sleeve cap keeps its ease.
 * Refuses: a garment without side seams, an amount that would cross an outline (with the largest that works).
 */
export function applyAddAtEdge(garment: Garment, inputs: AddAtEdgeInputs, context: ChangeContext): Result<Applied<AddAtEdgeInputs>> {
  const carrying = garment.pieces.filter((p) =>
    sideChains(p, shapeOf(p, context.sizeId)).some((c) => zonesOnChain(garment, c, context.sizeId).length > 0),
  )
  if (carrying.length === 0)
    return refuse(
      'reference-gone',
      'garment',
      'it has no side seam with a bust, waist or hip.',
      'Delete this change, or name the side seams.',
    )
  const { garment: after, broken } = widen(garment, inputs)
  if (broken) {
    const most = [inputs.bustMm, inputs.waistMm, inputs.hipMm].reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
    const largest = findLargest(most, (mm) => {
      const part = mm / most
      const tried = { bustMm: inputs.bustMm * part, waistMm: inputs.waistMm * part, hipMm: inputs.hipMm * part }
      return widen(garment, tried).broken === null
    })
    return refuse(
      'amount-too-large',
      broken.where,
      `${broken.what} by this amount.`,
      `All three can be taken together up to ${limitToken(Math.abs(largest))} an edge where most was asked.`,
      largest,
    )
  }
  return ok({
    garment: after,
    touched: carrying.map((p, i) => ({ pieceId: p.id, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByAdding(garment, after, inputs, context.sizeId),
    cautions: sideCautions(garment, after, context.sizeId),
  })
}
