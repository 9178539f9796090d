import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { readDxf, writeTradeDxf } from '../formats'
import { makeDrafts } from './index'
import { offSeamLine } from './test-outlines'

const { projects } = demoWardrobe(new Date('2026-05-01'))

/** Blends make the nests of these hard to tell apart: lines of several sizes cross. */
const ALL_SIZES = projects.filter((p) => ['demo-blouse', 'demo-jacket', 'demo-tapered'].includes(p.id)).map((p) => p.name)

/** One of each sort of garment, and one with two darts in its front. */
const SHOWN = ['demo-blouse', 'demo-tapered', 'demo-bather', 'demo-dress', 'demo-jacket', 'demo-tunic', 'demo-harper']

describe.each(projects.filter((p) => SHOWN.includes(p.id)).map((p) => ({ name: p.name, garment: p.garment })))(
  '$name, written as DXF',
  ({ garment, name }) => {
    it('comes back with every piece: its name, count, grain, folds and notches, and its seam line within 0.05 mm', () => {
      const drawing = readDxf(writeTradeDxf(garment, [garment.baseSizeId], name))
      if (!drawing.ok) throw new Error(drawing.problem.message)
      const made = makeDrafts(drawing.value, 1)
      if (!made.ok) throw new Error(made.problem.message)
      const drafts = made.value.filter((d) => d.aside === null).map((d) => d.draft)
      expect(drafts.map((d) => d.name).sort()).toEqual(garment.pieces.map((p) => p.name).sort())
      for (const piece of garment.pieces) {
        const draft = drafts.find((d) => d.name === piece.name)!
        expect(draft.count, piece.name).toBe(piece.cut.count)
        expect(draft.grain, piece.name).not.toBeNull()
        expect(draft.notches, piece.name).toHaveLength(piece.notches.length)
        expect(draft.points ?? [], piece.name).toHaveLength(piece.points.length)
        expect(draft.edges.some((e) => e.fold)).toBe(piece.edges.some((e) => e.fold))
        if (!draft.allowanceIncluded) expect(offSeamLine(draft, piece, garment.baseSizeId), piece.name).toBeLessThan(0.05)
      }
    })
    it.runIf(ALL_SIZES.includes(name))('comes back in all its sizes as one piece each', () => {
      const drawing = readDxf(
        writeTradeDxf(
          garment,
          garment.sizes.map((s) => s.id),
          name,
        ),
      )
      if (!drawing.ok) throw new Error(drawing.problem.message)
      const made = makeDrafts(drawing.value, 1)
      if (!made.ok) throw new Error(made.problem.message)
      const drafts = made.value.filter((d) => d.aside === null).map((d) => d.draft)
      expect(drafts.map((d) => `${d.name} in ${d.sizes.length + 1}`).sort()).toEqual(
        garment.pieces.map((p) => `${p.name} in ${garment.sizes.length}`).sort(),
      )
    })
  },
)
