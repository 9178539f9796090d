import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, foldPlan } from '../changes'
import { stopsOf } from '../formats'
import { writePdf } from '../formats/pdf-out'
import { DEFAULT_TOLERANCES } from '../match'
import { drawPieces, MARGIN_MM, sheetFor } from '../paper'
import { drawingOf, gridFor, makeDrafts, openFile } from './index'
import { offSeamLine } from './test-outlines'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const font = (w: number) =>
  new Uint8Array(
    readFileSync(createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${w}-normal.woff`)),
  )

const cases = (['demo-blouse', 'demo-tapered', 'demo-dress', 'demo-jacket'] as const).flatMap((id) =>
  (['a4', 'roll'] as const).map((paper) => ({ id, paper })),
)

describe.each(cases)('$id printed on $paper', ({ id, paper }) => {
  it('comes back from its PDF: every piece with its name, its count, its grain, and its seam line', async () => {
    const project = projects.find((p) => p.id === id)!
    const context = contextOf(project.garment, project, wearers.find((w) => w.id === project.wearerId) ?? null, DEFAULT_TOLERANCES)
    const { garment } = foldPlan(project.garment, stopsOf(project), context)
    const words = {
      garmentName: project.name,
      wearerName: 'the Cook',
      sizeName: '4',
      date: '1 May 2026',
      changes: [],
      ruler: 'cm' as const,
    }
    const { sheet, tiling } = sheetFor(drawPieces(garment, garment.baseSizeId, words), { paper, rollMm: 914, marginMm: MARGIN_MM })
    const fonts = { regular: font(400), bold: font(700) }
    const opened = await openFile(await writePdf(sheet, tiling, { garmentName: project.name, lines: [] }, fonts, new Date(0)))
    if (!opened.ok) throw new Error(opened.problem.message)
    const read = drawingOf(opened.value, gridFor(opened.value))
    if (!read.ok) throw new Error(read.problem.message)
    const made = makeDrafts(read.value, 1)
    if (!made.ok) throw new Error(made.problem.message)
    const drafts = made.value.filter((d) => d.aside === null).map((d) => d.draft)
    expect(drafts.map((d) => d.name).sort()).toEqual(garment.pieces.map((p) => p.name).sort())
    for (const piece of garment.pieces) {
      const draft = drafts.find((d) => d.name === piece.name)!
      expect(draft.count, piece.name).toBe(piece.cut.count)
      expect(draft.grain, piece.name).not.toBeNull()
      expect(offSeamLine(draft, piece, garment.baseSizeId), piece.name).toBeLessThan(0.1)
    }
  })
})
