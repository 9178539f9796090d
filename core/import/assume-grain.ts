import { add, dot, flattenPath, scale, subtract, unit, type Path, type Point } from '../geometry'
import { DEG } from '../units'

/** The grain of a piece: the ends of its arrow. */
export interface Grain {
  from: Point
  to: Point
}

/** Grainlines run alike to this, deg. */
const ALIKE_DEG = 2
/** An arrow is put on the longest of so many parallel lines across a piece, and covers this part of it. */
const LINES = 24
const ARROW_PART = 0.7
/** An outline is looked at as chords of this, mm. */
const CHORD_MM = 0.5

/**
 * The way that all grainlines of a sheet run, a length of 1; null where there is none, or they run this way and that.
 * @param grains of the pieces that have one, whichever way they point
 */
export function commonWay(grains: readonly Grain[]): Point | null {
  const ways = grains.map(({ from, to }) => unit(subtract(to, from)))
  const [first] = ways
  return first && ways.every((w) => Math.abs(dot(w, first)) > Math.cos(ALIKE_DEG / DEG)) ? first : null
}

/** An arrow along a way, within an outline where it reaches furthest. @param along a length of 1 */
export function arrowAlong(outline: Path, along: Point): Grain {
  const points = flattenPath(outline, CHORD_MM)
  const across = { x: -along.y, y: along.x }
  const flat = points.map((p) => ({ u: dot(p, along), v: dot(p, across) }))
  const sides = flat.map((p) => p.v)
  const [least, most] = [Math.min(...sides), Math.max(...sides)]
  let best = { v: (least + most) / 2, from: 0, to: 0 }
  for (let i = 0; i < LINES; i++) {
    const v = least + ((i + 0.5) / LINES) * (most - least)
    const met = flat
      .flatMap((a, k) => {
        const b = flat[(k + 1) % flat.length]!
        return a.v > v === b.v > v ? [] : [a.u + ((v - a.v) / (b.v - a.v)) * (b.u - a.u)]
      })
      .sort((a, b) => a - b)
    for (let k = 0; k + 1 < met.length; k += 2)
      if (met[k + 1]! - met[k]! > best.to - best.from) best = { v, from: met[k]!, to: met[k + 1]! }
  }
  const [middle, half] = [(best.from + best.to) / 2, ((best.to - best.from) / 2) * ARROW_PART]
  const at = (u: number) => add(scale(along, u), scale(across, best.v))
  return { from: at(middle - half), to: at(middle + half) }
}
