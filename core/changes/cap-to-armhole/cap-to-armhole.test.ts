import { describe, expect, it } from 'vitest'
import { HALVES } from '../../seams'
import { armholeFigures, begunOn, changedBy, contextFor, done, isSleeved, roleMm, tried } from '../../../demo/test-kinds'
import { capToArmhole } from './index'

describe('a cap that follows its armhole', () => {
  it.each(begunOn(capToArmhole, isSleeved))(
    '%s: has the ease that it had as bought, by height, by width and by both',
    (_, garment, begun) => {
      const off = changedBy('lower-armhole', garment, { amountMm: 10, cap: 'left' })
      for (const way of ['height', 'width', 'both'] as const) {
        const { garment: after } = done(
          capToArmhole,
          off,
          { ...begun, way, frontMm: 0, backMm: 0 },
          { ...contextFor(off), bought: garment },
        )
        for (const { id: sizeId } of garment.sizes) {
          const [bought, is, was] = [garment, after, off].map((g) => armholeFigures(g, sizeId))
          for (const half of HALVES) {
            expect(is!.armhole[half]).toBeCloseTo(was!.armhole[half], 6)
            expect(Math.abs(is!.ease[half] - bought!.ease[half]), `${way}, ${half}, ${sizeId}`).toBeLessThan(0.3)
          }
          for (const piece of garment.pieces.filter((p) => p.kind === 'sleeve'))
            expect(Math.abs(roleMm(after, piece.id, 'underarm', sizeId) - roleMm(garment, piece.id, 'underarm', sizeId))).toBeLessThan(0.1)
        }
      }
    },
  )
  it.each(begunOn(capToArmhole, isSleeved))(
    '%s: has so much more or less ease in front and at the back as is asked',
    (_, garment, begun) => {
      const applied = tried(capToArmhole, garment, { ...begun, way: 'height', frontMm: 3, backMm: -2 })
      if (!applied) return
      const [was, is] = [armholeFigures(garment, garment.baseSizeId), armholeFigures(applied.garment, garment.baseSizeId)]
      expect(is.ease.front - was.ease.front).toBeCloseTo(3, 1)
      expect(is.ease.back - was.ease.back).toBeCloseTo(-2, 1)
    },
  )
  it('says what moved of the piece that the shoulder meets, also on a sleeve in two pieces', () => {
    const jacket = begunOn(capToArmhole).find(([name]) => name === 'Harbour master’s jacket')!
    const { cautions } = done(capToArmhole, jacket[1], { ...jacket[2], way: 'height', frontMm: 3, backMm: 3 })
    expect(cautions.find((c) => c.code === 'cap-moved')!.message).toMatch(/^Upper sleeve: its top went .* up/)
  })
})
