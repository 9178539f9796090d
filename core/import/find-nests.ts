import { spend } from '../budget'
import { measureLength, nearestPlace, placeAt } from '../geometry'
import { calledLine, groupName, type Sized } from './sized'
import { sizeCalled } from './size-called'

/** Boxes of two sizes of a piece share at least this part of what they cover together. */
const NEST_SHARE = 0.55

/** Outlines that only differ in how they are drawn are sizes from this many on: what runs side by side was paired before. */
const LEAST_STYLES = 2

function shareOfBoxes({ box: p }: Sized, { box: q }: Sized): number {
  const w = Math.min(p.maxX, q.maxX) - Math.max(p.minX, q.minX)
  const h = Math.min(p.maxY, q.maxY) - Math.max(p.minY, q.minY)
  if (w <= 0 || h <= 0) return 0
  const area = (r: typeof p) => (r.maxX - r.minX) * (r.maxY - r.minY)
  return (w * h) / (area(p) + area(q) - w * h)
}

/** Outlines of one look are sizes from this many on: of two, one is the seam line. */
const LEAST_ALIKE = 3
/** Laid over each other box on box, two sizes of a piece run nowhere further apart than this part of it. */
const ALIKE_PART = 0.05
const PLACES = 24

/** Is one outline the other in another size? Their corners may have moved, and the whole is as the other. */
function isAlike(a: Sized, b: Sized): boolean {
  const [wide, high] = [a.box.maxX - a.box.minX, a.box.maxY - a.box.minY]
  const total = measureLength(b.loop)
  const most = ALIKE_PART * Math.max(wide, high)
  return Array.from({ length: PLACES }, (_, i) => placeAt(b.loop, (total * i) / PLACES).point).every((p) => {
    spend(a.loop.length)
    const x = a.box.minX + ((p.x - b.box.minX) * wide) / (b.box.maxX - b.box.minX)
    const y = a.box.minY + ((p.y - b.box.minY) * high) / (b.box.maxY - b.box.minY)
    return nearestPlace(a.loop, { x, y }).distanceMm <= most
  })
}

/**
 * Closed outlines of one look, called nothing, that are one piece in several sizes: each is the others made larger. A piece alone may have
 * as many lines beside each other for another reason; where two pieces have equally many, or words say how many sizes there are, they are sizes.
 *
 * @param isSaid do the words of the drawing name so many sizes?
 * @returns smallest first
 */
export function findAlike(candidates: readonly Sized[], isSaid: (count: number) => boolean): Sized[][] {
  const groups: Sized[][] = []
  for (const one of [...candidates].sort((a, b) => a.area - b.area)) {
    const { shape } = one.stroke
    if (one.isOpen || sizeCalled(shape) !== null || calledLine(shape)) continue
    spend(groups.length)
    const group = groups.find(
      ([first, ...more]) =>
        first!.stroke.shape.style === shape.style &&
        shareOfBoxes(more[more.length - 1] ?? first!, one) >= NEST_SHARE &&
        isAlike(first!, one),
    )
    if (group) group.push(one)
    else groups.push([one])
  }
  const many = groups.filter((g) => g.length >= LEAST_ALIKE)
  return many.filter((g) => isSaid(g.length) || many.some((o) => o !== g && o.length === g.length))
}

/**
 * The sizes of a nest with the one that is drawn in full: where others are called by their sizes, the one cut line over which they lie
 * that is called by none. It has no name.
 */
function withTheFullOne(list: { name: string; one: Sized }[], candidates: readonly Sized[]): { name: string; one: Sized }[] {
  const full = candidates.filter(
    (c) =>
      sizeCalled(c.stroke.shape) === null &&
      calledLine(c.stroke.shape) === 'cut line' &&
      groupName(c.stroke.shape) === groupName(list[0]!.one.stroke.shape) &&
      list.every((x) => shareOfBoxes(x.one, c) >= NEST_SHARE),
  )
  return full.length === 1 ? [...list, { name: '', one: full[0]! }].sort((a, b) => a.one.area - b.one.area) : list
}

/**
 * Closed outlines that are one piece in several sizes: they lie over each other and are called by a size each, but for one that may be
 * drawn in full, or are drawn in a style of their own each. Smallest first.
 */
export function findNests(candidates: readonly Sized[]): { name: string; one: Sized }[][] {
  const nests: { called: boolean; list: { name: string; one: Sized }[] }[] = []
  for (const one of [...candidates].sort((a, b) => a.area - b.area)) {
    const called = sizeCalled(one.stroke.shape)
    const name = called ?? one.stroke.shape.style
    if (!called && calledLine(one.stroke.shape)) continue
    spend(nests.length)
    const nest = nests.find(
      (n) =>
        n.called === (called !== null) &&
        n.list.every((x) => x.name !== name && shareOfBoxes(x.one, one) >= NEST_SHARE) &&
        (called === null || groupName(n.list[0]!.one.stroke.shape) === groupName(one.stroke.shape)),
    )
    if (nest) nest.list.push({ name, one })
    else nests.push({ called: called !== null, list: [{ name, one }] })
  }
  return nests
    .map((n) => (n.called ? { ...n, list: withTheFullOne(n.list, candidates) } : n))
    .filter((n) => n.list.length >= (n.called ? 2 : LEAST_STYLES))
    .map((n) => (n.called ? n.list : n.list.map((x, i) => ({ ...x, name: String(i + 1) }))))
}
