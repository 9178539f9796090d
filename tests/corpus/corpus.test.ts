import { describe, expect, it } from 'vitest'
import { readDxf, readSvg } from '../../core/formats'
import { makeDrafts } from '../../core/import'
import { corpusDxf, corpusFiles, DXF_MANNERS, isDxf, isPlaced } from './files'
import { judge, noRates, type Rates } from './judge'
import { SVG_MANNERS } from './svg-files'

const files = [...corpusFiles(11, 2), ...corpusDxf(11, 2)]
const share = ([good, of]: [number, number]) => (of === 0 ? 1 : good / of)

describe('files drawn in many manners', () => {
  it.each([...SVG_MANNERS, ...DXF_MANNERS])('come in: %s', (manner) => {
    const rates: Rates = noRates()
    for (const file of files.filter((f) => f.manner === manner)) {
      const read = isDxf(file.manner) ? readDxf(file.text) : readSvg(file.text)
      const drafts = read.ok ? makeDrafts(read.value, 1) : read
      if (!drafts.ok) throw new Error(`${file.name}: ${drafts.problem.message}`)
      judge(file.sheet, drafts.value, rates, true, file.name, isPlaced(file.manner))
    }
    const said = rates.wrong.join('\n')
    expect(rates.pieces[1], said).toBeGreaterThan(20)
    expect(share(rates.pieces), said).toBeGreaterThanOrEqual(0.98)
    for (const key of ['names', 'counts', 'folds', 'grains', 'notches', 'darts'] as const)
      expect(share(rates[key]), `${key}\n${said}`).toBeGreaterThanOrEqual(0.95)
    expect(rates.falsePieces, said).toBe(0)
  })
})
