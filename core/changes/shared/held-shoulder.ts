import type { Garment, RunEdge } from '../../pattern'
import { shoulderLength, type ShoulderOf } from '../../seams'
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

/** A shoulder that is turned keeps its length over all its pieces. */
export const heldShoulder = (before: Garment, after: Garment, above: ShoulderOf, sizeId: string): HeldPromise =>
  holdMeasure(
    'shoulder seam, length',
    above.piece.name,
    shoulderLength(before, above, sizeId),
    shoulderLength(after, above, sizeId),
    LENGTH_KEPT_MM,
  )
