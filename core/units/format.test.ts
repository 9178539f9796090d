import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLength, lengthToken, limitToken, parseLength, roundToRuler, rulerStepMm, toRulerReading, writeLengths } from './index'

describe('lengths inside sentences', () => {
  it('are written in the reader’s units, as often as they stand there', () => {
    const sentence = `It is ${lengthToken(34.925)} too long, ${lengthToken(-3.175)} on one side.`
    expect(writeLengths(sentence, 'in')).toBe('It is 1 3/8 in too long, −1/8 in on one side.')
    expect(writeLengths(sentence, 'cm')).toBe('It is 3.5 cm too long, −0.3 cm on one side.')
  })
  it('leave other braces and plain text alone', () => {
    expect(writeLengths('nothing {here} to {mm} write', 'in')).toBe('nothing {here} to {mm} write')
  })
  it('read tokens of any figure, very small ones included', () => {
    fc.assert(fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (mm) => !writeLengths(lengthToken(mm), 'in').includes('{')))
  })
})

describe('reading off a ruler', () => {
  it('is never off by more than half a mark', () => {
    fc.assert(
      fc.property(fc.double({ min: -3000, max: 3000, noNaN: true }), fc.constantFrom(8 as const, 16 as const), (mm, fraction) => {
        const r = toRulerReading(mm, fraction)
        const read = (r.whole + r.numerator / r.denominator) * 25.4 * (r.negative ? -1 : 1)
        return Math.abs(read - mm) <= 25.4 / fraction / 2 + 1e-9 && r.numerator < r.denominator
      }),
    )
  })
  it('writes what it then reads, to half a mark, in either system', () => {
    fc.assert(
      fc.property(fc.double({ min: -3000, max: 3000, noNaN: true }), fc.constantFrom('in' as const, 'cm' as const), (mm, system) => {
        const read = parseLength(formatLength(mm, system, { fraction: 16 }), system)
        return read.ok && Math.abs(read.value - mm) <= (system === 'in' ? 25.4 / 32 : 0.5) + 1e-9
      }),
    )
  })
  it('carries a fraction that rounds up to a whole', () => {
    expect(formatLength(25.39, 'in', { fraction: 16 })).toBe('1 in')
    expect(formatLength(0.999 * 25.4, 'in')).toBe('1 in')
  })
})

describe('rounding shares', () => {
  it('in equal parts differ by one mark at most', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 400, noNaN: true }), fc.integer({ min: 1, max: 9 }), (whole, n) => {
        const step = rulerStepMm('cm')
        const parts = roundToRuler(
          Array.from({ length: n }, () => whole / n),
          step,
        )
        return Math.max(...parts) - Math.min(...parts) <= step + 1e-9
      }),
    )
  })
  it('leave exact marks as they are', () => {
    expect(roundToRuler([25.4, 12.7, 3.175], rulerStepMm('in'))).toEqual([25.4, 12.7, 3.175])
    expect(roundToRuler([], 1)).toEqual([])
  })
  it('give the earlier part the mark when two are alike', () => {
    expect(roundToRuler([0.5, 0.5], 1)).toEqual([1, 0])
  })
})

describe('limits inside sentences', () => {
  it('are written rounded toward nothing, so that what is read and typed still works', () => {
    expect(writeLengths(limitToken(25), 'in')).toBe('15/16 in')
    expect(writeLengths(limitToken(25.4), 'in')).toBe('1 in')
    expect(writeLengths(limitToken(25.9), 'cm')).toBe('2.5 cm')
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), fc.constantFrom('in' as const, 'cm' as const), (mm, units) => {
        const read = parseLength(writeLengths(limitToken(mm), units), units)
        return read.ok && read.value <= mm + 1e-6 && mm - read.value < 1.6
      }),
    )
  })
})
