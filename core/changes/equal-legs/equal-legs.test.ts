import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { distance } from '../../geometry'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { dartsOf } from '../shared/darts/find-darts'
import { applyEqualLegs } from './apply'
import { contextWith } from '../test-context'

const context = contextWith()
const blouse = draftBlouse()
const all = dartsOf(blouse)
const figures = (garment: Garment, ref: string) => {
  const { piece, dart } = dartsOf(garment).find((d) => d.ref === ref)!
  return dartFigures(piece, shapeOf(piece, 'one'), dart)
}

describe('making dart legs equal', () => {
  it('changes just the asked leg by just the asked amount: tip, angle and the other leg stay', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.constantFrom('first' as const, 'second' as const),
        fc.double({ min: -12, max: 12, noNaN: true }),
        (found, leg, growMm) => {
          const result = applyEqualLegs(blouse, { dart: found.ref, leg, growMm }, context)
          if (!result.ok) throw new Error(result.problem.message)
          const was = figures(blouse, found.ref)
          const is = figures(result.value.garment, found.ref)
          expect(is.firstMm - was.firstMm).toBeCloseTo(leg === 'first' ? growMm : 0, 6)
          expect(is.secondMm - was.secondMm).toBeCloseTo(leg === 'second' ? growMm : 0, 6)
          expect(distance(is.tip, was.tip)).toBeLessThan(1e-6)
          expect(is.angleRad).toBeCloseTo(was.angleRad, 9)
          expect(result.value.held.filter((h) => !h.held)).toEqual([])
        },
      ),
    )
  })
  it('refuses to make a leg longer than the piece has room for, or shorter than nothing', () => {
    const { ref } = all[0]!
    for (const growMm of [-600, -2000]) {
      const refused = applyEqualLegs(blouse, { dart: ref, leg: 'first', growMm }, context)
      expect(refused.ok).toBe(false)
      if (refused.ok) continue
      expect(refused.problem.largestMm).toBeLessThan(0)
      expect(applyEqualLegs(blouse, { dart: ref, leg: 'first', growMm: refused.problem.largestMm! }, context).ok).toBe(true)
    }
  })
  it('refuses a dart that has gone', () => {
    const gone = applyEqualLegs(blouse, { dart: 'front nowhere', leg: 'first', growMm: 3 }, context)
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
  })
})
