import fc from 'fast-check'
import { expect, it } from 'vitest'
import { bestLayout } from './best-layout'
import { layOut } from './lay-out'

const prints = (sizes: readonly (readonly [number, number])[]) =>
  sizes.map(([w, h], i) => ({ pieceId: `p${i}`, box: { minX: 0, minY: 0, maxX: w, maxY: h } }))
const scale = (l: { widthMm: number; heightMm: number }, frame: { width: number; height: number }) =>
  Math.min(frame.width / l.widthMm, frame.height / l.heightMm)

it('shows pieces at least as large as any one width would, in frames of any proportion', () => {
  const side = fc.integer({ min: 40, max: 900 })
  fc.assert(
    fc.property(fc.array(fc.tuple(side, side), { minLength: 1, maxLength: 8 }), side, side, (sizes, width, height) => {
      const frame = { width, height }
      const best = bestLayout(prints(sizes), frame, 30)
      expect(best.pieces).toHaveLength(sizes.length)
      for (const w of [500, 1300, 3000])
        expect(scale(best, frame)).toBeGreaterThanOrEqual(scale(layOut(prints(sizes), w, 30), frame) - 1e-12)
    }),
    { numRuns: 60 },
  )
})
it('lays the same pieces in a column for a narrow frame and in a row for a wide one', () => {
  const three = prints([
    [400, 400],
    [400, 400],
    [400, 400],
  ])
  const [column, row] = [bestLayout(three, { width: 100, height: 300 }, 20), bestLayout(three, { width: 300, height: 100 }, 20)]
  expect(column.heightMm).toBeGreaterThan(column.widthMm)
  expect(row.widthMm).toBeGreaterThan(row.heightMm)
})
it('of no pieces is an empty sheet', () => {
  expect(bestLayout([], { width: 300, height: 200 }, 20).pieces).toEqual([])
})
