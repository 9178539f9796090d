import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { listFaults } from '../advice'
import { contextOf, findKind, foldPlan, newStop, withId } from '../changes'
import { stopsOf } from '../formats'
import { DEFAULT_TOLERANCES } from '../match'
import { finishedMeasures } from '../measure'
import { makeNotebook } from './notebook'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))

function pageOf(project: (typeof projects)[number], plan = stopsOf(project)) {
  const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
  const context = contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES)
  const folded = foldPlan(project.garment, plan, context)
  const page = makeNotebook({
    sizing: project.sizing,
    wearer,
    notes: project.notes,
    forEverybody: new Set(project.mends.map((c) => c.id)),
    garments: [folded.base, ...folded.stops.map((s) => s.garment)],
    stops: folded.stops,
    faults: listFaults(folded, context),
  })
  return { page, folded, context }
}

describe('a page of the notebook', () => {
  it.each(projects.map((p) => [p.name, p] as const))('of %s has every stop, every zone before and after, and every fault', (_, project) => {
    const { page, folded } = pageOf(project)
    expect(page.stops.map((s) => [s.title, s.note, s.status])).toEqual(folded.stops.map((s) => [s.words.title, s.change.note, s.status]))
    for (const [garment, field] of [
      [folded.base, 'beforeMm'],
      [folded.garment, 'afterMm'],
    ] as const) {
      const measured = finishedMeasures(garment, garment.baseSizeId, project.sizing).map((m) => m.mm)
      for (const zone of page.zones) expect(measured).toContain(zone[field])
    }
    for (const stop of page.stops) expect(stop.held.kept + stop.held.broken.length).toBe(stop.held.of)
  })
  it('says what the body still lacks, and no more once the plan has given it', () => {
    const project = projects.find((p) => p.id === 'demo-tapered')!
    const { page, context } = pageOf(project, [])
    const knee = page.asked.find((l) => l.name === 'Waist to knee')!
    expect(page.leftOver.some((s) => s.startsWith('Waist to knee: '))).toBe(true)
    expect(page.leftOver.filter((s) => s.startsWith('waist: '))).toHaveLength(1)
    const kind = findKind('lengthen')
    const begun = kind.begin(project.garment, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    const levels = begun.value.levels.slice(0, 1).map((l) => ({ ...l, mark: { by: 'line', id: 'thigh-shorten' } as const, belowMm: 0 }))
    const longer = withId(newStop('lengthen', { ...begun.value, amountMm: knee.bodyMm - knee.boughtMm, levels }), 'longer')
    const after = pageOf(project, [longer]).page
    expect(after.asked.find((l) => l.name === 'Waist to knee')!.givenMm).toBeCloseTo(knee.bodyMm, 1)
    expect(after.leftOver.some((s) => s.startsWith('Waist to knee: '))).toBe(false)
  })
})
