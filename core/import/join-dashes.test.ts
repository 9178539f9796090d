import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { add, distance, line, measureLength, nearestPlace, placeAt, scale, subtract, unit, type Path, type Point } from '../geometry'
import type { DrawnShape } from '../formats'
import { joinDashes } from './join-dashes'
import type { Stroke } from './chain-strokes'

const WIDE = 0.6
const shapeOf = (path: Path, closed: boolean, isArea: boolean): DrawnShape => ({
  index: 1,
  name: '',
  groups: [],
  style: '#000000',
  isDashed: false,
  isArea,
  hasMarkers: false,
  path,
  closed,
})
const strokeOf = (path: Path, isArea: boolean): Stroke => ({ path, shape: shapeOf(path, isArea, isArea) })

/** A dash as the area that a stroke of it covers, with a pointed corner where it has two legs. */
function areaOf(legs: Path): Path {
  const [first, last] = [legs[0]!, legs[legs.length - 1]!]
  const side = (s: Path[number]) => {
    const d = unit(subtract(s.to, s.from))
    return scale({ x: -d.y, y: d.x }, WIDE / 2)
  }
  const [a, b] = [side(first), side(last)]
  // Where both sides of a corner meet.
  const mitre = scale(add(a, b), (WIDE / 2) ** 2 / ((WIDE / 2) ** 2 + a.x * b.x + a.y * b.y))
  const bend = legs.length > 1 ? [add(first.to, mitre)] : []
  const back = legs.length > 1 ? [subtract(first.to, mitre)] : []
  const round = [add(first.from, a), ...bend, add(last.to, b), subtract(last.to, b), ...back, subtract(first.from, a)]
  return round.map((p, k) => line(p, round[(k + 1) % round.length]!))
}

/** A line through points, dashed as a program does it, on round its corners. */
function dashed(points: readonly Point[], on: number, off: number): Path[] {
  const path = points.slice(1).map((p, i) => line(points[i]!, p))
  const total = measureLength(path)
  const dashes: Path[] = []
  for (let at = 0; at < total; at += on + off) {
    const end = Math.min(at + on, total)
    let from = placeAt(path, at).point
    let walked = 0
    const legs: Path = path.flatMap((s) => {
      const [a, b] = [walked, (walked += measureLength([s]))]
      if (b <= at || a >= end) return []
      const to = b < end ? s.to : placeAt(path, end).point
      const leg = line(from, to)
      from = to
      return distance(leg.from, leg.to) > 0.01 ? [leg] : []
    })
    if (legs.length > 0) dashes.push(legs)
  }
  return dashes
}

const SQUARE = [
  { x: 0, y: 0 },
  { x: 200, y: 30 },
  { x: 230, y: 180 },
  { x: 20, y: 240 },
  { x: 0, y: 0 },
]
const isOn = (path: Path, of: readonly Point[]) => {
  const whole = of.slice(1).map((p, i) => line(of[i]!, p))
  return Math.max(...path.map((s) => nearestPlace(whole, s.from).distanceMm))
}

describe('dashes that were written one by one', () => {
  it.each([
    ['strokes', false],
    ['narrow areas', true],
  ])('as %s, make the closed line that they were, with its corners', (_, areas) => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 8, noNaN: true }), fc.double({ min: 1, max: 4, noNaN: true }), (on, off) => {
        const dashes = dashed(SQUARE, on, off)
        const strokes = dashes.map((legs) => (areas ? strokeOf(areaOf(legs), true) : strokeOf(legs, false)))
        const joined = joinDashes(strokes).filter((s) => s.shape.isDashed)
        const [outline] = joined
        expect(joined).toHaveLength(1)
        expect(outline!.shape.closed).toBe(true)
        expect(isOn(outline!.path, SQUARE)).toBeLessThan(0.35)
        const total = measureLength(SQUARE.slice(1).map((p, i) => line(SQUARE[i]!, p)))
        expect(Math.abs(measureLength(outline!.path) - total)).toBeLessThan(2)
      }),
    )
  })
  it('make one closed line of a curve that was dashed chord by chord', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 160 }), fc.double({ min: 2.5, max: 4, noNaN: true }), (n, on) => {
        const round = Array.from({ length: n + 1 }, (_, i) => ({
          x: 150 * Math.cos((2 * Math.PI * i) / n),
          y: 150 * Math.sin((2 * Math.PI * i) / n),
        }))
        const dashes = round.slice(1).flatMap((p, i) => dashed([round[i]!, p], on, on / 2))
        const joined = joinDashes(dashes.map((legs) => strokeOf(areaOf(legs), true))).filter((s) => s.shape.isDashed)
        expect(joined.map((s) => s.shape.closed)).toEqual([true])
        expect(Math.abs(measureLength(joined[0]!.path) - 2 * Math.PI * 150)).toBeLessThan(4)
      }),
    )
  })
  it('make two lines where one lies on the other, each with its own gaps', () => {
    const along = [
      { x: 0, y: 0 },
      { x: 0, y: 300 },
    ]
    const own = dashed(SQUARE, 4, 2)
    const over = dashed(
      along.map((p) => ({ x: p.x, y: p.y + 400 })),
      4,
      2,
    )
    const again = dashed(
      along.map((p) => ({ x: p.x, y: p.y + 401.3 })),
      4,
      2,
    )
    const strokes = [...own, ...over, ...again].map((legs) => strokeOf(areaOf(legs), true))
    const joined = joinDashes(strokes).filter((s) => s.shape.isDashed)
    expect(joined.map((s) => [s.shape.closed, Math.round(measureLength(s.path) / 10)])).toEqual([
      [true, Math.round(measureLength(SQUARE.slice(1).map((p, i) => line(SQUARE[i]!, p))) / 10)],
      [false, 30],
      [false, 30],
    ])
  })
  it('make a line also in a file that says nothing of how they are drawn; a tick across it stays', () => {
    const dashes = dashed(SQUARE, 4, 2).map((legs) => strokeOf(legs, false))
    const tick = strokeOf([line({ x: 97.2, y: 11.8 }, { x: 102.8, y: 17.4 })], false)
    const unsaid = [...dashes, tick].map((s) => ({ ...s, shape: { ...s.shape, isArea: true } }))
    const joined = joinDashes(unsaid)
    expect(joined.filter((s) => s.shape.isDashed).map((s) => s.shape.closed)).toEqual([true])
    expect(joined.map((s) => s.path)).toContain(tick.path)
  })
  it('leaves alone what are no dashes: long ones, and squares', () => {
    const few = dashed(SQUARE.slice(0, 2), 20, 10).map((legs) => strokeOf(areaOf(legs), true))
    const squares = Array.from({ length: 12 }, (_, i) => strokeOf(areaOf([line({ x: 0, y: i * 3 }, { x: WIDE, y: i * 3 })]), true))
    expect(joinDashes([...few, ...squares])).toEqual([...few, ...squares])
  })
})
