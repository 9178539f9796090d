import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findLargest } from './find-largest'

describe('the largest amount that works', () => {
  it('is the limit itself: 25 for 25, on either side of nothing', () => {
    expect(findLargest(40, (mm) => mm <= 25)).toBe(25)
    expect(findLargest(-40, (mm) => mm >= -25)).toBe(-25)
    expect(findLargest(992, (mm) => mm <= 901.7)).toBe(901.5)
  })
  it('is nothing where nothing works', () => {
    expect(findLargest(40, () => false)).toBe(0)
    expect(findLargest(0.3, (mm) => mm <= 0.2)).toBe(0)
  })
  it('always works, and the next half millimetre does not', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 2000, noNaN: true }), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (asked, part) => {
        const limit = asked * part
        const found = findLargest(asked, (mm) => mm <= limit)
        return found <= limit && found + 0.5 > limit
      }),
    )
  })
  it('lies below a stretch that does not work, where one lies under the limit', () => {
    const found = findLargest(100, (mm) => mm < 90 && (mm < 30 || mm > 60))
    expect(found).toBeLessThan(30)
    expect(found).toBeGreaterThan(29)
  })
  it('asks no more often than one can wait for', () => {
    let asked = 0
    findLargest(5000, (mm) => (asked++, mm < 3333))
    expect(asked).toBeLessThan(20)
  })
})
