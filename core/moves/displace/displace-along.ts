import { add, cubic, cutPath, measureSegment, mix, norm, scale, subtract, type Path, type Point, type Segment } from '../../geometry'
import { SAME_POINT_MM } from '../../tolerances'
import { easeIn } from './redraw-moved'

/** How far each place of a path goes: by its length from the start, mm, and how fast that grows along the path. */
export interface Field {
  by: (atMm: number) => Point
  slope: (atMm: number) => Point
}

/** Most of a curve that is carried as one: a longer one is parted first, so that what happens in its middle is seen. */
const LONGEST_MM = 70

/** The same path, its curves parted exactly so that none is long and that some places, mm along it, are ends of curves. */
export function partedAt(path: Path, placesMm: readonly number[]): Path {
  let walked = 0
  return path.flatMap((s): Path => {
    const own = measureSegment(s)
    const from = walked
    walked += own
    if (s.kind === 'line') return [s]
    const places = placesMm.map((p) => p - from).filter((p) => p > LEAST_PART_MM && p < own - LEAST_PART_MM)
    const stops = [0, ...places.sort((a, b) => a - b), own]
    const parts = stops.slice(1).flatMap((to, i) => {
      const begin = stops[i]!
      const count = Math.ceil((to - begin) / LONGEST_MM)
      return Array.from({ length: count }, (_, k) => begin + ((to - begin) * (k + 1)) / count)
    })
    return parts.flatMap((to, i) => cutPath([s], parts[i - 1] ?? 0, to))
  })
}

/** A place nearer to the end of a curve than this is its end, mm. */
const LEAST_PART_MM = 1

/**
 * Moves every place of a path by a vector that changes smoothly along it. Handles go with the slope of the field at their node,
 * so smooth joins stay smooth, and a curve on which the field is level at both ends keeps its directions there. Straight lines
 * stay straight from end to end.
 *
 * @param placesMm lengths along the path at which the field changes its form
 */
export function displaceAlong(path: Path, field: Field, placesMm: readonly number[] = []): Path {
  let walked = 0
  const out: Segment[] = []
  for (const s of partedAt(path, placesMm)) {
    const [a, b] = [walked, walked + measureSegment(s)]
    walked = b
    const from = out.length > 0 ? out[out.length - 1]!.to : add(s.from, field.by(a))
    const to = add(s.to, field.by(b))
    if (s.kind === 'line') {
      out.push({ kind: 'line', from, to })
      continue
    }
    const carry = (node: Point, moved: Point, handle: Point, atMm: number, way: 1 | -1): Point => {
      const off = subtract(handle, node)
      return add(moved, add(off, scale(field.slope(atMm), way * norm(off))))
    }
    out.push({ kind: 'cubic', from, c1: carry(s.from, from, s.c1, a, 1), c2: carry(s.to, to, s.c2, b, -1), to })
  }
  return out
}

/** Straight stretches as curves that run the same, so that they can be bent. */
export const asCurves = (path: Path): Path =>
  path.map((s) => (s.kind === 'line' ? cubic(s.from, mix(s.from, s.to, 1 / 3), mix(s.from, s.to, 2 / 3), s.to) : s))

/** A field that is `by` at one place and fades, level at both ends, to nothing at another, mm. */
export function fading(by: Point, wholeAtMm: number, nothingAtMm: number): Field {
  const span = wholeAtMm - nothingAtMm
  const share = (atMm: number) => (Math.abs(span) <= SAME_POINT_MM ? 0 : (atMm - nothingAtMm) / span)
  const rate = (u: number) => (u <= 0 || u >= 1 ? 0 : (6 * u * (1 - u)) / span)
  return { by: (atMm) => scale(by, easeIn(share(atMm))), slope: (atMm) => scale(by, rate(share(atMm))) }
}

/**
 * A field that is `by` at the beginning and fades, level at its end, to nothing at `spanMm`; at the beginning the path turns by a part of
 * what it would turn if it were led straight from there.
 */
export function fadingTurned(by: Point, spanMm: number, turnPart: number): Field {
  const part = (atMm: number) => Math.min(1, Math.max(0, 1 - atMm / spanMm))
  const held = 2 - turnPart
  return {
    by: (atMm) => scale(by, part(atMm) ** 2 * (1 + held * (1 - part(atMm)))),
    slope: (atMm) => scale(by, -(part(atMm) * (2 + 2 * held - 3 * held * part(atMm))) / spanMm),
  }
}

/** A field that rises from nothing at one place and falls to nothing at another, level at both, mm; `by` in the middle. */
export function swelling(by: Point, fromMm: number, toMm: number): Field {
  const span = toMm - fromMm
  const share = (atMm: number) => Math.min(1, Math.max(0, (atMm - fromMm) / span))
  return {
    by: (atMm) => scale(by, 16 * (share(atMm) * (1 - share(atMm))) ** 2),
    slope: (atMm) => {
      const u = share(atMm)
      return scale(by, (32 * u * (1 - u) * (1 - 2 * u)) / span)
    },
  }
}

/** Several fields at once. */
export const together = (...fields: readonly Field[]): Field => ({
  by: (atMm) => fields.map((f) => f.by(atMm)).reduce(add),
  slope: (atMm) => fields.map((f) => f.slope(atMm)).reduce(add),
})
