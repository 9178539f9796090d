import { add, measureLength, nearestPlace, placeAt, scale, type Path, type Point } from '../geometry'
import { fading, type Field } from '../moves'
import type { Shape } from '../pattern'
import { joinRuns } from './cap-parts'
import { carryRuns, type EndMove } from './carry-runs'
import { displaceRuns } from './displace-runs'
import { onwardOf, type LaidPart, type PartEnd } from './lay-cap'

/** One field before a place and another from there on. */
const either = (atMm: number, before: Field, after: Field): Field => ({
  by: (mm) => (mm <= atMm ? before : after).by(mm),
  slope: (mm) => (mm <= atMm ? before : after).slope(mm),
})

/** A part of a cap in several pieces slid: its ends lie above the underarm and stay, so that the slide fades out along it. */
export function slidPart(shape: Shape, part: LaidPart, slideMm: number): { shape: Shape; part: LaidPart } {
  if (part.topMm === null || slideMm === 0) return { shape, part }
  const path = joinRuns(shape, part.runs)
  const by = scale(onwardOf(shape, path), slideMm)
  const field = either(part.topMm, fading(by, part.topMm, 0), fading(by, part.topMm, measureLength(path)))
  const slid = { ...shape, edges: { ...shape.edges, ...displaceRuns(shape, part.runs, field, [part.topMm]) } }
  const top = add(placeAt(path, part.topMm).point, by)
  return { shape: slid, part: { ...part, topMm: nearestPlace(joinRuns(slid, part.runs), top).lengthMm } }
}

/**
 * A part of a cap whose seams are not at the underarm: from seam to seam, or to the top and on from there, each stretch between its
 * ends where they are now; at the top it keeps its direction.
 * @returns null where it is too straight for that
 */
export function carryPart(was: Shape, part: LaidPart, ends: Record<PartEnd['which'], EndMove>, top: Point): Record<string, Path> | null {
  const { topMm, runs } = part
  const total = measureLength(joinRuns(was, runs))
  if (topMm === null) return carryRuns(was, runs, { fromMm: 0, toMm: total, ...ends })
  const after = carryRuns(was, runs, { fromMm: topMm, toMm: total, first: { by: top }, last: ends.last })
  return (
    after &&
    carryRuns({ ...was, edges: { ...was.edges, ...after } }, runs, { fromMm: 0, toMm: topMm, first: ends.first, last: { by: top } })
  )
}
