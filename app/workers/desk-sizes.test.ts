import { beforeEach, describe, expect, it } from 'vitest'
import { demoWardrobe } from '~~/demo/wardrobe'
import { askedGiven, sizeUp } from '~~/core/advice'
import { stopsOf } from '~~/core/formats'
import { DEFAULT_TOLERANCES } from '~~/core/match'
import { makeDesk } from './desk'
import type { Asked } from './desk-session'
import { readContext } from './desk-session'
import { Shelf } from './parcel'
import type { Garment } from '~~/core/pattern'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const NOTHING = { garments: [], stops: [] }

function given(id: string) {
  const project = projects.find((p) => p.id === id)!
  const asked: Asked = {
    wearer: wearers.find((w) => w.id === project.wearerId) ?? null,
    sizing: project.sizing,
    tolerances: DEFAULT_TOLERANCES,
  }
  const desk = makeDesk()
  desk.setBase(id, project.garment)
  const compute = () => desk.compute(id, NOTHING, stopsOf(project), asked)
  return { id, project, asked, desk, compute, context: readContext(project.garment, asked) }
}
let shelf: Shelf<Garment>
beforeEach(() => (shelf = new Shelf<Garment>()))

describe('the desk sizes a garment up', () => {
  it('before a plan was folded on the pieces as bought, and afterwards on what it leaves', () => {
    const { id, project, asked, desk, compute, context } = given('demo-dress')
    const first = desk.sizeUp(id, [], asked)
    expect(first.altered).toBeNull()
    expect(first.sheet).toEqual(sizeUp(project.garment, context).sheet)
    compute()
    const then = desk.sizeUp(id, [], asked)
    expect(then.altered === null).toBe(stopsOf(project).length === 0)
    expect(then.asked.map((r) => r.id)).toEqual(first.asked.map((r) => r.id))
  })
  it('sends the traced pieces once: the page holds what is the same', () => {
    const { id, asked, desk, compute } = given('demo-blouse')
    compute()
    const first = shelf.unpack(desk.sizeUp(id, shelf.held, asked).traced)[0]
    const again = desk.sizeUp(id, shelf.held, asked)
    expect(again.traced.fresh).toEqual([])
    expect(shelf.unpack(again.traced)[0]).toBe(first)
  })
  it('says of every length that can be added which stop does it, and of another that none does', () => {
    const { id, asked, desk, compute } = given('demo-tapered')
    compute()
    const { addable, sheet } = desk.sizeUp(id, [], asked)
    expect(addable.length).toBeGreaterThan(0)
    for (const { id: lengthId } of sheet.lengths) {
      const stop = desk.lengthStop(id, lengthId, asked)
      expect(stop !== null, lengthId).toBe(addable.includes(lengthId))
      if (stop) expect(stop.title.length).toBeGreaterThan(5)
    }
    expect(desk.lengthStop(id, 'no-such-length', asked)).toBeNull()
  })
  it('offers less on the smaller side of the body until a stop of the plan does it', () => {
    const { id, asked, desk, project } = given('demo-blouse')
    const wearer = wearers.find((w) => w.id === project.wearerId)!
    const sets = wearer.sets.map((s) => ({ ...s, figures: { ...s.figures, bicep: { leftMm: 300, rightMm: 320 } } }))
    const uneven = { ...asked, wearer: { ...wearer, sets } }
    desk.compute(id, NOTHING, [], uneven)
    expect(desk.sizeUp(id, [], uneven).sided).toContainEqual(['bicep', 'left'])
    const { change, title } = desk.sideStop(id, 'bicep', uneven)!
    expect(title).toMatch(/left side$/)
    desk.compute(id, NOTHING, [{ ...change, id: 'side' }], uneven)
    expect(desk.sizeUp(id, [], uneven).sided.map(([measureId]) => measureId)).not.toContain('bicep')
    expect(desk.sideStop(project.id, 'waist', uneven)).toBeNull()
  })
  it('compares the ways of choosing a size as the worksheet would choose by each', () => {
    const { id, asked, desk, compute, project } = given('demo-dress')
    compute()
    const outcomes = desk.schools(id, asked)
    expect(outcomes.map((o) => o.school)).toEqual(['finished', 'high-bust', 'full-bust'])
    for (const { school, sizes } of outcomes) {
      const { sheet } = desk.sizeUp(id, [], { ...asked, sizing: { ...project.sizing, school, chosen: {} } })
      const bust = sheet.rows.find((r) => r.zone.id === 'bust')!.chosen!
      const name = project.garment.sizes.find((s) => s.id === bust.sizeId)!.name
      expect(sizes.find((s) => s.zoneId === 'bust')!.size.startsWith(name)).toBe(true)
    }
  })
  it('measures what is left over as bought and after the plan; nothing without a body', () => {
    const { id, asked, desk, compute, project, context } = given('demo-tapered')
    compute()
    const bought = desk.askedGiven(id, true, asked)
    expect(bought).toEqual(askedGiven(project.garment, project.garment, [], { sizing: context.sizing, body: context.body! }))
    expect(desk.askedGiven(id, false, asked).map((r) => r.boughtMm)).toEqual(bought.map((r) => r.boughtMm))
    expect(desk.askedGiven(id, true, { ...asked, wearer: null })).toEqual([])
  })
  it('writes the notebook page: every stop with what it held, and the notes', () => {
    const { id, asked, desk, compute, project } = given(projects.find((p) => stopsOf(p).length > 1)!.id)
    compute()
    const stops = stopsOf(project)
    const page = desk.notebook(id, 'Muslin on Friday.', [stops[0]!.id], asked)
    expect(page.notes).toBe('Muslin on Friday.')
    expect(page.stops).toHaveLength(stops.length)
    expect(page.stops.map((s) => s.forEverybody)).toEqual(stops.map((_, i) => i === 0))
    for (const stop of page.stops) expect(stop.held.kept + stop.held.broken.length).toBe(stop.held.of)
    expect(page).not.toHaveProperty('after')
  })
  it('answers about nothing that it was not given', () => {
    const { asked, desk } = given('demo-blouse')
    expect(() => desk.sizeUp('another', [], asked)).toThrow(/was not given/)
  })
})
