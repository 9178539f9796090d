import { measureLength, type Path, type Point } from '../geometry'
import { fadingTurned } from '../moves'
import type { RunEdge, Shape } from '../pattern'
import { joinRuns } from './cap-parts'
import { carryRuns } from './carry-runs'
import { displaceRuns } from './displace-runs'

/** How much of the armhole is redrawn below a tip that was moved, as a part of it on this piece. */
const REACH_PART = 0.5
/** A run that hardly bends is bent evenly over its whole length: what it turns where it begins, as a part of a straight line’s turn. */
const EVENLY = 2

/**
 * The part of an armhole that lies on the piece with the shoulder, its darts closed, with its tip moved by a vector: its upper half
 * drawn from the new tip, in the direction that it had there.
 */
export function carryTip(shape: Shape, armhole: readonly RunEdge[], by: Point): Record<string, Path> {
  const total = measureLength(joinRuns(shape, armhole))
  return (
    carryRuns(shape, armhole, { fromMm: 0, toMm: total * REACH_PART, first: { by } }) ??
    displaceRuns(shape, armhole, fadingTurned(by, total, EVENLY), [])
  )
}
