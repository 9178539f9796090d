import { describe, expect, it } from 'vitest'
import { HALVES } from '../../seams'
import { armholeFigures, begunOn, done, roleMm, tried } from '../../../demo/test-kinds'
import { bicepWidth } from './index'

describe('a wider or narrower sleeve at the bicep', () => {
  it.each(begunOn(bicepWidth))(
    '%s: each armhole takes half of what the cap grows by, the wrist stays, in every size',
    (_, garment, begun) => {
      for (const amountMm of [22, -9])
        for (const armhole of ['lower', 'out'] as const) {
          const applied = tried(bicepWidth, garment, { ...begun, amountMm, armhole })
          if (!applied) continue
          for (const { id: sizeId } of garment.sizes) {
            const [was, is] = [armholeFigures(garment, sizeId), armholeFigures(applied.garment, sizeId)]
            const grew = is.cap.front + is.cap.back - was.cap.front - was.cap.back
            expect(Math.sign(grew), `${armhole} ${amountMm}`).toBe(Math.sign(amountMm))
            for (const half of HALVES) {
              expect(Math.abs(is.armhole[half] - was.armhole[half] - grew / 2), `${half} ${sizeId}`).toBeLessThan(0.1)
              expect(Math.abs(is.ease[half] - was.ease[half]), `${half} ${sizeId}`).toBeLessThan(0.3)
            }
            for (const piece of garment.pieces.filter((p) => p.kind === 'sleeve'))
              expect(Math.abs(roleMm(applied.garment, piece.id, 'hem', sizeId) - roleMm(garment, piece.id, 'hem', sizeId))).toBeLessThan(
                0.05,
              )
          }
        }
    },
  )
  it.each(begunOn(bicepWidth))('%s: where the armhole stays, the cap has the more ease', (_, garment, begun) => {
    const { garment: after } = done(bicepWidth, garment, { ...begun, amountMm: 14, armhole: 'stays' })
    const [was, is] = [armholeFigures(garment, garment.baseSizeId), armholeFigures(after, garment.baseSizeId)]
    expect(is.ease.front + is.ease.back - was.ease.front - was.ease.back).toBeGreaterThan(0.5)
    for (const half of HALVES) {
      expect(is.armhole[half]).toBeCloseTo(was.armhole[half], 6)
      expect(is.ease[half]).toBeGreaterThan(was.ease[half])
    }
  })
})
