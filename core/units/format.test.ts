import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  differenceToken,
  formatDifference,
  formatFigure,
  formatLength,
  lengthToken,
  limitToken,
  markMm,
  parseLength,
  roundToRuler,
  RULERS,
  unitsOf,
  writeLengths,
  type Ruler,
} from './index'

const ruler = fc.constantFrom(...(Object.keys(RULERS) as Ruler[]))
const millimetres = fc.double({ min: -3000, max: 3000, noNaN: true })

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
  it('writes what it then reads, to half a mark, by every ruler', () => {
    fc.assert(
      fc.property(millimetres, ruler, (mm, by) => {
        const read = parseLength(formatLength(mm, by), unitsOf(by))
        return read.ok && Math.abs(read.value - mm) <= markMm(by) / 2 + 1e-9
      }),
    )
  })
  it('is as fine as its marks', () => {
    expect(formatLength(4.8, 'in')).toBe('3/16 in')
    expect(formatLength(4.8, 'in-eighths')).toBe('1/4 in')
    expect(formatLength(34.6, 'cm')).toBe('3.5 cm')
    expect(formatLength(34.6, 'cm-halves')).toBe('3.45 cm')
  })
  it('writes decimals as the place does', () => {
    expect(formatLength(34.6, 'cm-comma')).toBe('3,5 cm')
    expect(formatLength(-34.6, 'cm-halves-comma', { bare: true })).toBe('−3,45')
    expect(formatDifference(100.3, 100, 'cm-comma')).toBe('0,3 mm')
    expect(writeLengths(`at most ${limitToken(25.9)}, ${differenceToken(10, 12)} apart`, 'cm-comma')).toBe('at most 2,5 cm, 0,2 cm apart')
    expect(formatFigure(0.4567, 2, 'cm-comma')).toBe('0,46')
    expect(formatFigure(0.4567, 2, 'in')).toBe('0.46')
  })
  it('carries a fraction that rounds up to a whole', () => {
    expect(formatLength(25.39, 'in')).toBe('1 in')
    expect(formatLength(0.999 * 25.4, 'in-eighths')).toBe('1 in')
  })
})

describe('differences', () => {
  it('are those of the figures that are shown, within one mark of the exact one', () => {
    fc.assert(
      fc.property(millimetres, fc.double({ min: -30, max: 30, noNaN: true }), ruler, (before, by, as) => {
        const written = formatDifference(before + by, before, as, { signed: true })
        if (written.endsWith('mm')) return formatLength(before + by, as) === formatLength(before, as)
        const [difference, after, first] = [written, formatLength(before + by, as), formatLength(before, as)].map((t) => {
          const read = parseLength(t, unitsOf(as))
          return read.ok ? read.value : NaN
        })
        return Math.abs(difference! - (after! - first!)) < 1e-9 && Math.abs(difference! - by) <= markMm(as) + 1e-9
      }),
    )
  })
  it('are never written as nothing where there is one', () => {
    expect(formatDifference(100.3, 100, 'in')).toBe('0.3 mm')
    expect(formatDifference(100, 100.3, 'cm', { signed: true })).toBe('−0.3 mm')
    expect(formatDifference(100, 100, 'in', { signed: true })).toBe('0 in')
    expect(writeLengths(`${differenceToken(10, 12)} apart`, 'cm')).toBe('0.2 cm apart')
  })
})

describe('rounding shares', () => {
  it('in equal parts differ by one mark at most', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 400, noNaN: true }), fc.integer({ min: 1, max: 9 }), (whole, n) => {
        const step = markMm('cm')
        const parts = roundToRuler(
          Array.from({ length: n }, () => whole / n),
          step,
        )
        return Math.max(...parts) - Math.min(...parts) <= step + 1e-9
      }),
    )
  })
  it('leave exact marks as they are', () => {
    expect(roundToRuler([25.4, 12.7, 3.175], markMm('in-eighths'))).toEqual([25.4, 12.7, 3.175])
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
