import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { subtract, turnRad } from '../../geometry'
import type { Garment } from '../../pattern'
import { apply, context, figures, front, roleMm, shape } from '../shared/darts/test-darts'
import { splitDart } from '.'

const angleDeg = (garment: Garment, id: string) => {
  const apex = shape(garment).points.apex!
  const { first, second } = figures(garment, id)
  return Math.abs(turnRad(subtract(first, apex), subtract(second, apex))) * (180 / Math.PI)
}

describe('split a dart', () => {
  const begun = () => {
    const inputs = splitDart.begin(draftBlouse(), context)
    if (!inputs.ok) throw new Error(inputs.problem.message)
    return inputs.value
  }
  it('begins with half of the angle', () => {
    expect(begun().sharePct).toBe(50)
  })
  it('shares the angle as asked between two darts about one apex, and keeps every other edge', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 90 }), (sharePct) => {
        const garment = draftBlouse()
        const done = apply(splitDart, garment, { ...begun(), sharePct }).garment
        expect(front(done).darts).toHaveLength(2)
        const [stays, made] = front(done).darts.map((d) => angleDeg(done, d.id))
        const whole = angleDeg(garment, 'side-dart')
        expect(made! / whole).toBeCloseTo(sharePct / 100, 3)
        expect(stays! + made!).toBeCloseTo(whole, 3)
        for (const role of ['neck', 'hem'] as const) expect(roleMm(done, role)).toBeCloseTo(roleMm(garment, role), 6)
      }),
      { numRuns: 12 },
    )
  })
  it('says in its title that it splits, and that it moves where all of the angle goes', () => {
    const title = (sharePct: number) => splitDart.describe(draftBlouse(), { ...begun(), sharePct }).title
    expect(title(50)).toMatch(/^Split the /)
    expect(title(100)).toMatch(/^Move the /)
  })
})
