import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEG } from '../units'
import {
  add,
  carryBetween,
  countInflections,
  cubic,
  distance,
  flattenPath,
  fullnessFor,
  line,
  measureLength,
  nearestPlace,
  placeAt,
  rotateAbout,
  scale,
  subtract,
  tangentAt,
  turnRad,
  unit,
  type Path,
  type PathEnd,
} from './index'

const at = (x: number, y: number) => ({ x, y })
/** An armhole from the shoulder down to the underarm. */
const hollow: Path = [
  cubic(at(192, 38), at(180, 78), at(172, 110), at(176, 150)),
  cubic(at(176, 150), at(181, 190), at(198, 216), at(240, 222)),
]
/** The same with a bend back under the shoulder. */
const bentBack: Path = [cubic(at(192, 38), at(192, 78), at(168, 100), at(176, 150)), hollow[1]!]

const endsOf = (path: Path): [PathEnd, PathEnd] => [
  { point: path[0]!.from, along: tangentAt(path[0]!, 0) },
  { point: path.at(-1)!.to, along: tangentAt(path.at(-1)!, 1) },
]
const turned = ({ point, along }: PathEnd, by: { x: number; y: number }, deg: number): PathEnd => ({
  point: at(point.x + by.x, point.y + by.y),
  along: rotateAbout(along, at(0, 0), deg / DEG),
})
const directionOff = (a: PathEnd, b: PathEnd) => Math.abs(turnRad(a.along, b.along)) * DEG

/** Where the directions at two ends meet: the closed form of two lines. */
function meeting([a, b]: readonly [PathEnd, PathEnd]) {
  const sine = a.along.x * b.along.y - a.along.y * b.along.x
  const off = subtract(b.point, a.point)
  return add(a.point, scale(a.along, (off.x * b.along.y - off.y * b.along.x) / sine))
}

const moves = fc.record({
  path: fc.constantFrom(hollow, bentBack),
  first: fc.record({ x: fc.integer({ min: -12, max: 12 }), y: fc.integer({ min: -20, max: 20 }) }),
  last: fc.record({ x: fc.integer({ min: -15, max: 15 }), y: fc.integer({ min: -30, max: 40 }) }),
  turns: fc.tuple(fc.integer({ min: -6, max: 6 }), fc.integer({ min: -6, max: 6 })),
})

describe('a line carried between other ends', () => {
  it('begins and ends there in the directions that are asked for, and bends nowhere that it did not bend', () => {
    fc.assert(
      fc.property(moves, ({ path, first, last, turns }) => {
        const was = endsOf(path)
        const now: [PathEnd, PathEnd] = [turned(was[0], first, turns[0]), turned(was[1], last, turns[1])]
        const drawn = carryBetween(was, now)!(path)
        for (const [i, end] of endsOf(drawn).entries()) {
          expect(distance(end.point, now[i]!.point)).toBeLessThan(1e-9)
          expect(directionOff(end, now[i]!)).toBeLessThan(1e-6)
        }
        expect(countInflections(drawn, 0.01)).toBe(countInflections(path, 0.01))
      }),
    )
  })
  it('carried there and back it is the line that it was', () => {
    fc.assert(
      fc.property(moves, ({ path, first, last, turns }) => {
        const was = endsOf(path)
        const now: [PathEnd, PathEnd] = [turned(was[0], first, turns[0]), turned(was[1], last, turns[1])]
        const back = carryBetween(now, was)!(carryBetween(was, now)!(path))
        for (const mm of [20, 90, 150]) expect(distance(placeAt(back, mm).point, placeAt(path, mm).point)).toBeLessThan(1e-6)
      }),
    )
  })
  it('straight lines stay straight, also where it is drawn fuller', () => {
    const bent: Path = [line(at(0, 0), at(0, 60)), line(at(0, 60), at(50, 100))]
    const was = endsOf(bent)
    const drawn = carryBetween(was, [was[0], turned(was[1], at(0, 10), 0)], 1.4)!(bent)
    expect(drawn.map((s) => s.kind)).toEqual(['line', 'line'])
  })
  it('is none where the directions at the ends meet nowhere between them', () => {
    const straight: Path = [cubic(at(0, 0), at(0, 30), at(0, 60), at(0, 100))]
    expect(carryBetween(endsOf(straight), endsOf(hollow))).toBeNull()
    const behind: [PathEnd, PathEnd] = [
      { point: at(0, 0), along: at(1, 0) },
      { point: at(100, 100), along: at(0, -1) },
    ]
    expect(carryBetween(behind, endsOf(hollow))).toBeNull()
    expect(carryBetween(endsOf(hollow), behind)).toBeNull()
    // They meet right at the last end: no triangle that could be carried.
    const flat: [PathEnd, PathEnd] = [
      { point: at(0, 0), along: at(0, 1) },
      { point: at(0.2, 100), along: at(1, 0) },
    ]
    expect(carryBetween(flat, endsOf(hollow))).toBeNull()
  })
})

describe('a line drawn fuller or flatter', () => {
  it('keeps its ends and their directions, bends nowhere anew, and its middle comes nearer by so much', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), (nearerMm) => {
        const was = endsOf(hollow)
        const middle = placeAt(hollow, measureLength(hollow) / 2).point
        const drawn = carryBetween(was, was, fullnessFor(was, middle, nearerMm)!)!(hollow)
        for (const [i, end] of endsOf(drawn).entries()) {
          expect(distance(end.point, was[i]!.point)).toBeLessThan(1e-9)
          expect(directionOff(end, was[i]!)).toBeLessThan(1e-6)
        }
        expect(countInflections(drawn, 0.05)).toBe(countInflections(hollow, 0.05))
        const toward = scale(unit(subtract(meeting(was), middle)), nearerMm)
        expect(nearestPlace(drawn, add(middle, toward)).distanceMm).toBeLessThan(0.1)
      }),
    )
  })
  it('a longer line is a fuller one', () => {
    const was = endsOf(hollow)
    const lengths = [0.6, 0.8, 1, 1.3, 1.8].map((f) => measureLength(carryBetween(was, was, f)!(hollow)))
    expect([...lengths].sort((a, b) => a - b)).toEqual(lengths)
  })
  it('comes close to the projective map that it stands for', () => {
    const was = endsOf(hollow)
    const [fuller, back] = [carryBetween(was, was, 1.25)!, carryBetween(was, was, 1 / 1.25)!]
    const there = fuller(hollow)
    for (const p of flattenPath(back(there), 0.05)) expect(nearestPlace(hollow, p).distanceMm).toBeLessThan(0.3)
  })
  it('has no room beyond where the directions meet, nor across the straight line between the ends', () => {
    const was = endsOf(hollow)
    const middle = placeAt(hollow, measureLength(hollow) / 2).point
    expect(fullnessFor(was, middle, 200)).toBeNull()
    expect(fullnessFor(was, middle, -200)).toBeNull()
  })
})
