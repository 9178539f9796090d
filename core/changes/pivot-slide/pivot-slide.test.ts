import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftQuayDress } from '../../../demo/quay-dress'
import { measureLength, nearestPlace, placeAt, subtract, turnRad } from '../../geometry'

import { cornersOf, edgePath, findPiece, shapeOf, type Garment, sideLength } from '../../pattern'
import { garmentOf, polygonPiece } from '../../pattern/test-pieces'
import { finishedMm, findZones } from '../../measure'
import { piecesFor } from './apply'
import { pivotSlide, type PivotMove, type PivotSlideInputs } from './index'
import { contextWith } from '../test-context'

const context = contextWith()
const blouse = draftBlouse()
const dress = draftQuayDress()
function apply(garment: Garment, over: Partial<PivotSlideInputs>): Garment {
  const result = pivotSlide.apply(
    garment,
    { sequence: 'waist', amountMm: 0, leftOut: [], pieceId: garment.pieces[0]!.id, moves: [], ...over },
    context,
  )
  if (!result.ok) throw new Error(`${result.problem.where}: ${result.problem.message}`)
  expect(
    result.value.held
      .filter((h) => !h.held)
      .map((h) => `${h.where} ${h.label} ${h.before} ${h.after}`)
      .join(),
  ).toBe('')
  return result.value.garment
}
const mm = (g: Garment, pieceId: string, edgeId: string) => measureLength(edgePath(shapeOf(findPiece(g, pieceId)!, 'one'), edgeId))

/** Worked cases, the front, its waist edge straight. */
const front = garmentOf([
  polygonPiece(
    'front',
    'front',
    [
      { x: 0, y: 90 },
      { x: 78, y: 0 },
      { x: 192, y: 38 },
      { x: 232, y: 232 },
      { x: 205, y: 415 },
      { x: 0, y: 415 },
    ],
    ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-front'],
    { fold: 5 },
  ),
])

describe('ready-made sequences', () => {
  it('worked case 10: the waist out by 15 about the underarm', () => {
    const after = apply(front, { sequence: 'waist', amountMm: 15 })
    const waist = edgePath(shapeOf(after.pieces[0]!, 'one'), 'e4')[0]!.from
    expect([waist.x, waist.y]).toEqual([expect.closeTo(220, 6), expect.closeTo(416.591, 3)])
    expect(mm(after, 'front', 'e3')).toBeCloseTo(184.981, 3)
    expect(mm(after, 'front', 'e3')).toBeCloseTo(mm(front, 'front', 'e3'), 6)
  })
  it('the waist of a garment in two parts grows by its four edges, and bodice and skirt still meet', () => {
    const seam = dress.seams.find(
      (s) => s.sides.flat().some((r) => r.pieceId === 'skirt-front') && s.sides.flat().some((r) => r.pieceId === 'bodice-front'),
    )!
    const off = (g: Garment) => sideLength(g, seam, 0, 'one') - sideLength(g, seam, 1, 'one')
    const after = apply(dress, { sequence: 'waist', amountMm: 8 })
    expect(off(after)).toBeCloseTo(off(dress), 0)
    const zone = findZones(dress).find((z) => z.id === 'waist')!
    expect(finishedMm(after, zone, 'one') - finishedMm(dress, zone, 'one')).toBeGreaterThan(4 * 8 - 2)
  })
  it.each(['front', 'back'])('bust: the %s keeps armhole and side to 0.01 mm, the lower end stays across', (id) => {
    const after = apply(blouse, { sequence: 'bust', amountMm: 9 })
    expect(mm(after, id, 'armhole')).toBeCloseTo(mm(blouse, id, 'armhole'), 2)
    for (const edge of findPiece(blouse, id)!.edges.filter((e) => e.role === 'side'))
      expect(mm(after, id, edge.id)).toBeCloseTo(mm(blouse, id, edge.id), 2)
    const lowest = (g: Garment) => {
      const hem = edgePath(shapeOf(findPiece(g, id)!, 'one'), 'hem')
      return Math.max(hem[0]!.from.x, hem[hem.length - 1]!.to.x)
    }
    expect(lowest(after)).toBeCloseTo(lowest(blouse), 6)
  })
  it('slope: armhole, shoulder and neck keep their lengths however the tip goes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -18, max: 18 }).filter((a) => a !== 0),
        (amountMm) => {
          const after = apply(blouse, { sequence: 'slope', amountMm })
          for (const p of piecesFor(blouse, 'slope', 'one'))
            for (const edge of p.edges.filter((e) => ['armhole', 'shoulder', 'neck'].includes(e.role)))
              expect(Math.abs(mm(after, p.id, edge.id) - mm(blouse, p.id, edge.id)), edge.name).toBeLessThan(0.001)
        },
      ),
      { numRuns: 20 },
    )
  })
  it('goes back to where it was, corner by corner, when it is undone by the opposite amount', () => {
    for (const sequence of ['wider', 'longer'] as const) {
      const there = apply(blouse, { sequence, amountMm: 11 })
      const back = apply(there, { sequence, amountMm: -11 })
      for (const p of blouse.pieces)
        for (const e of p.edges) {
          const [a, b] = [edgePath(shapeOf(p, 'one'), e.id)[0]!.from, edgePath(shapeOf(findPiece(back, p.id)!, 'one'), e.id)[0]!.from]
          expect(Math.hypot(a.x - b.x, a.y - b.y), `${p.id} ${e.id}`).toBeLessThan(0.01)
        }
    }
  })
  it('offers only what a garment has edges for, and leaves sleeves and bands alone', () => {
    expect(piecesFor(dress, 'bust', 'one').map((p) => p.id)).toEqual(['bodice-front', 'bodice-back'])
    expect(piecesFor(dress, 'hip', 'one').map((p) => p.id)).toEqual(['skirt-front', 'skirt-back'])
    expect(piecesFor(garmentOf([]), 'waist', 'one')).toEqual([])
  })
})

describe('a free list', () => {
  const piece = front.pieces[0]!
  const corner = (edgeId: string) => cornersOf(piece, edgeId)
  const pivot: PivotMove = {
    id: 'm1',
    how: 'pivot',
    pinId: corner('e3').start.id,
    targetId: corner('e3').end.id,
    direction: 'across',
    byMm: 15,
    edgeIds: ['e3'],
  }
  it('does what the ready-made sequence does', () => {
    const free = apply(front, { sequence: 'free', pieceId: 'front', moves: [pivot] })
    const made = apply(front, { sequence: 'waist', amountMm: 15 })
    // The armhole beside the side seam is joined anew: its end did not move.
    expect(edgePath(shapeOf(free.pieces[0]!, 'one'), 'e4')[0]!.from).toEqual(edgePath(shapeOf(made.pieces[0]!, 'one'), 'e4')[0]!.from)
    expect(mm(free, 'front', 'e2')).toBeCloseTo(mm(front, 'front', 'e2'), 6)
  })
  it('turns about a notch just as about a corner', () => {
    const notched = garmentOf([
      {
        ...piece,
        notches: [{ id: 'n', name: 'side', edgeId: 'e3' }],
        shapes: { one: { ...shapeOf(piece, 'one'), notches: { n: { from: 'start', distanceMm: 60 } } } },
      },
    ])
    const about = { ...pivot, pinId: 'notch:n', edgeIds: ['e4'] }
    const after = apply(notched, { sequence: 'free', pieceId: 'front', moves: [about] })
    const waist = edgePath(shapeOf(after.pieces[0]!, 'one'), 'e4')
    // The edge that is traced comes to lie where it was turned to, as long as it was.
    expect(waist[0]!.from.x).toBeCloseTo(220, 6)
    expect(mm(after, 'front', 'e4')).toBeCloseTo(mm(front, 'front', 'e4'), 6)
  })
  it('turns about a place along an edge, and until a place is in line with another', () => {
    const side = edgePath(shapeOf(piece, 'one'), 'e3')
    const halfWay = measureLength(side) / 2
    const about: PivotMove = { ...pivot, pinId: 'edge:e3', pinMm: halfWay, direction: 'place', towardId: corner('e4').end.id }
    const after = apply(front, { sequence: 'free', pieceId: 'front', moves: [about] })
    const turned = edgePath(shapeOf(after.pieces[0]!, 'one'), 'e3')
    const pin = placeAt(side, halfWay).point
    // The pin stays, the length is kept, and the lower end looks from the pin to the lower end of the centre.
    expect(nearestPlace(turned, pin).distanceMm).toBeLessThan(1e-6)
    expect(measureLength(turned)).toBeCloseTo(measureLength(side), 6)
    const place = edgePath(shapeOf(piece, 'one'), 'e4')
    const [arm, sight] = [subtract(turned[turned.length - 1]!.to, pin), subtract(place[place.length - 1]!.to, pin)]
    expect(turnRad(arm, sight)).toBeCloseTo(0, 9)
    const beside = pivotSlide.apply(
      front,
      { sequence: 'free', amountMm: 0, leftOut: [], pieceId: 'front', moves: [{ ...about, pinMm: 5000 }] },
      context,
    )
    expect(!beside.ok && beside.problem.code).toBe('no-turn')
  })
  it('slides edges by a vector, and refuses a corner that has gone or two runs that part', () => {
    const slide: PivotMove = { id: 'm2', how: 'slide', acrossMm: 10, alongMm: 4, edgeIds: ['e3'] }
    const after = apply(front, { sequence: 'free', pieceId: 'front', moves: [slide] })
    const side = edgePath(shapeOf(after.pieces[0]!, 'one'), 'e3')
    expect([side[0]!.from.x, side[0]!.from.y]).toEqual([expect.closeTo(242, 9), expect.closeTo(236, 9)])
    const refusal = (moves: PivotMove[]) => {
      const result = pivotSlide.apply(front, { sequence: 'free', amountMm: 0, leftOut: [], pieceId: 'front', moves }, context)
      return result.ok ? 'applied' : result.problem.code
    }
    expect(refusal([{ ...pivot, pinId: 'gone' }])).toBe('no-turn')
    expect(refusal([{ ...pivot, byMm: 900 }])).toBe('no-turn')
    expect(refusal([pivot, { ...slide, edgeIds: ['e4'] }])).toBe('runs-part')
  })
})
