import type { DrawnText } from '../formats'
import {
  distance,
  dot,
  isStraightPath,
  joinStraight,
  measureLength,
  nearestPlace,
  placeAt,
  PointGrid,
  subtract,
  unit,
  type Path,
  type Point,
} from '../geometry'
import type { OutlineMark } from './find-outlines'

/** A bracket stands this far off its edge at the most, mm, and reaches at least this part of the way to it with both ends. */
const BRACKET_REACH_MM = 45
const BRACKET_PART = 0.5
const LEAST_BRACKET_MM = 15
/** Its ends begin no further than this from the long line, mm. */
const ARM_MM = 0.8
/** Its arrow heads are no longer than this all round, mm. */
const HEAD_MM = 30
/** Words of a fold stand this far off its edge at the most, mm. */
const WORDS_REACH_MM = 30
/** An edge shorter than this is not laid on a fold, mm; nor one that is not straight to this. */
const LEAST_FOLD_MM = 30
const STRAIGHT_FOLD_MM = 0.6

const isParallel = (a: Point, b: Point) => Math.abs(dot(unit(a), unit(b))) > 0.998
const chordOf = (path: Path) => subtract(path[path.length - 1]!.to, path[0]!.from)

/** Edges that could lie on a fold: straight ones of some length. */
export const straightEdges = (edges: readonly Path[]): number[] =>
  edges.flatMap((e, i) => (measureLength(e) >= LEAST_FOLD_MM && isStraightPath(e, STRAIGHT_FOLD_MM) ? [i] : []))

/** The marks of a piece taken apart into straight stretches; what was cut at the edge of a page is one. */
const stretchesOf = (marks: readonly OutlineMark[]) =>
  marks.flatMap((m) =>
    m.closed
      ? []
      : joinStraight(m.path, ARM_MM / 2)
          .filter((s) => s.kind === 'line')
          .map((s) => ({ m, from: s.from, to: s.to })),
  )

/** A line that is called a fold and lies on a straight edge, to this, mm. */
const ON_EDGE_MM = 3

/** The straight edge that a line called “fold” lies on; null where none does. */
export function edgeUnderFoldLine(marks: readonly OutlineMark[], edges: readonly Path[]): number | null {
  for (const m of marks.filter((x) => !x.closed && /\bfold\b|mirror line/i.test([x.name, ...x.groups].join(' ').replace(/[-_]/g, ' ')))) {
    const total = measureLength(m.path)
    const places = [0.1, 0.5, 0.9].map((part) => placeAt(m.path, total * part).point)
    const edge = straightEdges(edges).find((i) => places.every((p) => nearestPlace(edges[i]!, p).distanceMm <= ON_EDGE_MM))
    if (edge !== undefined) return edge
  }
  return null
}

/** The bracket whose ends point at an edge: the edge, and the marks that it is drawn with. */
export function readBracket(
  marks: readonly OutlineMark[],
  edges: readonly Path[],
): { edge: number; of: Set<OutlineMark>; along: { from: Point; to: Point } } | null {
  const stretches = stretchesOf(marks)
  const straight = straightEdges(edges)
  /** The stretches that end at a place, as they lead away from it. */
  const leading = new PointGrid<{ of: (typeof stretches)[number]; to: Point }>(ARM_MM)
  for (const s of stretches) {
    leading.add(s.from, { of: s, to: s.to })
    leading.add(s.to, { of: s, to: s.from })
  }
  for (const long of stretches) {
    if (distance(long.from, long.to) < LEAST_BRACKET_MM) continue
    for (const i of straight) {
      const edge = edges[i]!
      if (!isParallel(subtract(long.to, long.from), chordOf(edge))) continue
      const off = nearestPlace(edge, long.from).distanceMm
      if (off > BRACKET_REACH_MM || off < 1) continue
      const arms = [long.from, long.to].map(
        (end) =>
          leading
            .near(end)
            .find(
              (s) => s.of !== long && distance(end, s.to) <= 1.5 * off && nearestPlace(edge, s.to).distanceMm <= off * (1 - BRACKET_PART),
            )?.of,
      )
      if (!arms[0] || !arms[1]) continue
      const tips = arms.flatMap((s) => [s!.from, s!.to])
      const heads = marks.filter((m) => measureLength(m.path) <= HEAD_MM && tips.some((t) => nearestPlace(m.path, t).distanceMm <= ARM_MM))
      return { edge: i, of: new Set([long.m, arms[0].m, arms[1].m, ...heads]), along: { from: long.from, to: long.to } }
    }
  }
  return null
}

/** The straight edge that words about the fold stand beside, along it; null where none does. */
export function edgeBesideWords(texts: readonly DrawnText[], edges: readonly Path[]): number | null {
  const fold = texts.filter((t) => /\bfold\b/i.test(t.text) && !/\bcut\b|\d\s*[x×]/i.test(t.text))
  let best: { edge: number; far: number } | null = null
  for (const t of fold)
    for (const i of straightEdges(edges)) {
      const far = nearestPlace(edges[i]!, t.middle).distanceMm
      const along = distance(t.at, t.end) > 0 && isParallel(subtract(t.end, t.at), chordOf(edges[i]!))
      const score = far + (along ? 0 : WORDS_REACH_MM / 2)
      if (far <= WORDS_REACH_MM && (!best || score < best.far)) best = { edge: i, far: score }
    }
  return best?.edge ?? null
}

/** Straight edges on which the cut line and the seam line are one: nothing is added there, it lies on a fold. */
export function edgesWithoutAllowance(edges: readonly Path[], cutLine: Path): number[] {
  return straightEdges(edges).filter((i) => {
    const total = measureLength(edges[i]!)
    return [0.3, 0.5, 0.7].every((part) => nearestPlace(cutLine, placeAt(edges[i]!, total * part).point).distanceMm <= 0.4)
  })
}
