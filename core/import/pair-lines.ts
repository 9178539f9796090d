import { spend } from '../budget'
import { measureLength, nearestPlace, placeAt } from '../geometry'
import { calledLine, groupName, liesIn, type Sized } from './sized'
import { sizeCalled } from './size-called'
import { splitEdges } from './split-edges'

/** Allowances are no wider than this, mm; and nowhere narrower than the second, or the lines would be one. */
const WIDEST_MM = 60
const LEAST_MM = 2
/** Along one edge the two lines keep their distance to this, mm, or to this part of it. */
const STEADY_MM = 1.2
const STEADY_PART = 0.15
/** Places looked at on an edge, and the part of it at both ends that its corners disturb. */
const PLACES = 7
const END_PART = 0.12
const MOST_END_PART = 0.4
const HALF = 0.5
/** So much of the outline keeps its distance: corners, vents and pleats may not. */
const ALONG_PART = 0.8

/** Do two lines run side by side all the way round, edge by edge at a distance of its own? */
export function runsBeside(inner: Sized, outer: Sized): boolean {
  let along = 0
  let widest = 0
  let whole = 0
  for (const edge of splitEdges(inner.loop)) {
    const total = measureLength(edge)
    whole += total
    const farAt = (part: number) => {
      spend(outer.loop.length)
      return nearestPlace(outer.loop, placeAt(edge, total * part).point).distanceMm
    }
    // Beside a fold, the line that is nearest near the corner is the fold itself: as far from it as the allowance is wide.
    const end = Math.min(MOST_END_PART, Math.max(END_PART, farAt(HALF) / total))
    const far = Array.from({ length: PLACES }, (_, i) => farAt(end + ((1 - 2 * end) * i) / (PLACES - 1)))
    const [low, high] = [Math.min(...far), Math.max(...far)]
    if (high > WIDEST_MM) return false
    if (high - low <= Math.max(STEADY_MM, STEADY_PART * high)) along += total
    widest = Math.max(widest, high)
  }
  return widest >= LEAST_MM && along >= ALONG_PART * whole
}

const boxesAreNear = ({ box: a }: Sized, { box: b }: Sized): boolean =>
  a.minX - b.minX <= WIDEST_MM &&
  b.maxX - a.maxX <= WIDEST_MM &&
  a.minY - b.minY <= WIDEST_MM &&
  b.maxY - a.maxY <= WIDEST_MM &&
  b.minX - a.minX <= LEAST_MM &&
  a.maxX - b.maxX <= LEAST_MM &&
  b.minY - a.minY <= LEAST_MM &&
  a.maxY - b.maxY <= LEAST_MM

const colourOf = ({ stroke: { shape } }: Sized): string => shape.style.split(' ')[0] ?? ''

/** Could two lines be cut line and seam line of one size? Not when the file calls them two sizes, or colours tell sizes apart. */
function mayPair(a: Sized, b: Sized, over: readonly Sized[]): boolean {
  if (sizeCalled(a.stroke.shape) !== sizeCalled(b.stroke.shape)) return false
  const called = [calledLine(a.stroke.shape), calledLine(b.stroke.shape)]
  if (called[0] && called[1]) return called[0] !== called[1]
  const styles = new Set(over.map((o) => o.stroke.shape.style))
  return styles.size <= 2 || colourOf(a) === colourOf(b)
}

/**
 * Does the file itself call two lines cut line and seam line of one piece, or of one size? Then they need not run side by side: a cap
 * crosses a dart.
 */
const isNamedPair = (a: Sized, b: Sized): boolean => {
  const [p, q] = [a, b].map((s) => calledLine(s.stroke.shape))
  const [piece, size] = [groupName(a.stroke.shape), sizeCalled(a.stroke.shape)]
  return Boolean(p && q && p !== q && (piece || size) && piece === groupName(b.stroke.shape))
}

/** A line that may be the seam line within a cut line, and whether it runs beside it all the way round. */
interface Inner {
  inner: Sized
  isBeside: boolean
}

/** The lines within each that may be its seam line: the largest of every look. */
function innersOf(outer: Sized, candidates: readonly Sized[]): Inner[] {
  spend(candidates.length)
  const near = candidates.filter((c) => c !== outer && !c.isOpen && (boxesAreNear(c, outer) || boxesAreNear(outer, c)))
  const all = [outer, ...near]
  const looks = new Map<string, Sized>()
  for (const c of near)
    if (!looks.has(c.stroke.shape.style) && c.area < outer.area && boxesAreNear(c, outer) && mayPair(c, outer, all) && liesIn(c, outer))
      looks.set(c.stroke.shape.style, c)
  return [...looks.values()].map((inner) => ({ inner, isBeside: isNamedPair(inner, outer) || runsBeside(inner, outer) }))
}

/**
 * Pairs the seam line of a piece with the cut line around it. Two looks are cut lines and seam lines where they run beside each other
 * on most pieces: on a straight piece two sizes do, too.
 * @param candidates closed lines, largest first
 * @returns cut line to seam line
 */
export function pairLines(candidates: readonly Sized[]): Map<Sized, Sized> {
  const inners = new Map(candidates.filter((c) => !c.isOpen).map((outer) => [outer, innersOf(outer, candidates)]))
  const votes = new Map<string, number>()
  const looks = (outer: Sized, inner: Sized) => `${outer.stroke.shape.style}|${inner.stroke.shape.style}`
  for (const [outer, list] of inners)
    for (const { inner, isBeside } of list) votes.set(looks(outer, inner), (votes.get(looks(outer, inner)) ?? 0) + (isBeside ? 1 : -1))
  const pairs = new Map<Sized, Sized>()
  const seams = new Set<Sized>()
  for (const [outer, list] of inners) {
    if (seams.has(outer)) continue
    const found = list.find(({ inner, isBeside }) => isBeside && !seams.has(inner) && votes.get(looks(outer, inner))! > 0)
    if (!found) continue
    pairs.set(outer, found.inner)
    seams.add(found.inner)
  }
  return pairs
}
