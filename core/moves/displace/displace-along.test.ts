import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { add, cubic, distance, line, measureLength, placeAt, tangentAt, turnRad, type Path } from '../../geometry'
import { bendOver, displaceAlong, fading, swelling, together } from '../index'

const DEG = 180 / Math.PI
const at = (x: number, y: number) => ({ x, y })
const bow: Path = [cubic(at(0, 0), at(40, 5), at(90, 60), at(100, 160)), cubic(at(100, 160), at(105, 210), at(90, 260), at(60, 300))]
const total = measureLength(bow)
const joints = (path: Path) => path.slice(1).map((s, i) => Math.abs(turnRad(tangentAt(path[i]!, 1), tangentAt(s, 0))) * DEG)
const vector = fc.record({ x: fc.integer({ min: -12, max: 12 }), y: fc.integer({ min: -12, max: 12 }) })

describe('a path moved by a field along it', () => {
  it('goes whole by one vector, its length kept', () => {
    const by = at(7, -3)
    const moved = displaceAlong(bow, { by: () => by, slope: () => at(0, 0) })
    expect(measureLength(moved)).toBeCloseTo(total, 6)
    expect(distance(placeAt(moved, total / 3).point, add(placeAt(bow, total / 3).point, by))).toBeLessThan(0.01)
  })
  it('fading: one end goes, the other stays, directions of both are kept, joins stay smooth', () => {
    fc.assert(
      fc.property(vector, (by) => {
        const moved = displaceAlong(bow, fading(by, 0, total))
        expect(distance(moved[0]!.from, add(bow[0]!.from, by))).toBeLessThan(1e-9)
        expect(distance(moved[moved.length - 1]!.to, bow[1]!.to)).toBeLessThan(1e-9)
        expect(Math.abs(turnRad(tangentAt(moved[0]!, 0), tangentAt(bow[0]!, 0)))).toBeLessThan(1e-9)
        for (const deg of joints(moved)) expect(deg).toBeLessThan(0.01)
      }),
    )
  })
  it('swelling: most in the middle, nothing and level at both ends', () => {
    const moved = displaceAlong(bow, swelling(at(10, 0), 0, total), [total / 2])
    expect(distance(moved[0]!.from, bow[0]!.from) + distance(moved[moved.length - 1]!.to, bow[1]!.to)).toBeLessThan(1e-9)
    expect(moved.some((s) => distance(s.to, add(placeAt(bow, total / 2).point, at(10, 0))) < 0.01)).toBe(true)
  })
  it('fields add up, and straight lines stay straight between their ends', () => {
    const ruled: Path = [line(at(0, 0), at(0, 50)), line(at(0, 50), at(0, 100))]
    const moved = displaceAlong(ruled, together(fading(at(4, 0), 0, 50), fading(at(0, 3), 100, 50)))
    expect(moved).toEqual([line(at(4, 0), at(0, 50)), line(at(0, 50), at(0, 103))])
  })
})

describe('a path bent over a stretch', () => {
  it('keeps its length, stays before the stretch, and has turned by the angle at its end', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.3, max: 0.3, noNaN: true }), fc.double({ min: 0, max: 0.8, noNaN: true }), (turn, part) => {
        const bent = bendOver(bow, total * part, turn)
        expect(Math.abs(measureLength(bent) - total)).toBeLessThan(0.05)
        expect(distance(placeAt(bent, total * part).point, placeAt(bow, total * part).point)).toBeLessThan(0.05)
        expect(turnRad(tangentAt(bow[1]!, 1), tangentAt(bent[bent.length - 1]!, 1))).toBeCloseTo(turn, 6)
        for (const deg of joints(bent)) expect(deg).toBeLessThan(1)
      }),
    )
  })
  it('comes to where a hinge in the middle of the stretch would have led it, nearly', () => {
    const ruled: Path = [line(at(0, 0), at(0, 200))]
    const bent = bendOver(ruled, 100, 0.08)
    const hinged = at(-50 * Math.sin(0.08), 150 + 50 * Math.cos(0.08))
    expect(distance(bent[bent.length - 1]!.to, hinged)).toBeLessThan(0.3)
  })
})
