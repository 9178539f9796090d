import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { distance } from '../../geometry'
import { walkGarment } from '../../match'

import { cornerPoint, shapeOf, type Garment, sideLength } from '../../pattern'
import { findZones, finishedMm } from '../../measure'
import { addAtEdge, type AddAtEdgeInputs } from './index'
import { contextWith } from '../test-context'

const context = contextWith()
const GARMENTS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['dress', draftQuayDress()],
  ['trousers', draftTrousers(TAPERED)],
]
function applied(garment: Garment, inputs: AddAtEdgeInputs) {
  const result = addAtEdge.apply(garment, inputs, context)
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}
const amount = fc.double({ min: -12, max: 15, noNaN: true })

describe.each(GARMENTS)('adding at the sides of the %s', (_, garment) => {
  it('makes each zone larger by its edges times the amount, and leaves every seam as equal as it was', () => {
    fc.assert(
      fc.property(amount, amount, amount, (bustMm, waistMm, hipMm) => {
        const { garment: after, held } = applied(garment, { bustMm, waistMm, hipMm })
        expect(held.filter((h) => !h.held).map((h) => `${h.where} ${h.label} ${h.before} ${h.after}`)).toEqual([])
        for (const zone of findZones(garment).filter((z) => z.id === 'bust' || z.id === 'hip')) {
          const grew = finishedMm(after, zone, 'one') - finishedMm(garment, zone, 'one')
          expect(Math.abs(grew - 4 * (zone.id === 'bust' ? bustMm : hipMm)), zone.id).toBeLessThan(1)
        }
        expect(
          walkGarment(after, 'one')
            .seams.filter((s) => s.verdict === 'fault')
            .map((s) => s.seam.id),
        ).toEqual([])
      }),
      { numRuns: 25 },
    )
  })
})

describe('adding at the hip only', () => {
  const garment = draftBlouse()
  it('keeps the underarm, the armhole and the sleeve just as they are', () => {
    const { garment: after } = applied(garment, { bustMm: 0, waistMm: 0, hipMm: 14 })
    for (const id of ['front', 'back']) {
      const [was, is] = [garment, after].map((g) => g.pieces.find((p) => p.id === id)!)
      const corner = was!.corners.find((c) => c.name === 'underarm')!.id
      expect(distance(cornerPoint(was!, shapeOf(was!, 'one'), corner)!, cornerPoint(is!, shapeOf(is!, 'one'), corner)!)).toBeLessThan(1e-6)
      expect(shapeOf(is!, 'one').edges.armhole).toEqual(shapeOf(was!, 'one').edges.armhole)
    }
    const armhole = garment.seams.find((s) => s.id === 'armhole')!
    expect(sideLength(after, armhole, 0, 'one')).toBeCloseTo(sideLength(garment, armhole, 0, 'one'), 6)
  })
  it('out and in again is the garment again, to 0.05 mm', () => {
    const out = applied(garment, { bustMm: 0, waistMm: 6, hipMm: 14 }).garment
    const back = applied(out, { bustMm: 0, waistMm: -6, hipMm: -14 }).garment
    for (const piece of garment.pieces)
      for (const edge of piece.edges) {
        const was = shapeOf(piece, 'one').edges[edge.id]!
        const is = shapeOf(
          back.pieces.find((p) => p.id === piece.id)!,
          'one',
        ).edges[edge.id]!
        expect(distance(was[0]!.from, is[0]!.from), `${piece.id} ${edge.id}`).toBeLessThan(0.05)
      }
  })
})

describe('adding at the bust', () => {
  it('takes the sleeve cap along: its ease stays', () => {
    const garment = draftBlouse()
    const { garment: after } = applied(garment, { bustMm: 8, waistMm: 0, hipMm: 0 })
    const armhole = garment.seams.find((s) => s.id === 'armhole')!
    const ease = (g: Garment) => sideLength(g, armhole, 0, 'one') - sideLength(g, armhole, 1, 'one')
    expect(ease(after)).toBeCloseTo(ease(garment), 3)
    expect(sideLength(after, armhole, 1, 'one')).toBeGreaterThan(sideLength(garment, armhole, 1, 'one') + 1)
  })
})
