import { describe, expect, it } from 'vitest'
import { makeDrafts } from '../../core/import'
import { corpusDxf, corpusFiles, corpusPdf, DXF_MANNERS, isPlaced } from './files'
import { PDF_MANNERS } from './pdf-files'
import { readFile } from './read-file'
import { judge, noRates, type Rates } from './judge'
import { SVG_MANNERS } from './svg-files'

const files = [...corpusFiles(11, 2), ...corpusDxf(11, 1), ...(await corpusPdf(11, 1))]
const share = ([good, of]: [number, number]) => (of === 0 ? 1 : good / of)

describe('files drawn in many manners', () => {
  it.each([...SVG_MANNERS, ...DXF_MANNERS, ...PDF_MANNERS])('come in: %s', async (manner) => {
    const rates: Rates = noRates()
    for (const file of files.filter((f) => f.manner === manner)) {
      const read = await readFile(file)
      const drafts = read.ok ? makeDrafts(read.value, 1) : read
      if (!drafts.ok) throw new Error(`${file.name}: ${drafts.problem.message}`)
      judge(file.sheet, drafts.value, rates, true, file.name, isPlaced(file.manner))
    }
    const said = rates.wrong.join('\n')
    expect(rates.pieces[1], said).toBeGreaterThan(10)
    expect(share(rates.pieces), said).toBeGreaterThanOrEqual(0.98)
    for (const key of ['names', 'counts', 'folds', 'grains', 'notches', 'darts'] as const)
      expect(share(rates[key]), `${key}\n${said}`).toBeGreaterThanOrEqual(0.95)
    expect(rates.falsePieces, said).toBe(0)
  })
})
