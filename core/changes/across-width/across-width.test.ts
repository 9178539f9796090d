import { describe, expect, it } from 'vitest'
import { armholeFigures, begunOn, contextFor, done, isSleeved, roleMm, tried } from '../../../demo/test-kinds'
import { findPiece } from '../../pattern'
import { HALVES } from '../../seams'
import { applyAcrossWidth } from './apply'
import { halvesOf, middleOf, wentOutMm } from './middle'
import { acrossWidth } from './index'

const OTHER = { front: 'back', back: 'front' } as const

describe('a back or a chest broader or narrower between its armholes', () => {
  it.each(begunOn(acrossWidth))(
    '%s: the middle of the armhole goes across, its ends and every other edge stay, in every size',
    (_, garment) => {
      let done = 0
      for (const half of HALVES)
        for (const amountMm of [-8, 6, 12]) {
          const applied = tried(acrossWidth, garment, { half, amountMm })
          if (!applied) continue
          done++
          for (const { id } of garment.sizes)
            for (const runs of halvesOf(garment, half)) {
              const { pieceId } = middleOf(garment, runs, id)
              expect(Math.abs(wentOutMm(garment, applied.garment, runs, id) - amountMm / 2), `${half} in ${id}`).toBeLessThan(0.05)
              for (const role of ['shoulder', 'side', 'neck', 'hem', 'waist'])
                expect(roleMm(applied.garment, pieceId, role, id), role).toBeCloseTo(roleMm(garment, pieceId, role, id), 6)
            }
        }
      expect(done).toBeGreaterThan(1)
    },
  )
  it.each(begunOn(acrossWidth, isSleeved))('%s: that half of the cap follows, the other stays', (_, garment) => {
    for (const half of HALVES) {
      const { garment: after } = done(acrossWidth, garment, { half, amountMm: 8 })
      for (const { id } of garment.sizes) {
        const [was, is] = [armholeFigures(garment, id), armholeFigures(after, id)]
        expect(Math.abs(is.armhole[half] - was.armhole[half]), half).toBeGreaterThan(0.05)
        expect(is.armhole[OTHER[half]]).toBeCloseTo(was.armhole[OTHER[half]], 6)
        for (const each of HALVES) expect(Math.abs(is.ease[each] - was.ease[each]), `${each} in ${id}`).toBeLessThan(0.3)
      }
    }
  })
  it('an armhole that would bend back is refused, with the most that works', () => {
    const [, garment] = begunOn(acrossWidth, isSleeved)[0]!
    const refused = applyAcrossWidth(garment, { half: 'back', amountMm: 90 }, contextFor(garment))
    if (refused.ok) throw new Error('a back became 90 mm broader')
    expect(refused.problem).toMatchObject({ code: 'amount-too-large', remedy: expect.stringContaining('with the shoulder') })
    expect(refused.problem.largestMm).toBeGreaterThan(6)
    done(acrossWidth, garment, { half: 'back', amountMm: refused.problem.largestMm! })
  })
  it('paper steps tell where to mark, and what the armhole measures then', () => {
    const [, garment] = begunOn(acrossWidth, isSleeved)[0]!
    const inputs = { half: 'back', amountMm: 6 } as const
    const applied = done(acrossWidth, garment, inputs)
    const steps = acrossWidth.paperSteps({ before: garment, inputs, applied, context: contextFor(garment), ruler: 'cm' })
    const cm = (armhole: number) => `${(Math.round(armhole) / 10).toFixed(1)} cm`
    expect(steps[0]!.text).toContain(`${findPiece(garment, 'back')!.name}: halfway down the armhole`)
    expect(steps[1]!.text).toContain(cm(armholeFigures(applied.garment, garment.baseSizeId).armhole.back))
  })
})
