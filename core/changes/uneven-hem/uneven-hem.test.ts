import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftOnePiece } from '../../../demo/one-piece'
import { draftQuayDress } from '../../../demo/quay-dress'
import { finishedLength, lengthMissing } from '../../measure'
import { walkGarment } from '../../match'
import { findPiece, shapeOf, type Garment } from '../../pattern'
import { garmentOf, polygonPiece } from '../../pattern/test-pieces'
import { applyUnevenHem } from './apply'
import { findHem } from './find-hem'
import { contextWith } from '../test-context'

const context = contextWith()
function applied(garment: Garment, centreFrontMm: number, sideMm: number, centreBackMm: number) {
  const result = applyUnevenHem(garment, { centreFrontMm, sideMm, centreBackMm }, context)
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}

describe('uneven hem', () => {
  it('worked case 14: wanted 1420, the bodice gives 410 and the skirt 700: +310', () => {
    expect(lengthMissing(1420, [410, 700])).toBe(310)
    const panel = (id: string, kind: 'back' | 'skirt-back', height: number) =>
      polygonPiece(
        id,
        kind,
        [
          { x: 0, y: 0 },
          { x: 200, y: 0 },
          { x: 200, y: height },
          { x: 0, y: height },
        ],
        ['waist', 'side', kind === 'back' ? 'waist' : 'hem', 'centre-back'],
        { fold: 3 },
      )
    const garment = garmentOf([panel('bodice', 'back', 410), panel('skirt', 'skirt-back', 700)])
    expect(finishedLength(garment, 'centre-back', 'one')).toBe(1110)
    const after = applied(garment, 0, 310, 310).garment
    expect(finishedLength(after, 'centre-back', 'one')).toBeCloseTo(1420, 6)
  })

  const garment = draftQuayDress()
  const result = applied(garment, 10, 25, 60)
  const end = (g: Garment, piece: string, edge: string) => shapeOf(findPiece(g, piece)!, 'one').edges[edge]![0]!.from

  it('moves each place by exactly its amount, front and back alike at the side', () => {
    expect(end(result.garment, 'skirt-front', 'fold').y - end(garment, 'skirt-front', 'fold').y).toBeCloseTo(10, 6)
    expect(end(result.garment, 'skirt-back', 'fold').y - end(garment, 'skirt-back', 'fold').y).toBeCloseTo(60, 6)
    for (const piece of ['skirt-front', 'skirt-back'])
      expect(end(result.garment, piece, 'hem').y - end(garment, piece, 'hem').y).toBeCloseTo(25, 6)
    expect(finishedLength(result.garment, 'centre-back', 'one') - finishedLength(garment, 'centre-back', 'one')).toBeCloseTo(60, 6)
  })
  it('stays square to both folds and turns no corner at the side seam', () => {
    const walked = walkGarment(result.garment, 'one')
    for (const fold of walked.folds.filter((f) => f.pieceId.startsWith('skirt'))) expect(Math.abs(fold.corner.turnDeg)).toBeLessThan(0.5)
    const side = walked.seams.find((s) => s.seam.id === 'skirt-side')!
    expect(Math.abs(side.surplusMm)).toBeLessThan(0.01)
    expect(side.corners.every((c) => c.verdict === 'good')).toBe(true)
    expect(result.held.filter((h) => !h.held)).toEqual([])
  })
  it('keeps curved side seams equal too', () => {
    const blouse = draftBlouse()
    const after = applied(blouse, 0, -15, 30).garment
    const side = walkGarment(after, 'one').seams.find((s) => s.seam.id === 'side')!
    expect(Math.abs(side.surplusMm)).toBeLessThan(0.5)
    expect(side.marks.every((m) => m.verdict === 'good')).toBe(true)
  })
  it('refuses amounts that eat the piece up, and garments without such a hem', () => {
    const refused = applyUnevenHem(garment, { centreFrontMm: -900, sideMm: -900, centreBackMm: -900 }, context)
    expect(!refused.ok && refused.problem.code).toBe('amount-too-large')
    expect(!refused.ok && refused.problem.largestMm).toBeLessThan(-300)
    const none = applyUnevenHem(draftOnePiece(), { centreFrontMm: 5, sideMm: 5, centreBackMm: 5 }, context)
    expect(!none.ok && none.problem.code).toBe('reference-gone')
  })
  it('follows the hem over a panel seam, and knows whole pieces', () => {
    const centre = polygonPiece(
      'centre',
      'front',
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 110, y: 500 },
        { x: 0, y: 500 },
      ],
      ['waist', 'panel', 'hem', 'centre-front'],
      { fold: 3 },
    )
    const outer = polygonPiece(
      'outer',
      'front',
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 120, y: 500 },
        { x: -10, y: 500 },
      ],
      ['waist', 'side', 'hem', 'panel'],
    )
    const joined = garmentOf(
      [centre, outer],
      [
        {
          id: 'p',
          name: 'panel seam',
          sides: [[{ pieceId: 'centre', edgeId: 'e1', reversed: false }], [{ pieceId: 'outer', edgeId: 'e3', reversed: true }]],
          wantedEase: { minMm: 0, maxMm: 0 },
          marks: [],
        },
      ],
    )
    const parts = findHem(joined, 'one')
    expect(parts.map((p) => [p.piece.id, Math.round(p.fromCentreMm!.start), Math.round(p.fromCentreMm!.end)])).toEqual([
      ['centre', 110, 0],
      ['outer', 240, 110],
    ])
    const after = applied(joined, 0, 40, 0).garment
    // Where the two hems meet they have moved alike: the panel seam still ends together.
    expect(end(after, 'centre', 'e2').y).toBeCloseTo(end(after, 'outer', 'e3').y, 6)
    const whole = polygonPiece(
      'whole',
      'back',
      [
        { x: -100, y: 0 },
        { x: 100, y: 0 },
        { x: 110, y: 400 },
        { x: -110, y: 400 },
      ],
      ['neck', 'side', 'hem', 'side'],
    )
    expect(findHem(garmentOf([whole]), 'one')[0]!.fromCentreMm).toBeNull()
  })
})
