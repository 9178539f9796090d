import type { DrawnShape } from '../formats'
import { boundsOf, flattenPath, type Box, type Path, type Point } from '../geometry'
import { containsPoint } from '../moves'
import type { Stroke } from './chain-strokes'

/** A closed line that is large enough to be a piece. */
export interface Sized {
  stroke: Stroke
  /** Clockwise on the page, welded; closed by a straight line where it is open. */
  loop: Path
  area: number
  isOpen: boolean
  gapMm: number
  box: Box
  /** Where notches were cut into it: its loop runs straight over them. */
  notches: Point[]
}

const polygons = new WeakMap<Path, Point[]>()

/** Does a point lie inside a closed line? */
export function contains(one: Pick<Sized, 'loop' | 'box'>, p: Point): boolean {
  const { box } = one
  if (p.x < box.minX || p.x > box.maxX || p.y < box.minY || p.y > box.maxY) return false
  let polygon = polygons.get(one.loop)
  if (!polygon) polygons.set(one.loop, (polygon = flattenPath(one.loop, INSIDE_MM)))
  return containsPoint(polygon, p)
}

/** How exactly a line is followed for telling inside from outside, mm. */
const INSIDE_MM = 1

/** Does one closed line lie inside another, by its own beginning or its middle part? */
export const liesIn = (inner: Sized, outer: Sized): boolean =>
  contains(outer, inner.loop[0]!.from) || contains(outer, inner.loop[Math.floor(inner.loop.length / 2)]!.to)

export const sized = (stroke: Stroke, loop: Path, area: number, gapMm: number, isOpen: boolean): Sized => ({
  stroke,
  loop,
  area,
  isOpen,
  gapMm,
  box: boundsOf(loop),
  notches: [],
})

/** What the file itself calls a line. */
export const calledLine = (shape: DrawnShape): 'seam line' | 'cut line' | null => {
  const words = [shape.name, ...shape.groups].join(' ').toLowerCase().replace(/[-_]/g, ' ')
  if (/\b(seam|stitch(ing)?|sewing) line\b/.test(words)) return 'seam line'
  return /\bcut(ting)? line\b/.test(words) ? 'cut line' : null
}

/** Names that drawing programs give by themselves, and those of layers. */
const GIVEN =
  /line|layer|^size\b|^(?:g|path|svg|rect|polygon|polyline|ellipse|circle|line|use|text|group|object|shape|id|image|clip|page|slide|container|surface|figure|drawing)[\s_.-]*[\d_.-]*(?:id)?[\d_-]*$|^[\d_.-]+$|^[a-z]{1,3}[\d_-]+$/i

/** Signs that a program writes as their number: “_x20_” is a space. */
const decoded = (name: string): string =>
  name.replace(/_x([0-9A-Fa-f]{2,4})_/g, (_, code: string) => String.fromCharCode(Number.parseInt(code, 16)))

/** The name of a line's group, or its own, that says something about the piece and not about the kind of line; or nothing. */
export function groupName(shape: Pick<DrawnShape, 'name' | 'groups'>): string {
  const useful = [...shape.groups]
    .reverse()
    .concat(shape.name)
    .map(decoded)
    .find((n) => n && !GIVEN.test(n))
  const plain = (useful ?? '').trim()
  // “coat-front” is written as words.
  return (/^[\w-]+$/.test(plain) && /[-_]/.test(plain) ? plain.replace(/[-_]+/g, ' ').trim() : plain).slice(0, 80)
}
