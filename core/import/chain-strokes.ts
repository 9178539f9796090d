import { spend } from '../budget'
import type { DrawnShape } from '../formats'
import { distance, dot, measureLength, PointGrid, reversePath, tangentAt, type Path, type Point } from '../geometry'
import { GAP_MM } from '../tolerances'

/** A line of a drawing, true to size. */
export interface Stroke {
  path: Path
  shape: DrawnShape
  /** The strokes that it was joined of, where it was. */
  of?: readonly Stroke[]
}

export const startOf = (path: Path): Point => path[0]!.from
export const endOf = (path: Path): Point => path[path.length - 1]!.to

/** Ends of strokes are one place to this, mm; a line goes straight on to this cosine. */
const SAME_END_MM = 0.05
const STRAIGHT_ON = 0.999
/** A slit that is drawn in and out again is no longer than this, mm. */
const SLIT_MM = 20

/** A chain shorter than this does not come back to its start, it has hardly left it: strokes can be shorter than a gap, mm. */
const LEAST_CHAIN_MM = 10 * GAP_MM

/** A stroke as it leads away from a point. */
const ledFrom = ({ path }: Stroke, tip: Point): Path =>
  distance(startOf(path), tip) <= distance(endOf(path), tip) ? path : reversePath(path)

/**
 * The nearest stroke at a point; of several as near the one that leads home, one of a slit's two, or the one that goes straight on.
 * @param near strokes by their number, nearest first
 * @param coming the last part of the chain so far
 */
function nextOf(strokes: readonly Stroke[], near: readonly number[], tip: Point, home: Point, coming?: Path): number | undefined {
  const first = near[0]
  if (first === undefined || near.length === 1) return first
  spend(near.length)
  const led = (i: number) => ledFrom(strokes[i]!, tip)
  const least = distance(startOf(led(first)), tip)
  const asNear = near.filter((i) => distance(startOf(led(i)), tip) <= least + SAME_END_MM)
  const leaving = coming && tangentAt(coming[coming.length - 1]!, 1)
  const isSlit = (i: number): boolean =>
    measureLength(strokes[i]!.path) <= SLIT_MM && asNear.some((j) => j !== i && distance(endOf(led(i)), endOf(led(j))) <= SAME_END_MM)
  return (
    asNear.find((i) => distance(endOf(led(i)), home) <= SAME_END_MM) ??
    asNear.find(isSlit) ??
    asNear.find((i) => leaving && dot(leaving, tangentAt(led(i)[0]!, 0)) >= STRAIGHT_ON) ??
    first
  )
}

/**
 * Joins open strokes end to end, whichever way each was drawn; each chain that comes back to its start is an outline. A
 * stroke is in one chain only, the nearest end goes first.
 */
export function chainStrokes(strokes: readonly Stroke[]): Stroke[] {
  const grid = new PointGrid<number>(GAP_MM)
  for (const [i, s] of strokes.entries()) {
    grid.add(startOf(s.path), i)
    grid.add(endOf(s.path), i)
  }
  const used = new Set<number>()
  let taken: Stroke[] = []
  const take = (i: number): Stroke => {
    const stroke = strokes[i]!
    used.add(i)
    taken.push(stroke)
    grid.remove(startOf(stroke.path), i)
    grid.remove(endOf(stroke.path), i)
    return stroke
  }
  /** The strokes that go on from a point, each turned so that it leads away from it; none once `home` is reached. */
  const onward = (from: Point, home: () => Point, parts: Path[]): void => {
    let walkedMm = 0
    for (let tip = from; ;) {
      spend()
      const next = nextOf(strokes, grid.near(tip), tip, home(), parts[parts.length - 1])
      if (next === undefined) return
      // Home is reached where no other stroke begins nearer: very short ones may still lead the last bit.
      const { path: coming } = strokes[next]!
      const gapMm = Math.min(distance(startOf(coming), tip), distance(endOf(coming), tip))
      if (walkedMm > LEAST_CHAIN_MM && distance(tip, home()) <= Math.min(GAP_MM, gapMm)) return
      const led = ledFrom(take(next), tip)
      parts.push(led)
      walkedMm += measureLength(led)
      tip = endOf(led)
    }
  }
  const chains: Stroke[] = []
  for (const i of strokes.keys()) {
    if (used.has(i)) continue
    taken = []
    const first = take(i)
    if (first.path.length > 1 && distance(startOf(first.path), endOf(first.path)) <= GAP_MM) {
      chains.push(first)
      continue
    }
    const after: Path[] = []
    onward(endOf(first.path), () => startOf(first.path), after)
    const tip = after.length > 0 ? endOf(after[after.length - 1]!) : endOf(first.path)
    const before: Path[] = []
    if (distance(tip, startOf(first.path)) > GAP_MM || after.length === 0) onward(startOf(first.path), () => tip, before)
    const path = [...before.reverse().flatMap((p) => [...reversePath(p)]), ...first.path, ...after.flatMap((p) => [...p])]
    chains.push({ shape: first.shape, path, of: taken })
  }
  return chains
}
