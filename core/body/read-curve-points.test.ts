import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readCurvePoints } from './read-curve-points'

const TYPED = '0 0\n2, 90\n10;180\n70 262.5 *\n\n160\t240\n212,5 120\n205 -30'

describe('a typed reading', () => {
  it('is one point a line, however its figures are parted, with the inseam marked', () => {
    const read = readCurvePoints(TYPED)
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value.points).toHaveLength(7)
    expect(read.value.inseam).toBe(3)
    expect(read.value.points[3]).toEqual({ x: 70, y: 262.5 })
  })
  it.each([
    ['', 'curve-points'],
    [TYPED.replace(' *', ''), 'curve-inseam'],
    [TYPED.replace('0 0', '0 0 *'), 'curve-inseam'],
    [TYPED.replace('2, 90', 'knee'), 'curve-line'],
    ['0 0\n0 1\n0 2 *\n0 3\n0 4', 'curve-span'],
    ['1 2 *\n3 4', 'curve-points'],
    ['{"unit":"mm","inseam":3', 'curve-file'],
    ['{"unit":"inch","inseam":3,"points":[]}', 'curve-file'],
    ['x'.repeat(300_000), 'curve-points'],
  ])('%j is refused with a sentence', (text, code) => {
    const read = readCurvePoints(text)
    expect(!read.ok && read.problem.code).toBe(code)
    expect(!read.ok && read.problem.remedy.length).toBeGreaterThan(10)
  })
  it('names the line that is no point', () => {
    const read = readCurvePoints(TYPED.replace('2, 90', 'knee'))
    expect(!read.ok && read.problem.where).toContain('line 2')
  })
  it('as a reader’s file is read back', () => {
    const point = fc.tuple(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -300, max: 300 }))
    fc.assert(
      fc.property(fc.array(point, { minLength: 6, maxLength: 60 }), fc.nat(), (points, pick) => {
        const inseam = 1 + (pick % (points.length - 2))
        const read = readCurvePoints(JSON.stringify({ unit: 'mm', inseam, points }))
        if (!read.ok) return expect(read.problem.code).toBe('curve-span')
        expect(read.value.points).toEqual(points.map(([x, y]) => ({ x, y })))
        expect(read.value.inseam).toBe(inseam)
      }),
    )
  })
})
