import type { DrawnShape } from '../formats'
import { boundsOf, flattenPath, nearestPlace, pointAt, type Box, type Path, type Point } from '../geometry'
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

/** Parts of a line that are looked at. */
const LOOKED_AT = 9

/** Does one closed line lie inside another, by the middles of its parts? Those on a line that both share tell nothing. */
export function liesIn(inner: Sized, outer: Sized): boolean {
  const { minX, minY, maxX, maxY } = outer.box
  if (inner.box.minX > maxX || inner.box.maxX < minX || inner.box.minY > maxY || inner.box.maxY < minY) return false
  const step = Math.max(1, Math.floor(inner.loop.length / LOOKED_AT))
  const middles = inner.loop.filter((_, i) => i % step === 0).map((s) => pointAt(s, 0.5))
  const inside = middles.filter((p) => contains(outer, p)).length
  if (inside === 0 || inside === middles.length) return inside > 0
  const clear = middles.filter((p) => nearestPlace(outer.loop, p).distanceMm > ON_LINE_MM)
  return clear.filter((p) => contains(outer, p)).length * 2 >= clear.length
}

/** A place this near to a line lies on it, mm. */
const ON_LINE_MM = 0.5

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
export const calledLine = (shape: Pick<DrawnShape, 'name' | 'groups'>): 'seam line' | 'cut line' | null => {
  const words = [shape.name, ...shape.groups].join(' ').toLowerCase().replace(/[-_]/g, ' ')
  if (/\b(seam|stitch(ing)?|sewing) line\b/.test(words)) return 'seam line'
  return /\bcut(ting)? line\b/.test(words) ? 'cut line' : null
}

/** Does the file itself say that a line is something within a piece? Then it is part of no outline. */
export const isCalledInner = (shape: DrawnShape): boolean =>
  [shape.name, ...shape.groups].some((name) => /^(?:(?:fold|inner) line|grain|notch|drill hole)$/i.test(name))

/** Names that drawing programs give by themselves, and those of layers. */
const GIVEN =
  /line|layer|^sizes?(?![a-z])|^(?:g|path|svg|rect|polygon|polyline|ellipse|circle|line|use|text|group|object|shape|id|image|clip|page|slide|container|surface|figure|drawing|img|picture|photo(?:graph)?|scan)[\s_.-]*[\d_.-]*(?:id)?[\d_-]*$|^[\d_.-]+$|^[a-z]{1,3}[\d_-]+$/i

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
