import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, findKind, foldPlan, newStop, withId } from '../changes'
import { stopsOf } from '../formats'
import { DEFAULT_TOLERANCES } from '../match'
import { makeWorksheet } from '../size'
import { foldOwnStops, planSizes, sizeUp } from '.'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const fit = (id: string) => {
  const project = projects.find((p) => p.id === id)!
  const context = contextOf(project.garment, project, wearers.find((w) => w.id === project.wearerId) ?? null, DEFAULT_TOLERANCES)
  return { project, context, folded: foldPlan(project.garment, stopsOf(project), context) }
}

describe('the plan before its sizes', () => {
  it('is the plan itself where no stop gives a zone its size, and is without those that do', () => {
    const { project, context } = fit('demo-blouse')
    const kind = findKind('lengthen')
    const begun = kind.begin(project.garment, context)
    const length = withId(newStop('lengthen', kind.withAmount!(project.garment, begun.ok ? begun.value : never(), 12, context)), 'own')
    const plain = foldPlan(project.garment, [length], context)
    expect(foldOwnStops(plain, context)).toBe(plain)
    const planned = planSizes(project.garment, context).map((c, i) => withId(c, `c${i}`))
    const whole = foldPlan(project.garment, [length, ...planned], context)
    const before = foldOwnStops(whole, context)
    expect(before.stops.length).toBeLessThan(whole.stops.length)
    expect(before.stops[0]!.change.id).toBe('own')
    expect(before.stops.every((s) => !['grade', 'blend', 'add-at-edge'].includes(s.change.kind))).toBe(true)
  })
})

describe('sizing a garment up', () => {
  it('makes the worksheet of the pieces that are traced; the same for a cup that is the pattern’s own', () => {
    for (const { id } of projects) {
      const { context, folded } = fit(id)
      const before = foldOwnStops(folded, context).garment
      const { traced, sheet } = sizeUp(before, context)
      const plain = makeWorksheet(traced, context.sizing, context.body, context.bought)
      expect(sheet.rows.map((r) => [r.zone.id, r.bodyMm, r.wantedMm, r.remainderMm])).toEqual(
        plain.rows.map((r) => [r.zone.id, r.bodyMm, r.wantedMm, r.remainderMm]),
      )
      expect(sheet.lengths).toEqual(plain.lengths)
    }
  })
  it('compares what is printed on the pattern with the pieces as bought, whatever was done to them since', () => {
    const { project, context } = fit('demo-blouse')
    const printed = { ...context, sizing: { ...context.sizing, printed: { [project.garment.baseSizeId]: { bust: 100 } } } }
    const asBought = sizeUp(project.garment, printed).sheet.rows
    expect(asBought.find((r) => r.zone.id === 'bust')!.disagree).toHaveLength(1)
    const kind = findKind('bust-amount')
    const begun = kind.begin(project.garment, context)
    const fuller = withId(newStop('bust-amount', kind.withAmount!(project.garment, begun.ok ? begun.value : never(), 20, context)), 'x')
    const after = foldPlan(project.garment, [fuller], context).garment
    expect(after).not.toEqual(project.garment)
    const rows = sizeUp(after, printed).sheet.rows
    expect(rows.map((r) => r.disagree)).toEqual(asBought.map((r) => r.disagree))
    expect(rows.find((r) => r.zone.id === 'bust')!.sizes[0]!.mm).toBeGreaterThan(asBought.find((r) => r.zone.id === 'bust')!.sizes[0]!.mm)
  })
})

function never(): never {
  throw new Error('it does not begin here')
}
