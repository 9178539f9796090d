import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { drawingOf, makeDrafts, openFile } from '../../core/import'
import { CONVERTED, convertedName, convertedSheets } from './converted'
import { judge, noRates } from './judge'

const sheets = convertedSheets()

describe('drawings that were written as PDF by a converter', () => {
  it.each(CONVERTED)('come in whole, sizes of one look too: %s, by %s', async (name, by) => {
    const bytes = new Uint8Array(readFileSync(join(import.meta.dirname, 'converted', convertedName(name, by))))
    const kept = await openFile(bytes)
    const drawing = kept.ok ? drawingOf(kept.value) : kept
    const drafts = drawing.ok ? makeDrafts(drawing.value, 1) : drawing
    if (!drafts.ok) throw new Error(drafts.problem.message)
    const { sheet } = sheets.get(name)!
    const rates = noRates()
    // Names of layers are lost: what sizes are called is in the key, where there is one.
    judge(sheet, drafts.value, rates, true, name, false, sheet.hand.around.includes('legend'))
    expect(rates.pieces[1]).toBe(sheet.garment.pieces.length)
    expect(rates.wrong).toEqual([])
    const { sizes } = sheet.hand
    for (const { draft } of drafts.value.filter((d) => !d.aside))
      expect([draft.sizeName, ...draft.sizes.map((s) => s.name)].filter((s) => s !== '')).toHaveLength(
        sizes.length === 0 ? 0 : sizes.length + 1,
      )
  })
})
