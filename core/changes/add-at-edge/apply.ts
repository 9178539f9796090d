import { shapeOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findZones, finishedMm, sideChains, zonesOnChain } from '../../measure'
import { SEAM_KEPT_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { settleCaps } from '../../seams'
import { settleBands } from '../shared/settle-bands'
import { sideCautions } from '../shared/side-turns'
import { SIDE_KEYS, widenSides, type SideZone } from '../shared/widen-sides'
import { bothShapes, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import type { Applied, ChangeContext, HeldPromise } from '../types'
import type { AddAtEdgeInputs } from './schema'

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

/** What each zone of the garment has to measure after it: as many edges as carry it, times the amount. */
function heldByAdding(before: Garment, after: Garment, inputs: AddAtEdgeInputs, sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const zone of findZones(before)) {
    const key = SIDE_KEYS[zone.id as SideZone]
    if (!key || zone.parts.some((p) => p.by === 'narrowest')) continue
    const edges = zone.parts.reduce((sum, part) => {
      const piece = before.pieces.find((p) => p.id === part.pieceId)!
      const times = piece.cut.count * (piece.edges.some((e) => e.fold) ? 2 : 1)
      return sum + sideChains(piece, shapeOf(piece, sizeId)).length * times
    }, 0)
    const grew = finishedMm(after, zone, sizeId) - finishedMm(before, zone, sizeId)
    held.push(holdMeasure(`${zone.name} grows by ${edges} edges`, 'finished', inputs[key] * edges, grew, 2 * SEAM_KEPT_MM))
  }
  for (const piece of before.pieces) {
    const { was, is } = bothShapes(before, after, piece.id, sizeId)
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}

/**
 * Adds at the side seams, or takes away, by an amount at each of bust, waist and hip, the same on every edge (craft 6.12).
 * An amount of nothing at a zone keeps its corners where they are. The sleeve cap keeps its ease.
 * Refuses: a garment without side seams, an amount that would cross an outline (with the largest that works).
 */
export function applyAddAtEdge(garment: Garment, inputs: AddAtEdgeInputs, context: ChangeContext): Result<Applied> {
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
