import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { bodyWith, contextWith } from '../changes/test-context'
import { measureLength } from '../geometry'
import { edgePath, shapeOf, type Garment } from '../pattern'
import { foldPlan, withId } from '../changes'
import { askedGiven, layOnPlan, ownStops, planFromBody, planSizes } from './index'

const trousers = demoWardrobe(new Date('2026-11-23')).projects.filter((p) => p.garment.pieces.some((q) => q.kind === 'leg-front'))

/** The crotch seam of both legs as the base size has it, along its edges, mm. */
const crotchMm = (garment: Garment) =>
  garment.pieces
    .flatMap((p) => p.edges.filter((e) => e.role === 'crotch').map((e) => edgePath(shapeOf(p, garment.baseSizeId), e.id)))
    .reduce((sum, path) => sum + measureLength(path), 0)

describe('a body whose crotch is longer than the seam', () => {
  const planned = (project: (typeof trousers)[number], figures: Record<string, number>) => {
    const context = contextWith({
      sizeId: project.garment.baseSizeId,
      sizing: project.sizing,
      body: bodyWith(figures),
      bought: project.garment,
    })
    return { context, ...planFromBody(project.garment, context) }
  }
  const lengths = (kinds: readonly { kind: unknown; note: string }[]) => kinds.filter((s) => s.kind === 'lengthen').map((s) => s.note)

  it.each(trousers.map((p) => [p.name, p] as const))('%s: has it put in between waist and hip, whatever the sizes bring', (_, project) => {
    const bought = crotchMm(project.garment)
    for (const more of [12, 40, 90])
      for (const round of [{}, { waist: 720, hip: 960 }, { waist: 900, hip: 1150 }] as Record<string, number>[]) {
        const { folded } = planned(project, { crotch: bought + more, ...round })
        expect(folded.stops.map((s) => s.status)).not.toContain('refused')
        const given = crotchMm(folded.garment)
        // A larger size may bring more than is asked for: then no line does.
        const isByLine = folded.stops.some((s) => s.change.kind === 'lengthen')
        expect(given - (bought + more)).toBeGreaterThan(-2)
        if (isByLine) expect(given - (bought + more)).toBeLessThan(2)
      }
  })
  it('keeps a seam that is long enough, and the depth of a hip that was measured', () => {
    for (const project of trousers) {
      const bought = crotchMm(project.garment)
      expect(lengths(planned(project, { crotch: bought - 30 }).stops)).toEqual([])
      const { stops } = planned(project, { crotch: bought + 60, 'waist-to-hip': 240 })
      expect(lengths(stops)).toEqual([expect.stringContaining('Waist to hip')])
    }
  })
  it('is told as asked and given; a longer seam as designed', () => {
    for (const project of trousers) {
      const bought = crotchMm(project.garment)
      const row = (crotch: number) => {
        const { context, folded } = planned(project, { crotch })
        return askedGiven(project.garment, folded.garment, folded.stops, context).find((r) => r.id === 'crotch')!
      }
      const met = row(bought + 50)
      expect(met.askedMm).toBeCloseTo(bought + 50, 6)
      expect(Math.abs(met.leftMm!)).toBeLessThan(2)
      expect(met.by).toEqual(['Lengthen the leg'])
      expect(row(bought - 50)).toMatchObject({ askedMm: null, leftMm: null, by: [] })
    }
  })
  it('goes no further than a line can, and says what is missing still', () => {
    for (const project of trousers) {
      const { context, stops, folded } = planned(project, { crotch: crotchMm(project.garment) + 300 })
      expect(stops.map((s) => (s.inputs as { amountMm: number }).amountMm)).toEqual([60])
      expect(folded.stops[0]!.applied!.held.filter((h) => !h.held)).toEqual([])
      const row = askedGiven(project.garment, folded.garment, folded.stops, context).find((r) => r.id === 'crotch')!
      expect(row.leftMm).toBeGreaterThan(150)
      expect(row.reason).toMatch(/^Changed, but .* are missing still/)
    }
  })
  it('asked again proposes nothing', () => {
    for (const project of trousers) {
      const { context, stops } = planned(project, { crotch: crotchMm(project.garment) + 50, waist: 760, hip: 1020 })
      const plan = stops.map((s, i) => withId(s, `${i}`))
      const own = ownStops(plan)
      const laid = layOnPlan(planSizes(foldPlan(project.garment, own, context).garment, context, own), plan)
      expect(laid.map((l) => l.how)).toEqual(plan.map(() => 'there'))
    }
  })
})
