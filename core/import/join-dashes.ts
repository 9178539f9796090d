import { spend } from '../budget'
import {
  distance,
  dot,
  line,
  measureLength,
  nearestPlace,
  norm,
  PointGrid,
  reversePath,
  subtract,
  unit,
  type Path,
  type Point,
  type Segment,
} from '../geometry'
import { GAP_MM, SAME_POINT_MM } from '../tolerances'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { cornerOf, DASH_MM, filled, LEAST_RATIO, middleOf, middleOfDash, WIDEST_MM } from './middle-of-dash'

/** Dashes that were written one by one: the gaps between them no wider, mm, going on in one direction, and so many at the least. */
const DASH_GAP_MM = 9
const GOES_ON = 0.86
const LEAST_DASHES = 8
/** Of so few parts a dash is drawn. */
const MOST_PARTS = 4

/** A dash, as the line in its middle. */
interface Dash {
  stroke: Stroke
  path: Path
}

/** Every stroke that may be a dash. */
function dashesOf(strokes: readonly Stroke[]): Dash[] {
  // A dash stands alone: what touches another end to end is a chord of a curve.
  const ends = new PointGrid<Stroke>(GAP_MM)
  for (const o of strokes)
    if (!o.shape.closed && !o.shape.isArea) {
      ends.add(startOf(o.path), o)
      ends.add(endOf(o.path), o)
    }
  const touched = (o: Stroke) => [...new Set([startOf(o.path), endOf(o.path)].flatMap((p) => ends.near(p)))].filter((other) => other !== o)
  // Only the last dash of a closed line touches its first, and nothing else.
  const isAlone = (o: Stroke) => {
    const [only, ...more] = touched(o)
    return !only || (more.length === 0 && touched(only).length === 1)
  }
  return strokes.flatMap((stroke): Dash[] => {
    if (stroke.shape.isArea || stroke.shape.closed) {
      const path = stroke.shape.isArea ? middleOfDash(filled(stroke.path)) : null
      return path ? [{ stroke, path }] : []
    }
    const isDash = stroke.path.length <= MOST_PARTS && measureLength(stroke.path) <= DASH_MM && isAlone(stroke)
    return isDash ? [{ stroke, path: stroke.path }] : []
  })
}

/** A line of dashes while it is put together. */
interface Chain {
  of: Dash[]
  path: Path
  /** How wide the widest of the gaps between its dashes is, mm; null before there is one. */
  gapMm: number | null
}

/** The directions in which a path ends, and begins. */
const leavingOf = (path: Path) => unit(subtract(endOf(path), path[path.length - 1]!.from))
const comingOf = (path: Path) => unit(subtract(path[0]!.to, startOf(path)))

/** Across a corner dashes go on with the gap that they have elsewhere, to this, mm. */
const SAME_GAP_MM = 0.4
/** A gap that is not small, mm, is at most so many times as wide as the others: beyond it another line is met. */
const SMALL_GAP_MM = 4
const WIDER_GAP = 1.5
/** Where each edge was dashed by itself its last gap may have a bit of a dash in it that is none by itself, mm. */
const BIT_MM = LEAST_RATIO * WIDEST_MM

/** Two parts of a line put together at the corner that their ends run to. */
const atCorner = (own: Path, corner: Point, next: Path): Path => [
  ...own.slice(0, -1),
  line(own[own.length - 1]!.from, corner),
  line(corner, next[0]!.to),
  ...next.slice(1),
]

/** A line of dashes led on to where the next dash begins; what touches it already ends there. */
function upTo(path: Path, to: Point): Path {
  const last = path[path.length - 1]!
  return distance(last.to, to) > GAP_MM ? [...path, line(last.to, to)] : [...path.slice(0, -1), { ...last, to }]
}

const isStraight = (s: Segment) => s.kind === 'line'
/** The corner at which one part of a line goes over into another, and how wide the gap between them is round it; null where that is not so wide. */
function cornerInGap(own: Path, next: Path, leastMm: number, mostMm: number): { at: Point; mm: number } | null {
  if (!isStraight(own[own.length - 1]!) || !isStraight(next[0]!)) return null
  const corner = cornerOf(endOf(own), leavingOf(own), startOf(next), comingOf(next))
  const mm = corner && corner.along + corner.back
  return mm !== null && mm >= leastMm && mm <= mostMm ? { at: corner!.at, mm } : null
}

/** A chain with the next dash, straight on or round a corner: of several the one whose gap is most like the others; null where there is none. */
function goneOn({ of, path, gapMm }: Chain, style: string, near: readonly Dash[]): Chain | null {
  const tip = endOf(path)
  const leaving = leavingOf(path)
  const own = near.filter((d) => d.stroke.shape.style === style)
  spend(own.length)
  const led = own.map((dash) => {
    const on = distance(startOf(dash.path), tip) <= distance(endOf(dash.path), tip) ? dash.path : reversePath(dash.path)
    return { dash, on, gap: subtract(startOf(on), tip) }
  })
  const ahead = led.filter(({ on, gap }) => {
    // Of a curve that was dashed chord by chord, the last dash of one touches the first of the next.
    const isAhead = (norm(gap) <= GAP_MM || dot(unit(gap), leaving) >= GOES_ON) && dot(comingOf(on), leaving) >= GOES_ON
    return isAhead && (gapMm === null || norm(gap) <= Math.max(SMALL_GAP_MM, WIDER_GAP * gapMm))
  })
  const [straight] = mostAlike(ahead, ({ gap }) => norm(gap), gapMm)
  if (straight) {
    const { dash, on, gap } = straight
    return { of: [...of, dash], path: [...upTo(path, startOf(on)), ...on], gapMm: Math.max(gapMm ?? 0, norm(gap)) }
  }
  if (gapMm === null) return null
  const round = led.flatMap(({ dash, on }) => {
    const corner = cornerInGap(path, on, gapMm - SAME_GAP_MM, gapMm + SAME_GAP_MM)
    return corner ? [{ dash, on, corner }] : []
  })
  const [next] = mostAlike(round, ({ corner }) => corner.mm, gapMm)
  return next ? { of: [...of, next.dash], path: atCorner(path, next.corner.at, next.on), gapMm } : null
}

/** Things by how like their gap is to one that is known; the narrowest first where none is. */
const mostAlike = <T>(list: readonly T[], mmOf: (thing: T) => number, gapMm: number | null): T[] =>
  [...list].sort((a, b) => Math.abs(mmOf(a) - (gapMm ?? 0)) - Math.abs(mmOf(b) - (gapMm ?? 0)))

/** A chain whose last dash comes to its first one, closed; null where it does not. */
function closedChain(chain: Chain): Chain | null {
  const { path, gapMm, of } = chain
  const [tip, start] = [endOf(path), startOf(path)]
  if (of.length < LEAST_DASHES || gapMm === null) return null
  const corner = cornerInGap(path, path, -WIDEST_MM, gapMm + BIT_MM)
  if (corner) return { ...chain, path: [line(corner.at, path[0]!.to), ...path.slice(1, -1), line(path[path.length - 1]!.from, corner.at)] }
  const isOn = distance(tip, start) <= gapMm + BIT_MM && dot(comingOf(path), leavingOf(path)) >= GOES_ON
  return isOn ? { ...chain, path: upTo(path, start) } : null
}

const styleOf = ({ of }: Chain) => of[0]!.stroke.shape.style

/** All lines that dashes make by going on, each dash in one of them. */
function chainsOf(dashes: readonly Dash[]): Chain[] {
  const grid = new PointGrid<Dash>(DASH_GAP_MM)
  for (const d of dashes) {
    grid.add(startOf(d.path), d)
    grid.add(endOf(d.path), d)
  }
  const used = new Set<Dash>()
  return dashes.flatMap((first) => {
    if (used.has(first)) return []
    let chain: Chain = { of: [first], path: first.path, gapMm: null }
    used.add(first)
    const next = () =>
      goneOn(
        chain,
        styleOf(chain),
        grid.near(endOf(chain.path)).filter((d) => !used.has(d)),
      )
    for (const turned of [false, true]) {
      if (turned) chain = { ...chain, path: reversePath(chain.path) }
      for (let more = next(); more; more = next()) {
        chain = more
        used.add(more.of[more.of.length - 1]!)
      }
    }
    return [chain]
  })
}

/** A chain with the nearest other one that meets it at a corner; null where there is none. */
function linked(chain: Chain, near: readonly Chain[]): { chain: Chain; by: Chain } | null {
  const tip = endOf(chain.path)
  for (const by of near) {
    spend()
    const on = distance(startOf(by.path), tip) <= distance(endOf(by.path), tip) ? by.path : reversePath(by.path)
    const gapMm = Math.max(chain.gapMm ?? 0, by.gapMm ?? 0)
    const corner = cornerInGap(chain.path, on, -WIDEST_MM, gapMm + BIT_MM)
    if (corner) return { chain: { of: [...chain.of, ...by.of], path: atCorner(chain.path, corner.at, on), gapMm }, by }
  }
  return null
}

/** Outlines of chains, where each of their edges was dashed by itself: only such as close. The others stay as they are. */
function closedOf(chains: readonly Chain[]): Chain[] {
  const left = new Set<Chain>()
  const done: Chain[] = []
  for (const chain of chains) {
    const closed = closedChain(chain)
    if (closed) done.push(closed)
    else if (chain.gapMm !== null) left.add(chain)
  }
  const grid = new PointGrid<Chain>(DASH_GAP_MM)
  for (const c of left) {
    grid.add(startOf(c.path), c)
    grid.add(endOf(c.path), c)
  }
  for (const first of [...left].sort((a, b) => b.of.length - a.of.length)) {
    const taken = [first]
    let chain = first
    const next = () =>
      linked(
        chain,
        grid.near(endOf(chain.path)).filter((c) => left.has(c) && !taken.includes(c) && styleOf(c) === styleOf(first)),
      )
    for (let more = next(); left.has(first) && more; more = next()) {
      chain = more.chain
      taken.push(more.by)
    }
    const closed = taken.length > 1 ? closedChain(chain) : null
    if (closed) taken.forEach((c) => left.delete(c))
    done.push(...(closed ? [closed] : []))
  }
  return [...done, ...left]
}

/**
 * Dashes that a program wrote one by one, as strokes or as narrow areas, as the lines that they make; all other strokes stay as they are.
 */
export function joinDashes(strokes: readonly Stroke[]): Stroke[] {
  const dashes = dashesOf(strokes)
  if (dashes.length < LEAST_DASHES) return [...strokes]
  const joined = closedOf(chainsOf(dashes)).flatMap(({ of, path }): Stroke[] => {
    if (of.length < LEAST_DASHES) return []
    const closed = distance(startOf(path), endOf(path)) <= SAME_POINT_MM
    return [{ shape: { ...of[0]!.stroke.shape, isDashed: true, isArea: false, closed }, path, of: of.map((d) => d.stroke) }]
  })
  const taken = new Set(joined.flatMap((j) => j.of ?? []))
  const left = strokes.filter((o) => !taken.has(o))
  const bits = new Set(left.filter((o) => isBitOf(o, joined)))
  return [...left.filter((o) => !bits.has(o)), ...joined]
}

/** Is a small area what is left of a dash at the end of a line of dashes? */
function isBitOf({ path, shape }: Stroke, lines: readonly Stroke[]): boolean {
  if (!shape.isArea || measureLength(path) > 2 * (BIT_MM + WIDEST_MM)) return false
  const at = middleOf(filled(path))
  return lines.some((l) => l.shape.style === shape.style && nearestPlace(l.path, at).distanceMm <= WIDEST_MM / 2)
}
