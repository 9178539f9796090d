import { nearestPlace, type Path, type Point } from '../geometry'
import type { OutlineMark } from './find-outlines'
import { readNotches } from './read-notches'
import { sizeCalled } from './size-called'
import type { Sized } from './sized'
import type { Unit } from './units'

/** A piece in another size: its line, and the notches that are drawn on that. */
export interface SizeOfOutline {
  name: string
  path: Path
  notches: Point[]
  /** It has a cut line alone, where the piece itself has both lines. */
  isCutLine: boolean
}

type OtherSize = Unit['others'][number]

/** The marks that are drawn on one size of a nest alone: called by it, or drawn in a manner that is its own. */
function ofSize(marks: readonly OutlineMark[], size: OtherSize, { outer, others }: Unit): OutlineMark[] {
  const { style } = size.outer.stroke.shape
  const isOwnStyle = [outer, ...others.map((o) => o.outer)].every((s) => s === size.outer || s.stroke.shape.style !== style)
  return marks.filter((m) => {
    const called = sizeCalled(m)
    return called !== null ? called === size.name : isOwnStyle && m.style === style
  })
}

/** The other sizes of a piece, each with its own notches. @param marksAt the marks that lie at each line */
export const sizesOf = (unit: Unit, marksAt: ReadonlyMap<Sized, readonly OutlineMark[]>): SizeOfOutline[] =>
  unit.others.map((size) => {
    const path = (size.inner && unit.inner ? size.inner : size.outer).loop
    const lines = [size.outer.loop, ...(size.inner ? [size.inner.loop] : [])]
    const { places } = readNotches(ofSize(marksAt.get(size.outer) ?? [], size, unit), lines)
    return {
      name: size.name,
      path,
      notches: places.map((p) => nearestPlace(path, p).point),
      isCutLine: unit.inner !== null && size.inner === null,
    }
  })
