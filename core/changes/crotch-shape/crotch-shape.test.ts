import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { crotchReadings } from '../../../demo/crotch-readings'
import { nestOf } from '../../../demo/nest'
import { draftBlouse } from '../../../demo/blouse'
import { draftTrousers, FLARED, TAPERED } from '../../../demo/trousers'
import { sharpestJoin } from '../../../demo/test-garments'
import { applyAffine, countInflections, distance, measureLength, nearestPlace, placeAt } from '../../geometry'
import { checkGarment, edgePath, shapeOf, type Garment } from '../../pattern'
import { averageReadings, crotchOf, HALVES, joinRuns, layCrotch, runLength, unlay } from '../../seams'
import { contextWith } from '../test-context'
import { crotchShape, keepReading, type CrotchShapeInputs } from './index'

const legs = draftTrousers(TAPERED)
const readings = crotchReadings(legs, '2026-11-02')
const context = contextWith({ crotchCurves: readings })
const inputs = (set: Partial<CrotchShapeInputs> = {}): CrotchShapeInputs => ({
  readings: readings.map(keepReading),
  frontShare: 0.3,
  backShare: 0.5,
  giveBackMm: 0,
  ...set,
})
function apply(garment: Garment, own: CrotchShapeInputs) {
  const done = crotchShape.apply(garment, own, context)
  if (!done.ok) throw new Error(done.problem.message)
  return done.value
}
const crotch = (() => {
  const found = crotchOf(legs)
  if (!found.ok) throw new Error(found.problem.message)
  return found.value
})()
const grewBy = (after: Garment, half: 'front' | 'back', sizeId = 'one') =>
  runLength(after, crotch[half].runs, sizeId) - runLength(legs, crotch[half].runs, 'one')

describe('both legs are laid together', () => {
  it('at the crotch point, in one direction along the inseam, and come back to where they were', () => {
    const laid = layCrotch(legs, crotch, 'one')
    expect(distance(laid.frontPath[laid.frontPath.length - 1]!.to, laid.backPath[0]!.from)).toBeLessThan(1e-6)
    const inseam = (half: 'front' | 'back') => {
      const path = edgePath(shapeOf(crotch[half].piece, 'one'), 'inseam')
      return distance(path[0]!.from, crotchPoint(half)) < 1e-6 ? placeAt(path, 30).point : placeAt(path, measureLength(path) - 30).point
    }
    const crotchPoint = (half: 'front' | 'back') => {
      const path = joinRuns(shapeOf(crotch[half].piece, 'one'), crotch[half].runs)
      return path[path.length - 1]!.to
    }
    // Two inseams that bend a little otherwise still lie beside each other a thumb’s breadth below.
    expect(distance(applyAffine(laid.back, inseam('back')), inseam('front'))).toBeLessThan(3)
    const home = unlay(laid.back)
    const there = applyAffine(laid.back, crotchPoint('back'))
    expect(distance(applyAffine(home, there), crotchPoint('back'))).toBeLessThan(1e-6)
  })
  it('readings at other slants, and turned over, say the same', () => {
    const laid = layCrotch(legs, crotch, 'one')
    const one = readings[0]!
    const over = { ...one, points: one.points.map((p) => ({ x: -p.x + 40, y: p.y - 12 })) }
    const both = averageReadings([one, over], laid)
    expect(both.spreadMm).toBeLessThan(0.01)
  })
})

describe('a scoop', () => {
  it('goes by its share of the depth, square to the line, and leaves both ends', () => {
    const half = apply(legs, inputs({ frontShare: 0, backShare: 0.5 }))
    const whole = apply(legs, inputs({ frontShare: 0, backShare: 1 }))
    const line = (g: Garment) =>
      joinRuns(
        shapeOf(
          g.pieces.find((p) => p.id === 'back')!,
          'one',
        ),
        crotch.back.runs,
      )
    const deepest = (g: Garment) => {
      const path = line(g)
      const total = measureLength(path)
      return Math.max(...Array.from({ length: 60 }, (_, i) => nearestPlace(line(legs), placeAt(path, (total * i) / 59).point).distanceMm))
    }
    expect(deepest(half.garment) / deepest(whole.garment)).toBeCloseTo(0.5, 1)
    expect(deepest(whole.garment)).toBeGreaterThan(8)
    expect(grewBy(half.garment, 'front')).toBe(0)
    for (const applied of [half, whole]) expect(applied.held.filter((h) => !h.held)).toEqual([])
  })
  it('never goes above the pattern’s own line where the body’s curve is shallower, and says so', () => {
    const flat = readings.map((r) => ({ ...keepReading(r), points: keepReading(r).points.map((p) => ({ x: p.x * 0.6, y: p.y })) }))
    const applied = apply(legs, inputs({ readings: flat, frontShare: 1, backShare: 1 }))
    for (const half of HALVES) expect(grewBy(applied.garment, half)).toBeGreaterThan(-0.01)
    expect(applied.cautions.some((c) => c.code === 'shallower')).toBe(true)
  })
  it('gives width back at the outseams, alike on both legs', () => {
    const first = apply(legs, inputs({ backShare: 0.9 }))
    const mend = first.cautions.find((c) => c.code === 'thigh-taken')!.mend!.inputs as CrotchShapeInputs
    expect(mend.giveBackMm).toBeGreaterThan(1)
    const given = apply(legs, mend)
    expect(given.held.filter((h) => !h.held)).toEqual([])
    expect(checkGarment(given.garment)).toBeNull()
  })
  it('holds on both drafts, in every size, with any shares, and draws no corner', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.constantFrom(TAPERED, FLARED), share, share, (cut, frontShare, backShare) => {
        const nest = nestOf(draftTrousers(cut))
        const applied = apply(nest, inputs({ frontShare, backShare }))
        expect(applied.held.filter((h) => !h.held).map((h) => `${h.where} ${h.label} ${h.after}`)).toEqual([])
        expect(checkGarment(applied.garment)).toBeNull()
        for (const size of nest.sizes)
          for (const half of HALVES) {
            const path = (g: Garment) =>
              joinRuns(
                shapeOf(
                  g.pieces.find((p) => p.id === half)!,
                  size.id,
                ),
                crotch[half].runs,
              )
            expect(sharpestJoin(path(applied.garment))).toBeLessThan(Math.max(1, sharpestJoin(path(nest)) + 0.01))
            // Both ends keep their directions: a line that gets deeper between them bends back once more, and never wavers.
            expect(countInflections(path(applied.garment))).toBeLessThan(countInflections(path(nest), 0.3) + 2)
          }
      }),
      { numRuns: 12 },
    )
  })
})

describe('what is refused', () => {
  it('a garment without legs, and a wearer without a reading, each by name', () => {
    const blouse = crotchShape.begin(draftBlouse(), context)
    const unread = crotchShape.begin(legs, contextWith())
    expect([blouse, unread].map((r) => !r.ok && r.problem.code)).toEqual(['no-crotch', 'no-reading'])
  })
})
