import { add, carryBetween, measureLength, nearestPlace, placeAt, reversePath, scale, type Path, type Point } from '../geometry'
import { fading, type Field } from '../moves'
import type { Shape } from '../pattern'
import { joinRuns } from './cap-parts'
import { movedEnd, partOfPath, stretchOf, type EndMove } from './carry-runs'
import { displaceRuns } from './displace-runs'
import { onwardOf, type LaidPart, type PartEnd } from './lay-cap'
import { begunAt, endOf, walked } from './walked'

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
 * ends where they are now; at the top it keeps its direction. What no move changes is cut once: a cap is solved by trying moves.
 *
 * @returns draws its edges with where its ends and its top go; null where it is too straight for that
 */
export function partCarrier(
  was: Shape,
  part: LaidPart,
): (ends: Record<PartEnd['which'], EndMove>, top: Point) => Record<string, Path> | null {
  const { runs } = part
  const path = joinRuns(was, runs)
  const total = measureLength(path)
  const places = part.topMm === null ? [0, total] : [0, part.topMm, total]
  const stretches = places.slice(1).map((toMm, i) => stretchOf(path, places[i]!, toMm))
  let at = 0
  const cut = runs.map((run) => {
    const own = walked(was, run)
    const length = measureLength(own)
    const parts = stretches.map(({ from, to }) => partOfPath(own, length, from - at, to - at))
    at += length
    return { run, parts }
  })
  return (ends, top) => {
    const moves = part.topMm === null ? [ends.first, ends.last] : [ends.first, { by: top }, ends.last]
    const carriers = stretches.map(({ ends: [first, last] }, i) =>
      carryBetween([first, last], [movedEnd(first, moves[i]), movedEnd(last, moves[i + 1])]),
    )
    if (carriers.some((c) => c === null)) return null
    let end: Point | null = null
    const edges: Record<string, Path> = {}
    for (const { run, parts } of cut) {
      const drawn: Path = begunAt(
        parts.flatMap((own, i) => carriers[i]!(own)),
        end,
      )
      end = endOf(drawn)
      edges[run.edgeId] = run.reversed ? reversePath(drawn) : drawn
    }
    return edges
  }
}
