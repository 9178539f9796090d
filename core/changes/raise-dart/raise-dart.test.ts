import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftArmholeDart } from '../../../demo/dart-blouses'
import { distance } from '../../geometry'
import { apply, context, DART, figures, shape } from '../shared/darts/test-darts'
import { raiseDartKind } from '.'

describe('raise or lower a dart', () => {
  it('raises and lowers a side dart with its apex, and comes back', () => {
    fc.assert(
      fc.property(fc.double({ min: -35, max: 30, noNaN: true }), (mm) => {
        // Drawn once, both its legs are alike from the apex.
        const garment = apply(raiseDartKind, draftBlouse(), { dart: DART, amountMm: 0.01 }).garment
        const up = apply(raiseDartKind, garment, { dart: DART, amountMm: mm }).garment
        expect(shape(up).points.apex!.y).toBeCloseTo(shape(garment).points.apex!.y - mm, 6)
        const [a, b] = [figures(garment), figures(up)]
        expect(b.tip.y - a.tip.y).toBeCloseTo(-mm, 6)
        const back = apply(raiseDartKind, up, { dart: DART, amountMm: -mm }).garment
        expect(distance(figures(back).first, a.first)).toBeLessThan(0.5)
      }),
      { numRuns: 12 },
    )
  })
  it('goes as far as its edge lets it, and refuses more with that', () => {
    for (const amountMm of [400, -400]) {
      const refused = raiseDartKind.apply(draftBlouse(), { dart: DART, amountMm }, context)
      if (refused.ok) throw new Error('a dart far off its edge was drawn')
      expect(refused.problem.code).toBe('amount-too-large')
      const most = refused.problem.largestMm!
      expect(Math.sign(most)).toBe(Math.sign(amountMm))
      expect(refused.problem.remedy).toContain(amountMm > 0 ? 'up' : 'down')
      expect(raiseDartKind.apply(draftBlouse(), { dart: DART, amountMm: most }, context).ok).toBe(true)
      expect(raiseDartKind.apply(draftBlouse(), { dart: DART, amountMm: most + Math.sign(amountMm) * 2 }, context).ok).toBe(false)
    }
  })
  it('is dragged along the grain by its tip, and begins on the side dart where there is one', () => {
    const garment = draftBlouse()
    const begun = raiseDartKind.begin(garment, context)
    expect(begun).toEqual({ ok: true, value: { dart: DART, amountMm: 0 } })
    const inputs = { dart: DART, amountMm: 12 }
    const applied = apply(raiseDartKind, garment, inputs)
    const [handle] = raiseDartKind.handles(garment, inputs, applied, context)
    expect(distance(handle!.at, figures(applied.garment).tip)).toBeLessThan(0.001)
    // Up the page is up the body: an axis against the grain, on which 8 mm more raise it by 8 mm more.
    expect(handle!.axis).toEqual({ x: -0, y: -1 })
    expect(raiseDartKind.drag(garment, inputs, 'amount', 8, context)).toEqual({ dart: DART, amountMm: 20 })
    expect(raiseDartKind.begin(draftArmholeDart(), context).ok).toBe(true)
  })
  it('refuses a dart that has gone', () => {
    const refused = raiseDartKind.apply(draftBlouse(), { dart: 'front other-dart', amountMm: 5 }, context)
    expect(!refused.ok && refused.problem.code).toBe('reference-gone')
  })
})
