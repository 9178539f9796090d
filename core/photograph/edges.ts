import { add, distance, leftOf, scale, subtract, unit, type Point } from '../geometry'
import { colourAt, type Pixels } from './pixels'

/** Places along a line across an edge at which the picture is read, for each dot. */
const PER_DOT = 4
/** An edge is read in a band so wide along itself, dots: its middle is taken, whatever line crosses it. */
export const BAND_PX = [-6, -4, -2, 0, 2, 4, 6]
/** Colours of both sides are read this far from the edge, as a part of the reach. */
const BESIDE = 0.7
/** A fall of so much of the steepest is as good as it. */
const FIRST = 0.6
/** Both sides must differ by so much in one colour of 255: less is noise. */
const LEAST_STEP = 8

/**
 * The place near to a point where the picture changes most along a line, exact to a part of a dot: where paper ends.
 * Null where nothing changes there.
 *
 * @param out unit direction across the edge, out of the paper
 * @param reachPx how far to both sides it is looked for
 */
export function edgeNear(pixels: Pixels, near: Point, out: Point, reachPx: number): Point | null {
  const count = Math.ceil(reachPx * PER_DOT)
  const at = (k: number): Point => add(near, scale(out, k / PER_DOT))
  const along = leftOf(out)
  const colours = Array.from({ length: 2 * count + 1 }, (_, i) => {
    const beside = BAND_PX.map((d) => colourAt(pixels, add(at(i - count), scale(along, d))))
    return [0, 1, 2].map((c) => beside.map((v) => v[c]!).sort((a, b) => a - b)[BAND_PX.length >> 1]!)
  })
  // What changes from one side to the other is looked at, whatever its colour.
  const mean = (from: number, to: number) => {
    const part = colours.slice(from, to)
    return [0, 1, 2].map((c) => part.reduce((s, v) => s + v[c]!, 0) / part.length)
  }
  const edge = Math.max(1, Math.floor(count * (1 - BESIDE)))
  const inner = mean(0, edge)
  const outer = mean(colours.length - edge, colours.length)
  const way = inner.map((v, c) => v - outer[c]!)
  const step = Math.hypot(...way)
  if (step < LEAST_STEP) return null
  const tone = colours.map((v) => v.reduce((s, x, c) => s + (x * way[c]!) / step, 0))
  // How steeply it falls, over about a dot and a half.
  const span = Math.round(PER_DOT * 0.75)
  const fall = (i: number) => (tone[i - span] ?? tone[0]!) - (tone[i + span] ?? tone[tone.length - 1]!)
  const falls = Array.from({ length: tone.length - 2 * span }, (_, k) => fall(k + span))
  const most = Math.max(...falls)
  if (most < step * 0.3) return null
  // Paper ends at the first of the steep falls: what follows are lines on the floor. Its steepest place is taken.
  let best = span + falls.findIndex((f) => f >= most * FIRST)
  while (fall(best + 1) > fall(best)) best += 1
  // The middle of the fall, weighed by how steep it is.
  let [sum, total] = [0, 0]
  for (let i = best - span * 2; i <= best + span * 2; i++) {
    const f = Math.max(0, fall(i) - fall(best) * 0.3)
    sum += f * i
    total += f
  }
  return at((total > 0 ? sum / total : best) - count)
}

/** A line differs from what lies to both sides by so much in one colour of 255 at least. */
const LEAST_LINE = 6

/**
 * The middle of a thin line near to a point, exact to a part of a dot; null where there is none.
 * @param across unit direction across the line
 * @param reachPx how far to both sides it is looked for
 */
export function lineNear(pixels: Pixels, near: Point, across: Point, reachPx: number): Point | null {
  const count = Math.ceil(reachPx * PER_DOT)
  const at = (k: number): Point => add(near, scale(across, k / PER_DOT))
  const along = leftOf(across)
  const colours = Array.from({ length: 2 * count + 1 }, (_, i) => {
    const beside = [-1, 0, 1].map((d) => colourAt(pixels, add(at(i - count), scale(along, d))))
    return [0, 1, 2].map((c) => (beside[0]![c]! + beside[1]![c]! + beside[2]![c]!) / 3)
  })
  const usual = [0, 1, 2].map((c) => colours.map((v) => v[c]!).sort((a, b) => a - b)[colours.length >> 1]!)
  const off = colours.map((v) => Math.hypot(v[0]! - usual[0]!, v[1]! - usual[1]!, v[2]! - usual[2]!))
  const most = Math.max(...off)
  if (most < LEAST_LINE) return null
  const peak = off.indexOf(most)
  let [sum, total] = [0, 0]
  for (let i = Math.max(0, peak - 2 * PER_DOT); i <= Math.min(off.length - 1, peak + 2 * PER_DOT); i++) {
    const f = Math.max(0, off[i]! - most * 0.4)
    sum += f * i
    total += f
  }
  // A line that ends at the reach is one that comes in from beside.
  return peak < PER_DOT || peak > off.length - 1 - PER_DOT ? null : at(sum / total - count)
}

/** Points at even steps along a closed line of points, beginning at its first. */
export function evenly(rim: readonly Point[], stepPx: number): Point[] {
  const out: Point[] = []
  let left = 0
  for (let i = 0; i < rim.length; i++) {
    const a = rim[i]!
    const b = rim[(i + 1) % rim.length]!
    const length = distance(a, b)
    for (; left < length; left += stepPx) out.push(add(a, scale(subtract(b, a), left / length)))
    left -= length
  }
  return out
}

/** A closed line of points with the stairs of its dots taken out: each the weighed middle of its neighbours. */
export function smoothed(points: readonly Point[], reach: number): Point[] {
  const n = points.length
  return points.map((_, i) => {
    let [x, y, total] = [0, 0, 0]
    for (let k = -reach; k <= reach; k++) {
      const w = 1 - Math.abs(k) / (reach + 1)
      const p = points[(((i + k) % n) + n) % n]!
      x += p.x * w
      y += p.y * w
      total += w
    }
    return { x: x / total, y: y / total }
  })
}

/** Outward directions along a closed line that runs clockwise, each from neighbours so many points away. */
export function outwardOf(points: readonly Point[], reach: number): Point[] {
  const n = points.length
  return points.map((_, i) => leftOf(unit(subtract(points[(i + reach) % n]!, points[(i - reach + n) % n]!))))
}
