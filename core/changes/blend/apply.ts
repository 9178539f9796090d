import { placeOn } from './plan-chain'
import { heldByBlend } from './held'
import { type SideChain, sideChains } from '../../measure'
import { findPiece, type Garment, grainDirection, shapeOf } from '../../pattern'
import { type Result, refuse, ok } from '../../result'
import { EQUAL_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { levelLine } from '../shared/levels/move-garment'
import { sideCautions } from '../shared/side-turns'
import type { ChangeContext, Applied } from '../types'
import { blendGarment } from './blend-garment'
import { type BlendPlan, planChain, zonesOfSides } from './plan-chain'
import type { BlendInputs } from './schema'

/** Every side seam of a garment with where it changes over. */
export function plansOf(garment: Garment, inputs: BlendInputs): { chain: SideChain; plan: BlendPlan }[] {
  return garment.pieces.flatMap((piece) =>
    sideChains(piece, shapeOf(piece, garment.baseSizeId)).flatMap((chain) => {
      const plan = planChain(garment, chain, inputs, garment.baseSizeId)
      return plan ? [{ chain, plan }] : []
    }),
  )
}

/**
 * Cuts one size at the bust, another at the waist or hip (craft 6.5), every side seam between them redrawn.
 * Refuses: a size or a side seam that has gone, a change from size to size that has no room (with where it can begin).
 */
export function applyBlend(garment: Garment, inputs: BlendInputs, _context: ChangeContext): Result<Applied<BlendInputs>> {
  const zones = zonesOfSides(garment)
  const gone = (['bust', 'waist', 'hip'] as const).find((z) => !garment.sizes.some((s) => s.id === inputs[z]))
  if (garment.pieces.length === 0 || zones.length === 0 || gone)
    return refuse(
      'reference-gone',
      gone ? `size for the ${gone}` : 'garment',
      gone ? 'this size has gone.' : 'the side seams this was made for have gone.',
      'Choose another size, or delete the change.',
    )
  const works = (startMm: number) => startMm < roomMm(garment, inputs) - EQUAL_MM
  if (inputs.startMm > 0 && !works(inputs.startMm)) {
    const largest = findLargest(inputs.startMm, works)
    return refuse(
      'amount-too-large',
      'side seam',
      'the change would begin below where it has to end.',
      `It can begin ${limitToken(largest)} below the underarm at most.`,
      largest,
    )
  }
  const after = blendGarment(garment, inputs)
  const broken = findBrokenOutline(garment, after)
  if (broken)
    return refuse('sizes-too-far', broken.where, `${broken.what} between these sizes.`, 'Choose sizes that lie nearer to each other.')
  return ok({
    garment: after,
    touched: plansOf(garment, inputs).map(({ chain, plan }, i) => {
      const piece = findPiece(garment, chain.pieceId)!
      const shape = shapeOf(piece, garment.baseSizeId)
      const changing = plan.transitions.filter((t) => inputs[t.from] !== inputs[t.to])
      const down = grainDirection(shape)
      const levelAt = (mm: number) => {
        const p = placeOn(garment, chain, mm)
        return p.x * down.x + p.y * down.y
      }
      return {
        pieceId: chain.pieceId,
        how: i === 0 ? ('asked' as const) : ('partner' as const),
        levels: changing.flatMap((t) => [
          { id: `${t.from}-start`, label: `from ${t.from}`, line: levelLine(piece, shape, levelAt(t.startMm + EQUAL_MM)), amountMm: 0 },
          { id: `${t.from}-end`, label: `to ${t.to}`, line: levelLine(piece, shape, levelAt(t.endMm - EQUAL_MM)), amountMm: 0 },
        ]),
      }
    }),
    leftOut: [],
    held: heldByBlend(garment, after, inputs),
    cautions: sideCautions(garment, after, garment.baseSizeId),
  })
}

/** The first place below the arm at which there is no room left for the change to the waist. */
const roomMm = (garment: Garment, inputs: BlendInputs): number =>
  Math.min(...plansOf(garment, inputs).map(({ chain, plan }) => plan.transitions.find((t) => t.from === 'bust')?.endMm ?? chain.totalMm))
