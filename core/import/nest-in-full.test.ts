import { expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { nestOf } from '../../demo/nest'
import { writeSvg } from '../formats'
import { flattenPath, nearestPlace } from '../geometry'
import { drawPieces, sheetFor } from '../paper'
import { outlineOf, shapeOf } from '../pattern'
import { buildNest } from './index'
import { draftsIn } from './test-outlines'

/** A sheet of a nest: one size drawn in full, over it the others by their cut lines alone, as many patterns are printed. */
function sheetWithCutLines(): { text: string; nest: ReturnType<typeof nestOf> } {
  const nest = nestOf(draftBlouse())
  const words = { garmentName: 'Blouse', wearerName: null, sizeName: '4', date: '', changes: [], ruler: 'cm' as const }
  const { sheet } = sheetFor(drawPieces(nest, nest.baseSizeId, words, { otherSizes: nest.sizes.map((s) => s.id) }), {
    paper: 'roll',
    rollMm: 1500,
    marginMm: 8,
  })
  const text = writeSvg(sheet, 'Blouse')
  const without = text.replace(/<g data-part="seam line" stroke-dasharray.*<\/g>\n/g, '')
  expect(without.length).toBeLessThan(text.length)
  return { text: without, nest }
}

it('sizes that have cut lines alone, over one that is drawn in full, are taken in with their allowances off', () => {
  const { text, nest } = sheetWithCutLines()
  const { draft, doubts } = draftsIn(text).find((d) => d.draft.name === 'Sleeve')!
  expect(doubts).toEqual([])
  expect(draft.allowanceIncluded).toBe(true)
  const built = buildNest(draft, 'one')
  if (!built.ok) throw new Error(built.problem.message)
  const own = nest.pieces.find((p) => p.kind === 'sleeve')!
  const from = shapeOf(own, nest.baseSizeId).grain.from
  const to = shapeOf(built.value, 'one').grain.from
  expect(Object.keys(built.value.shapes)).toHaveLength(nest.sizes.length)
  for (const { id, name } of nest.sizes) {
    const returned = outlineOf(built.value, shapeOf(built.value, id === nest.baseSizeId ? 'one' : `size-${name}`))
    for (const p of flattenPath(outlineOf(own, shapeOf(own, id)), 0.5))
      expect(nearestPlace(returned, { x: p.x - from.x + to.x, y: p.y - from.y + to.y }).distanceMm).toBeLessThan(0.05)
  }
})

it('where no seam line follows from them, as beside a dart, they are left out, and that is said', () => {
  const { draft, doubts } = draftsIn(sheetWithCutLines().text).find((d) => d.draft.name === 'Front')!
  expect(draft.sizes).toEqual([])
  expect(draft.allowanceIncluded).toBe(false)
  expect(doubts.join(' ')).toContain('its other sizes have cut lines alone')
})
