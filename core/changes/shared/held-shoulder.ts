import type { Garment, RunEdge } from '../../pattern'
import { shoulderAbove, shoulderLength, turnAtPanel, type ShoulderOf } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import type { HeldPromise } from '../types'
import { holdMeasure } from './held'

/** The edge of a shoulder that begins at the neck, walked outward. */
export const neckRun = ({ shoulder, panel }: ShoulderOf): RunEdge => panel?.shoulder ?? shoulder[0]!

/** Every edge that is drawn anew where a shoulder turns: its own, and those of a panel seam that begins at it. */
export const shoulderRuns = ({ shoulder, panel }: ShoulderOf): RunEdge[] => [
  ...shoulder,
  ...(panel ? [panel.shoulder, panel.inner, panel.outer] : []),
]

/** How far a shoulder may turn more than it did where it crosses a panel seam, deg: less than shows. */
const STRAIGHT_DEG = 1

/**
 * A shoulder that is turned keeps its length over all its pieces, and runs on over a panel seam as it did.
 * @param half the half of the armhole below it
 */
export function heldShoulder(before: Garment, after: Garment, half: readonly RunEdge[], sizeId: string): HeldPromise[] {
  const above = shoulderAbove(before, half, sizeId)
  const { name } = above.piece
  const mm = (garment: Garment) => shoulderLength(garment, above, sizeId)
  const turnDeg = (garment: Garment) => {
    const { panel, shoulder } = shoulderAbove(garment, half, sizeId)
    return panel ? turnAtPanel(garment, panel, shoulder[0]!, sizeId) : 0
  }
  return [
    holdMeasure('shoulder seam, length', name, mm(before), mm(after), LENGTH_KEPT_MM),
    ...(above.panel
      ? [holdMeasure(`shoulder, its turn across the ${above.panel.seam.name}`, name, turnDeg(before), turnDeg(after), STRAIGHT_DEG, 'deg')]
      : []),
  ]
}
