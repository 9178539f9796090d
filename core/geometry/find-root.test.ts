import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EQUAL_MM } from '../tolerances'
import { findNearestRoot, findRoot } from './index'

describe('a root in a bracket', () => {
  it('is met to what is allowed, whichever way the function runs and however bent', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 40, noNaN: true }), fc.integer({ min: 1, max: 5 }), fc.boolean(), (root, power, falls) => {
        const f = (x: number) => (falls ? -1 : 1) * Math.sign(x - root) * Math.abs(x - root) ** power
        const found = findRoot(f, -50, 50, EQUAL_MM)!
        expect(Math.abs(f(found))).toBeLessThanOrEqual(EQUAL_MM)
      }),
    )
  })
  it('is null where the function does not change its sign', () => {
    expect(findRoot((x) => x * x + 1, -3, 3, EQUAL_MM)).toBeNull()
  })
})

describe('the root nearest to nothing', () => {
  const limits = { plus: 20, minus: 20 }
  it('is nothing where that is a root, and else the near one of two', () => {
    expect(findNearestRoot((x) => x, limits, EQUAL_MM)).toEqual({ at: 0 })
    const found = findNearestRoot((x) => (x - 3) * (x + 9), limits, EQUAL_MM)
    expect('at' in found && found.at).toBeCloseTo(3, 2)
  })
  it('says what came nearest where there is none', () => {
    const found = findNearestRoot((x) => (x - 4) ** 2 + 2, limits, EQUAL_MM)
    expect('closest' in found && found.closest).toBeCloseTo(2, 5)
  })
  it('passes over what cannot be worked out, and never goes there', () => {
    const found = findNearestRoot((x) => (x > 5 ? Number.NaN : x + 6), limits, EQUAL_MM)
    expect('at' in found && found.at).toBeCloseTo(-6, 2)
    expect(findNearestRoot(() => Number.NaN, limits, EQUAL_MM)).toEqual({ closest: Number.NaN })
  })
})
