import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import type { LoggedFitting } from '../paper'
import { writeLogPdf } from './log-pdf'

const font = (weight: 400 | 700) =>
  new Uint8Array(
    readFileSync(createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${weight}-normal.woff`)),
  )
const fonts = { regular: font(400), bold: font(700) }
const picture = new Uint8Array(readFileSync('public/demo-photographs/demo-mock-up-front.jpg'))
const fitting = (more: Partial<LoggedFitting> = {}): LoggedFitting => ({
  id: 'f',
  heldOn: '4 Nov 2026',
  version: 'First mock-up',
  facts: [],
  notes: '',
  well: [],
  items: [{ seen: 'Neck: it gapes, 1/2 in', became: 'open' }],
  photos: [],
  ...more,
})
async function written(fittings: LoggedFitting[], pictures: ReadonlyMap<string, Uint8Array> = new Map()) {
  const bytes = await writeLogPdf({ name: 'Blouse', line: 'for the Cook' }, fittings, pictures, fonts, new Date('2026-05-01'))
  const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'log.pdf')
  writeFileSync(file, bytes)
  const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })
  return { text, pages: (await PDFDocument.load(bytes)).getPageCount(), bytes: bytes.length }
}

describe('the fittings as a PDF', () => {
  it('have their words on the page, and go on over as many pages as they need', async () => {
    const one = await written([fitting()])
    expect(one.text).toMatch(/Blouse[\s\S]*for the Cook[\s\S]*4 Nov 2026, of “First mock-up”[\s\S]*it gapes, 1\/2 in[\s\S]*open/)
    expect(one.pages).toBe(1)
    const many = await written(Array.from({ length: 40 }, () => fitting()))
    expect(many.pages).toBeGreaterThan(1)
    expect(many.text.match(/it gapes/g)).toHaveLength(40)
  })
  it('have small photographs with their words; one whose picture is not here, or is none, is named', async () => {
    const photo = { id: 'p', text: 'Front', marks: ['the seam slants'], widthPx: 600, heightPx: 800, type: 'image/jpeg' as const }
    const drawn = await written([fitting({ photos: [photo] })], new Map([['p', picture]]))
    expect(drawn.bytes).toBeGreaterThan(picture.length)
    expect(drawn.text).toContain('1 the seam slants')
    for (const pictures of [new Map<string, Uint8Array>(), new Map([['p', new Uint8Array([1, 2, 3])]])]) {
      const missing = await written([fitting({ photos: [photo] })], pictures)
      expect(missing.text).toContain('Photograph: Front.')
      expect(missing.bytes).toBeLessThan(drawn.bytes)
    }
  })
  it('stay on the page with a word longer than a line, and leave out signs that the face has not', async () => {
    const { text } = await written([fitting({ notes: `${'seam'.repeat(60)} and then 縫 on\nnext line`, items: [] })])
    expect(text.replace(/\s+/g, '')).toContain('seam'.repeat(60))
    expect(text).toMatch(/and then\s+on/)
    expect(text).toContain('next line')
  })
})
