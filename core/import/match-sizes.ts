import { boundsOf, cutPath, distance, measureLength, nearestPlace, placeAt, type Path, type Point } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'
import { splitEdges } from './split-edges'

/** Where the corners of one size lie on another size's outline. */
export interface MatchedSize {
  /** For each corner (the start of the edge of the same index): how far along the other outline it lies, mm. */
  atMm: number[]
  /** Whether a corner of the other outline was found there, or set by hand; otherwise the place is in proportion only. */
  sure: boolean[]
}

/** Leaving a corner of the base without a partner costs as much as lying this part of the piece's size away from one. */
const SKIP_PART = 0.12

/**
 * Matches the corners of a base outline with those of another size of the same piece: both are laid over each other box
 * on box, and the corners are paired in their order round the outline so that they lie nearest together in all. A corner
 * without a partner takes its place in proportion between the two that have one.
 *
 * @param edges the base outline in its edges
 * @param other the other size's outline, closed, clockwise
 * @param byHand places set by a person: corner index to mm along the other outline
 */
export function matchSizes(edges: readonly Path[], other: Path, byHand: Readonly<Record<number, number>> = {}): MatchedSize {
  const [a, b] = [boundsOf(edges.flatMap((e) => [...e])), boundsOf(other)]
  const size = Math.max(a.maxX - a.minX, a.maxY - a.minY)
  const laid = (p: Point): Point => ({
    x: a.minX + ((p.x - b.minX) * (a.maxX - a.minX)) / (b.maxX - b.minX),
    y: a.minY + ((p.y - b.minY) * (a.maxY - a.minY)) / (b.maxY - b.minY),
  })
  const own = edges.map((e) => e[0]!.from)
  const totalMm = measureLength(other)
  const theirs = splitEdges(other)
    .map((e) => nearestPlace(other, e[0]!.from).lengthMm % totalMm)
    .sort((x, y) => x - y)
    .map((mm) => ({ mm, at: laid(placeAt(other, mm).point) }))
  const cost = (i: number, j: number) => distance(own[i]!, theirs[j]!.at)
  const skip = size * SKIP_PART
  let best: { sum: number; pairs: (number | null)[] } | null = null
  for (let turn = 0; turn < theirs.length; turn++) {
    const found = pairInOrder(own.length, theirs.length, (i, j) => cost(i, (j + turn) % theirs.length), skip)
    if (!best || found.sum < best.sum)
      best = { sum: found.sum, pairs: found.pairs.map((j) => (j === null ? null : (j + turn) % theirs.length)) }
  }
  const known = own.map((_, i): number | null => byHand[i] ?? (best?.pairs[i] == null ? null : theirs[best.pairs[i]]!.mm))
  return { atMm: fillPlaces(edges.map(measureLength), known, totalMm), sure: known.map((mm) => mm !== null) }
}

/** Pairs two runs of corners in their order; either side may leave corners out. */
function pairInOrder(
  n: number,
  m: number,
  cost: (i: number, j: number) => number,
  skip: number,
): { sum: number; pairs: (number | null)[] } {
  const sums = Array.from({ length: n + 1 }, (_, i) => Array.from({ length: m + 1 }, (_, j) => (i === 0 ? 0 : j === 0 ? i * skip : 0)))
  for (let i = 1; i <= n; i++)
    for (let j = 1; j <= m; j++)
      sums[i]![j] = Math.min(sums[i - 1]![j - 1]! + cost(i - 1, j - 1), sums[i - 1]![j]! + skip, sums[i]![j - 1]!)
  const pairs: (number | null)[] = new Array<number | null>(n).fill(null)
  for (let i = n, j = m; i > 0 && j > 0;) {
    const here = sums[i]![j]!
    if (here === sums[i]![j - 1]!) j -= 1
    else if (here === sums[i - 1]![j]! + skip) i -= 1
    else {
      pairs[i - 1] = j - 1
      i -= 1
      j -= 1
    }
  }
  return { sum: sums[n]![m]!, pairs }
}

/** Places for the corners that have none, in proportion to the base's edges between two that have. */
function fillPlaces(lengths: readonly number[], known: readonly (number | null)[], totalMm: number): number[] {
  const n = known.length
  const first = known.findIndex((k) => k !== null)
  if (first < 0) {
    const whole = lengths.reduce((s, l) => s + l, 0)
    let walked = 0
    return lengths.map((l) => {
      const at = (walked / whole) * totalMm
      walked += l
      return at
    })
  }
  const out = known.map((k) => k ?? 0)
  for (let s = 0; s < n;) {
    const i = (first + s) % n
    let steps = 1
    while (known[(i + steps) % n] === null && steps < n) steps += 1
    const span = (out[(i + steps) % n]! - out[i]! + totalMm) % totalMm || totalMm
    const whole = Array.from({ length: steps }, (_, k) => lengths[(i + k) % n]!).reduce((a, b) => a + b, 0)
    let walked = 0
    for (let k = 1; k < steps; k++) {
      walked += lengths[(i + k - 1) % n]!
      out[(i + k) % n] = (out[i]! + (span * walked) / whole) % totalMm
    }
    s += steps
  }
  return out
}

/** The edges of another size: its outline cut at the matched places. */
export function edgesOfSize(other: Path, { atMm }: MatchedSize): Path[] {
  const totalMm = measureLength(other)
  return atMm.map((from, i) => {
    const to = atMm[(i + 1) % atMm.length]!
    if (to > from) return cutPath(other, from, to)
    return [...(totalMm - from > SAME_POINT_MM ? cutPath(other, from, totalMm) : []), ...(to > SAME_POINT_MM ? cutPath(other, 0, to) : [])]
  })
}
