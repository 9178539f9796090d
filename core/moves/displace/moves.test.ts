import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import {
  cubic,
  distance,
  line,
  measureLength,
  nearestPlace,
  placeAt,
  tangentAt,
  turnRad,
  type Path,
  type Point,
  crossLevel,
  crossPoints,
} from '../../geometry'
import { findPiece, shapeOf, markPosition, placeOnSide, sideLength, walkAcross } from '../../pattern'
import { garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { agreeWindows, crossingsOf, easeIn, moveBeyond, movedAt, redrawAcross, redrawMoved, spreadLevels } from '../index'

const DOWN: Point = { x: 0, y: 1 }
const at = (x: number, y: number): Point => ({ x, y })

/** A smooth side-seam-like curve from top to bottom with a waist of any depth. */
const sideCurve = fc
  .record({ waist: fc.integer({ min: -40, max: 40 }), hem: fc.integer({ min: -60, max: 60 }), height: fc.integer({ min: 300, max: 700 }) })
  .map(({ waist, hem, height }): Path => {
    const middle = at(200 + waist, height * 0.45)
    return [
      cubic(at(200, 0), at(200 + waist * 0.3, height * 0.15), at(middle.x, height * 0.3), middle),
      cubic(middle, at(middle.x, height * 0.6), at(200 + hem * 0.8, height * 0.85), at(200 + hem, height)),
    ]
  })

describe('crossing a level', () => {
  it('gives every crossing with its direction, and nothing for touching', () => {
    const zigzag: Path = [line(at(0, 0), at(10, 100)), line(at(10, 100), at(20, 0)), line(at(20, 0), at(30, 100))]
    expect(crossLevel(zigzag, DOWN, 50).map((c) => c.direction)).toEqual([1, -1, 1])
    expect(crossLevel(zigzag, DOWN, 50)[0]!.atMm).toBeCloseTo(Math.hypot(5, 50), 9)
    expect(crossLevel(zigzag, DOWN, 100)).toEqual([])
    expect(crossLevel([line(at(0, 50), at(90, 50))], DOWN, 50)).toEqual([])
  })
  it('lies on the level and on the path, an even number of times for a closed outline', () => {
    const front = draftBlouse().pieces[0]!
    const outline = front.edges.flatMap((e) => [...shapeOf(front, 'one').edges[e.id]!])
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 640 }), (y) => {
        const points = crossPoints(outline, DOWN, y)
        return points.length % 2 === 0 && points.every((p) => Math.abs(p.y - y) < 1e-5 && nearestPlace(outline, p).distanceMm < 1e-5)
      }),
      { numRuns: 50 },
    )
  })
  it('finds a curve that dips over a level and comes back', () => {
    const dip: Path = [cubic(at(0, 0), at(0, 80), at(100, 80), at(100, 0))]
    expect(crossLevel(dip, DOWN, 40).map((c) => c.direction)).toEqual([1, -1])
    expect(crossLevel(dip, DOWN, 59.9)).toHaveLength(2)
    expect(crossLevel(dip, DOWN, 60.1)).toHaveLength(0)
  })
})

describe('redrawing across a level', () => {
  const amount = fc.integer({ min: -40, max: 80 }).filter((a) => a !== 0)
  it('keeps widths: every point moves along the grain only, and between nothing and the whole', () => {
    fc.assert(
      fc.property(sideCurve, amount, (curve, mm) => {
        const crossings = crossingsOf(curve, DOWN, [{ id: 'l', atMm: 160, amountMm: mm }])
        const after = redrawAcross(curve, DOWN, 0, crossings)
        const total = measureLength(after)
        // Where the new curve has an x, the old one has it too, no further away along the grain than the amount.
        return Array.from({ length: 41 }, (_, i) => placeAt(after, (total * i) / 40).point).every((p) => {
          const near = [0, mm / 4, mm / 2, (3 * mm) / 4, mm].map((d) => nearestPlace(curve, at(p.x, p.y - d)).distanceMm)
          return Math.min(...near) < Math.abs(mm) / 8 + 0.05
        })
      }),
      { numRuns: 60 },
    )
  })
  it('moves its end by exactly the amount, keeps both end directions and turns nowhere', () => {
    fc.assert(
      fc.property(sideCurve, amount, fc.integer({ min: 60, max: 240 }), (curve, mm, level) => {
        const after = redrawAcross(curve, DOWN, 0, crossingsOf(curve, DOWN, [{ id: 'l', atMm: level, amountMm: mm }]))
        const [first, last] = [after[0]!, after[after.length - 1]!]
        const wasLast = curve[curve.length - 1]!
        const smooth = after.every(
          (s, i) => i === 0 || Math.abs(turnRad(tangentAt(after[i - 1]!, 1), tangentAt(s, 0))) < (1 * Math.PI) / 180,
        )
        return (
          smooth &&
          distance(first.from, curve[0]!.from) < 1e-9 &&
          distance(last.to, at(wasLast.to.x, wasLast.to.y + mm)) < 1e-6 &&
          Math.abs(turnRad(tangentAt(last, 1), tangentAt(wasLast, 1))) < 1e-4
        )
      }),
      { numRuns: 100 },
    )
  })
  it('never runs back on itself when shortened', () => {
    fc.assert(
      fc.property(sideCurve, fc.integer({ min: 5, max: 50 }), (curve, mm) => {
        const after = redrawAcross(curve, DOWN, 0, crossingsOf(curve, DOWN, [{ id: 'l', atMm: 150, amountMm: -mm }]))
        const total = measureLength(after)
        const ys = Array.from({ length: 80 }, (_, i) => placeAt(after, (total * i) / 79).point.y)
        return ys.every((y, i) => i === 0 || y > ys[i - 1]! - 0.05)
      }),
      { numRuns: 60 },
    )
  })
  it('leaves the curve outside its window untouched, to the last digit above the level', () => {
    const curve: Path = [cubic(at(200, 0), at(190, 200), at(180, 300), at(210, 700))]
    const [crossing] = crossingsOf(curve, DOWN, [{ id: 'l', atMm: 500, amountMm: 20 }])
    expect(crossing!.beforeMm).toBeGreaterThanOrEqual(25)
    const after = redrawAcross(curve, DOWN, 0, [crossing!])
    const keptMm = crossing!.atMm - crossing!.beforeMm
    for (const mm of [0, keptMm / 3, keptMm / 2, keptMm - 1])
      expect(distance(placeAt(after, mm).point, placeAt(curve, mm).point)).toBeLessThan(1e-5)
  })
  it('redraws what was one straight line as one straight line', () => {
    const parts: Path = [line(at(0, 0), at(30, 100)), cubic(at(30, 100), at(40, 400 / 3), at(50, 500 / 3), at(60, 200))]
    const after = redrawAcross(parts, DOWN, 0, crossingsOf(parts, DOWN, [{ id: 'l', atMm: 90, amountMm: 15 }]))
    expect(after).toEqual([line(at(0, 0), at(60, 215))])
  })
  it('keeps a turn that was inside an edge', () => {
    const bent: Path = [cubic(at(0, 0), at(10, 30), at(10, 60), at(0, 90)), cubic(at(0, 90), at(20, 110), at(30, 150), at(20, 300))]
    const was = Math.abs(turnRad(tangentAt(bent[0]!, 1), tangentAt(bent[1]!, 0)))
    const after = redrawMoved(bent, DOWN, (mm) => 10 * easeIn(mm / measureLength(bent)))
    const turns = after.slice(1).map((s, i) => Math.abs(turnRad(tangentAt(after[i]!, 1), tangentAt(s, 0))))
    expect(Math.max(...turns)).toBeGreaterThan(was * 0.8)
    expect(turns.filter((t) => t > 0.02)).toHaveLength(1)
  })
  it('takes several levels on one curve one after the other', () => {
    const curve: Path = [cubic(at(200, 0), at(190, 200), at(180, 400), at(210, 700))]
    const levels = [
      { id: 'a', atMm: 200, amountMm: 12 },
      { id: 'b', atMm: 260, amountMm: 9 },
      { id: 'c', atMm: 500, amountMm: -6 },
    ]
    const after = redrawAcross(curve, DOWN, 0, crossingsOf(curve, DOWN, levels))
    expect(after[after.length - 1]!.to.y).toBeCloseTo(715, 6)
    expect([movedAt(levels, 100), movedAt(levels, 200), movedAt(levels, 230), movedAt(levels, 400), movedAt(levels, 600)]).toEqual([
      0, 0, 12, 21, 15,
    ])
  })
})

describe('walking a seam', () => {
  const garment = draftBlouse()
  const armhole = garment.seams.find((s) => s.id === 'armhole')!
  const side = garment.seams.find((s) => s.id === 'side')!
  it('finds each mark on both sides, over several pieces', () => {
    expect(markPosition(garment, armhole, 0, armhole.marks[0]![0], 'one')).toBeCloseTo(96, 9)
    expect(markPosition(garment, armhole, 1, armhole.marks[0]![1], 'one')).toBeCloseTo(96, 9)
    // The shoulder lies where the back's armhole ends and the front's begins.
    const back = measureLength(shapeOf(findPiece(garment, 'back')!, 'one').edges.armhole!)
    expect(markPosition(garment, armhole, 1, armhole.marks[1]![1], 'one')).toBeCloseTo(back, 6)
    expect(markPosition(garment, armhole, 0, { pieceId: 'front', notchId: 'waist' }, 'one')).toBeUndefined()
  })
  it('measures from the nearest shared point', () => {
    // 30 past the front notch of the cap is 30 past the front notch of the armhole, whatever the ease between.
    const cap = markPosition(garment, armhole, 0, armhole.marks[2]![0], 'one')!
    const hole = markPosition(garment, armhole, 1, armhole.marks[2]![1], 'one')!
    expect(walkAcross(garment, armhole, 0, cap + 30, 'one')).toBeCloseTo(hole + 30, 6)
    expect(walkAcross(garment, armhole, 0, 10, 'one')).toBeCloseTo(10, 9)
    expect(walkAcross(garment, armhole, 1, sideLength(garment, armhole, 1, 'one'), 'one')).toBeCloseTo(
      sideLength(garment, armhole, 0, 'one'),
      6,
    )
  })
  it('finds the edge at a position of a side, past a dart', () => {
    const upper = measureLength(shapeOf(findPiece(garment, 'front')!, 'one').edges['side-upper']!)
    expect(placeOnSide(garment, side, 0, upper + 20, 'one')).toEqual({
      pieceId: 'front',
      edgeId: 'side-lower',
      atMm: expect.closeTo(20, 6),
    })
    expect(placeOnSide(garment, side, 0, 1e6, 'one').edgeId).toBe('side-lower')
    expect(placeOnSide(garment, armhole, 1, 0, 'one')).toMatchObject({ pieceId: 'back', edgeId: 'armhole' })
  })
})

describe('carrying levels to partners', () => {
  const chain = ['a', 'b', 'c'].map((id) =>
    polygonPiece(id, 'other', [at(0, 0), at(100, 0), at(100, 400), at(0, 400)], ['neck', 'panel', 'hem', 'panel']),
  )
  const garment = garmentOf(chain, [
    seamOf('ab', ['a', 'e1', false], ['b', 'e3', true]),
    seamOf('bc', ['b', 'e1', false], ['c', 'e3', true]),
  ])
  const level = [{ id: 'l', atMm: 150, amountMm: 10 }]
  it('goes on from piece to piece', () => {
    const spread = spreadLevels(garment, 'one', 'a', level, [])
    expect([...spread.levels.keys()]).toEqual(['a', 'b', 'c'])
    for (const levels of spread.levels.values()) expect(levels[0]!.atMm).toBeCloseTo(150, 6)
  })
  it('stops at a piece that was left out, and names it with its seam', () => {
    const spread = spreadLevels(garment, 'one', 'a', level, ['b'])
    expect([...spread.levels.keys()]).toEqual(['a'])
    expect(spread.leftOut.get('b')).toEqual({ seamId: 'ab', seamName: 'ab', fromPieceId: 'a' })
  })
  it('gives both partners of a seam windows of equal length along it', () => {
    const trousers = draftTrousers(TAPERED)
    const spread = spreadLevels(trousers, 'one', 'front', [{ id: 'l', atMm: 430, amountMm: 30 }], [])
    const crossings = agreeWindows(trousers, 'one', spread.levels)
    const front = crossings.get('front')!.get('outseam')![0]!
    const back = crossings.get('back')!.get('outseam')![0]!
    // The back walks its outseam the other way: what lies before on one lies after on the other.
    expect(front.beforeMm).toBeCloseTo(back.afterMm, 9)
    expect(front.afterMm).toBeCloseTo(back.beforeMm, 9)
  })
})

describe('moving a piece beyond its levels', () => {
  it('takes inner lines, points, grain and notches along with the paper they lie on', () => {
    const piece = polygonPiece('p', 'front', [at(0, 0), at(100, 0), at(100, 400), at(0, 400)], ['neck', 'side', 'hem', 'centre-front'])
    const shape = {
      ...piece.shapes.one!,
      notches: { top: { from: 'end' as const, distanceMm: 350 }, low: { from: 'start' as const, distanceMm: 300 } },
      lines: {
        across: [line(at(10, 300), at(90, 300))],
        upright: [line(at(50, 100), at(50, 300))],
        on: [line(at(0, 200.4), at(90, 200.4))],
      },
      points: { above: at(20, 100), below: at(20, 350) },
    }
    const notched = {
      ...piece,
      notches: [
        { id: 'top', name: 'top', edgeId: 'e1' },
        { id: 'low', name: 'low', edgeId: 'e1' },
      ],
      lines: Object.keys(shape.lines).map((id) => ({ id, name: id, role: 'other' as const })),
    }
    const levels = [{ id: 'l', atMm: 200, amountMm: 40 }]
    const crossings = new Map(piece.edges.map((e) => [e.id, crossingsOf(shape.edges[e.id]!, DOWN, levels)]))
    const after = moveBeyond(notched, shape, levels, crossings)
    expect(after.lines.across).toEqual([line(at(10, 340), at(90, 340))])
    expect(after.lines.upright).toEqual([line(at(50, 100), at(50, 340))])
    // A printed line that the level was walked to stays on it.
    expect(after.lines.on).toEqual(shape.lines.on)
    expect(after.points).toEqual({ above: at(20, 100), below: at(20, 390) })
    expect(after.notches).toEqual({ top: { from: 'start', distanceMm: 50 }, low: { from: 'end', distanceMm: 100 } })
    expect(after.grain.to.y - shape.grain.to.y).toBe(40)
    expect(after.grain.from).toEqual(shape.grain.from)
  })
})
