import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { latestSet } from '../body'
import { findKind, foldPlan, withId } from '../changes'
import { contextWith } from '../changes/test-context'
import { askedGiven, planSizes, stopForSmallerSide, stopOnOneSide } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-11-23'))
const take = (id: string, wearerId?: string) => {
  const project = projects.find((p) => p.id === id)!
  const { garment, sizing } = project
  const body = latestSet(wearers.find((w) => w.id === (wearerId ?? project.wearerId)))
  const context = contextWith({ sizeId: garment.baseSizeId, sizing, body, bought: garment })
  const plan = planSizes(garment, context).map((c, i) => withId(c, `c${i}`))
  return { garment, context, plan, folded: foldPlan(garment, plan, context) }
}

describe('asked, given, left over', () => {
  it.each([
    ['demo-blouse', 'cook'],
    ['demo-dress', 'bather'],
    ['demo-jacket', 'cook'],
    ['demo-tapered', 'lamplighter'],
  ])('%s: what is given is measured, left is asked less given, and whatever is left has its reason', (id, wearerId) => {
    const { garment, context, folded } = take(id, wearerId)
    const rows = askedGiven(garment, folded.garment, folded.stops, context)
    expect(rows.length).toBeGreaterThan(4)
    for (const r of rows) {
      expect(r.leftMm, r.id).toBe(r.askedMm === null ? null : r.askedMm - r.givenMm)
      const isLeft = r.leftMm !== null && Math.abs(r.leftMm) > (r.what === 'zone' ? 2 : 3)
      const isTight = r.what === 'zone' && r.givenMm < r.bodyMm
      expect(r.reason !== null, `${r.id} ${r.leftMm}`).toBe(isLeft || isTight)
    }
    const waist = rows.find((r) => r.id === 'waist')!
    const trueWaist = context.body!.figures.waist as { mm: number }
    expect(waist.bodyMm).toBe(trueWaist.mm)
    expect(waist.leftMm!).toBeLessThan(2)
  })
  it('where left and right differ the larger is asked for, and it is said what the other one needs less', () => {
    const { garment, context, folded } = take('demo-blouse')
    const figures = {
      ...context.body!.figures,
      bicep: { leftMm: 330, rightMm: 318 },
      shoulder: { leftMm: 121, rightMm: 127 },
      'arm-length': { leftMm: 580, rightMm: 582 },
    }
    const rows = askedGiven(garment, folded.garment, folded.stops, { ...context, body: { ...context.body!, figures } })
    const row = (id: string) => rows.find((r) => r.id === id)!
    expect(row('bicep')).toMatchObject({
      bodyMm: 330,
      sides:
        'The right is {between 330 318} less: the pieces are for the left. Pin the difference out on the right in the mock-up, or take it out on the right alone: “Fuller or slimmer bicep” can be done on one side.',
    })
    expect(row('shoulder').bodyMm).toBe(127)
    expect(row('shoulder').sides).toContain('The left is {between 127 121} less')
    expect([row('arm-length').sides, row('waist').sides]).toEqual([null, null])
  })
  it.each([
    ['demo-blouse', 'bicep', -12],
    ['demo-jacket', 'bicep', -12],
    ['demo-blouse', 'shoulder', -6],
    ['demo-jacket', 'arm-length', -9],
    ['demo-blouse', 'arm-length', -9],
    // Less from the underarm to the waist: the armhole goes down.
    ['demo-blouse', 'underarm-to-waist', 5],
  ])('%s: less %s on one side is a stop of its own, which leaves the larger side as it was', (id, measureId, amountMm) => {
    const { garment, context, folded, plan } = take(id, 'cook')
    const figures = {
      ...context.body!.figures,
      bicep: { leftMm: 330, rightMm: 318 },
      shoulder: { leftMm: 121, rightMm: 127 },
      'arm-length': { leftMm: 580, rightMm: 571 },
      'underarm-to-waist': { leftMm: 200, rightMm: 205 },
    }
    const uneven = { ...context, body: { ...context.body!, figures } }
    const stop = stopForSmallerSide(folded.garment, measureId, uneven)!
    expect(findKind(stop.kind)!.describe(folded.garment, stop.inputs).amountMm).toBeCloseTo(amountMm, 6)
    const then = foldPlan(garment, [...plan, withId(stop, 'side')], uneven)
    expect(then.stops.at(-1)!.applied!.held.filter((h) => !h.held)).toEqual([])
    const rowOf = (f: typeof folded) => askedGiven(garment, f.garment, f.stops, uneven).find((r) => r.id === measureId)!
    expect(Math.abs(rowOf(then).givenMm - rowOf(folded).givenMm)).toBeLessThan(0.1)
    expect(rowOf(folded).sides).toContain('Pin the difference out')
    expect(rowOf(then).sides).toContain('is for one side alone')
    expect(stopOnOneSide(then.stops, measureId)!.change.id).toBe('side')
  })
  it('no stop is made for one side where both are alike, or no change does that', () => {
    const { context, folded } = take('demo-blouse', 'cook')
    const body = {
      ...context.body!,
      figures: { ...context.body!.figures, 'front-to-waist': { leftMm: 440, rightMm: 460 }, bicep: { mm: 330 } },
    }
    for (const id of ['bicep', 'waist', 'front-to-waist'])
      expect(stopForSmallerSide(folded.garment, id, { ...context, body }), id).toBeNull()
  })
  it('every row of the Cook’s blouse that the plan can reach is reached, and names the stops that did it', () => {
    const { garment, context, folded } = take('demo-blouse')
    const rows = new Map(askedGiven(garment, folded.garment, folded.stops, context).map((r) => [r.id, r]))
    for (const id of ['bust', 'waist', 'back-neck-to-waist', 'front-to-waist', 'underarm-to-waist'])
      expect(rows.get(id)!.reason, id).toBeNull()
    expect(rows.get('back-neck-to-waist')!.by).toEqual(['Shorten the body'])
    expect(rows.get('underarm-to-waist')!.by).toEqual(['Raise the armhole'])
    // Before the plan the same rows say what is missing.
    const bought = new Map(askedGiven(garment, garment, [], context).map((r) => [r.id, r]))
    expect(bought.get('back-neck-to-waist')!.reason).toContain('Lengthen or shorten at lines')
    expect(bought.get('back-neck-to-waist')!.leftMm).toBeCloseTo(398 - 412, 0)
  })
  it('says why: switched off, or as far as the pieces go', () => {
    const { garment, context, plan } = take('demo-blouse')
    const off = plan.map((c) => (c.kind === 'lower-armhole' ? { ...c, on: false } : c))
    const folded = foldPlan(garment, off, context)
    expect(askedGiven(garment, folded.garment, folded.stops, context).find((r) => r.id === 'underarm-to-waist')!.reason).toMatch(
      /switched off/,
    )
    // A front that is far too long: dart and armhole can give only so much.
    const { figures } = context.body!
    const body = { ...context.body!, figures: { ...figures, 'front-to-waist': { mm: 345 } } }
    const short = planSizes(garment, { ...context, body }).map((c, i) => withId(c, `s${i}`))
    const done = foldPlan(garment, short, { ...context, body })
    expect(done.stops.every((s) => s.status === 'applied')).toBe(true)
    const front = askedGiven(garment, done.garment, done.stops, { ...context, body }).find((r) => r.id === 'front-to-waist')!
    expect(front.leftMm!).toBeLessThan(-3)
    expect(front.reason).toMatch(/these pieces go no further/)
  })
  it('measures of the zones are those of the worksheet', () => {
    const { garment, context } = take('demo-dress')
    const rows = askedGiven(garment, garment, [], context)
    const hip = rows.find((r) => r.id === 'hip')!
    expect(hip.boughtMm).toBe(hip.givenMm)
    expect(hip.askedMm! - hip.bodyMm).toBeGreaterThan(80)
  })
})
