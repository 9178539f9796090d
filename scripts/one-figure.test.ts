import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { contextOf, foldPlan } from '../core/changes'
import { contentsOf, writeProjectFile, type Project } from '../core/formats'
import { DEFAULT_TOLERANCES, walkGarment } from '../core/match'
import { compareMeasures, finishedMeasures, measureGarment } from '../core/measure'
import { makeWorksheet } from '../core/size'
import { demoWardrobe } from '../demo/wardrobe'
import { runCommand } from './core/command'

/** What two places show of one thing may differ by this, mm. */
const SAME_MM = 0.01

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
/** A band that a person has moved and a zone of their own count everywhere, too. */
const withZoning = (p: Project): Project => ({
  ...p,
  sizing: {
    ...p.sizing,
    shiftsMm: { waist: Object.fromEntries(p.garment.pieces.map((piece) => [piece.id, 12])) },
    ownZones: [
      {
        id: 'own-1',
        name: 'a zone of one’s own',
        measureId: null,
        limb: false,
        parts: p.garment.pieces.slice(0, 2).map((piece) => ({ pieceId: piece.id, cornerId: piece.corners[0]!.id, belowMm: 60 })),
      },
    ],
  },
})
const all = projects.flatMap((p) => [p, { ...withZoning(p), id: `${p.id}-zoned`, garmentId: `${p.garmentId}-zoned` }])
const { garments, fits } = contentsOf(all)

let dir: string
let file: string
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'tidal-seam-one-figure-'))
  file = join(dir, 'wardrobe.json')
  writeFileSync(file, writeProjectFile(contentsOf(all, wearers), new Date('2026-01-01')))
})
afterAll(() => rmSync(dir, { recursive: true, force: true }))

interface Out {
  measures: { id: string; mm: number }[]
  seams: { seam: { id: string }; sides: { lengthMm: number }[] }[]
  ledger: { id: string; beforeMm: number | null; afterMm: number | null }[]
}
async function core(...args: string[]): Promise<Out> {
  const { status, out, said } = await runCommand(args)
  if (status !== 0) throw new Error(said.join(' '))
  return JSON.parse(out as string) as Out
}

/** A few of them through the command line; the others through what it calls. */
const BY_COMMAND = ['demo-blouse', 'demo-tapered-zoned', 'demo-dress', 'demo-tapered-cook']

describe('one garment has one figure of each thing', () => {
  it.each(all.map((p) => [p.id, p] as const))('%s: worksheet, ledger, Match and list of measures agree', (_, project) => {
    const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
    const context = contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES)
    const { base, garment } = foldPlan(project.garment, project.plan, context)
    const { sizeId, sizing, body } = context
    const measured = new Map(measureGarment(garment, sizeId, sizing).map((m) => [m.id, m.mm]))
    const ledger = compareMeasures(base, garment, sizeId, sizing)

    // The worksheet of the altered pieces, in the size that lies there.
    const rows = makeWorksheet(garment, sizing, body).rows
    expect(rows.length).toBeGreaterThan(0)
    for (const row of rows) {
      const mm = row.sizes.find((s) => s.sizeId === sizeId)!.mm
      expect(Math.abs(measured.get(`finished:${row.zone.id}`)! - mm), row.zone.id).toBeLessThanOrEqual(SAME_MM)
    }
    // Finished figures on the station Size are those of the list.
    for (const m of finishedMeasures(garment, sizeId, sizing)) expect(measured.get(m.id)).toBe(m.mm)
    // The ledger's last column.
    for (const row of ledger)
      if (row.afterMm !== null) expect(Math.abs(measured.get(row.id)! - row.afterMm), row.id).toBeLessThanOrEqual(SAME_MM)
    // Match walks each side to the same length.
    for (const seam of walkGarment(garment, sizeId, DEFAULT_TOLERANCES).seams)
      for (const side of [0, 1] as const)
        expect(Math.abs(measured.get(`seam:${seam.seam.id}:${side}`)! - seam.sides[side].lengthMm)).toBeLessThanOrEqual(SAME_MM)
  })

  it.each(BY_COMMAND)('%s: the command line says the same as the pages', async (id) => {
    const project = all.find((p) => p.id === id)!
    const garment = garments.findIndex((g) => g.id === project.garmentId)
    const fit = fits.filter((f) => f.garmentId === project.garmentId).findIndex((f) => f.id === id)
    const chosen = ['--garment', String(garment + 1), '--fit', String(fit + 1)]
    const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
    const context = contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES)
    const folded = foldPlan(project.garment, project.plan, context)
    const figures = measureGarment(folded.garment, context.sizeId, context.sizing)
    const printed = (await core('measure', file, ...chosen)).measures
    expect(printed.map((m) => m.id)).toEqual(figures.map((m) => m.id))
    for (const [i, m] of figures.entries()) expect(Math.abs(printed[i]!.mm - m.mm), m.id).toBeLessThanOrEqual(SAME_MM)
    const { seams } = await core('check', file, ...chosen)
    const walked = walkGarment(folded.garment, context.sizeId, context.tolerances)
    expect(seams.map((s) => s.sides.map((x) => x.lengthMm))).toEqual(walked.seams.map((s) => s.sides.map((x) => x.lengthMm)))
  })

  it('every garment that has a waist, a hip or a bust has it in the ledger as in the worksheet', () => {
    for (const project of projects) {
      const zones = makeWorksheet(project.garment, project.sizing, null).rows.map((r) => `finished:${r.zone.id}`)
      const list = finishedMeasures(project.garment, project.garment.baseSizeId, project.sizing).map((m) => m.id)
      expect(list).toEqual(zones)
    }
    const listOf = (id: string) => {
      const { garment, sizing } = projects.find((p) => p.id === id)!
      return finishedMeasures(garment, garment.baseSizeId, sizing).map((m) => m.id)
    }
    expect(listOf('demo-dress')).toContain('finished:waist')
    expect(listOf('demo-tapered')).toEqual(expect.arrayContaining(['finished:waist', 'finished:hip']))
    expect(listOf('demo-blouse')).toContain('finished:hip')
  })
})
