import type { FoundDart } from '../shared/darts/find-darts'
import { holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'

/** Off the cross-grain by less than this a middle line counts as straight, deg. */
export const STRAIGHT_DEG = 0.01

/** Besides what every moved dart holds: its middle line lies on the cross-grain, where it is straightened exactly. */
export const heldStraight = ({ piece }: FoundDart, offDeg: number): HeldPromise =>
  holdMeasure('middle line to the cross-grain', piece.name, 0, offDeg, STRAIGHT_DEG, 'deg')
