import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../../demo/blouse'
import { draftSlantedDart, draftTwoDarts } from '../../../../demo/dart-blouses'
import { distance, measureLength, subtract, turnRad } from '../../../geometry'
import { walkGarment } from '../../../match'

import { dartFigures, edgePath, otherHalf, type Garment, mapShapes } from '../../../pattern'
import { mergeDartsKind } from '../../merge-darts'
import { raiseDartKind } from '../../raise-dart'
import { straightenDart } from '../../straighten-dart'
import { takeInFoldKind } from '../../take-in-fold'
import { context, DART, apply, front, shape, figures, roleMm } from './test-darts'

const DEG = 180 / Math.PI

describe('straighten a dart', () => {
  const exact = { dart: DART, way: 'exact' as const, lowerMm: 0, tipBackMm: 38, trued: true }
  it('lays the middle line on the cross-grain, exactly; half the intake by the ruler misses, and says by how much', () => {
    for (const garment of [draftSlantedDart(), draftBlouse()]) {
      const done = apply(straightenDart, garment, exact)
      const d = figures(done.garment)
      // The grain of these fronts runs along y: the middle of the mouth is as high as the apex, and the tip between them.
      const apex = shape(done.garment).points.apex!
      const middle = { x: (d.first.x + d.second.x) / 2, y: (d.first.y + d.second.y) / 2 }
      expect(Math.abs(turnRad({ x: 1, y: 0 }, subtract(middle, apex))) * DEG).toBeLessThan(0.01)
      expect(Math.abs(d.tip.y - apex.y)).toBeLessThan(0.01)
      expect(distance(d.tip, apex)).toBeCloseTo(38, 6)
      expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.01)
      const ruler = apply(straightenDart, garment, { ...exact, way: 'ruler' })
      const missed = ruler.cautions.find((c) => c.code === 'off-cross-grain')!
      expect(Number(/lies ([\d.]+) degrees/.exec(missed.message)![1])).toBeGreaterThan(0.01)
      expect(missed.mend!.inputs).toEqual(exact)
    }
  })
  it('goes lower where the cross-grain runs into the armhole, and says so', () => {
    // The apex as high as the hollow of the armhole, or just below it so that only the upper leg runs into it.
    for (const y of [240, 252, 264]) {
      const garment = mapShapes(draftBlouse(), 'front', (_, s) => ({ ...s, points: { apex: { x: 98, y } } }))
      const done = straightenDart.apply(garment, exact, context)
      if (!done.ok) throw new Error(done.problem.message)
      const said = done.value.cautions.find((c) => c.code === 'off-cross-grain')!
      expect(said.message).toContain('runs into the armhole, so the dart lies lower')
      const piece = front(done.value.garment)
      expect(dartFigures(piece, shape(done.value.garment), piece.darts[0]!).before.role).toBe('side')
      expect(done.value.cautions.map((c) => c.code)).not.toContain('near-armhole')
      // What cannot be straight is not promised to be; the mark lies far off the dart's line, so the side differs, and says so.
      expect(done.value.held.filter((h) => !h.held).map((h) => h.label)).toEqual(['side seam, difference of its sides'])
    }
  })
  it('says when an end comes near the armhole, and lowers it at a click', () => {
    // The apex little below the armhole.
    const garment = mapShapes(draftBlouse(), 'front', (_, s) => ({ ...s, points: { apex: { x: 98, y: 295 } } }))
    const near = apply(straightenDart, garment, exact)
    const mend = near.cautions.find((c) => c.code === 'near-armhole')!.mend!
    const lower = apply(straightenDart, garment, mend.inputs as typeof exact)
    expect(figures(lower.garment).first.y).toBeGreaterThan(figures(near.garment).first.y)
  })
})

describe('merge, take in, raise', () => {
  it('merges into one dart with equal legs', () => {
    const inputs = mergeDartsKind.begin(draftTwoDarts(), context)
    if (!inputs.ok) throw new Error('no two darts')
    const done = apply(mergeDartsKind, draftTwoDarts(), inputs.value)
    expect(front(done.garment).darts).toHaveLength(1)
    const d = figures(done.garment, front(done.garment).darts[0]!.id)
    expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.02)
  })
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
  it('raises and lowers a side dart with its apex, and comes back', () => {
    fc.assert(
      fc.property(fc.double({ min: -35, max: 30, noNaN: true }), (mm) => {
        // Drawn once, both its legs are alike from the apex.
        const garment = apply(raiseDartKind, draftBlouse(), { dart: DART, amountMm: 0.01 }).garment
        const up = apply(raiseDartKind, garment, { dart: DART, amountMm: mm }).garment
        expect(shape(up).points.apex!.y).toBeCloseTo(shape(garment).points.apex!.y - mm, 6)
        const [a, b] = [figures(garment), figures(up)]
        expect(b.tip.y - a.tip.y).toBeCloseTo(-mm, 6)
        const back = apply(raiseDartKind, up, { dart: DART, amountMm: -mm }).garment
        expect(distance(figures(back).first, a.first)).toBeLessThan(0.5)
      }),
      { numRuns: 12 },
    )
  })
})
