import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftTrousers, FLARED, TAPERED } from '../../demo/trousers'
import { cubic, line } from '../geometry'
import { dartFigures, findPiece, shapeOf } from '../pattern'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import { compareMeasures, finishedLength, lineLevel, measureGarment, narrowestPlace, onwardThroughDarts, widthAt, NO_ZONING } from './index'

const at = (x: number, y: number) => ({ x, y })

/** A half front with a waist: 120 wide at the top, 90 at y = 200, 130 at the hem. */
function waisted() {
  const piece = polygonPiece('front', 'front', [at(0, 0), at(120, 0), at(130, 400), at(0, 400)], ['neck', 'side', 'hem', 'centre-front'], {
    fold: 3,
  })
  piece.shapes.one!.edges.e1 = [
    cubic(at(120, 0), at(110, 60), at(90, 130), at(90, 200)),
    cubic(at(90, 200), at(90, 270), at(120, 340), at(130, 400)),
  ]
  piece.lines.push({ id: 'w', name: 'waist line', role: 'waist' })
  piece.shapes.one!.lines.w = [line(at(10, 200), at(80, 200))]
  return piece
}

describe('widths', () => {
  it('are measured across the grain on the seam lines', () => {
    const piece = waisted()
    expect(widthAt(piece, piece.shapes.one!, 200)).toBeCloseTo(90, 6)
    expect(widthAt(piece, piece.shapes.one!, 500)).toBe(0)
  })
  it('leave a dart out that the line crosses', () => {
    const garment = draftTrousers(TAPERED)
    const back = findPiece(garment, 'back')!
    const shape = shapeOf(back, 'one')
    const dart = back.darts[0]!
    const tipY = shape.edges[dart.legs[0]]![0]!.to.y
    const inDart = widthAt(back, shape, tipY - 60)
    const closed = widthAt(back, shape, tipY + 1)
    // 60 above the tip the dart is a good half of its 22 mm open.
    expect(closed - inDart).toBeGreaterThan(8)
  })
  it('follow a line that runs into a side dart beyond it, as sewn', () => {
    // A half front 200 wide; legs from (200, 130) and (200, 170) to the tip (100, 150).
    const piece = polygonPiece(
      'front',
      'front',
      [at(0, 0), at(200, 0), at(200, 130), at(100, 150), at(200, 170), at(200, 300), at(0, 300)],
      ['neck', 'side', 'dart-leg', 'dart-leg', 'side', 'hem', 'centre-front'],
      { fold: 6 },
    )
    piece.darts.push({ id: 'd', name: 'dart', legs: ['e2', 'e3'], pressTo: 'after' })
    const shape = piece.shapes.one!
    // At 140 it meets the upper leg half way, and goes on from the middle of the lower one, turned by the dart's angle.
    const angle = 2 * Math.atan(20 / 100)
    expect(widthAt(piece, shape, 140)).toBeCloseTo(150 + 50 / Math.cos(angle), 6)
    expect(widthAt(piece, shape, 160)).toBeCloseTo(150 + 50 / Math.cos(angle), 6)
    expect(onwardThroughDarts(piece, shape, 140)).toMatchObject([{ leavesAt: -150, way: -1, edgeId: 'e4' }])
    expect(onwardThroughDarts(piece, shape, 129.9)).toEqual([])
    // Across the whole opening the width never falls to what lies before the dart.
    for (let y = 120; y <= 180; y += 0.5) expect(widthAt(piece, shape, y)).toBeGreaterThan(199)
    // A dart that runs down the piece is crossed at both its legs, and what lies between is taken off.
    const down = polygonPiece(
      'skirt',
      'skirt-front',
      [at(0, 0), at(80, 0), at(90, 100), at(100, 0), at(200, 0), at(200, 300), at(0, 300)],
      ['waist', 'dart-leg', 'dart-leg', 'waist', 'side', 'hem', 'centre-front'],
      { fold: 6 },
    )
    down.darts.push({ id: 'd', name: 'dart', legs: ['e1', 'e2'], pressTo: 'before' })
    expect(widthAt(down, down.shapes.one!, 50)).toBeCloseTo(190, 6)
  })
  it('of a front have no narrow place in the mouth of its dart', () => {
    const front = findPiece(draftBlouse(), 'front')!
    const shape = shapeOf(front, 'one')
    const d = dartFigures(front, shape, front.darts[0]!)
    const waist = lineLevel(shape, 'waist-line')!
    expect(Math.abs(narrowestPlace(front, shape)! - waist)).toBeLessThan(30)
    for (let y = d.first.y - 20; y < d.second.y + 20; y += 2) expect(widthAt(front, shape, y)).toBeGreaterThan(widthAt(front, shape, waist))
  })
  it('are found at any direction of the grain', () => {
    const piece = polygonPiece('p', 'other', [at(0, 0), at(300, 0), at(300, 80), at(0, 80)], ['other', 'other', 'other', 'other'])
    piece.shapes.one!.grain = { from: at(10, 40), to: at(290, 40) }
    expect(widthAt(piece, piece.shapes.one!, 150)).toBeCloseTo(80, 9)
  })
})

describe('the narrowest place', () => {
  it('is the waist, to a hundredth of a millimetre of width', () => {
    const piece = waisted()
    const found = narrowestPlace(piece, piece.shapes.one!)!
    expect(Math.abs(found - 200)).toBeLessThan(1)
    expect(widthAt(piece, piece.shapes.one!, found)).toBeCloseTo(90, 2)
  })
  it('is none where a piece only tapers or only flares', () => {
    for (const bottom of [90, 150]) {
      const piece = polygonPiece('p', 'front', [at(0, 0), at(120, 0), at(bottom, 400), at(0, 400)], ['neck', 'side', 'hem', 'centre-front'])
      expect(narrowestPlace(piece, piece.shapes.one!)).toBeNull()
    }
    const band = polygonPiece('b', 'band', [at(0, 0), at(300, 0), at(300, 40), at(0, 40)], ['band', 'band-end', 'band', 'band-end'])
    expect(narrowestPlace(band, band.shapes.one!)).toBeNull()
  })
  it('may be a corner of the side', () => {
    const piece = polygonPiece(
      'p',
      'front',
      [at(0, 0), at(120, 0), at(90, 180), at(130, 400), at(0, 400)],
      ['neck', 'side', 'side', 'hem', 'centre-front'],
    )
    expect(narrowestPlace(piece, piece.shapes.one!)).toBeCloseTo(180, 1)
  })
  it('of the flared trousers is near the knee', () => {
    const front = findPiece(draftTrousers(FLARED), 'front')!
    const at = narrowestPlace(front, shapeOf(front, 'one'))!
    expect(Math.abs(at - lineLevel(shapeOf(front, 'one'), 'knee-line')!)).toBeLessThan(60)
  })
})

describe('finished measures', () => {
  const of = (id: string, garment = draftBlouse()) => measureGarment(garment, 'one', NO_ZONING).find((m) => m.id === id)!.mm
  it('go round the body: widths times how often each piece is cut', () => {
    const front = waisted()
    const back = { ...waisted(), id: 'back', name: 'back' }
    expect(of('finished:waist', garmentOf([front, back]))).toBeCloseTo(4 * 90, 6)
  })
  it('of the demo blouse are what was drafted', () => {
    expect(of('finished:bust')).toBeGreaterThan(990)
    expect(of('finished:bust')).toBeLessThan(1040)
    expect(of('dart:front:side-dart')).toBeCloseTo(24, 3)
    expect(of('seam:side:0')).toBeCloseTo(of('seam:side:1'), 2)
  })
  it('of one leg count a pair of pieces once', () => {
    const garment = draftTrousers(TAPERED)
    expect(of('finished:leg-opening', garment)).toBeCloseTo(2 * TAPERED.hemHalf + 2 * (TAPERED.hemHalf + 10), 6)
  })
  it('lengths run from neckline to hem and from underarm to hem', () => {
    const garment = draftBlouse()
    const fold = shapeOf(findPiece(garment, 'back')!, 'one').edges.fold![0]!
    expect(finishedLength(garment, 'centre-back', 'one')).toBeCloseTo(fold.from.y - fold.to.y, 9)
    expect(finishedLength(garment, 'side', 'one')).toBeCloseTo(of('seam:side:1'), 6)
    expect(finishedLength(draftTrousers(TAPERED), 'centre-front', 'one')).toBe(0)
  })
})

describe('the ledger', () => {
  it('lists what moved, and only that, finished measures first', () => {
    const before = garmentOf([waisted()])
    const wider = structuredClone(before)
    wider.pieces[0]!.shapes.one!.edges.e2 = [line(at(150, 400), at(0, 400))]
    wider.pieces[0]!.shapes.one!.edges.e1 = [
      ...before.pieces[0]!.shapes.one!.edges.e1!.slice(0, 1),
      cubic(at(90, 200), at(90, 270), at(140, 340), at(150, 400)),
    ]
    const rows = compareMeasures(before, wider, 'one', NO_ZONING)
    expect(rows[0]!.group).toBe('finished')
    expect(rows.find((r) => r.id === 'finished:hem')).toMatchObject({ beforeMm: 260, afterMm: 300 })
    expect(rows.some((r) => r.id === 'finished:waist')).toBe(false)
    expect(rows.some((r) => r.id === 'edge:front:e0')).toBe(false)
  })
  it('shows what came and what went', () => {
    const before = garmentOf([waisted()])
    const without = garmentOf([])
    expect(compareMeasures(before, without, 'one', NO_ZONING).every((r) => r.afterMm === null)).toBe(true)
    expect(compareMeasures(without, before, 'one', NO_ZONING).every((r) => r.beforeMm === null)).toBe(true)
    expect(compareMeasures(before, before, 'one', NO_ZONING)).toEqual([])
  })
})
