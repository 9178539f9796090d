import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyAffine, distance, measureLength, slideBy, turnAbout, turnRad, type Point } from '../../geometry'
import { edgePath, shapeOf } from '../../pattern'
import { polygonPiece } from '../../pattern/test-pieces'
import { angleOfGap, cutPiece, gapOfAngle, moveParts, pivotAngle, swingParts, traceAndMove } from '../index'

const DEG = 180 / Math.PI
/** Worked cases, the front: fold, neck, shoulder, armhole (two straight stretches), side, waist. */
const front = polygonPiece(
  'front',
  'front',
  [
    { x: 0, y: 90 },
    { x: 78, y: 0 },
    { x: 192, y: 38 },
    { x: 200, y: 158 },
    { x: 232, y: 232 },
    { x: 205, y: 415 },
    { x: 0, y: 415 },
  ],
  ['neck', 'shoulder', 'armhole', 'armhole', 'side', 'waist', 'centre-front'],
  { fold: 6 },
)
const shape = shapeOf(front, 'one')
const from = (edgeId: string) => edgePath(shape, edgeId)[0]!.from

describe('cut and swing', () => {
  const shoulder = measureLength(edgePath(shape, 'e1'))
  const cut = cutPiece(front, shape, [{ from: { edgeId: 'e1', atMm: shoulder / 2 }, through: [], to: { edgeId: 'e3', atMm: 0 } }])
  if (!cut.ok) throw new Error(cut.problem.message)
  const [slash] = cut.value.slashes

  it('parts the piece into the two sides of the slash, whose edges make up the outline', () => {
    expect(cut.value.parts).toHaveLength(2)
    const all = cut.value.parts.flatMap((p) => p.bits).reduce((sum, b) => sum + b.toMm - b.fromMm, 0)
    expect(all).toBeCloseTo(
      front.edges.reduce((s, e) => s + measureLength(edgePath(shape, e.id)), 0),
      6,
    )
    expect(cut.value.parts[slash!.left]!.bits.map((b) => b.edgeId).sort()).toEqual(['e1', 'e2'])
  })

  it.each([
    ['worked case 5: broad', 12, 6.025, 16.127, { x: 204.639, y: 37.823 }],
    ['worked case 6: narrow', -9, null, null, null],
  ])('%s shoulder', (_, growMm, swingDeg, gapMm, tip) => {
    const neck = from('e1')
    const end = from('e2')
    const hinge = from('e3')
    const [a, b] = [distance(neck, hinge), distance(end, hinge)]
    const angle = (mm: number) => Math.acos((a * a + b * b - mm * mm) / (2 * a * b))
    const rad = angle(shoulder + growMm) - angle(shoulder)
    const moves = swingParts(cut.value, slash!.right, [{ hinge, openRad: rad }])
    const done = moveParts(front, shape, cut.value, moves)
    if (!done.ok) throw new Error(done.problem.message)
    expect(measureLength(done.value.edges.e1!)).toBeCloseTo(shoulder + growMm, 6)
    expect(measureLength(done.value.edges.e2!) + measureLength(done.value.edges.e3!)).toBeCloseTo(
      measureLength(edgePath(shape, 'e2')) + measureLength(edgePath(shape, 'e3')),
      9,
    )
    const gap = gapOfAngle(rad, distance(slash!.from, hinge))
    expect(angleOfGap(gap, distance(slash!.from, hinge))).toBeCloseTo(rad, 12)
    if (swingDeg !== null) expect(rad * DEG).toBeCloseTo(swingDeg, 3)
    if (gapMm !== null) expect(gap).toBeCloseTo(gapMm, 3)
    if (tip) {
      const now = done.value.edges.e2![0]!.from
      expect(now.x).toBeCloseTo(tip.x, 3)
      expect(now.y).toBeCloseTo(tip.y, 3)
    } else expect(measureLength(done.value.edges.e1!)).toBeCloseTo(111.167, 3)
    for (const id of ['e4', 'e5', 'e6', 'e0']) expect(done.value.edges[id]).toEqual(shape.edges[id])
  })
})

describe('worked case 9', () => {
  it('a wedge at centre back swings about the side seam', () => {
    const back = polygonPiece(
      'back',
      'back',
      [
        { x: 0, y: 20 },
        { x: 80, y: 0 },
        { x: 225, y: 200 },
        { x: 225, y: 430 },
        { x: 0, y: 430 },
      ],
      ['neck', 'shoulder', 'side', 'waist', 'centre-back'],
    )
    const own = shapeOf(back, 'one')
    const cut = cutPiece(back, own, [{ from: { edgeId: 'e4', atMm: 130 }, through: [], to: { edgeId: 'e2', atMm: 100 } }])
    if (!cut.ok) throw new Error(cut.problem.message)
    const [slash] = cut.value.slashes
    const hinge = { x: 225, y: 300 }
    const rad = angleOfGap(-22, 225)
    expect(Math.abs(rad) * DEG).toBeCloseTo(5.604, 3)
    const upper = cut.value.parts.findIndex((p) => p.bits.some((b) => b.edgeId === 'e0'))
    const moves = swingParts(cut.value, upper, [{ hinge, openRad: rad }])
    const lower = moves[slash!.left === upper ? slash!.right : slash!.left]!
    const waist = applyAffine(lower, { x: 0, y: 430 })
    expect(waist.x).toBeCloseTo(-11.62, 3)
    expect(waist.y).toBeCloseTo(407.405, 3)
    const done = moveParts(back, own, cut.value, moves)
    if (!done.ok) throw new Error(done.problem.message)
    // The side seam was straight and bends at the hinge: rounded, and as long as it was.
    expect(Math.abs(measureLength(done.value.edges.e2!) - 230)).toBeLessThan(0.05)
  })
})

describe('worked case 10', () => {
  it('a waist pivoted out about the underarm keeps the length of the side', () => {
    const pin = { x: 232, y: 232 }
    const waist = { x: 205, y: 415 }
    const rad = pivotAngle(pin, waist, { x: 1, y: 0 }, 15)!
    expect(Math.abs(rad) * DEG).toBeCloseTo(4.673, 3)
    const done = traceAndMove(front, shape, [
      { bits: ['e6', 'e0', 'e1', 'e2', 'e3'].map((edgeId) => ({ edgeId })), move: slideBy({ x: 0, y: 0 }) },
      { bits: [{ edgeId: 'e4' }], move: turnAbout(pin, rad) },
    ])
    if (!done.ok) throw new Error(done.problem.message)
    const end = done.value.edges.e5![0]!.from
    expect(end.x).toBeCloseTo(220, 6)
    expect(end.y).toBeCloseTo(416.591, 3)
    expect(measureLength(done.value.edges.e4!)).toBeCloseTo(184.981, 3)
    expect(done.value.edges.e5!).toHaveLength(1)
  })
  it('takes the smaller turn, and none where no turn gets there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -19, max: 19, noNaN: true }),
        (r, at, by) => {
          const target: Point = { x: r * Math.cos(at), y: r * Math.sin(at) }
          const rad = pivotAngle({ x: 0, y: 0 }, target, { x: 0, y: 1 }, by)
          if (rad === null) return expect(Math.abs(target.y + by)).toBeGreaterThan(r)
          const there = applyAffine(turnAbout({ x: 0, y: 0 }, rad), target)
          expect(there.y - target.y).toBeCloseTo(by, 6)
          // The other turn that gets there lands on the other side of the direction through the pin.
          const other = turnRad(target, { x: -there.x, y: there.y })
          expect(Math.abs(rad)).toBeLessThanOrEqual(Math.abs(other) + 1e-9)
        },
      ),
    )
  })
})

describe('refusals name the slash', () => {
  const slashed = (...slashes: Parameters<typeof cutPiece>[2]) => {
    const cut = cutPiece(front, shape, slashes)
    return cut.ok ? 'cut' : cut.problem.code
  }
  const mid = (edgeId: string) => ({ edgeId, atMm: measureLength(edgePath(shape, edgeId)) / 2 })
  it.each([
    ['an edge that has gone', 'reference-gone', [{ from: { edgeId: 'x', atMm: 1 }, through: [], to: mid('e4') }]],
    ['a place beside the edge', 'slash-beside-edge', [{ from: { edgeId: 'e1', atMm: 900 }, through: [], to: mid('e4') }]],
    ['a slash that leaves the piece', 'slash-leaves-piece', [{ from: mid('e0'), through: [{ x: -50, y: 200 }], to: mid('e5') }]],
    ['a slash that ends alone inside', 'slash-parts-nothing', [{ from: mid('e1'), through: [], to: { point: { x: 95, y: 268 } } }]],
    [
      'two that cross',
      'slashes-cross',
      [
        { from: mid('e6'), through: [], to: mid('e4') },
        { from: mid('e1'), through: [], to: mid('e5') },
      ],
    ],
  ])('%s', (_, code, slashes) => {
    expect(slashed(...slashes)).toBe(code)
  })
  it('cuts into a corner, along no edge, and three slashes that meet in one point', () => {
    expect(slashed({ from: { edgeId: 'e1', atMm: 0 }, through: [], to: mid('e4') })).toBe('cut')
    expect(slashed({ from: { edgeId: 'e4', atMm: 0 }, through: [], to: { edgeId: 'e5', atMm: 0 } })).toBe('slash-leaves-piece')
    const apex = { point: { x: 95, y: 268 } }
    const cut = cutPiece(front, shape, [
      { from: mid('e3'), through: [], to: apex },
      { from: mid('e4'), through: [], to: apex },
      { from: mid('e5'), through: [], to: apex },
    ])
    expect(cut.ok && cut.value.parts.length).toBe(3)
  })
})
