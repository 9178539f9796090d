import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyAffine, IDENTITY } from '../geometry'
import { readTransform } from './svg-attributes'

describe('what a “transform” does', () => {
  const at = (text: string, x = 3, y = 5) => {
    const done = readTransform(text)
    if (!done) throw new Error(`“${text}” was not read`)
    return applyAffine(done, { x, y })
  }
  it.each([
    ['translate(10)', { x: 13, y: 5 }],
    ['translate(10, -2)', { x: 13, y: 3 }],
    ['scale(2)', { x: 6, y: 10 }],
    ['scale(2 -1)', { x: 6, y: -5 }],
    ['rotate(90)', { x: -5, y: 3 }],
    ['rotate(180 4 4)', { x: 5, y: 3 }],
    ['skewX(45)', { x: 8, y: 5 }],
    ['skewY(45)', { x: 3, y: 8 }],
    ['matrix(1 2 3 4 5 6)', { x: 23, y: 32 }],
    // The last is done first; in a style figures have units.
    ['translate(100 0) scale(2)', { x: 106, y: 10 }],
    ['scale(2), translate(100 0)', { x: 206, y: 10 }],
    ['translate(10px, 5px) rotate(90deg)', { x: 5, y: 8 }],
  ])('%s', (text, wanted) => {
    expect(at(text).x).toBeCloseTo(wanted.x, 9)
    expect(at(text).y).toBeCloseTo(wanted.y, 9)
  })
  it('is nothing where nothing is said', () => {
    expect(readTransform(null)).toEqual(IDENTITY)
    expect(readTransform('')).toEqual(IDENTITY)
  })
  it('loses no small scale over a long way', () => {
    const done = readTransform('translate(1000000000 0) scale(0.000001)')!
    expect(done.a / 1e-6).toBeCloseTo(1, 6)
    expect(done.e).toBe(1e9)
  })
  it.each([
    'scale(1e200) scale(1e200)',
    'turn(90)',
    'matrix(1 2 3)',
    'rotate(1 2)',
    'scale()',
    'translate(NaN)',
    'scale(1e999)',
    'rotate(0.25turn)',
  ])('cannot be read from “%s”, and is not passed over', (text) => expect(readTransform(text)).toBeNull())
  it('turned and turned back leaves every place where it was, also far out', () => {
    const figure = fc.double({ min: -1e5, max: 1e5, noNaN: true })
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), figure, figure, (deg, x, y) => {
        const back = at(`rotate(${-deg} 40 -9000) rotate(${deg} 40 -9000)`, x, y)
        expect(Math.hypot(back.x - x, back.y - y)).toBeLessThan(1e-6)
      }),
    )
  })
})
