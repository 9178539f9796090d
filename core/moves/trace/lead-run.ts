import { add, line, measureLength, mix, scale, type Path, type Point } from '../../geometry'

/** A path whose two ends go by given vectors, and every place between by its share of the way along it. */
export function stretchAlong(path: Path, startBy: Point, endBy: Point): Path {
  const total = measureLength(path)
  let walked = 0
  return path.map((s) => {
    const u = total > 0 ? walked / total : 0
    walked += measureLength([s])
    const v = total > 0 ? walked / total : 1
    const at = (p: Point, k: number) => add(p, mix(startBy, endBy, k))
    if (s.kind === 'line') return line(at(s.from, u), at(s.to, v))
    return { kind: 'cubic' as const, from: at(s.from, u), c1: at(s.c1, u + (v - u) / 3), c2: at(s.c2, v - (v - u) / 3), to: at(s.to, v) }
  })
}

/** Steps of the search for a length: each gains several digits, as the length grows almost plainly with the way. */
const STEPS = 12

/**
 * Edges that follow each other, led aside: nothing at the start of the first, all of it at the end of the last, and there
 * along a direction as far as keeps them together as long as they were.
 */
export function leadRun(paths: readonly Path[], by: Point, along: Point): Path[] {
  const lengths = paths.map(measureLength)
  const total = lengths.reduce((a, b) => a + b, 0)
  const starts = lengths.map((_, i) => lengths.slice(0, i).reduce((a, b) => a + b, 0))
  const led = (mm: number) => {
    const way = add(by, scale(along, mm))
    return paths.map((p, i) => stretchAlong(p, scale(way, starts[i]! / total), scale(way, (starts[i]! + lengths[i]!) / total)))
  }
  let mm = 0
  for (let i = 0; i < STEPS; i++) mm += total - led(mm).reduce((sum, p) => sum + measureLength(p), 0)
  return led(mm)
}
