import { leftOf, placeAt } from '../../geometry'
import { edgePath, findPiece, placeOnSide, shapeOf, sideLength, type Garment } from '../../pattern'
import { armholesWithSleeve, HALVES, topOfCap, type Half, type SleevedArmhole } from '../../seams'
import type { Handle } from '../types'

/** The ease of each half of a cap that is asked for beyond what it was, mm. */
interface EaseInputs {
  frontMm: number
  backMm: number
}

/** The middle of a half of the cap or of its armhole: its piece, the place, and away from the piece there. */
function middleOfHalf(garment: Garment, armhole: SleevedArmhole, half: Half, on: 'cap' | 'armhole', sizeId: string) {
  const { seam, side, beginsAt } = armhole.sleeve
  const own = on === 'cap' ? side : side === 0 ? 1 : 0
  const totalMm = sideLength(garment, seam, own, sizeId)
  // The armhole is walked beside its cap: the shoulder parts both.
  const topMm = (topOfCap(garment, armhole, sizeId) / sideLength(garment, seam, side, sizeId)) * totalMm
  const { pieceId, edgeId, atMm } = placeOnSide(garment, seam, own, half === beginsAt ? topMm / 2 : (topMm + totalMm) / 2, sizeId)
  // Outlines run clockwise: outside lies on the left.
  const { point, tangent } = placeAt(edgePath(shapeOf(findPiece(garment, pieceId)!, sizeId), edgeId), atMm)
  return { pieceId, at: point, axis: leftOf(tangent) }
}

/**
 * The handles of a cap and an armhole that are fitted to each other: on each half of the one that follows, dragged away from its
 * piece for more ease (a cap grows so, an armhole becomes shorter).
 */
export function easeHandles(after: Garment, inputs: EaseInputs, on: 'cap' | 'armhole', sizeId: string): Handle[] {
  const pairs = armholesWithSleeve(after)
  if (!pairs.ok) return []
  return HALVES.map((half): Handle => ({
    ...middleOfHalf(after, pairs.value[0]!, half, on, sizeId),
    id: half,
    label: `${half} ease`,
    valueMm: inputs[`${half}Mm`],
    isGrowth: true,
    kind: half === HALVES[0] ? 'amount' : 'level',
  }))
}

/** Ease of the half whose handle was dragged. */
export const dragEase = <I extends EaseInputs>(inputs: I, handleId: string, byMm: number): I => {
  const key = handleId === 'front' ? 'frontMm' : 'backMm'
  return { ...inputs, [key]: inputs[key] + byMm }
}
