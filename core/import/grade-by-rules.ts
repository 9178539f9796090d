import { spend } from '../budget'
import type { Drawing, DrawnShape, DrawnText, RuleTable } from '../formats'
import { distance, mapPath, measureLength, nearestPlace, pointsOf, type Path, type Point } from '../geometry'
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

const layerOf = ({ groups }: DrawnShape): string => groups[groups.length - 1] ?? ''
/** A line on a layer that nobody knows goes with the outline, too, where it runs all round as that does. */
const ROUND_PART = 0.5
const isOutline = (s: DrawnShape): boolean => s.closed && calledLine(s) !== null

/** What a point goes with: graded places, each by its part. It is the same in every size. */
type Binding = readonly { place: Graded; part: number }[]

/** How far along an outline its own points lie, mm; the handles of a curve by thirds of it. */
function lengthsAlong(path: Path): Map<Point, number> {
  const lengths = new Map<Point, number>()
  let before = 0
  for (const s of path) {
    const long = measureLength([s])
    pointsOf(s).forEach((p, i, { length }) => lengths.set(p, before + (long * i) / (length - 1)))
    before += long
  }
  return lengths
}

/** What places of an outline go with, by their length along it: the graded ones before and behind. Null where it has none. */
function alongOutline(path: Path, places: readonly Graded[]): ((lengthMm: number) => Binding) | null {
  const total = measureLength(path)
  const on = places
    .map((place) => ({ place, near: nearestPlace(path, place.at) }))
    .filter(({ near }) => near.distanceMm <= ON_PLACE_MM)
    .sort((x, y) => x.near.lengthMm - y.near.lengthMm)
  if (on.length === 0) return null
  return (lengthMm) => {
    spend(on.length)
    const next = on.findIndex((o) => o.near.lengthMm >= lengthMm)
    const after = on[next < 0 ? 0 : next]!
    const before = on[(next <= 0 ? on.length : next) - 1]!
    const span = (after.near.lengthMm - before.near.lengthMm + total) % total
    const part = span === 0 ? 0 : ((lengthMm - before.near.lengthMm + total) % total) / span
    return [
      { place: before.place, part: 1 - part },
      { place: after.place, part },
    ]
  }
}

/** What lies within a piece goes with all graded places of it, with the nearer ones the more. */
function within(places: readonly Graded[], p: Point): Binding {
  spend(places.length)
  const weights = places.map((g) => 1 / Math.max(1, distance(g.at, p)) ** 2)
  const all = weights.reduce((x, y) => x + y, 0)
  return places.map((place, i) => ({ place, part: weights[i]! / all }))
}

/** What every point of a piece goes with. */
function bindings(shapes: readonly DrawnShape[], places: readonly Graded[]): (s: DrawnShape, p: Point) => Binding {
  const outlines = shapes.filter(isOutline).flatMap(({ path }) => {
    const bind = alongOutline(path, places)
    return bind ? [{ path, bind, lengths: lengthsAlong(path) }] : []
  })
  return (s, p) => {
    const own = places.find((g) => distance(g.at, p) <= ON_PLACE_MM / 2)
    if (own) return [{ place: own, part: 1 }]
    const itself = outlines.find((o) => o.path === s.path)
    if (itself) return itself.bind(itself.lengths.get(p)!)
    spend(outlines.reduce((sum, o) => sum + o.path.length, places.length))
    const near = outlines.map((o) => ({ o, ...nearestPlace(o.path, p) })).sort((x, y) => x.distanceMm - y.distanceMm)[0]
    const isRound = (o: { path: Path }) => s.closed && measureLength(s.path) >= ROUND_PART * measureLength(o.path)
    return near && (isOutline(s) || near.distanceMm <= AT_OUTLINE_MM || isRound(near.o)) ? near.o.bind(near.lengthMm) : within(places, p)
  }
}

/** The lines of one piece in all sizes, size by size. */
function inAllSizes(shapes: readonly DrawnShape[], places: readonly Graded[], sizes: readonly string[]): DrawnShape[] {
  const bind = bindings(shapes, places)
  const known = new Map<Point, Binding>()
  for (const s of shapes) for (const p of s.path.flatMap(pointsOf)) if (!known.has(p)) known.set(p, bind(s, p))
  return sizes.flatMap((name, size) =>
    shapes.map((s): DrawnShape => {
      const moved = (p: Point): Point =>
        known.get(p)!.reduce((q, { place, part }) => ({ x: q.x + part * place.by[size]!.x, y: q.y + part * place.by[size]!.y }), p)
      const groups = [s.groups[0]!, `Size ${name}`, ...s.groups.slice(1).filter((g) => !/^size\b/i.test(g))]
      return { ...s, path: mapPath(s.path, moved), groups }
    }),
  )
}

/**
 * A drawing of one size in all sizes of its rule table. Places with the number of a rule move as it says; what lies between two of them
 * on an outline moves in between, marks at an outline go with it, and what lies within goes with the places around. Pieces without a
 * number on them, or drawn in several sizes, stay as they are.
 */
export function gradeByRules(drawing: Drawing, table: RuleTable): Drawing {
  const pieceOf = (groups: readonly string[]) => groups[0] ?? ''
  const apart = new Set(drawing.apart.map(layerOf))
  const all = [...drawing.shapes, ...drawing.apart]
  const names = [...new Set(all.map((s) => pieceOf(s.groups)))]
  const graded = names.flatMap((name): DrawnShape[] => {
    const own = all.filter((s) => pieceOf(s.groups) === name)
    const places = drawing.texts.flatMap((t): Graded[] => {
      const places = pieceOf(t.groups) === name ? table.rules.get(ruleIn(t) ?? -1) : undefined
      return places ? [{ at: placeOf(t, own), by: places.map((p) => ({ x: p.x, y: -p.y })) }] : []
    })
    const drawnSizes = new Set(own.flatMap((s) => sizeCalled(s) ?? []))
    if (name === '' || places.length === 0 || drawnSizes.size > 1) return own
    return inAllSizes(own, places, table.sizes)
  })
  // The numbers are no words of the pieces; what the words say of a size is said of the sample.
  const texts = drawing.texts.filter((t) => ruleIn(t) === null)
  const numbered = graded.map((s, i) => ({ ...s, index: i + 1 }))
  const isApart = (s: DrawnShape) => apart.has(layerOf(s))
  return { ...drawing, texts, shapes: numbered.filter((s) => !isApart(s)), apart: numbered.filter(isApart) }
}
