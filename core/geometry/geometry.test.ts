import fc from 'fast-check'
import type paperTypes from 'paper'
import paperCore from 'paper/dist/paper-core.js'
import { describe, expect, it } from 'vitest'
import { bounded } from '../budget'
import { ok } from '../result'
import {
  add,
  boundsOf,
  cubic,
  cutPath,
  distance,
  dot,
  farthestAlong,
  findSelfCrossing,
  fitCurve,
  flattenPath,
  intersectPaths,
  isStraightPath,
  line,
  measureArea,
  measureLength,
  measureSegment,
  nearestPlace,
  offsetOutline,
  offsetPath,
  placeAt,
  pointAt,
  PointGrid,
  reversePath,
  rotateAbout,
  scale,
  subtract,
  joinStraight,
  thinOut,
  tangentAt,
  applyAffine,
  mapPath,
  turnAbout,
  turnRad,
  type Cubic,
  type Path,
  type Point,
} from './index'

/** Another kernel, as the oracle. Its types describe the whole package, not this part without a canvas. */
const paper = paperCore as unknown as typeof paperTypes
paper.setup(new paper.Size(100, 100))

const at = (x: number, y: number): Point => ({ x, y })

/** The usual four-cubic circle; its length differs from 2 pi r by 2 parts in 10 000, its area by 3. */
const K = 0.5522847498
function circle(r: number): Path {
  const k = r * K
  return [
    cubic(at(r, 0), at(r, k), at(k, r), at(0, r)),
    cubic(at(0, r), at(-k, r), at(-r, k), at(-r, 0)),
    cubic(at(-r, 0), at(-r, -k), at(-k, -r), at(0, -r)),
    cubic(at(0, -r), at(k, -r), at(r, -k), at(r, 0)),
  ]
}

/** y = x^2 / 100 for x in 0..100 as a cubic, exactly (a raised quadratic). */
const parabola: Cubic = cubic(at(0, 0), at(100 / 3, 0), at(200 / 3, 100 / 3), at(100, 100))
const parabolaLength = 50 * (Math.sqrt(5) + Math.asinh(2) / 2)

const square: Path[] = [
  [line(at(0, 0), at(100, 0))],
  [line(at(100, 0), at(100, 100))],
  [line(at(100, 100), at(0, 100))],
  [line(at(0, 100), at(0, 0))],
]

const coordinate = fc.integer({ min: -50000, max: 50000 }).map((n) => n / 100)
const anyPoint = fc.record({ x: coordinate, y: coordinate })
const anyCubic = fc.tuple(anyPoint, anyPoint, anyPoint, anyPoint).map(([a, b, c, d]) => cubic(a, b, c, d))

const asPaper = (c: Cubic) =>
  new paper.Curve(
    new paper.Point(c.from.x, c.from.y),
    new paper.Point(c.c1.x - c.from.x, c.c1.y - c.from.y),
    new paper.Point(c.c2.x - c.to.x, c.c2.y - c.to.y),
    new paper.Point(c.to.x, c.to.y),
  )

describe('length', () => {
  it('of a parabola is its closed form', () => {
    expect(measureSegment(parabola)).toBeCloseTo(parabolaLength, 6)
  })
  it('of a straight cubic that runs back on itself counts both ways', () => {
    // Along x only: 0 -> past 100 -> back to 50. x(t) = 450 t (1-t)^2... turns where its derivative is zero.
    const back = cubic(at(0, 0), at(150, 0), at(150, 0), at(50, 0))
    const x = (t: number) => 3 * (1 - t) ** 2 * t * 150 + 3 * (1 - t) * t * t * 150 + t ** 3 * 50
    let turn = 0
    for (let i = 0; i <= 100000; i++) turn = Math.max(turn, x(i / 100000))
    expect(measureSegment(back)).toBeCloseTo(turn + (turn - 50), 3)
  })
  it('of a cubic with a cusp and of one without handles is right to 0.001 mm', () => {
    const cusp = cubic(at(0, 0), at(100, 100), at(0, 100), at(100, 0))
    expect(Math.abs(measureSegment(cusp) - chords(cusp))).toBeLessThan(0.001)
    expect(measureSegment(cubic(at(0, 0), at(0, 0), at(30, 40), at(30, 40)))).toBeCloseTo(50, 6)
    expect(measureSegment(cubic(at(3, 3), at(3, 3), at(3, 3), at(3, 3)))).toBe(0)
  })
  it('is the same as another kernel finds on smooth curves, and adds up over a cut', () => {
    fc.assert(
      fc.property(anyCubic, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (c, part) => {
        const own = measureSegment(c)
        const cut = own * part
        const parts = measureLength(cutPath([c], 0, cut)) + measureLength(cutPath([c], cut, own))
        return Math.abs(own - chords(c)) < 0.01 && Math.abs(parts - own) < 0.001
      }),
      { numRuns: 60 },
    )
    expect(measureSegment(parabola)).toBeCloseTo(asPaper(parabola).length, 4)
  })
})

/** Length by 20 000 chords: an oracle without any formula. */
function chords(c: Cubic): number {
  let sum = 0
  let last = c.from
  const n = 20000
  for (let i = 1; i <= n; i++) {
    const p = pointAt(c, i / n)
    sum += Math.hypot(p.x - last.x, p.y - last.y)
    last = p
  }
  return sum
}

describe('places along a path', () => {
  it('are found where a tape measure finds them', () => {
    const path: Path = [line(at(0, 0), at(30, 40)), line(at(30, 40), at(30, 140))]
    expect(placeAt(path, 75).point).toEqual(at(30, 65))
    expect(placeAt(path, -5).point).toEqual(at(0, 0))
    expect(placeAt(path, 1e9).point).toEqual(at(30, 140))
    expect(placeAt(path, 20).tangent.x).toBeCloseTo(0.6, 9)
  })
  it('agree with the length walked, on any curve', () => {
    fc.assert(
      fc.property(
        anyCubic,
        fc.integer({ min: 0, max: 100 }).map((n) => n / 100),
        (c, part) => {
          const total = measureSegment(c)
          fc.pre(total > 1)
          const walked = measureLength(cutPath([c], 0, total * part))
          return Math.abs(walked - total * part) < 0.001
        },
      ),
      { numRuns: 60 },
    )
  })
  it('nearest: on a circle it is where the radius points', () => {
    const near = nearestPlace(circle(80), at(30, 40))
    expect(near.distanceMm).toBeCloseTo(30, 1)
    expect(near.point.x).toBeCloseTo(48, 1)
  })
  it('nearest: never further than any sample, and agrees with another kernel', () => {
    fc.assert(
      fc.property(anyCubic, anyPoint, (c, p) => {
        const near = nearestPlace([c], p)
        const samples = Array.from({ length: 101 }, (_, i) => distance(pointAt(c, i / 100), p))
        const other = asPaper(c).getNearestPoint(new paper.Point(p.x, p.y))
        return near.distanceMm <= Math.min(...samples) + 1e-9 && near.distanceMm <= distance(at(other.x, other.y), p) + 0.001
      }),
      { numRuns: 80 },
    )
  })
  it('tangents of zero-length handles point along the curve', () => {
    const c = cubic(at(0, 0), at(0, 0), at(10, 10), at(20, 0))
    expect(tangentAt(c, 0).x).toBeCloseTo(Math.SQRT1_2, 6)
  })
})

describe('area and bounds', () => {
  it('area of a parabola segment is its closed form', () => {
    const closed: Path = [parabola, line(at(100, 100), at(0, 100)), line(at(0, 100), at(0, 0))]
    expect(measureArea(closed)).toBeCloseTo((2 / 3) * 100 * 100, 6)
    expect(measureArea(reversePath(closed))).toBeCloseTo((-2 / 3) * 100 * 100, 6)
  })
  it('of a circle are pi r squared and r', () => {
    expect(measureArea(circle(50)) / (Math.PI * 2500)).toBeCloseTo(1, 3)
    expect(boundsOf(circle(50)).maxX).toBeCloseTo(50, 9)
  })
  it('bounds ask where the curve turns, not where its handles lie', () => {
    const b = boundsOf([cubic(at(0, 0), at(0, 100), at(100, 100), at(100, 0))])
    expect(b.maxY).toBeCloseTo(75, 9)
  })
  it('turning about a pin keeps length and area', () => {
    fc.assert(
      fc.property(anyPoint, fc.double({ min: -3, max: 3, noNaN: true }), (pin, angle) => {
        const turned = mapPath(circle(40), (p) => applyAffine(turnAbout(pin, angle), p))
        return (
          Math.abs(measureLength(turned) - measureLength(circle(40))) < 1e-6 &&
          Math.abs(measureArea(turned) - measureArea(circle(40))) < 1e-4
        )
      }),
      { numRuns: 40 },
    )
  })
})

describe('crossings', () => {
  it('of a line and a circle are two, in order', () => {
    const hits = intersectPaths([line(at(-100, 30), at(100, 30))], circle(50))
    expect(hits.map((h) => h.point.x)).toEqual([expect.closeTo(-40, 1), expect.closeTo(40, 1)])
    expect(hits[0]!.firstMm).toBeCloseTo(60, 1)
  })
  it('at end points and in touching are not missed', () => {
    expect(intersectPaths([line(at(0, 0), at(50, 0))], [cubic(at(50, 0), at(60, 20), at(70, 20), at(80, 0))])).toHaveLength(1)
    expect(intersectPaths([line(at(-100, 50), at(100, 50))], circle(50)).length).toBeGreaterThan(0)
  })
  it('of parallel lines are the ends of the shared part', () => {
    const hits = intersectPaths([line(at(0, 0), at(100, 0))], [line(at(40, 0), at(140, 0))])
    expect(hits.map((h) => h.firstMm)).toEqual([40, 100])
  })
  it('of two circles are where the closed form says', () => {
    const other = circle(50).map((s) =>
      s.kind === 'cubic' ? cubic(add(s.from, at(60, 0)), add(s.c1, at(60, 0)), add(s.c2, at(60, 0)), add(s.to, at(60, 0))) : s,
    )
    const hits = intersectPaths(circle(50), other)
    expect(hits).toHaveLength(2)
    for (const h of hits) expect(Math.abs(h.point.x - 30)).toBeLessThan(0.02)
  })
  it('of random curves lie on both, and are as many as another kernel finds', () => {
    let same = 0
    fc.assert(
      fc.property(anyCubic, anyCubic, (a, b) => {
        const hits = intersectPaths([a], [b])
        if (hits.length === asPaper(a).getIntersections(asPaper(b)).length) same += 1
        return hits.every((h) => nearestPlace([a], h.point).distanceMm < 1e-4 && nearestPlace([b], h.point).distanceMm < 1e-4)
      }),
      { numRuns: 60, seed: 7 },
    )
    expect(same).toBeGreaterThanOrEqual(58)
  })
  it('an outline that crosses itself is found at the place; a sound one is not', () => {
    const bow: Path = [
      line(at(0, 0), at(100, 100)),
      line(at(100, 100), at(100, 0)),
      line(at(100, 0), at(0, 100)),
      line(at(0, 100), at(0, 0)),
    ]
    expect(findSelfCrossing(bow)).toEqual({ x: expect.closeTo(50, 6), y: expect.closeTo(50, 6) })
    expect(findSelfCrossing(square.flat())).toBeNull()
    expect(findSelfCrossing(circle(50))).toBeNull()
  })
})

describe('fit', () => {
  it('never makes a loop, also through places that bend where no curve can follow', () => {
    const bend = fc.double({ min: -0.12, max: 0.12, noNaN: true })
    fc.assert(
      fc.property(fc.array(bend, { minLength: 6, maxLength: 40 }), fc.double({ min: 2, max: 9, noNaN: true }), (bends, step) => {
        const points = [{ x: 0, y: 0 }]
        let angle = 0
        for (const b of bends) {
          angle += b
          const last = points[points.length - 1]!
          points.push({ x: last.x + step * Math.cos(angle), y: last.y + step * Math.sin(angle) })
        }
        const along = (i: number) => subtract(points[i + 1]!, points[i]!)
        const unitOf = (d: { x: number; y: number }) => scale(d, 1 / Math.sqrt(d.x * d.x + d.y * d.y))
        const fitted = fitCurve(points, unitOf(along(0)), unitOf(along(points.length - 2)), 0.02)
        expect(measureLength(fitted)).toBeLessThan(bends.length * step * 1.02)
      }),
    )
  })
  it('of a parabola takes two cubics at most', () => {
    const points = Array.from({ length: 30 }, (_, i) => pointAt(parabola, i / 29))
    const fitted = fitCurve(points, tangentAt(parabola, 0), tangentAt(parabola, 1), 0.02)
    expect(fitted.length).toBeLessThanOrEqual(2)
    expect(Math.abs(measureLength(fitted) - parabolaLength)).toBeLessThan(0.02)
  })
  it('keeps end directions, stays within its tolerance and turns nowhere', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 80, noNaN: true }), fc.double({ min: 0.5, max: 3, noNaN: true }), (height, waves) => {
        const f = (t: number) => at(t * 300, height * Math.sin(t * waves * Math.PI))
        const points = Array.from({ length: 60 }, (_, i) => f(i / 59))
        const dir = (t: number) => {
          const d = { x: 300, y: height * waves * Math.PI * Math.cos(t * waves * Math.PI) }
          return scale(d, 1 / Math.hypot(d.x, d.y))
        }
        const fitted = fitCurve(points, dir(0), dir(1), 0.05)
        const smooth = fitted.every((s, i) => i === 0 || Math.abs(turnRad(tangentAt(fitted[i - 1]!, 1), tangentAt(s, 0))) < 0.002)
        return (
          smooth &&
          points.every((p) => nearestPlace(fitted, p).distanceMm < 0.06) &&
          Math.abs(turnRad(dir(0), tangentAt(fitted[0]!, 0))) < 1e-6
        )
      }),
      { numRuns: 40 },
    )
  })
  it('knows a straight path, also in several parts, from a bent or back-running one', () => {
    expect(isStraightPath([line(at(0, 0), at(10, 10)), cubic(at(10, 10), at(20, 20), at(30, 30), at(40, 40))], 0.01)).toBe(true)
    expect(isStraightPath([line(at(0, 0), at(10, 0)), line(at(10, 0), at(20, 1))], 0.01)).toBe(false)
    expect(isStraightPath([line(at(0, 0), at(20, 0)), line(at(20, 0), at(10, 0))], 0.01)).toBe(false)
  })
})

describe('the farthest point in a direction', () => {
  it('of a curve is where it runs square to it, else the better of its ends', () => {
    // Both handles 40 to one side: the curve stands off by three quarters of that, at its middle.
    const bow = [cubic(at(0, 0), at(40, 0), at(40, 100), at(0, 100))]
    expect(farthestAlong(bow, at(2, 0))).toEqual({ x: expect.closeTo(30, 9), y: expect.closeTo(50, 9) })
    expect(farthestAlong(bow, at(-1, 0)).x).toBe(0)
    expect(farthestAlong(bow, at(0, 1))).toEqual(at(0, 100))
    fc.assert(
      fc.property(fc.double({ min: 0, max: Math.PI * 2, noNaN: true }), (angle) => {
        const u = at(Math.cos(angle), Math.sin(angle))
        const far = dot(farthestAlong(bow, u), u)
        for (const p of flattenPath(bow, 0.01)) expect(dot(p, u)).toBeLessThanOrEqual(far + 1e-9)
      }),
    )
  })
})

describe('offset for seam allowance', () => {
  it('of a square with four widths has the corners where the widths meet', () => {
    const grown = offsetOutline(square, [10, 20, 30, 0])
    const box = boundsOf(grown.flat())
    expect(box).toEqual({ minX: 0, minY: -10, maxX: 120, maxY: 130 })
    expect(measureArea(grown.flat())).toBeCloseTo(120 * 140, 6)
  })
  it('of a circle lies at the distance everywhere', () => {
    for (const p of flattenPath(offsetPath(circle(60), -15), 0.5)) expect(Math.abs(Math.hypot(p.x, p.y) - 45)).toBeLessThan(0.05)
  })
  it('trims inner corners and cuts very sharp points square', () => {
    const ell: Path[] = [at(0, 0), at(100, 0), at(100, 40), at(40, 40), at(40, 100), at(0, 100)].map((p, i, all) => [
      line(p, all[(i + 1) % 6]!),
    ])
    const grown = offsetOutline(ell, [10, 10, 10, 10, 10, 10]).flat()
    expect(measureArea(grown)).toBeCloseTo(120 * 120 - 60 * 60, 6)
    const needle: Path[] = [at(0, 0), at(300, 4), at(0, 8)].map((p, i, all) => [line(p, all[(i + 1) % 3]!)])
    expect(boundsOf(offsetOutline(needle, [10, 10, 10]).flat()).maxX).toBeLessThan(300 + 41)
  })
  it('of a curve in two parts that turn by a hair where they meet, as files write them, does not cross itself', () => {
    for (const turn of [-0.02, -0.0005, -0.00001, 0.00001, 0.0005, 0.02]) {
      const hollow = [
        cubic(at(100, 0), at(60, 10), at(50, 40), at(50, 60)),
        cubic(at(50, 60), at(50 + 20 * turn, 80), at(70, 95), at(110, 100)),
      ]
      const edges: Path[] = [hollow, [line(at(110, 100), at(0, 100))], [line(at(0, 100), at(0, 0))], [line(at(0, 0), at(100, 0))]]
      for (const by of [-8, 8]) expect(findSelfCrossing(offsetOutline(edges, [by, by, by, by]).flat())).toBeNull()
    }
  })
  it('of edges that lean toward each other meets where one, run out straight, meets the other', () => {
    // The upper edge moves in by 10; the slanting one, not moved, is met further along.
    const slanted: Path[] = [at(0, 0), at(100, 0), at(40, 80), at(0, 80)].map((p, i, all) => [line(p, all[(i + 1) % 4]!)])
    const [top, side] = offsetOutline(slanted, [-10, 0, 0, 0])
    expect(top!.at(-1)!.to).toEqual({ x: expect.closeTo(92.5, 6), y: 10 })
    expect(side![0]!.from).toEqual({ x: expect.closeTo(92.5, 6), y: expect.closeTo(10, 6) })
    const blunt: Path[] = [at(0, 0), at(100, 0), at(160, 80), at(0, 80)].map((p, i, all) => [line(p, all[(i + 1) % 4]!)])
    const [long, leg] = offsetOutline(blunt, [-10, 0, 0, 0])
    expect(long!.at(-1)!.to).toEqual({ x: expect.closeTo(107.5, 6), y: expect.closeTo(10, 6) })
    expect(leg![0]!.from).toEqual({ x: expect.closeTo(107.5, 6), y: expect.closeTo(10, 6) })
  })
  it('in and out again returns the outline', () => {
    const back = offsetOutline(offsetOutline(square, [12, 5, 9, 3]), [-12, -5, -9, -3]).flat()
    expect(measureArea(back)).toBeCloseTo(10000, 3)
  })
})

it('rotateAbout turns clockwise on the page for positive angles', () => {
  expect(rotateAbout(at(1, 0), at(0, 0), Math.PI / 2).y).toBeCloseTo(1, 12)
})

describe('figures that are none, and those far out', () => {
  const p = (x: number, y: number) => ({ x, y })
  it.each([NaN, Infinity, -Infinity])('a handle at %s ends as a refusal, at once', (figure) => {
    const curve = cubic(p(0, 0), p(figure, 0), p(10, 10), p(20, 0))
    for (const ask of [() => measureLength([curve]), () => flattenPath([curve], 0.1)])
      expect(bounded('Front', () => ok(ask()))).toMatchObject({ ok: false, problem: { code: 'not-finite', where: 'Front' } })
  })
  it('a curve a thousand kilometres long is measured by its relative bound', () => {
    const big = 1e9
    const long = cubic(p(0, 0), p(0, big), p(big, big), p(big, 0))
    const one = cubic(p(0, 0), p(0, 1), p(1, 1), p(1, 0))
    expect(measureLength([long]) / big).toBeCloseTo(measureLength([one]), 9)
  })
})

describe('thinning out', () => {
  it('stays within its tolerance and keeps the ends, whatever the points', () => {
    const n = fc.double({ min: -300, max: 300, noNaN: true })
    fc.assert(
      fc.property(fc.array(fc.tuple(n, n), { minLength: 3, maxLength: 60 }), (points) => {
        const path = points.slice(1).map(([x, y], i) => line({ x: points[i]![0], y: points[i]![1] }, { x, y }))
        const thin = thinOut(path, 2)
        expect(thin.length).toBeLessThanOrEqual(path.length)
        expect([thin[0]!.from, thin.at(-1)!.to]).toEqual([path[0]!.from, path.at(-1)!.to])
        for (const s of path) expect(nearestPlace(thin, s.to).distanceMm).toBeLessThan(2.001)
      }),
    )
  })
  it('leaves curves as they are', () => {
    const curve = cubic({ x: 0, y: 0 }, { x: 0, y: 5 }, { x: 5, y: 5 }, { x: 5, y: 0 })
    expect(thinOut([curve], 1)).toEqual([curve])
  })
})

describe('joining what goes straight on', () => {
  const at = (x: number, y: number) => ({ x, y })
  const path = (...points: { x: number; y: number }[]) => points.slice(1).map((p, i) => line(points[i]!, p))
  it('makes one of parts that were cut, and keeps every corner, also the last ones of a bracket', () => {
    const bracket = path(at(10, 0), at(0, 0), at(0, 60), at(0, 99), at(0, 100), at(10, 100))
    expect(joinStraight(bracket, 0.4)).toEqual(path(at(10, 0), at(0, 0), at(0, 100), at(10, 100)))
  })
  it('stays within its tolerance, whatever the points', () => {
    const n = fc.double({ min: -300, max: 300, noNaN: true })
    fc.assert(
      fc.property(fc.array(fc.tuple(n, n), { minLength: 3, maxLength: 40 }), (points) => {
        const own = path(...points.map(([x, y]) => at(x, y)))
        const joined = joinStraight(own, 2)
        expect([joined[0]!.from, joined.at(-1)!.to]).toEqual([own[0]!.from, own.at(-1)!.to])
        for (const s of own) expect(nearestPlace(joined, s.to).distanceMm).toBeLessThan(2.001)
      }),
    )
  })
  it('leaves curves as they are', () => {
    const curve = cubic(at(0, 0), at(0, 5), at(5, 5), at(5, 0))
    expect(joinStraight([curve, line(at(5, 0), at(9, 0)), line(at(9, 0), at(20, 0))], 1)).toEqual([curve, line(at(5, 0), at(20, 0))])
  })
})

describe('points by where they lie', () => {
  it('finds what is near, nearest first, and forgets what was taken away', () => {
    const grid = new PointGrid<string>(1)
    grid.add({ x: 0.9, y: 0.9 }, 'a')
    grid.add({ x: 1.1, y: 1.1 }, 'b')
    grid.add({ x: -3, y: 0 }, 'far')
    expect(grid.near({ x: 1.05, y: 1.05 })).toEqual(['b', 'a'])
    grid.remove({ x: 1.1, y: 1.1 }, 'b')
    expect(grid.near({ x: 1.05, y: 1.05 })).toEqual(['a'])
  })
})
