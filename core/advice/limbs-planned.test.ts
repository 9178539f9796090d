import { describe, expect, it } from 'vitest'
import { makeBody } from '../../scripts/study/make-body'
import { demoWardrobe } from '../../demo/wardrobe'
import { findMeasure, figureMm } from '../body'
import { contextWith } from '../changes/test-context'
import { LEFT_OVER } from '../changes'
import { finishedMm, zoneOn } from '../measure'
import { makeWorksheet, otherMeasures } from '../size'
import { planFromBody } from './index'

const { projects } = demoWardrobe(new Date('2026-11-23'))

/** The plan of a made body on a garment of the demo. */
function planned(id: string, seed: number) {
  const { garment, sizing } = projects.find((p) => p.id === id)!
  const body = makeBody(seed)
  const context = contextWith({ sizeId: garment.baseSizeId, sizing: { ...sizing, school: 'finished' }, body, bought: garment })
  return { garment, body, context, plan: planFromBody(garment, context) }
}

describe('a sleeve that reaches the wrist', () => {
  // Both bodies raise the armhole by far: the cap that follows is so low that the sleeve measures less than a long one.
  it.each(['demo-dress', 'demo-blouse'])('of the %s is brought to the arm though its cap becomes much lower', (id) => {
    const { body, plan } = planned(id, 32)
    const row = otherMeasures(plan.folded.garment, body).find((r) => r.id === 'arm-length')!
    expect(Math.abs(row.garmentMm - figureMm(body, 'arm-length')!), findMeasure('arm-length')!.name).toBeLessThan(3)
  })
})

describe('a thigh that both leg seams close below the crotch have no room for', () => {
  it.each([3, 14, 28])('gets it at the crotch point, and nothing is left over (body %i)', (seed) => {
    const { garment, context, body, plan } = planned('demo-tapered', seed)
    expect(plan.folded.stops.map((s) => s.status)).not.toContain('refused')
    const stops = plan.stops.filter((s) => s.kind === 'seam-stretch')
    expect(stops.some((s) => s.inputs.atMm === 0 && s.inputs.amountMm > 0)).toBe(true)
    expect(stops.filter((s) => s.note.endsWith(LEFT_OVER))).toEqual([])
    const after = plan.folded.garment
    const rows = makeWorksheet(garment, context.sizing, body, garment).rows
    for (const zone of ['waist', 'hip', 'thigh', 'knee']) {
      const row = rows.find((r) => r.zone.id === zone)!
      const mm = finishedMm(after, zoneOn(after, zone, context.sizing)!, after.baseSizeId) - row.bodyMm! - row.wantedMm
      // A looser thigh or knee is as its maker meant it.
      expect(zone === 'thigh' || zone === 'knee' ? Math.min(0, mm) : mm, zone).toBeGreaterThan(-2)
      if (zone === 'waist' || zone === 'hip') expect(mm, zone).toBeLessThan(2)
    }
  })
})
