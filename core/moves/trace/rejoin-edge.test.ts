import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  applyAffine,
  chain,
  cross,
  cubic,
  distance,
  IDENTITY,
  line,
  measureLength,
  placeAt,
  slideBy,
  subtract,
  turnAbout,
  turnRad,
  type Path,
} from '../../geometry'
import { meetLine, rejoinEdge } from '../index'

const DEG = 180 / Math.PI
/** A curve about 300 mm long, as an armhole or a hem is. */
const curve: Path = [cubic({ x: 0, y: 0 }, { x: 90, y: 40 }, { x: 190, y: 60 }, { x: 290, y: 20 })]
const total = measureLength(curve)

function largestTurn(path: Path): number {
  let worst = 0
  for (let at = 1; at < measureLength(path) - 1; at += 1)
    worst = Math.max(worst, Math.abs(turnRad(placeAt(path, at - 0.005).tangent, placeAt(path, at + 0.005).tangent)) * DEG)
  return worst
}

describe('an edge rejoined', () => {
  const at = fc.double({ min: 0.25, max: 0.75, noNaN: true })

  it('over an opening runs smoothly, and both its far parts keep their exact place', () => {
    fc.assert(
      fc.property(at, fc.double({ min: 2, max: 60, noNaN: true }), fc.double({ min: -0.2, max: 0.2, noNaN: true }), (share, gap, turn) => {
        const mm = total * share
        const here = placeAt(curve, mm)
        const away = { x: here.tangent.x * gap, y: here.tangent.y * gap }
        const placed = chain(turnAbout({ x: here.point.x + away.x, y: here.point.y + away.y }, turn), slideBy(away))
        const path = rejoinEdge(curve, [
          { fromMm: 0, toMm: mm, move: IDENTITY },
          { fromMm: mm, toMm: total, move: placed },
        ])!
        expect(path[0]!.from).toEqual(curve[0]!.from)
        expect(distance(path[path.length - 1]!.to, applyAffine(placed, curve[0]!.to))).toBeLessThan(1e-6)
        expect(largestTurn(path)).toBeLessThan(1)
        expect(measureLength(path)).toBeGreaterThan(total)
      }),
    )
  })
  it('at a hinge is smooth, goes through the hinge, and is as long as it was', () => {
    fc.assert(
      fc.property(at, fc.double({ min: 0.03, max: 0.3, noNaN: true }), fc.boolean(), (share, rad, back) => {
        const mm = total * share
        const hinge = placeAt(curve, mm).point
        const path = rejoinEdge(curve, [
          { fromMm: 0, toMm: mm, move: IDENTITY },
          { fromMm: mm, toMm: total, move: turnAbout(hinge, back ? -rad : rad) },
        ])!
        expect(Math.abs(measureLength(path) - total)).toBeLessThanOrEqual(0.021)
        expect(Math.min(...path.map((s) => distance(s.from, hinge)))).toBeLessThan(1e-6)
        expect(largestTurn(path)).toBeLessThan(1)
      }),
    )
  })
  it('that was straight is ruled straight again, and refused when an overlap uses it up', () => {
    const straight: Path = [line({ x: 0, y: 0 }, { x: 100, y: 0 })]
    const bits = (by: number) => [
      { fromMm: 0, toMm: 50, move: IDENTITY },
      { fromMm: 50, toMm: 100, move: slideBy({ x: by, y: 8 }) },
    ]
    expect(rejoinEdge(straight, bits(12))).toEqual([line({ x: 0, y: 0 }, { x: 112, y: 8 })])
    const bent: Path = [cubic({ x: 0, y: 0 }, { x: 30, y: 20 }, { x: 70, y: 20 }, { x: 100, y: 0 })]
    expect(rejoinEdge(bent, bits(-90))).toBeNull()
  })
  it('traced in two turns runs half way between their ends', () => {
    const mm = total / 2
    const here = placeAt(curve, mm).point
    const path = rejoinEdge(
      curve,
      [
        { fromMm: 0, toMm: mm, move: IDENTITY },
        { fromMm: mm, toMm: total, move: slideBy({ x: 0, y: 2 }) },
      ],
      false,
    )!
    const middle = { x: here.x, y: here.y + 1 }
    expect(Math.min(...path.map((s) => distance(s.from, middle)))).toBeLessThan(1e-6)
    expect(largestTurn(path)).toBeLessThan(1)
  })
})

describe('meeting a line', () => {
  it('cuts off what runs beyond it, or draws the end on to it, and leaves the rest alone', () => {
    fc.assert(
      fc.property(fc.double({ min: 150, max: 420, noNaN: true }), fc.double({ min: -0.4, max: 0.4, noNaN: true }), (x, lean) => {
        const along = { x: Math.sin(lean), y: Math.cos(lean) }
        const met = meetLine(curve, false, { x, y: 0 }, along)!
        const end = met[met.length - 1]!.to
        expect(Math.abs(cross(along, subtract(end, { x, y: 0 })))).toBeLessThan(1e-6)
        expect(met[0]!.from).toEqual(curve[0]!.from)
        const shared = Math.min(measureLength(met), total) / 2
        expect(distance(placeAt(met, shared).point, placeAt(curve, shared).point)).toBeLessThan(1e-6)
      }),
    )
  })
  it('says when the end never gets there', () => {
    expect(meetLine([line({ x: 0, y: 0 }, { x: 100, y: 0 })], false, { x: 0, y: 30 }, { x: 1, y: 0 })).toBeNull()
    expect(meetLine([line({ x: 0, y: 0 }, { x: 100, y: 0 })], true, { x: 200, y: 0 }, { x: 0, y: 1 })).toBeNull()
  })
})
