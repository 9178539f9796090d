import {
  cutPath,
  dot,
  findRoot,
  leftOf,
  measureLength,
  mix,
  placeAt,
  reversePath,
  scale,
  subtract,
  tangentAt,
  turnRad,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { grainDirection, type Shape } from '../pattern'
import { LENGTH_FOUND_MM, SAME_POINT_MM } from '../tolerances'
import type { Neckline, NeckShoulder } from './find-necklines'
import { endOf, startOf, walked } from './walked'

/** The half of a neckline beside one shoulder, walked from the centre to it: the edges, or the parts of an edge, that it runs over. */
export interface HalfLine {
  stretches: { edgeId: string; reversed: boolean; path: Path }[]
  shoulder: NeckShoulder
  /** Down from the neckline at the centre, and outward to the shoulder. */
  down: Point
  out: Point
}

export const lineOf = (half: Pick<HalfLine, 'stretches'>): Path => half.stretches.flatMap((s) => [...s.path])

const stretchesOf = (shape: Shape, runs: Neckline['runs']) =>
  runs.map((r) => ({ edgeId: r.edgeId, reversed: r.reversed, path: walked(shape, r) }))

export const backward = (stretches: HalfLine['stretches']): HalfLine['stretches'] =>
  stretches.toReversed().map((s) => ({ ...s, reversed: !s.reversed, path: reversePath(s.path) }))

/** A neckline by its halves: one where it begins at the centre, two where the piece is drawn whole. */
export function halvesOf({ runs, centre, shoulders }: Neckline, shape: Shape): HalfLine[] | null {
  const stretches = stretchesOf(shape, runs)
  const path = lineOf({ stretches })
  if (centre) {
    const down = tangentAt(walked(shape, centre)[0]!, 0)
    const across = leftOf(down)
    const out = dot(across, subtract(endOf(path), startOf(path))) >= 0 ? across : scale(across, -1)
    return [{ stretches, shoulder: shoulders.last, down, out }]
  }
  const out = unit(subtract(endOf(path), startOf(path)))
  const grain = grainDirection(shape)
  const down = dot(leftOf(out), grain) >= 0 ? leftOf(out) : scale(leftOf(out), -1)
  const middle = mix(startOf(path), endOf(path), 0.5)
  const total = measureLength(path)
  const at = findRoot((mm) => dot(subtract(placeAt(path, mm).point, middle), out), 0, total, LENGTH_FOUND_MM / 10)
  if (at === null) return null
  const [before, after] = partedAt(stretches, at)
  return [
    { stretches: after, shoulder: shoulders.last, down, out },
    { stretches: backward(before), shoulder: shoulders.first!, down, out: scale(out, -1) },
  ]
}

/** Stretches up to a place along them, and those beyond it. */
function partedAt(stretches: HalfLine['stretches'], atMm: number): [HalfLine['stretches'], HalfLine['stretches']] {
  const [before, after]: [HalfLine['stretches'], HalfLine['stretches']] = [[], []]
  let from = 0
  for (const s of stretches) {
    const own = measureLength(s.path)
    const at = atMm - from
    from += own
    if (at > SAME_POINT_MM) before.push(at < own - SAME_POINT_MM ? { ...s, path: cutPath(s.path, 0, at) } : s)
    if (at < own - SAME_POINT_MM) after.push(at > SAME_POINT_MM ? { ...s, path: cutPath(s.path, at, own) } : s)
  }
  return [before, after]
}

/** A line that leaves the centre within this of square keeps its direction there; one that does not makes a corner there anyway. */
export const SQUARE_DEG = 20

/** The angle between a neckline, arriving, and the shoulder that goes out from it: 90 degrees where they are square. */
export function angleAtShoulder(half: Pick<HalfLine, 'stretches' | 'shoulder'>, shoulder: Path): number {
  const path = lineOf(half)
  const turn = turnRad(tangentAt(path[path.length - 1]!, 1), tangentAt(shoulder[0]!, 0))
  return Math.abs(turn)
}

/** Where a neckline lies in the middle of the body, and which way it becomes deeper there; null where its middle is not found. */
export function neckMiddle(neckline: Neckline, shape: Shape): { at: Point; down: Point } | null {
  const half = halvesOf(neckline, shape)?.[0]
  return half ? { at: startOf(lineOf(half)), down: half.down } : null
}

/** The angle of a neckline to the edge at its centre, and to each of its shoulders, rad. */
export function neckAngles(neckline: Neckline, shape: Shape): { centre: number | null; shoulders: number[] } {
  const halves = halvesOf(neckline, shape) ?? []
  const first = halves[0] && lineOf(halves[0])
  return {
    centre: neckline.centre && first ? Math.abs(turnRad(tangentAt(first[0]!, 0), halves[0]!.down)) : null,
    shoulders: halves.map((h) => angleAtShoulder(h, walked(shape, h.shoulder))),
  }
}
