import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { measureLength } from '../../geometry'
import { walkGarment } from '../../match'
import { edgePath, otherHalf, type Garment } from '../../pattern'
import { apply, context, DART, figures, front, roleMm, shape } from '../shared/darts/test-darts'
import { takeInFoldKind } from '.'

describe('take in a pinned fold', () => {
  it('takes a pinned fold from the armhole into the dart; it is measured from either corner or a notch', () => {
    const garment = draftBlouse()
    const inputs = { dart: DART, edgeId: 'armhole', from: 'at-armhole', atMm: 165, amountMm: 12, sides: 'both' as const, tipBackMm: 38 }
    const done = apply(takeInFoldKind, garment, inputs)
    expect(figures(done.garment).intakeMm).toBeGreaterThan(figures(garment).intakeMm)
    const lost = roleMm(garment, 'armhole') - roleMm(done.garment, 'armhole')
    expect(lost).toBeGreaterThan(8)
    expect(lost).toBeLessThan(13)
    const whole = measureLength(edgePath(shape(garment), 'armhole'))
    const fromEnd = apply(takeInFoldKind, garment, { ...inputs, from: 'at-side-upper', atMm: whole - 177 })
    expect(figures(fromEnd.garment).intakeMm).toBeCloseTo(figures(done.garment).intakeMm, 2)
    // The notch lies 86 mm before the underarm.
    const fromNotch = apply(takeInFoldKind, garment, { ...inputs, from: 'notch:armhole', atMm: 5 })
    const same = apply(takeInFoldKind, garment, { ...inputs, atMm: whole - 81 })
    expect(figures(fromNotch.garment).intakeMm).toBeCloseTo(figures(same.garment).intakeMm, 6)
    const beside = takeInFoldKind.apply(garment, { ...inputs, amountMm: 900 }, context)
    expect(!beside.ok && beside.problem.largestMm).toBeGreaterThan(20)
  })
  it('takes a fold of one side in on that side alone: the piece is opened out, each half as it would be by itself', () => {
    const garment = draftBlouse()
    const inputs = { dart: DART, edgeId: 'armhole', from: 'at-armhole', atMm: 165, amountMm: 12, sides: 'both' as const, tipBackMm: 38 }
    const both = apply(takeInFoldKind, garment, inputs).garment
    for (const [sides, changed, kept] of [
      ['one', (id: string) => id, otherHalf],
      ['other', otherHalf, (id: string) => id],
    ] as const) {
      const done = apply(takeInFoldKind, garment, { ...inputs, sides })
      expect(done.cautions.map((c) => c.code)).toContain('opened-out')
      expect(front(done.garment).edges.some((e) => e.fold)).toBe(false)
      const intake = (id: string) => figures(done.garment, id).intakeMm
      expect(intake(changed('side-dart'))).toBeCloseTo(figures(both).intakeMm, 6)
      expect(intake(kept('side-dart'))).toBeCloseTo(figures(garment).intakeMm, 6)
      const armholeMm = (g: Garment, id: string) => measureLength(edgePath(shape(g), id))
      expect(armholeMm(done.garment, changed('armhole'))).toBeCloseTo(armholeMm(both, 'armhole'), 6)
      expect(armholeMm(done.garment, kept('armhole'))).toBeCloseTo(armholeMm(garment, 'armhole'), 6)
      // The sleeve is not changed: only the side that was pinned has a cap too long for it.
      const off = walkGarment(done.garment, 'one').seams.filter((s) => s.verdict !== 'good')
      const asBoth = walkGarment(both, 'one').seams.filter((s) => s.verdict !== 'good')
      expect(off.map((s) => s.seam.id)).toEqual(asBoth.map((s) => changed(s.seam.id)))
    }
  })
  it('promises the width of the fold as measured on what the dart gained, in any amount', () => {
    for (const amountMm of [2, 6.35, 19]) {
      const inputs = { dart: DART, edgeId: 'armhole', from: 'at-armhole', atMm: 150, amountMm, sides: 'both' as const, tipBackMm: 38 }
      const promise = apply(takeInFoldKind, draftBlouse(), inputs).held.find((h) => h.label.startsWith('fold'))!
      // Straight between its pins a fold is a little narrower than along the curve.
      expect(promise.before).toBeLessThanOrEqual(amountMm)
      expect(promise.before).toBeGreaterThan(amountMm - 0.2)
      expect(Math.abs(promise.after - promise.before)).toBeLessThan(0.02)
    }
  })
  it('refuses a dart, an edge or a mark that has gone', () => {
    const inputs = { dart: DART, edgeId: 'armhole', from: 'at-armhole', atMm: 165, amountMm: 12, sides: 'both' as const, tipBackMm: 38 }
    for (const gone of [{ dart: 'front other' }, { edgeId: 'other' }, { from: 'at-other' }]) {
      const refused = takeInFoldKind.apply(draftBlouse(), { ...inputs, ...gone }, context)
      expect(!refused.ok && refused.problem.code).toBe('reference-gone')
    }
  })
})
