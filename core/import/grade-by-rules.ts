import { spend } from '../budget'
import type { Drawing, DrawnShape, DrawnText, RuleTable } from '../formats'
import { distance, mapPath, measureLength, nearestPlace, type Path, type Point } from '../geometry'
import { calledLine } from './sized'
import { sizeCalled } from './size-called'

/** A number of a rule stands on its place to this, mm. */
const ON_PLACE_MM = 2
/** Its number is written this near to a corner, mm. */
const CORNER_MM = 3
/** A mark this near to an outline goes with it, mm. */
const AT_OUTLINE_MM = 4

/** “# 12”: the number of the rule by which a place moves. */
const ruleIn = ({ text }: DrawnText): number | null => {
  const found = /^\s*#\s*(\d{1,6})\s*$/.exec(text)
  return found ? Number(found[1]) : null
}

/** How many places of a drawing have the number of a rule on them: its sizes are in a rule table. */
export const placesWithRules = ({ texts }: Drawing): number => texts.filter((t) => ruleIn(t) !== null).length

/** Letters of a DXF hang so far above the place that they are written at, in parts of their height: see its reader. */
const BASE_LINE_PART = 0.3

/** The corner that the number of a rule stands on; where it stands, when on none. */
function placeOf({ at, heightMm }: DrawnText, shapes: readonly DrawnShape[]): Point {
  const written = { x: at.x, y: at.y + BASE_LINE_PART * heightMm }
  const near = shapes
    .flatMap((s) => s.path.flatMap((part) => [part.from, part.to]))
    .map((p) => ({ p, far: distance(p, written) }))
    .reduce((a, b) => (b.far < a.far ? b : a), { p: written, far: CORNER_MM })
  return near.p
}

interface Graded {
  at: Point
  /** Where it lies in every size, from where it is drawn, mm; y downward. */
  by: readonly Point[]
}

const isOutline = (s: DrawnShape): boolean => s.closed && calledLine(s) !== null

/** How far the places of an outline move: from graded place to graded place by their length along it. */
function alongOutline(path: Path, places: readonly Graded[], size: number): ((p: Point) => Point) | null {
  const total = measureLength(path)
  const on = places
    .map(({ at, by }) => ({ near: nearestPlace(path, at), by: by[size]! }))
    .filter(({ near }) => near.distanceMm <= ON_PLACE_MM)
    .sort((a, b) => a.near.lengthMm - b.near.lengthMm)
  if (on.length === 0) return null
  return (p) => {
    spend()
    const { lengthMm } = nearestPlace(path, p)
    const next = on.findIndex((o) => o.near.lengthMm >= lengthMm)
    const after = on[next < 0 ? 0 : next]!
    const before = on[(next <= 0 ? on.length : next) - 1]!
    const span = (after.near.lengthMm - before.near.lengthMm + total) % total
    const part = span === 0 ? 0 : ((lengthMm - before.near.lengthMm + total) % total) / span
    return { x: before.by.x + (after.by.x - before.by.x) * part, y: before.by.y + (after.by.y - before.by.y) * part }
  }
}

/** What lies within a piece goes with all graded places of it, with the nearer ones the more. */
function within(places: readonly Graded[], size: number): (p: Point) => Point {
  return (p) => {
    spend(places.length)
    const weights = places.map((g) => 1 / Math.max(1, distance(g.at, p)) ** 2)
    const all = weights.reduce((a, b) => a + b, 0)
    return {
      x: places.reduce((sum, g, i) => sum + (weights[i]! / all) * g.by[size]!.x, 0),
      y: places.reduce((sum, g, i) => sum + (weights[i]! / all) * g.by[size]!.y, 0),
    }
  }
}

/** The lines of one piece in one size. */
function inSize(shapes: readonly DrawnShape[], places: readonly Graded[], size: number, name: string): DrawnShape[] {
  const outlines = shapes.filter(isOutline).flatMap(({ path }) => {
    const move = alongOutline(path, places, size)
    return move ? [{ path, move }] : []
  })
  const free = within(places, size)
  const by = (s: DrawnShape, p: Point): Point => {
    const own = places.find((g) => distance(g.at, p) <= ON_PLACE_MM / 2)
    if (own) return own.by[size]!
    const near = outlines.map((o) => ({ o, far: nearestPlace(o.path, p).distanceMm })).sort((a, b) => a.far - b.far)[0]
    return near && (isOutline(s) || near.far <= AT_OUTLINE_MM) ? near.o.move(p) : free(p)
  }
  return shapes.map((s) => {
    const path = mapPath(s.path, (p) => {
      const d = by(s, p)
      return { x: p.x + d.x, y: p.y + d.y }
    })
    return { ...s, path, groups: [s.groups[0]!, `Size ${name}`, ...s.groups.slice(1).filter((g) => !/^size\b/i.test(g))] }
  })
}

/**
 * A drawing of one size in all sizes of its rule table. Places with the number of a rule move as it says; what lies between two of them
 * on an outline moves in between, marks at an outline go with it, and what lies within goes with the places around. Pieces without a
 * number on them, or drawn in several sizes, stay as they are.
 */
export function gradeByRules(drawing: Drawing, table: RuleTable): Drawing {
  const pieceOf = (groups: readonly string[]) => groups[0] ?? ''
  const names = [...new Set(drawing.shapes.map((s) => pieceOf(s.groups)))]
  const shapes = names.flatMap((name): DrawnShape[] => {
    const own = drawing.shapes.filter((s) => pieceOf(s.groups) === name)
    const places = drawing.texts.flatMap((t): Graded[] => {
      const places = pieceOf(t.groups) === name ? table.rules.get(ruleIn(t) ?? -1) : undefined
      return places ? [{ at: placeOf(t, own), by: places.map((p) => ({ x: p.x, y: -p.y })) }] : []
    })
    const drawnSizes = new Set(own.flatMap((s) => sizeCalled(s) ?? []))
    if (name === '' || places.length === 0 || drawnSizes.size > 1) return own
    return table.sizes.flatMap((size, i) => inSize(own, places, i, size))
  })
  // The numbers are no words of the pieces; what the words say of a size is said of the sample.
  const texts = drawing.texts.filter((t) => ruleIn(t) === null)
  return { ...drawing, texts, shapes: shapes.map((s, i) => ({ ...s, index: i + 1 })) }
}
