import { spend } from '../budget'
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

/**
 * Closed outlines that are one piece in several sizes: they lie over each other and are called by a size each, or are
 * drawn in a style of their own each. Smallest first.
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
    .filter((n) => n.list.length >= (n.called ? 2 : LEAST_STYLES))
    .map((n) => (n.called ? n.list : n.list.map((x, i) => ({ ...x, name: String(i + 1) }))))
}
