import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, foldPlan, withId } from '../changes'
import { DEFAULT_TOLERANCES } from '../match'
import { findZones, finishedMm, type ZoneId } from '../measure'
import { answerWish } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-11-23'))

/** Nearer than a pencil line, mm: a half of a sixteenth, once round. */
const NEAR_MM = 1

describe('a round that is to measure so much in the end', () => {
  const given = (id: string) => {
    const project = projects.find((p) => p.id === id)!
    const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
    return { garment: project.garment, context: contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES) }
  }
  it.each([
    ['demo-blouse', 'bust 41', 'in', 'bust', 41 * 25.4, ['add-at-edge', 'bust-amount']],
    ['demo-blouse', 'make the bust 104', 'cm', 'bust', 1040, ['add-at-edge', 'bust-amount']],
    ['demo-blouse', 'waist should be 37 1/2', 'in', 'waist', 37.5 * 25.4, ['add-at-edge']],
    ['demo-blouse', 'bicep 15 1/4', 'in', 'bicep', 15.25 * 25.4, ['bicep-width']],
    ['demo-blouse', 'make the upper arm 41 around', 'cm', 'bicep', 410, ['bicep-width']],
    ['demo-tapered', 'knee 17', 'in', 'knee', 17 * 25.4, ['seam-stretch', 'seam-stretch']],
    ['demo-tapered', 'thigh to 58 cm', 'in', 'thigh', 580, ['seam-stretch', 'seam-stretch']],
    ['demo-tapered', 'leg opening 15', 'in', 'leg-opening', 15 * 25.4, ['hem-fullness']],
    ['demo-tapered', 'the ankle to 33', 'cm', 'leg-opening', 330, ['hem-fullness']],
  ] as const)('%s: “%s” in %s, done by any of the ways it offers, measures that', (id, text, system, zoneId, mm, kinds) => {
    const { garment, context } = given(id)
    const answer = answerWish(text, system, garment, context)
    const offers = answer.how === 'does' ? [answer.offer] : answer.how === 'asks' ? answer.offers : []
    expect(offers.map((o) => o.change.kind)).toEqual(kinds)
    for (const { change } of offers) {
      const { stops, garment: after } = foldPlan(garment, [withId(change, 'c')], context)
      expect(stops[0]!.problem).toBeNull()
      const zone = findZones(after).find((z) => z.id === (zoneId satisfies ZoneId))!
      const off = finishedMm(after, zone, context.sizeId, context.sizing.shiftsMm[zoneId]) - mm
      expect(Math.abs(off), `${change.kind}: ${off}`).toBeLessThan(NEAR_MM)
    }
  })
  it('is asked about where a bare figure might be something else, and done where it is said', () => {
    const { garment, context } = given('demo-blouse')
    expect(answerWish('bicep 15 1/4', 'in', garment, context).how).toBe('asks')
    expect(answerWish('make the bicep 15 1/4 around', 'in', garment, context).how).toBe('does')
  })
})
