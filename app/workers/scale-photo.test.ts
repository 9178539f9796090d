import fc from 'fast-check'
import { expect, it } from 'vitest'
import { scaledSize, scalePhoto } from './scale-photo'

it('a photograph is scaled down to its longer side, never up, and keeps its shape', () => {
  expect(scaledSize(4000, 3000)).toEqual({ width: 1600, height: 1200 })
  expect(scaledSize(600, 800)).toEqual({ width: 600, height: 800 })
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20000 }), fc.integer({ min: 1, max: 20000 }), (w, h) => {
      const { width, height } = scaledSize(w, h)
      expect(Math.max(width, height)).toBeLessThanOrEqual(1600)
      expect(Math.min(width, height)).toBeGreaterThanOrEqual(1)
      // A pixel of rounding on the shorter side.
      if (Math.max(w, h) > 1600) expect(Math.abs(width * h - height * w)).toBeLessThanOrEqual(Math.max(w, h))
      else expect([width, height]).toEqual([w, h])
    }),
  )
})

it('what no browser reads as a picture is refused by its name', async () => {
  const read = await scalePhoto(new Blob(['no picture']), 'seam.txt')
  expect(read.ok ? '' : `${read.problem.where}: ${read.problem.message}`).toBe('seam.txt: this browser cannot read it as a picture.')
  const large = { size: 70_000_000 } as Blob
  expect((await scalePhoto(large, 'huge.tif')).ok).toBe(false)
})
