import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { chartOf, nestOf } from '../../demo/nest'
import { demoWardrobe } from '../../demo/wardrobe'
import { latestSet, type MeasureSet } from '../body'
import { foldPlan, type Change } from '../changes'
import { DEFAULT_TOLERANCES } from '../match'
import { finishedMm, makeWorksheet, NO_SIZING } from '../size'
import { changeForLength, listFaults, planSizes } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-11-23'))
const setOf = (figures: Record<string, number>): MeasureSet => ({
  id: 's',
  takenOn: '2026-03-01',
  note: '',
  figures: Object.fromEntries(Object.entries(figures).map(([id, mm]) => [id, { mm }])),
})

describe('from body to plan', () => {
  const nested = projects.filter((p) => p.garment.sizes.length > 1)

  it.each(nested.map((p) => [p.name, p] as const))('%s: every stop applies, every promise holds, no fault is made', (_, project) => {
    const set = latestSet(wearers.find((w) => w.id === project.wearerId))
    const sheet = makeWorksheet(project.garment, project.sizing, set)
    const plan = planSizes(project.garment, sheet).map((c, i): Change => ({ ...c, id: `c${i}` }))
    const folded = foldPlan(project.garment, plan, { sizeId: project.garment.baseSizeId })
    expect(folded.stops.map((s) => [s.change.kind, s.status])).toEqual(plan.map((c) => [c.kind, 'applied']))
    expect(folded.stops.flatMap((s) => s.applied!.held.filter((h) => !h.held).map((h) => `${h.label} ${h.before} ${h.after}`))).toEqual([])
    expect(
      listFaults(folded, project.garment.baseSizeId, DEFAULT_TOLERANCES)
        .filter((f) => f.verdict === 'fault')
        .map((f) => f.message),
    ).toEqual([])
  })

  it('the wearer of three sizes gets the wanted ease in each zone within 2 mm, measured on the altered pieces', () => {
    const project = projects.find((p) => p.id === 'demo-blouse')!
    const set = latestSet(wearers.find((w) => w.id === 'cook'))!
    const sheet = makeWorksheet(project.garment, project.sizing, set)
    const chosen = sheet.rows.filter((r) => ['bust', 'waist', 'hip'].includes(r.zone.id))
    expect(new Set(chosen.map((r) => r.chosen!.sizeId)).size).toBe(3)
    const plan = planSizes(project.garment, sheet).map((c, i): Change => ({ ...c, id: `c${i}` }))
    expect(plan.map((c) => c.kind)).toEqual(['lengthen', 'blend', 'add-at-edge'])
    const { garment } = foldPlan(project.garment, plan, { sizeId: 'one' })
    for (const row of chosen) {
      const ease = finishedMm(garment, row.zone, 'one') - row.bodyMm!
      expect(Math.abs(ease - row.wantedMm), `${row.zone.id}: ${ease} of ${row.wantedMm}`).toBeLessThan(2)
    }
  })
  it('draws sizes on for a body beyond the range, and blends those', () => {
    const project = projects.find((p) => p.id === 'demo-tapered')!
    const set = latestSet(wearers.find((w) => w.id === 'lamplighter'))!
    const sheet = makeWorksheet(project.garment, project.sizing, set)
    expect(sheet.rows.find((r) => r.zone.id === 'hip')!.chosen).toMatchObject({ rule: 'above-range', beyond: 2 })
    const plan = planSizes(project.garment, sheet).map((c, i): Change => ({ ...c, id: `c${i}` }))
    expect(plan.map((c) => c.kind)).toEqual(['lengthen', 'grade', 'blend', 'add-at-edge'])
    const { garment } = foldPlan(project.garment, plan, { sizeId: 'one' })
    for (const row of sheet.rows.filter((r) => r.zone.id === 'waist' || r.zone.id === 'hip')) {
      const ease = finishedMm(garment, row.zone, 'one') - row.bodyMm!
      expect(Math.abs(ease - row.wantedMm), `${row.zone.id}: ${ease} of ${row.wantedMm}`).toBeLessThan(2)
    }
  })
  it('puts lengths before sizes, and plans nothing for a body that the base size fits', () => {
    const garment = nestOf(draftBlouse())
    const measured = makeWorksheet(garment, NO_SIZING, null)
    const mm = (id: string) => measured.rows.find((r) => r.zone.id === id)!.sizes.find((s) => s.sizeId === 'one')!.mm
    const fitting = setOf({ bust: mm('bust') - 60, waist: mm('waist') - 30, hip: mm('hip') - 48 })
    expect(planSizes(garment, makeWorksheet(garment, NO_SIZING, fitting))).toEqual([])
    const tall = setOf({ bust: mm('bust') - 10, waist: mm('waist') - 30, hip: mm('hip') - 48, 'back-neck-to-waist': 440 })
    expect(planSizes(garment, makeWorksheet(garment, chartOf(garment), tall)).map((c) => c.kind)).toEqual([
      'lengthen',
      'blend',
      'add-at-edge',
    ])
  })
})

describe('a change for a length', () => {
  const garment = draftBlouse()
  const rowOf = (figures: Record<string, number>, id: string) =>
    makeWorksheet(garment, NO_SIZING, setOf(figures)).lengths.find((r) => r.id === id)!

  it('lengthens at the printed line between the two places, by just what is missing', () => {
    const change = changeForLength(garment, rowOf({ 'back-neck-to-waist': 430 }, 'back-neck-to-waist'))!
    expect(change.inputs).toMatchObject({ amountMm: 18, pieceId: 'back', levels: [{ mark: { by: 'line', id: 'shorten' }, belowMm: 0 }] })
    const folded = foldPlan(garment, [{ ...change, id: 'c' }], { sizeId: 'one' })
    const now = makeWorksheet(folded.garment, NO_SIZING, setOf({ 'back-neck-to-waist': 430 })).lengths.find(
      (r) => r.id === 'back-neck-to-waist',
    )!
    expect(now.missingMm).toBeCloseTo(0, 6)
  })
  it('moves the hem where the hem is missing', () => {
    expect(changeForLength(garment, rowOf({ 'waist-to-hem-side': 260 }, 'waist-to-hem-side'))!.kind).toBe('uneven-hem')
  })
  it('is none where nothing worth a line is missing, or nothing is known', () => {
    expect(changeForLength(garment, rowOf({ 'back-neck-to-waist': 414 }, 'back-neck-to-waist'))).toBeNull()
    expect(changeForLength(garment, rowOf({}, 'back-neck-to-waist'))).toBeNull()
  })
})
