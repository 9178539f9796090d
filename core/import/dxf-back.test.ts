import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { readDxf, writeTradeDxf } from '../formats'
import { nearestPlace } from '../geometry'
import { outlineOf, shapeOf } from '../pattern'
import { makeDrafts } from './index'

const { projects } = demoWardrobe(new Date('2026-05-01'))

describe.each(projects.slice(0, 14).map((p) => ({ name: p.name, garment: p.garment })))('$name, written as DXF', ({ garment, name }) => {
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
      expect(draft.edges.some((e) => e.fold)).toBe(piece.edges.some((e) => e.fold))
      // Laid out anew: moved as a whole.
      const shape = shapeOf(piece, garment.baseSizeId)
      const by = { x: draft.grain!.from.x - shape.grain.from.x, y: draft.grain!.from.y - shape.grain.from.y }
      const own = outlineOf(piece, shape)
      if (draft.allowanceIncluded) continue
      for (const { path } of draft.edges)
        for (const s of path)
          expect(nearestPlace(own, { x: s.from.x - by.x, y: s.from.y - by.y }).distanceMm, piece.name).toBeLessThan(0.05)
    }
  })
})
