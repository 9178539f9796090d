import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLength, markMm, parseLength, roundToRuler } from './index'

function mm(text: string, system: 'in' | 'cm' = 'in') {
  const read = parseLength(text, system)
  return read.ok ? read.value : read.problem.code
}

describe('parseLength', () => {
  it.each([
    ['1 3/8', 34.925],
    ['1-3/8', 34.925],
    ['1.375"', 34.925],
    ['1⅜', 34.925],
    ['1 ⅜ in', 34.925],
    ['１ ３/８', 34.925],
    ['１．３７５', 34.925],
    ['3/8"', 9.525],
    ['⅜', 9.525],
    ['35mm', 35],
    ['3.5 cm', 35],
    ['3,5 cm', 35],
    ['-1/2', -12.7],
    ['−1 1/2', -38.1],
    ['2 inches', 50.8],
    ['.5', 12.7],
    ['1\' 2 1/2"', 368.3],
    ['1′ 2', 355.6],
    ['19″', 19 * 25.4],
    ['19”', 19 * 25.4],
    ['19’’', 19 * 25.4],
    ['5 ft', 60 * 25.4],
    ['5’ 4', 64 * 25.4],
    ['1⅐', (8 / 7) * 25.4],
    ['⅑', 25.4 / 9],
    ['⅒', 2.54],
    ['2⅞″', 2.875 * 25.4],
    ['⅟8', 3.175],
    ['3∕8', 9.525],
    ['0', 0],
    ['5 ⅛”', 130.175],
    ['1 1⁄16', 26.9875],
    ['1 and 3/8', 34.925],
    ['0.1 m', 100],
  ])('reads %s in inches', (text, expected) => {
    expect(mm(text)).toBeCloseTo(expected as number, 9)
  })
  it.each(["5'", '5’', '5′', '-3 1/2’'])('asks whether %s means feet', (text) => {
    const read = parseLength(text, 'in')
    expect(read).toMatchObject({ ok: false, problem: { code: 'length-feet' } })
    if (!read.ok) expect(read.problem.remedy).toMatch(/Is that meant\?/)
  })
  it('takes no word of the language for a unit, and reads no text that is longer than a length', () => {
    for (const word of ['constructor', 'toString', '__proto__', 'hasOwnProperty']) expect(parseLength(`5 ${word}`, 'in').ok).toBe(false)
    const long = parseLength('1'.repeat(100_000), 'in')
    expect(!long.ok && long.problem.where.length).toBeLessThan(40)
  })
  it('takes a bare figure in the chosen system', () => {
    expect(mm('3.5', 'cm')).toBeCloseTo(35, 9)
    expect(mm('3 1/2', 'cm')).toBeCloseTo(35, 9)
    expect(mm('1 3/8"', 'cm')).toBeCloseTo(34.925, 9)
  })
  it.each(['', '  ', 'abc', '1/0', '1 2 3', '5 furlongs', '3 cm 4 in', '1..2', '--3', '3 cm 4 cm', '1e400', 'NaN'])(
    'refuses %j with a sentence',
    (text) => {
      const read = parseLength(text, 'in')
      expect(read.ok).toBe(false)
      if (!read.ok) {
        expect(read.problem.code).toBe('length-unreadable')
        expect(read.problem.message).toMatch(/\.$/)
      }
    },
  )
  it('reads back what it writes, in both systems', () => {
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 4000 }), (marks) => {
        const inches = (marks / 16) * 25.4
        const read = parseLength(formatLength(inches, 'in'), 'cm')
        const metric = parseLength(formatLength(marks, 'cm'), 'in')
        return read.ok && Math.abs(read.value - inches) < 1e-9 && metric.ok && Math.abs(metric.value - marks) < 1e-9
      }),
    )
  })
})

describe('formatLength', () => {
  it('writes fractions in lowest terms', () => {
    expect(formatLength(34.925, 'in')).toBe('1 3/8 in')
    expect(formatLength(12.7, 'in', { signed: true })).toBe('+1/2 in')
    expect(formatLength(-38.1, 'in')).toBe('−1 1/2 in')
    expect(formatLength(0.2, 'in', { signed: true })).toBe('0 in')
    expect(formatLength(25.3, 'in')).toBe('1 in')
  })
  it('writes centimetres to the millimetre', () => {
    expect(formatLength(34.96, 'cm')).toBe('3.5 cm')
    expect(formatLength(-0.2, 'cm')).toBe('0.0 cm')
    expect(formatLength(1234, 'cm', { bare: true })).toBe('123.4')
  })
})

describe('roundToRuler', () => {
  it('worked case 8: shares and thirds still add up', () => {
    const eighth = markMm('in-eighths')
    const [a, b] = roundToRuler([1.1417 * 0.56 * 25.4, 1.1417 * 0.44 * 25.4], eighth)
    expect([a! / 25.4, b! / 25.4]).toEqual([5 / 8, 1 / 2])
    const thirds = roundToRuler(
      [1, 1, 1].map(() => (1.7 / 3) * 25.4),
      markMm('in'),
    )
    expect(thirds.map((t) => t / 25.4)).toEqual([9 / 16, 9 / 16, 9 / 16])
  })
  it('always adds up to the rounded whole and is off by less than a mark a part', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -500, max: 500, noNaN: true }), { minLength: 1, maxLength: 8 }), (parts) => {
        const step = markMm('in-eighths')
        const rounded = roundToRuler(parts, step)
        const whole = Math.round(parts.reduce((x, y) => x + y, 0) / step)
        const sum = Math.round(rounded.reduce((x, y) => x + y, 0) / step)
        return Math.abs(sum - whole) < 1e-9 && rounded.every((r, i) => Math.abs(r - parts[i]!) < step + 1e-6)
      }),
    )
  })
})
