import { spend } from '../budget'
import { measureArea, type Path } from '../geometry'
import { findAlike, findNests } from './find-nests'
import type { OutlineMark } from './find-outlines'
import { pairLines } from './pair-lines'
import { sizeCalled } from './size-called'
import { calledLine, liesIn, type Sized } from './sized'
import { sizesSaid } from './sizes-said'

/** Closed lines within a piece are pockets and badges, unless the square on their reach is this many times what they cover: then a dart. */
const SLENDER_TIMES = 3
/** A closed line is a mark when it covers less than this part of the piece: more is a seam line, or another size. */
export const MARK_PART = 0.15

/** Directions in which the reach of a line is measured: enough to find it to a hundredth part. */
const DIRECTIONS = Array.from({ length: 12 }, (_, i) => ({ x: Math.cos((i * Math.PI) / 12), y: Math.sin((i * Math.PI) / 12) }))

/** Is a closed line long and narrow, whichever way it lies? Of such a line the ends are far apart, and little lies between. */
export function isSlender(closed: Path): boolean {
  const reach = Math.max(
    ...DIRECTIONS.map((d) => {
      let [low, high] = [Infinity, -Infinity]
      for (const { from } of closed) {
        const along = from.x * d.x + from.y * d.y
        low = Math.min(low, along)
        high = Math.max(high, along)
      }
      return high - low
    }),
  )
  return Math.abs(measureArea(closed)) * SLENDER_TIMES < reach * reach
}

/** A line that may be a piece, with its seam line where it has both, and its other sizes. */
export interface Unit {
  outer: Sized
  inner: Sized | null
  sizeName: string
  others: { name: string; outer: Sized; inner: Sized | null }[]
  isInside: boolean
}

/**
 * The closed lines as pieces: both lines of one are one, sizes of one are one, what lies in another is told.
 * @param texts the words of the drawing: they may say what its sizes are called
 */
export function toUnits(candidates: readonly Sized[], texts: readonly { text: string }[] = []): Unit[] {
  const isSaid = (count: number) => sizesSaid(texts, count) !== null
  const alike = findAlike(candidates, isSaid)
  const told = new Set(alike.flat())
  const free = candidates.filter((c) => !told.has(c))
  // As many looks over each other as words name sizes are sizes, however nearly they run beside each other.
  const looks = free.filter((c) => !c.isOpen && sizeCalled(c.stroke.shape) === null)
  const named = findNests(looks).filter((n) => isSaid(n.length) && !isSaid(n.length / 2))
  const sizes = new Set(named.flatMap((n) => n.map((x) => x.one)))
  const pairs = pairLines(free.filter((c) => !sizes.has(c)))
  const seams = new Set(pairs.values())
  const innerOf = (outer: Sized) => pairs.get(outer) ?? null
  const outers = candidates.filter((c) => !seams.has(c))
  const called = findNests(outers.filter((s) => !s.isOpen && !told.has(s)))
  const nests = [...called, ...alike.map((n) => n.map((one, i) => ({ name: String(i + 1), one })))].map((n) => namedAsSaid(n, texts))
  const nested = new Set(nests.flatMap((n) => n.map((x) => x.one)))
  // A nest comes in as the size that is drawn in full, or its middle one; the others go along with it.
  const units = nests.map((n): Unit => {
    const middle = n.find((x) => x.name === '') ?? n[Math.floor((n.length - 1) / 2)]!
    return {
      outer: middle.one,
      inner: innerOf(middle.one),
      sizeName: middle.name,
      others: n.flatMap((x) => (x === middle ? [] : [{ name: x.name, outer: x.one, inner: innerOf(x.one) }])),
      isInside: false,
    }
  })
  for (const one of outers.filter((s) => !nested.has(s))) {
    spend(units.length)
    const outer = units.find((u) => liesIn(one, u.outer))
    const unit: Unit = { outer: one, inner: innerOf(one), sizeName: '', others: [], isInside: outer !== undefined }
    // Where the file names a seam line within a cut line, it is the outline, however it runs.
    if (outer && !outer.inner && calledLine(one.stroke.shape) === 'seam line' && calledLine(outer.outer.stroke.shape) !== 'seam line')
      outer.inner = one
    else units.push(unit)
  }
  return units
}

/** A nest whose sizes have no names but their order: they are called what the words of the drawing call so many. */
function namedAsSaid(nest: { name: string; one: Sized }[], texts: readonly { text: string }[]): { name: string; one: Sized }[] {
  const said = nest.every((x, i) => x.name === String(i + 1)) ? sizesSaid(texts, nest.length) : null
  return said ? nest.map((x, i) => ({ ...x, name: said[i]! })) : nest
}

/** All lines of a piece. */
export const linesOf = ({ outer, inner, others }: Unit): Sized[] =>
  [outer, inner, ...others.flatMap((o) => [o.outer, o.inner])].flatMap((x) => x ?? [])

/**
 * The marks of a nest's base size: those that are called by another size are left out, and those drawn in the manner of another, where
 * some are drawn in the base's own.
 */
export function ofThisSize(marks: readonly OutlineMark[], { outer, sizeName, others }: Unit): OutlineMark[] {
  const own = outer.stroke.shape.style
  const theirs = new Set(others.map((o) => o.outer.stroke.shape.style).filter((style) => style !== own))
  const isEach = marks.some((m) => m.style === own)
  const isOwn = (m: OutlineMark) => {
    const called = sizeCalled(m)
    return called !== null ? called === sizeName : !isEach || !theirs.has(m.style)
  }
  return others.length === 0 ? [...marks] : marks.filter(isOwn)
}

/** A long narrow line that lies in a piece is a dart drawn on it. */
export function isMarkOn(u: Unit, units: readonly Unit[]): boolean {
  if (!u.isInside || u.inner) return false
  const outer = units.find((o) => o !== u && liesIn(u.outer, o.outer))
  return outer !== undefined && isSlender(u.outer.loop) && !calledLine(u.outer.stroke.shape) && u.outer.area < outer.outer.area * MARK_PART
}
