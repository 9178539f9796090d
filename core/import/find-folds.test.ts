import { describe, expect, it } from 'vitest'
import { draftWaistDart } from '../../demo/waist-darts'
import { findKind } from '../changes'
import { readSvg, writeSvg } from '../formats'
import { measureLength } from '../geometry'
import { widthAt } from '../measure'
import { layOutSheet } from '../paper'
import { checkGarment, doubleDartFigures, edgePath, shapeOf, type EdgeRole, type Garment, type Piece } from '../pattern'
import { buildPiece, findFolds, readMarks, splitEdges, takeFold, type PieceDraft } from './index'
import { outlinesIn } from './test-outlines'
import { contextWith } from '../changes/test-context'

/** A skirt front of 240 x 500 mm, waist at the top, with what is drawn inside it. */
function draftOf(inner: string): PieceDraft {
  const read = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="600mm" viewBox="0 0 400 600"><path d="M0 0H240V500H0Z"/><path id="grain" d="M30 100V400"/>${inner}</svg>`,
  )
  if (!read.ok) throw new Error(read.problem.message)
  const [outline] = outlinesIn(read.value)
  const marks = readMarks(outline!, splitEdges(outline!.path))
  const roles: EdgeRole[] = ['waist', 'side', 'hem', 'centre-front']
  const edges = splitEdges(outline!.path).map((path, i) => ({ path, role: roles[i]!, fold: false, allowanceMm: 10 }))
  const { grain, notches, lines } = marks
  const own = { id: 'skirt', name: 'Skirt front', kind: 'skirt-front' as const, count: 1, mirrored: false }
  return { ...own, edges, allowanceIncluded: false, grain, notches, lines, sizeName: '', sizes: [] }
}
function built(draft: PieceDraft): Piece {
  const piece = buildPiece(draft, 'one')
  if (!piece.ok) throw new Error(piece.problem.message)
  expect(checkGarment(garmentOf(piece.value))).toBeNull()
  return piece.value
}
const garmentOf = (piece: Piece): Garment => ({ sizes: [{ id: 'one', name: 'one' }], baseSizeId: 'one', pieces: [piece], seams: [] })
const shape = (piece: Piece) => shapeOf(piece, 'one')
const waistMm = (piece: Piece) =>
  piece.edges.filter((e) => e.role === 'waist').reduce((sum, e) => sum + measureLength(edgePath(shape(piece), e.id)), 0)

describe('lines inside that mean a dart from an edge', () => {
  it.each([
    ['two lines', '<path d="M100 0L112 120"/><path d="M112 120L124 1"/>'],
    ['one bent stroke', '<path d="M100 0L112 120L124 1"/>'],
  ])('%s are proposed, and become its legs', (_, inner) => {
    const [fold, ...more] = findFolds(draftOf(inner))
    expect(more).toEqual([])
    expect(fold!.what).toBe('dart')
    const piece = built(takeFold(draftOf(inner), fold!))
    expect(piece.darts).toHaveLength(1)
    expect(waistMm(piece)).toBeCloseTo(240 - 24, 3)
    expect(piece.lines).toEqual([])
  })
})

describe('lines inside that mean a dart with two tips', () => {
  it.each([
    ['a closed line', '<path d="M120 120L130 200L120 300L110 200Z"/>'],
    ['two bent strokes', '<path d="M120 120L130 200L120 300"/><path d="M120 300L110 200L120 120"/>'],
    ['four lines', '<path d="M120 120L130 200"/><path d="M120 300L130 200"/><path d="M110 200L120 300"/><path d="M110 200L120 120"/>'],
  ])('%s are proposed once, and become one', (_, inner) => {
    const draft = draftOf(inner)
    const [fold, ...more] = findFolds(draft)
    expect(more).toEqual([])
    const taken = takeFold(draft, fold!)
    expect([...findFolds(taken)]).toEqual([])
    const piece = built(taken)
    expect(piece.lines).toMatchObject([{ name: 'waist dart', role: 'dart' }])
    const d = doubleDartFigures(shape(piece), piece.lines[0]!.id)
    expect(d).toMatchObject({ upper: { x: 120, y: 120 }, lower: { x: 120, y: 300 } })
    expect(d.intakeMm).toBeCloseTo(20, 3)
    expect(widthAt(piece, shape(piece), 200)).toBeCloseTo(220, 3)
  })
  it('curved legs are read too', () => {
    const draft = draftOf('<path d="M120 120C132 180 132 240 120 300"/><path d="M120 120C108 180 108 240 120 300"/>')
    const piece = built(takeFold(draft, [...findFolds(draft)][0]!))
    expect(widthAt(piece, shape(piece), 210)).toBeCloseTo(240 - 18, 3)
  })
  it.each([
    ['a button', '<circle cx="120" cy="200" r="9"/>'],
    ['a pocket', '<path d="M80 200H160V290H80Z"/>'],
    ['a line across', '<path d="M4 200H236"/>'],
    ['lines that do not close', '<path d="M120 120L130 200L120 300"/><path d="M120 310L100 200"/>'],
    ['a short mark', '<path d="M120 120L124 130L120 140L116 130Z"/>'],
  ])('%s is none', (_, inner) => {
    expect([...findFolds(draftOf(inner))]).toEqual([])
  })
  it('a piece written as SVG brings its dart back', () => {
    const garment = draftWaistDart()
    const words = {
      garmentName: 'Waistcoat',
      wearerName: null,
      sizeName: 'own draft',
      date: '2026-01-01',
      changes: [],
      ruler: 'in' as const,
    }
    const sheet = layOutSheet(garment, 'one', words, 1200)
    const read = readSvg(writeSvg(sheet, 'waistcoat'))
    if (!read.ok) throw new Error(read.problem.message)
    const back = outlinesIn(read.value).find((o) => o.name.toLowerCase() === 'back')!
    const draft = {
      ...draftOf(''),
      edges: splitEdges(back.path).map((path) => ({ path, role: 'other' as const, fold: false, allowanceMm: 10 })),
      ...readMarks(back, splitEdges(back.path)),
    }
    const folds = [...findFolds(draft)].filter((f) => f.what === 'inside-dart')
    expect(folds).toHaveLength(1)
    const taken = takeFold(draft, folds[0]!)
    expect(doubleDartFigures({ lines: { x: taken.lines[taken.lines.length - 1]!.path } }, 'x').intakeMm).toBeCloseTo(18, 2)
  })
})

describe('lines inside that mean a pleat', () => {
  const draft = draftOf('<path d="M90 0V140"/><path d="M130 0V140"/>')
  const [fold, ...more] = findFolds(draft)
  const piece = built(takeFold(draft, fold!))
  it('are proposed, and part the edge at its mouth', () => {
    expect(more).toEqual([])
    expect(fold!.what).toBe('pleat')
    expect(piece.edges.map((e) => e.role)).toEqual(['waist', 'pleat', 'waist', 'side', 'hem', 'centre-front'])
  })
  it('are taken off the sewn edge, and off the width as far down as they run', () => {
    expect(waistMm(piece)).toBeCloseTo(200, 6)
    expect(widthAt(piece, shape(piece), 60)).toBeCloseTo(200, 6)
    expect(widthAt(piece, shape(piece), 150)).toBeCloseTo(240, 6)
  })
  it('come along when the piece is lengthened below them, and keep their depth when it is graded', () => {
    const garment = garmentOf(piece)
    const long = findKind('lengthen').apply(
      garment,
      { amountMm: 30, pieceId: 'skirt', levels: [{ id: 'l', share: 1, mark: { by: 'corner', id: 'corner-1' }, belowMm: 70 }], leftOut: [] },
      contextWith(),
    )
    if (!long.ok) throw new Error(long.problem.message)
    const after = long.value.garment.pieces[0]!
    expect(widthAt(after, shape(after), 165)).toBeCloseTo(200, 6)
    expect(widthAt(after, shape(after), 175)).toBeCloseTo(240, 6)
    const grade = findKind('grade')
    const begun = grade.begin(garment, contextWith())
    if (!begun.ok) throw new Error(begun.problem.message)
    const done = grade.apply(garment, { ...begun.value, intervalMm: 40, up: 2 }, contextWith())
    if (!done.ok) throw new Error(done.problem.message)
    for (const size of done.value.garment.sizes) {
      const grown = done.value.garment.pieces[0]!
      expect(measureLength(edgePath(shapeOf(grown, size.id), 'edge-2'))).toBeCloseTo(40, 3)
    }
  })
  it('two lines that lean apart, or lie far from each other, are none', () => {
    expect([...findFolds(draftOf('<path d="M90 0V140"/><path d="M130 0L190 140"/>'))]).toEqual([])
    expect([...findFolds(draftOf('<path d="M30 0V80"/><path d="M210 0V80"/>'))]).toEqual([])
  })
})
