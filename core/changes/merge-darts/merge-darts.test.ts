import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftTwoDarts } from '../../../demo/dart-blouses'
import { distance, subtract, turnRad, type Point } from '../../geometry'
import { checkGarment, type Garment } from '../../pattern'
import { apply, context, DART, figures, front, roleMm, shape } from '../shared/darts/test-darts'
import { mergeDartsKind } from '.'

const begun = (garment: Garment) => {
  const inputs = mergeDartsKind.begin(garment, context)
  if (!inputs.ok) throw new Error(inputs.problem.message)
  return inputs.value
}
const angleDeg = (apex: Point, d: { first: Point; second: Point }) =>
  Math.abs(turnRad(subtract(d.first, apex), subtract(d.second, apex))) * (180 / Math.PI)

describe('merge two darts', () => {
  it('merges into one dart with equal legs', () => {
    const inputs = mergeDartsKind.begin(draftTwoDarts(), context)
    if (!inputs.ok) throw new Error('no two darts')
    const done = apply(mergeDartsKind, draftTwoDarts(), inputs.value)
    expect(front(done.garment).darts).toHaveLength(1)
    const d = figures(done.garment, front(done.garment).darts[0]!.id)
    expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.02)
  })
  it('gives back, either way round, the dart that was split: angle, edge lengths and tip', () => {
    const [whole, split] = [draftBlouse(), draftTwoDarts()]
    const apex = shape(whole).points.apex!
    const inputs = begun(split)
    for (const into of [inputs.into, inputs.dart]) {
      const done = apply(mergeDartsKind, split, { ...inputs, into, dart: into === inputs.into ? inputs.dart : inputs.into })
      const dart = front(done.garment).darts[0]!
      expect(angleDeg(apex, figures(done.garment, dart.id))).toBeCloseTo(angleDeg(apex, figures(whole)), 2)
      expect(distance(figures(done.garment, dart.id).tip, apex)).toBeCloseTo(inputs.tipBackMm, 6)
      for (const role of ['neck', 'shoulder', 'hem'] as const) expect(roleMm(done.garment, role)).toBeCloseTo(roleMm(whole, role), 1)
    }
  })
  it('says how far two middle lines that do not meet at the apex miss it', () => {
    const split = draftTwoDarts()
    expect(apply(mergeDartsKind, split, begun(split)).cautions.map((c) => c.code)).not.toContain('middles-miss')
    const aside = structuredClone(split)
    aside.pieces.find((p) => p.id === 'front')!.shapes.one!.points.apex!.x += 25
    const done = mergeDartsKind.apply(aside, begun(split), context)
    expect(done.ok && done.value.cautions.find((c) => c.code === 'middles-miss')?.message).toMatch(/meet .* away from the apex/)
  })
  it('refuses a dart with itself, one that has gone, and a garment with one', () => {
    const split = draftTwoDarts()
    const same = mergeDartsKind.apply(split, { ...begun(split), dart: DART, into: DART }, context)
    expect(!same.ok && same.problem.code).toBe('not-two')
    const gone = mergeDartsKind.apply(draftBlouse(), begun(split), context)
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
    const one = mergeDartsKind.begin(draftBlouse(), context)
    expect(!one.ok && one.problem.code).toBe('no-two-darts')
    expect(checkGarment(split)).toBeNull()
  })
  it('keeps two darts chosen when one of them is chosen anew, and tells on paper how wide the one that stays becomes', () => {
    const split = draftTwoDarts()
    const inputs = begun(split)
    const swapped = mergeDartsKind.withField!(split, inputs, 'dart', inputs.into) as typeof inputs
    expect(swapped.dart).toBe(inputs.into)
    expect(swapped.into).toBe(inputs.dart)
    const applied = apply(mergeDartsKind, split, inputs)
    const steps = mergeDartsKind.paperSteps({ before: split, inputs, applied, context, ruler: 'cm-halves' })
    const opens = figures(applied.garment, front(applied.garment).darts[0]!.id).intakeMm
    const told = Number(/opens to ([\d.]+) cm/.exec(steps.map((s) => s.text).join(' '))![1]) * 10
    expect(Math.abs(told - opens)).toBeLessThanOrEqual(0.5)
  })
})
