import { StandardFonts } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import { bringIn, drawingOf, makeDrafts, openFile } from '../../core/import'
import { corpusDxf, corpusFiles, corpusPdf, DXF_MANNERS, isPlaced, type CorpusFile } from './files'
import { PDF_MANNERS } from './pdf-files'
import { readFile } from './read-file'
import { chances } from './garments'
import { mutate } from './mutate'
import { withPartedLines, withPartedTexts } from './parted'
import { judge, noRates, type Rates } from './judge'
import { asOneFile, turnedBack, withDrawnCover, withTurnedPages } from './pages'
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
    for (const key of ['names', 'counts', 'folds', 'grains', 'notches', 'darts', 'places', 'sizes'] as const)
      expect(share(rates[key]), `${key}\n${said}`).toBeGreaterThanOrEqual(0.95)
    expect(rates.falsePieces, said).toBe(0)
  })
})

describe('files that a program has taken apart', () => {
  const SEED = 62
  const whole = [...corpusFiles(SEED, 1), ...corpusDxf(SEED, 1).filter((f) => f.manner === 'plain-dxf')]
  const comeIn = async (changed: (file: CorpusFile) => CorpusFile | Promise<CorpusFile>) => {
    const rates: Rates = noRates()
    for (const file of whole) {
      const read = await readFile(await changed(file))
      const drafts = read.ok ? makeDrafts(read.value, 1) : read
      if (!drafts.ok) throw new Error(`${file.name}: ${drafts.problem.message}`)
      judge(file.sheet, drafts.value, rates, true, file.name, isPlaced(file.manner))
    }
    const said = rates.wrong.join('\n')
    for (const key of ['pieces', 'names', 'counts', 'folds', 'grains', 'notches', 'darts', 'places', 'sizes'] as const)
      expect(share(rates[key]), `${key}\n${said}`).toBeGreaterThanOrEqual(0.98)
    expect(rates.falsePieces, said).toBe(0)
  }

  it.each([
    ['letters', StandardFonts.Helvetica],
    ['letters', StandardFonts.TimesRoman],
    ['letters', StandardFonts.Courier],
    ['words', StandardFonts.HelveticaBold],
    ['words', StandardFonts.Courier],
  ] as const)('come in with their words where those are %s in %s', async (by, type) => {
    await comeIn((file) => withPartedTexts(file, by, type, SEED))
  })

  it('come in with their marks and sizes where all lines are single strokes', async () => {
    await comeIn((file) => withPartedLines(file, SEED))
  })
})

describe('pages that lie on their side or upside down', () => {
  const cut = files.filter((f) => f.manner.startsWith('pdf-cut') || f.manner.startsWith('pdf-whole'))
  it.each([90, 180, 270])('are put together, and their pieces come in: by %d degrees', async (by) => {
    const rates: Rates = noRates()
    for (const file of cut.filter((f) => f.sheet.garment.name === cut[0]!.sheet.garment.name)) {
      const read = await readFile({ ...file, bytes: await withTurnedPages(file.bytes!, by) })
      const drafts = read.ok ? makeDrafts(read.value, 1) : read
      if (!drafts.ok) throw new Error(`${file.name}: ${drafts.problem.message}`)
      judge(file.sheet, turnedBack(drafts.value, by), rates, true, file.name, false)
    }
    const said = rates.wrong.join('\n')
    expect(rates.pieces[1], said).toBeGreaterThan(10)
    for (const key of ['pieces', 'names', 'counts', 'folds', 'grains', 'notches', 'darts'] as const)
      expect(share(rates[key]), `${key}\n${said}`).toBeGreaterThanOrEqual(0.95)
    expect(rates.falsePieces, said).toBe(0)
  })
})

describe('a sheet in a file with other pages', () => {
  const pdfs = files.filter((f) => f.bytes)
  const garment = pdfs[0]!.sheet.garment.name
  it.each(pdfs.filter((f) => f.sheet.garment.name === garment).map((f) => [f.manner, f] as const))(
    'is found behind a page of drawn instructions: %s',
    async (_, file) => {
      const read = await readFile({ ...file, bytes: await withDrawnCover(file.bytes!) })
      const drafts = read.ok ? makeDrafts(read.value, 1) : read
      if (!drafts.ok) throw new Error(drafts.problem.message)
      const rates: Rates = noRates()
      judge(file.sheet, drafts.value, rates, true, file.name, false)
      expect([share(rates.pieces), share(rates.names), rates.falsePieces], rates.wrong.join('\n')).toEqual([1, 1, 0])
    },
  )
  it('comes in beside another, as large or not: every page is a sheet of its own', async () => {
    const large = pdfs.filter((f) => f.manner === 'pdf-large')
    const read = await readFile({ ...large[0]!, bytes: await asOneFile(large.map((f) => f.bytes!)) })
    const drafts = read.ok ? makeDrafts(read.value, 1) : read
    if (!drafts.ok) throw new Error(drafts.problem.message)
    const names = drafts.value.filter((d) => !d.aside).map((d) => d.draft.name.toLowerCase())
    expect(names.sort()).toEqual(large.flatMap((f) => f.sheet.garment.pieces.map((p) => p.name.toLowerCase())).sort())
  })
})

describe('files that were damaged on the way', () => {
  const chance = chances(29)
  const round = files.filter((f) => !f.manner.startsWith('pdf-cut'))
  it.each(Array.from({ length: 12 }, (_, i) => i + 1))('are read, or refused in a sentence that says where: lot %d', async (lot) => {
    // The library of PDFs fails once more behind what it has refused.
    const beside = () => {}
    process.on('unhandledRejection', beside)
    for (let i = 0; i < 20; i++) {
      const file = round[(lot * 20 + i) % round.length]!
      const kept = await openFile(mutate(file.bytes ?? new TextEncoder().encode(file.text), chance))
      const drawing = kept.ok ? drawingOf(kept.value) : kept
      const brought = drawing.ok ? bringIn(drawing.value) : drawing
      if (brought.ok) continue
      const { where, message, remedy } = brought.problem
      for (const part of [where, message, remedy]) expect(part.length, file.name).toBeGreaterThan(2)
    }
    process.off('unhandledRejection', beside)
  })
})
