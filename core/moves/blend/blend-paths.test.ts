import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cubic, distance, line, measureLength, placeAt, type Path } from '../../geometry'
import { blendPaths, blendStraight, easeIn, type Weights } from '../index'

const at = (x: number, y: number) => ({ x, y })
/** A side seam, and the same one size larger: 12 further out, a little longer. */
const small: Path = [cubic(at(100, 0), at(96, 50), at(86, 90), at(86, 140)), cubic(at(86, 140), at(86, 200), at(98, 260), at(104, 320))]
const large: Path = [cubic(at(112, 0), at(108, 51), at(98, 92), at(98, 143)), cubic(at(98, 143), at(98, 205), at(110, 266), at(116, 327))]
const paths = new Map([
  ['s', small],
  ['l', large],
])
const mix = (u: number): Weights =>
  new Map([
    ['s', 1 - u],
    ['l', u],
  ])
/** One size above the first share, the other below the second. */
const over = (from: number, to: number) => (u: number) => mix(easeIn((u - from) / (to - from)))

describe('blending one edge out of two sizes', () => {
  it('is exactly a size where only that size counts', () => {
    expect(blendPaths(paths, () => mix(0), [])).toBe(small)
    expect(blendPaths(paths, () => mix(1), [])).toBe(large)
  })
  it('mixed by fixed parts lies as far from both, everywhere', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (part, u) => {
        const mixed = blendPaths(paths, () => mix(part), [])
        const p = placeAt(mixed, measureLength(mixed) * u).point
        const a = placeAt(small, measureLength(small) * u).point
        const b = placeAt(large, measureLength(large) * u).point
        expect(distance(p, at(a.x + (b.x - a.x) * part, a.y + (b.y - a.y) * part))).toBeLessThan(0.3)
      }),
    )
  })
  it('keeps the upper size above the change and the lower one below it, and stays between them', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.4, noNaN: true }), fc.double({ min: 0.15, max: 0.5, noNaN: true }), (from, wide) => {
        const to = from + wide
        const blended = blendPaths(paths, over(from, to), [from, to])
        expect(distance(blended[0]!.from, small[0]!.from)).toBeLessThan(1e-9)
        expect(distance(blended[blended.length - 1]!.to, large[1]!.to)).toBeLessThan(1e-9)
        const total = measureLength(blended)
        for (let i = 0; i <= 20; i++) {
          const p = placeAt(blended, (total * i) / 20).point
          const outward = (path: Path) => {
            let low = 0
            let high = measureLength(path)
            for (let k = 0; k < 40; k++) {
              const middle = (low + high) / 2
              if (placeAt(path, middle).point.y < p.y) low = middle
              else high = middle
            }
            return placeAt(path, low).point.x
          }
          expect(p.x).toBeGreaterThan(outward(small) - 0.3)
          expect(p.x).toBeLessThan(outward(large) + 0.3)
        }
      }),
      { numRuns: 30 },
    )
  })
  it('has no longer a line than its sizes need', () => {
    const blended = blendPaths(paths, over(0.1, 0.6), [0.1, 0.6])
    expect(measureLength(blended)).toBeLessThan(Math.max(measureLength(small), measureLength(large)) + 4)
  })
  it('takes places from where they lie in each size', () => {
    // In the large size everything lies a tenth further along.
    const shareIn = (id: string, u: number) => (id === 'l' ? u ** 0.9 : u)
    const blended = blendPaths(paths, over(0.2, 0.8), [0.2, 0.8], shareIn)
    expect(measureLength(blended)).toBeLessThan(340)
    expect(distance(blended[blended.length - 1]!.to, large[1]!.to)).toBeLessThan(1e-9)
  })
})

describe('a line that is straight in every size', () => {
  const straight = new Map<string, Path>([
    ['s', [line(at(0, 0), at(0, 300))]],
    ['l', [line(at(0, 4), at(0, 320))]],
  ])
  it('stays one straight line between its blended ends', () => {
    expect(blendStraight(straight, at(0, 0), at(0, 320))).toEqual([line(at(0, 0), at(0, 320))])
  })
  it('is none where one of them bends, or nothing would be left', () => {
    expect(blendStraight(paths, at(0, 0), at(0, 320))).toBeNull()
    expect(blendStraight(straight, at(5, 5), at(5, 5))).toBeNull()
  })
})
