import { spend } from '../budget'
import { distance, dot, line, measureLength, norm, reversePath, subtract, unit, type Path, type Point, type Segment } from '../geometry'
import { GAP_MM } from '../tolerances'
import { endOf, startOf, type Stroke } from './chain-strokes'
import { cornerOf, LEAST_RATIO, WIDEST_MM } from './middle-of-dash'

/** Dashes go on in one direction, to this cosine; so many make a line. */
const GOES_ON = 0.86
export const LEAST_DASHES = 8

/** A dash, as the line in its middle. */
export interface Dash {
  stroke: Stroke
  path: Path
}

/** A line of dashes while it is put together. */
export interface Chain {
  of: Dash[]
  path: Segment[]
  /** How wide the widest of the gaps between its dashes is, mm; null before there is one. */
  gapMm: number | null
  /** The last gaps, mm, without those where one dash touches the next. */
  gapsMm: number[]
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
export const BIT_MM = LEAST_RATIO * WIDEST_MM

/** Two parts of a line put together at the corner that their ends run to. */
const atCorner = (own: Path, corner: Point, next: Path): Segment[] => [
  ...own.slice(0, -1),
  line(own[own.length - 1]!.from, corner),
  line(corner, next[0]!.to),
  ...next.slice(1),
]

/** A line of dashes led on to where the next dash begins; what touches it already ends there. */
function upTo(path: Path, to: Point): Segment[] {
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

/**
 * Leads a chain on by the next dash, straight on or round a corner: of several by the one whose gap is most like the others.
 * @returns the dash; null where there is none
 */
export function leadOn(chain: Chain, style: string, near: readonly Dash[]): Dash | null {
  const { of, path, gapMm, gapsMm } = chain
  const last = path.slice(-1)
  const add = (dash: Dash, more: Path): Dash => {
    path.splice(-1, 1, ...more)
    of.push(dash)
    return dash
  }
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
  const usualMm = usualOf(gapsMm)
  const inOrder = mostAlike(ahead, ({ gap }) => norm(gap), usualMm)
  const regular = inOrder.find(({ gap }) => usualMm !== null && Math.abs(norm(gap) - usualMm) <= SAME_GAP_MM)
  // What touches and is longer than the gap is of another line, which lies on this one.
  const touching = ahead.find(({ gap, on }) => norm(gap) <= GAP_MM && (!regular || measureLength(on) <= norm(regular.gap) + GAP_MM))
  const straight = touching ?? regular ?? inOrder[0]
  if (straight) {
    const { dash, on, gap } = straight
    const mm = norm(gap)
    chain.gapMm = Math.max(gapMm ?? 0, mm)
    if (mm > GAP_MM) chain.gapsMm = [...gapsMm.slice(-LAST_GAPS), mm]
    return add(dash, [...upTo(last, startOf(on)), ...on])
  }
  if (usualMm === null) return null
  const round = led.flatMap(({ dash, on }) => {
    const corner = cornerInGap(path, on, usualMm - SAME_GAP_MM, usualMm + SAME_GAP_MM)
    return corner ? [{ dash, on, corner }] : []
  })
  const [next] = mostAlike(round, ({ corner }) => corner.mm, usualMm)
  return next ? add(next.dash, atCorner(last, next.corner.at, next.on)) : null
}

/** So many gaps tell how wide they are; a few are others, at the ends of edges. */
const LAST_GAPS = 14
const usualOf = (gapsMm: readonly number[]): number | null => [...gapsMm].sort((a, b) => a - b)[gapsMm.length >> 1] ?? null

/** Things by how like their gap is to one that is known; the narrowest first where none is. */
const mostAlike = <T>(list: readonly T[], mmOf: (thing: T) => number, gapMm: number | null): T[] =>
  [...list].sort((a, b) => Math.abs(mmOf(a) - (gapMm ?? 0)) - Math.abs(mmOf(b) - (gapMm ?? 0)))

/** A chain whose last dash comes to its first one, closed; null where it does not. */
export function closedChain(chain: Chain): Chain | null {
  const { path, gapMm, of } = chain
  const [tip, start] = [endOf(path), startOf(path)]
  if (of.length < LEAST_DASHES || gapMm === null) return null
  const corner = cornerInGap(path, path, -WIDEST_MM, gapMm + BIT_MM)
  if (corner) return { ...chain, path: [line(corner.at, path[0]!.to), ...path.slice(1, -1), line(path[path.length - 1]!.from, corner.at)] }
  const isOn = distance(tip, start) <= gapMm + BIT_MM && dot(comingOf(path), leavingOf(path)) >= GOES_ON
  return isOn ? { ...chain, path: upTo(path, start) } : null
}

export const styleOf = ({ of }: Chain) => of[0]!.stroke.shape.style

/** A chain with the nearest other one that meets it at a corner; null where there is none. */
export function linked(chain: Chain, near: readonly Chain[]): { chain: Chain; by: Chain } | null {
  const tip = endOf(chain.path)
  for (const by of near) {
    spend()
    const on = distance(startOf(by.path), tip) <= distance(endOf(by.path), tip) ? by.path : reversePath(by.path)
    const gapMm = Math.max(chain.gapMm ?? 0, by.gapMm ?? 0)
    const corner = cornerInGap(chain.path, on, -WIDEST_MM, gapMm + BIT_MM)
    if (corner) return { chain: { ...chain, of: [...chain.of, ...by.of], path: atCorner(chain.path, corner.at, on), gapMm }, by }
  }
  return null
}
