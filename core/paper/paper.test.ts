import fc from 'fast-check'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { makeLay, usualCloth, wantedOf } from '../cloth'
import { writePdf } from '../formats/pdf-out'
import { writeProjectorPdf } from '../formats/pdf-projector'
import { boundsOf, findSelfCrossing, flattenPath, measureArea } from '../geometry'
import { outlineOf, shapeOf } from '../pattern'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import {
  arrange,
  cutLineOf,
  drawPieces,
  frontPages,
  JOINT_MM,
  layOut,
  layOutSheet,
  PAPER_IDS,
  PAPER_SIZES,
  sheetFor,
  tapeFor,
  tilePages,
  withoutPages,
} from './index'

const words = { garmentName: 'Panel', wearerName: null, sizeName: 'one', date: '2026-01-01', changes: [], ruler: 'in' as const }
const font = (w: number) =>
  new Uint8Array(
    readFileSync(createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${w}-normal.woff`)),
  )

describe('cut line', () => {
  it('lies outside the seam line, is sound, and runs over the darts instead of into them', () => {
    for (const piece of draftBlouse().pieces) {
      const shape = shapeOf(piece, 'one')
      const cut = cutLineOf(piece, shape)
      expect(findSelfCrossing(cut)).toBeNull()
      expect(measureArea(cut)).toBeGreaterThan(measureArea(outlineOf(piece, shape)))
      const fold = piece.edges.find((e) => e.fold)
      if (fold) expect(boundsOf(cut).minX).toBeCloseTo(boundsOf(outlineOf(piece, shape)).minX, 6)
    }
  })
})

describe('layout', () => {
  it('never lets two pieces overlap, and keeps the gap', () => {
    const size = fc.record({ w: fc.integer({ min: 5, max: 400 }), h: fc.integer({ min: 5, max: 900 }) })
    fc.assert(
      fc.property(fc.array(size, { minLength: 1, maxLength: 14 }), fc.integer({ min: 300, max: 2000 }), (sizes, width) => {
        const { pieces } = layOut(
          sizes.map((s, i) => ({ pieceId: `p${i}`, box: { minX: -7, minY: 3, maxX: s.w - 7, maxY: s.h + 3 } })),
          width,
          10,
        )
        return (
          pieces.length === sizes.length &&
          pieces.every((a, i) =>
            pieces.every(
              (b, k) =>
                i >= k ||
                a.box.maxX + 10 <= b.box.minX + 1e-9 ||
                b.box.maxX + 10 <= a.box.minX + 1e-9 ||
                a.box.maxY + 10 <= b.box.minY + 1e-9 ||
                b.box.maxY + 10 <= a.box.minY + 1e-9,
            ),
          )
        )
      }),
      { numRuns: 200 },
    )
  })
})

describe('tiles', () => {
  it('cover the sheet, share an overlap, and leave out what is empty', () => {
    const box = (id: string, w: number, h: number) =>
      polygonPiece(
        id,
        'other',
        [
          { x: 0, y: 0 },
          { x: w, y: 0 },
          { x: w, y: h },
          { x: 0, y: h },
        ],
        ['other', 'other', 'other', 'other'],
      )
    const sheet = layOutSheet(garmentOf([box('tall', 100, 900), box('wide', 800, 100)]), 'one', words, 1000)
    const t = tilePages(sheet, PAPER_SIZES.a4)
    expect(t.columns * (t.windowWidthMm - 10) + 10).toBeGreaterThanOrEqual(sheet.widthMm)
    expect(t.rows * (t.windowHeightMm - 10) + 10).toBeGreaterThanOrEqual(sheet.heightMm)
    expect(t.pages).toHaveLength(t.columns * t.rows)
    expect(t.pages[1]!.x - t.pages[0]!.x).toBeCloseTo(t.windowWidthMm - 10, 9)
    expect(t.pages.some((p) => p.empty)).toBe(true)
    expect(t.pages[0]!.name).toBe('A1')
  })
})

/** Extents of the dark pixels in a grey PGM picture, within a window. */
function darkRuns(pgm: Buffer, rowOf: (h: number) => number) {
  const head = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 60).toString('latin1'))!
  const [w, h] = [Number(head[1]), Number(head[2])]
  const at = head[0].length
  const y = rowOf(h)
  const dark: number[] = []
  for (let x = 0; x < w; x++) if (pgm[at + y * w + x]! < 110) dark.push(x)
  return dark
}

describe('joints', () => {
  const sheet = layOutSheet(draftBlouse(), 'one', words, 900)
  const tiling = tilePages(sheet, PAPER_SIZES.a4)
  it('join every two printed pages that meet, each with a letter of its own, marked within what both show', () => {
    const used = tiling.pages.filter((p) => !p.empty)
    const meet = used.flatMap((a) =>
      used
        .filter((b) => (b.row === a.row && b.column === a.column + 1) || (b.column === a.column && b.row === a.row + 1))
        .map((b) => `${a.name} ${b.name}`),
    )
    expect(tiling.joints.map((j) => j.pages.join(' ')).sort()).toEqual(meet.sort())
    expect(new Set(tiling.joints.map((j) => j.letter)).size).toBe(tiling.joints.length)
    for (const { x, y, along, pages } of tiling.joints) {
      const [first, second] = pages.map((name) => used.find((p) => p.name === name)!)
      expect(along === 'down' ? x : y).toBeCloseTo(along === 'down' ? second!.x : second!.y, 9)
      expect(x + JOINT_MM).toBeLessThan(first!.x + tiling.windowWidthMm)
      expect(y + JOINT_MM).toBeLessThan(first!.y + tiling.windowHeightMm)
    }
  })
  it('go with pages that are left out; tape is what remains', () => {
    const [first] = tiling.joints
    const fewer = withoutPages(tiling, [first!.pages[0]])
    expect(fewer.joints.some((j) => j.pages.includes(first!.pages[0]))).toBe(false)
    expect(tapeFor(fewer).tapeMm).toBeLessThan(tapeFor(tiling).tapeMm)
  })
})

describe('papers', () => {
  const drawn = drawPieces(draftBlouse(), 'one', words)
  it.each(PAPER_IDS)('%s: all that is drawn lies on its pages, within the rim', (paper) => {
    for (const marginMm of [3, 12]) {
      const { sheet, tiling } = sheetFor(drawn, { paper, rollMm: 800, marginMm })
      const used = tiling.pages.filter((p) => !p.empty)
      expect(tiling.windowWidthMm).toBeCloseTo(tiling.paper.widthMm - 2 * marginMm, 9)
      for (const { from } of sheet.pieces.flatMap((p) => p.cutLine))
        expect(
          used.some((p) => from.x >= p.x && from.x <= p.x + tiling.windowWidthMm && from.y >= p.y && from.y <= p.y + tiling.windowHeightMm),
        ).toBe(true)
      if (paper === 'roll') expect(used).toHaveLength(1)
    }
  })
})

describe('PDF', () => {
  it('prints the 50 mm square as 50 mm, and a 120 mm seam line as 120 mm, at 300 dpi', async () => {
    const piece = polygonPiece(
      'Panel',
      'other',
      [
        { x: 0, y: 0 },
        { x: 120, y: 0 },
        { x: 120, y: 150 },
        { x: 0, y: 150 },
      ],
      ['other', 'other', 'other', 'other'],
      { allowanceMm: 0 },
    )
    const sheet = layOutSheet(garmentOf([piece]), 'one', words, 400)
    const bytes = await writePdf(
      sheet,
      tilePages(sheet, PAPER_SIZES.a4),
      { garmentName: 'Panel', lines: ['a line'] },
      { regular: font(400), bold: font(700) },
      new Date(0),
    )
    const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-pdf-'))
    try {
      writeFileSync(join(dir, 'p.pdf'), bytes)
      execFileSync('pdftoppm', ['-r', '300', '-gray', join(dir, 'p.pdf'), join(dir, 'p')])
      const mm = (px: number) => (px * 25.4) / 300
      // The line of the first page where the squares stand: four dark edges, the first two 50 mm apart, the others 2 in.
      const first = readFileSync(join(dir, 'p-1.pgm'))
      const text = execFileSync('pdftotext', ['-bbox', join(dir, 'p.pdf'), '-'], { encoding: 'utf8' })
      const label = /yMin="([\d.]+)"[^>]*>5<\/word>/.exec(text)!
      const edges = darkRuns(first, () => Math.round(((Number(label[1]) - 20) / 72) * 300)).filter(
        (x, i, all) => i === 0 || x - all[i - 1]! > 3,
      )
      expect(edges).toHaveLength(4)
      expect(Math.abs(mm(edges[1]! - edges[0]!) - 50)).toBeLessThan(0.2)
      expect(Math.abs(mm(edges[3]! - edges[2]!) - 50.8)).toBeLessThan(0.2)
      const page = darkRuns(readFileSync(join(dir, 'p-2.pgm')), (h) => Math.round(h * 0.13)).filter(
        (x, i, all) => i === 0 || x - all[i - 1]! > 3,
      )
      const widths = page.flatMap((a) => page.map((b) => mm(b - a)))
      expect(widths.some((w) => Math.abs(w - 120) < 0.2)).toBe(true)
      const words2 = execFileSync('pdftotext', ['-f', '2', '-l', '2', join(dir, 'p.pdf'), '-'], { encoding: 'utf8' })
      for (const word of ['Panel', 'size: one', 'cut 1', '2026-01-01', 'as bought']) expect(words2).toContain(word)
    } finally {
      rmSync(dir, { recursive: true, force: true })
    }
  })
  it.each(PAPER_IDS)('on %s prints a 120 mm line as 120 mm at 300 dpi, and a lay on a page of its own', async (paper) => {
    const points = [
      { x: 0, y: 0 },
      { x: 120, y: 0 },
      { x: 120, y: 150 },
      { x: 0, y: 150 },
    ]
    const garment = garmentOf([polygonPiece('Panel', 'other', points, ['other', 'other', 'other', 'other'], { allowanceMm: 0 })])
    const made = makeLay(garment, 'one', wantedOf(garment, { Panel: 2 }), usualCloth(), { rounds: 3 })
    if (!made.ok) throw new Error(made.problem.message)
    const marginMm = 9
    const { sheet, tiling } = sheetFor(drawPieces(garment, 'one', words), { paper, rollMm: 600, marginMm })
    const lays = [{ name: 'Main cloth: 30 cm', lines: ['140 cm wide, flat.'], lay: made.value }]
    const bytes = await writePdf(
      sheet,
      tiling,
      { garmentName: 'Panel', lines: [] },
      { regular: font(400), bold: font(700) },
      new Date(0),
      lays,
    )
    const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-true-'))
    try {
      writeFileSync(join(dir, 'p.pdf'), bytes)
      const page = tiling.pages.find((p) => !p.empty)!
      // A strip through the middle of the piece, no higher than a line: also of A0.
      const y = Math.round(((sheet.pieces[0]!.box.minY + 75 - page.y + marginMm) / 25.4) * 300)
      const width = Math.ceil((tiling.paper.widthMm / 25.4) * 300)
      execFileSync('pdftoppm', [
        '-r',
        '300',
        '-gray',
        '-f',
        '3',
        '-l',
        '3',
        '-x',
        '0',
        '-y',
        String(y),
        '-W',
        String(width),
        '-H',
        '2',
        '-singlefile',
        join(dir, 'p.pdf'),
        join(dir, 'p'),
      ])
      const edges = darkRuns(readFileSync(join(dir, 'p.pgm')), () => 0).filter((x, i, all) => i === 0 || x - all[i - 1]! > 3)
      const widths = edges.flatMap((a) => edges.map((b) => ((b - a) * 25.4) / 300))
      expect(Math.min(...widths.map((w) => Math.abs(w - 120)))).toBeLessThan(0.1)
      const second = execFileSync('pdftotext', ['-f', '2', '-l', '2', join(dir, 'p.pdf'), '-'], { encoding: 'utf8' })
      for (const word of ['Main cloth: 30 cm', '140 cm wide, flat.', 'Panel', 'layer 1 of 2']) expect(second).toContain(word)
    } finally {
      rmSync(dir, { recursive: true, force: true })
    }
  })
  it('for a projector is one page at true size: thick white lines on black, or black on white', async () => {
    const sheet = layOutSheet(draftBlouse(), 'one', words, 1200, { pieceIds: ['front'] })
    const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-thrown-'))
    try {
      for (const isDark of [true, false]) {
        const bytes = await writeProjectorPdf(sheet, 'Blouse', { thickMm: 4, isDark }, { regular: font(400), bold: font(700) }, new Date(0))
        writeFileSync(join(dir, 'p.pdf'), bytes)
        execFileSync('pdftoppm', ['-r', '50.8', '-gray', join(dir, 'p.pdf'), join(dir, 'p')])
        const pgm = readFileSync(join(dir, 'p-1.pgm'))
        const head = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 60).toString('latin1'))!
        const w = Number(head[1])
        const at = (x: number, y: number) => pgm[head[0].length + y * w + x]!
        const { box, cutLine } = sheet.pieces[0]!
        // Two pixels are a millimetre, and 20 mm of rim lie round it.
        expect(w).toBe(Math.ceil((box.maxX - box.minX + 40) * 2))
        expect(at(2, 2)).toBe(isDark ? 0 : 255)
        for (const { from } of cutLine) {
          const [x, y] = [Math.round((from.x - box.minX + 20) * 2), Math.round((from.y - box.minY + 20) * 2)]
          expect(isDark ? at(x, y) : 255 - at(x, y)).toBeGreaterThan(200)
        }
      }
    } finally {
      rmSync(dir, { recursive: true, force: true })
    }
  })
  it('draws the same sheet the same way every time', async () => {
    const piece = polygonPiece(
      'P',
      'other',
      [
        { x: 0, y: 0 },
        { x: 90, y: 0 },
        { x: 90, y: 90 },
      ],
      ['other', 'other', 'other'],
    )
    const sheet = layOutSheet(garmentOf([piece]), 'one', words, 300)
    const make = () =>
      writePdf(
        sheet,
        tilePages(sheet, PAPER_SIZES.letter),
        { garmentName: 'P', lines: [] },
        { regular: font(400), bold: font(700) },
        new Date(0),
      )
    expect((await make()).length).toBe((await make()).length)
  })
  it('puts lines, words, page marks and sizes on layers, and pages put together by their marks give the whole drawing', async () => {
    const garment = draftBlouse()
    const drawn = drawPieces(garment, 'one', words)
    const fonts = { regular: font(400), bold: font(700) }
    const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-joint-'))
    // A dot is an eighth of a millimetre: what is found beside its place lies within two tenths.
    const DPI = 200
    const px = (mm: number) => Math.round((mm / 25.4) * DPI)
    const picture = (name: string) => {
      const pgm = readFileSync(join(dir, name))
      const head = /^P5\s+(\d+)\s+(\d+)\s+(\d+)\s/.exec(pgm.subarray(0, 60).toString('latin1'))!
      return { w: Number(head[1]), h: Number(head[2]), at: (x: number, y: number) => pgm[head[0].length + y * Number(head[1]) + x]! }
    }
    try {
      const sheet = arrange(drawn, 700)
      const tiling = tilePages(sheet, PAPER_SIZES.a4)
      const bytes = await writePdf(sheet, tiling, { garmentName: 'Blouse', lines: [] }, fonts, new Date(0))
      const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
      const config = await (await getDocument({ data: bytes.slice(), verbosity: 0 }).promise).getOptionalContentConfig()
      expect([...config].map(([, group]) => (group as { name: string }).name)).toEqual([
        'Cut line',
        'Seam line',
        'Grain, folds and notches',
        'Lines and marks within',
        'Words',
        'Page marks',
        'Squares and map',
        'Cloth',
      ])
      writeFileSync(join(dir, 'p.pdf'), bytes)
      execFileSync('pdftoppm', ['-r', String(DPI), '-gray', join(dir, 'p.pdf'), join(dir, 'p')])
      const front = frontPages(tiling)
      const used = tiling.pages.filter((p) => !p.empty)
      const digits = String(used.length + front).length
      const pages = new Map(used.map((p, i) => [p.name, picture(`p-${String(i + 1 + front).padStart(digits, '0')}.pgm`)]))
      // Along every cut line: ink on each page that shows the place, where its marks put it.
      let looked = 0
      for (const piece of sheet.pieces)
        for (const p of flattenPath(piece.cutLine, 0.5))
          for (const page of used) {
            const [x, y] = [p.x - page.x, p.y - page.y]
            if (x < 1 || y < 1 || x > tiling.windowWidthMm - 1 || y > tiling.windowHeightMm - 1) continue
            const own = pages.get(page.name)!
            const [cx, cy] = [px(x + tiling.marginMm), px(y + tiling.marginMm)]
            let darkest = 255
            for (let dy = -1; dy <= 1; dy++) for (let dx = -1; dx <= 1; dx++) darkest = Math.min(darkest, own.at(cx + dx, cy + dy))
            expect(darkest, `${piece.piece.name} on ${page.name}`).toBeLessThan(160)
            looked += 1
          }
      expect(looked).toBeGreaterThan(150)
    } finally {
      rmSync(dir, { recursive: true, force: true })
    }
  })
})
