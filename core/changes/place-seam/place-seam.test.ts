import { describe, expect, it } from 'vitest'
import { draftQuayDress } from '../../../demo/quay-dress'
import { measureLength } from '../../geometry'
import { finishedLength } from '../../measure'
import { walkGarment } from '../../match'
import { takeAllowanceOff } from '../../paper'
import { findPiece, shapeOf, type Garment } from '../../pattern'
import { garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { applyPlaceSeam } from './apply'
import { placeSeam } from './index'
import { measureSideToSeam } from './measure-side'
import type { PlaceSeamInputs } from './schema'
import { contextWith } from '../test-context'

const context = contextWith()

/** Worked case 13: 238 along the side cut line, allowances of 10 at both ends. */
function bodiceAndSkirt(): Garment {
  const bodice = polygonPiece(
    'bodice',
    'front',
    [
      { x: 0, y: 0 },
      { x: 120, y: 0 },
      { x: 200, y: 150 },
      { x: 200, y: 368 },
      { x: 0, y: 368 },
    ],
    ['neck', 'armhole', 'side', 'waist', 'centre-front'],
    { fold: 4 },
  )
  const skirt = polygonPiece(
    'skirt',
    'skirt-front',
    [
      { x: 0, y: 0 },
      { x: 200, y: 0 },
      { x: 240, y: 600 },
      { x: 0, y: 600 },
    ],
    ['waist', 'side', 'hem', 'centre-front'],
    { fold: 3 },
  )
  return garmentOf([bodice, skirt], [seamOf('waist', ['bodice', 'e3', true], ['skirt', 'e0', false])])
}

describe('place a seam', () => {
  it('worked case 13: the cut line of 238 is a seam line of 218; wanted 200 is a change of -18', () => {
    const rectangle = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 238 },
      { x: 0, y: 238 },
    ]
    const edges = rectangle.map((from, i) => [{ kind: 'line' as const, from, to: rectangle[(i + 1) % 4]! }])
    const inner = takeAllowanceOff('bodice', edges, [10, 10, 10, 10])
    expect(inner.ok && measureLength(inner.value[1]!)).toBeCloseTo(218, 6)

    const garment = bodiceAndSkirt()
    const begun = placeSeam.begin(garment, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    expect(begun.value.wantedMm).toBeCloseTo(218, 9)
    const result = applyPlaceSeam(garment, { ...begun.value, wantedMm: 200, giveBack: false }, context)
    if (!result.ok) throw new Error(result.problem.message)
    expect(result.value.solvedMm).toBeCloseTo(-18, 6)
    expect(result.value.cautions.map((c) => c.code)).toEqual(expect.arrayContaining(['garment-length-changes', 'heavy-cloth-pulls']))
  })

  it('solves slanted sides exactly, keeps the joined edge and gives the length back in the skirt', () => {
    const garment = draftQuayDress()
    const begun = placeSeam.begin(garment, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    const inputs: PlaceSeamInputs = { ...begun.value, wantedMm: begun.value.wantedMm - 22 }
    const result = applyPlaceSeam(garment, inputs, context)
    if (!result.ok) throw new Error(result.problem.message)
    const { garment: after, held } = result.value
    const seam = garment.seams.find((s) => s.id === inputs.seamId)!
    expect(measureSideToSeam(after, findPiece(after, inputs.pieceId)!, seam, inputs.fromCornerId, 'one')).toBeCloseTo(inputs.wantedMm, 4)
    expect(held.filter((h) => !h.held)).toEqual([])
    const waist = (g: Garment) => measureLength(shapeOf(findPiece(g, 'bodice-front')!, 'one').edges.waist!)
    expect(waist(after)).toBeCloseTo(waist(garment), 9)
    for (const place of ['centre-front', 'centre-back'] as const)
      expect(finishedLength(after, place, 'one')).toBeCloseTo(finishedLength(garment, place, 'one'), 3)
    expect(walkGarment(after, 'one').seams.every((s) => s.verdict === 'good')).toBe(true)
    expect(result.value.touched.map((t) => t.pieceId)).toEqual(['bodice-front', 'bodice-back', 'skirt-front', 'skirt-back'])
  })

  it('refuses a seam above the arm, saying the nearest place that works, and a corner that has no side', () => {
    const garment = draftQuayDress()
    const begun = placeSeam.begin(garment, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    const refused = applyPlaceSeam(garment, { ...begun.value, wantedMm: 0 }, context)
    expect(!refused.ok && refused.problem.largestMm).toBeGreaterThan(0)
    expect(!refused.ok && refused.problem.largestMm).toBeLessThan(begun.value.wantedMm)
    const lost = applyPlaceSeam(garment, { ...begun.value, fromCornerId: 'gone' }, context)
    expect(!lost.ok && lost.problem.code).toBe('reference-gone')
  })
})
