import { rgb, type PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib'
import { INK, openDocument, PT, type PdfFonts } from './pdf-pen'

export const SOFT = rgb(0.35, 0.4, 0.46)
/** A4, with room for holes at the left, mm. */
export const TEXT_PAGE = { widthMm: 210, heightMm: 297, leftMm: 22, rightMm: 16, topMm: 18, bottomMm: 18 }

/** Widths of words that were measured before, by font, in points at a size of one. */
const measured = new WeakMap<PDFFont, Map<string, number>>()

/** Measures a word, which takes long, once in each font. */
function widthOf(word: string, font: PDFFont, size: number): number {
  const known = measured.get(font) ?? new Map<string, number>()
  measured.set(font, known)
  const width = known.get(word) ?? font.widthOfTextAtSize(word, 1)
  known.set(word, width)
  return width * size
}

/** Words in lines that are no wider than so much, by the width of their words and the spaces between; a word that is longer by itself is parted. */
export function wrapWords(text: string, font: PDFFont, size: number, widthPt: number): string[] {
  const lines: string[] = []
  const spacePt = widthOf(' ', font, size)
  for (const paragraph of text.split('\n')) {
    let line = ''
    let linePt = 0
    const end = () => {
      lines.push(line)
      line = ''
      linePt = 0
    }
    for (const word of paragraph.split(/\s+/)) {
      let rest = word
      while (widthOf(rest, font, size) > widthPt && rest.length > 1) {
        let fits = rest.length
        while (fits > 1 && widthOf(rest.slice(0, fits), font, size) > widthPt) fits -= 1
        if (line !== '') end()
        lines.push(rest.slice(0, fits))
        rest = rest.slice(fits)
      }
      const restPt = widthOf(rest, font, size)
      if (line !== '' && linePt + spacePt + restPt > widthPt) end()
      linePt += line === '' ? restPt : spacePt + restPt
      line = line === '' ? rest : `${line} ${rest}`
    }
    end()
  }
  return lines
}

/** Signs that the font has no letter for are left out: pdf-lib cannot write them. */
function printable(font: PDFFont): (text: string) => string {
  const known = new Set(font.getCharacterSet())
  return (text) => [...text].filter((sign) => sign === '\n' || known.has(sign.codePointAt(0)!)).join('')
}

interface Look {
  isBold?: boolean
  isSoft?: boolean
  indentMm?: number
}

/** Words down pages, one paragraph after the other. */
export interface TextPages {
  pdf: PDFDocument
  font: PDFFont
  widthPt: number
  /** Takes out what the font has no letter for. */
  clean: (text: string) => string
  /** Writes a paragraph in lines of such a size, points; on a new page where this one is full. */
  write(text: string, size: number, look?: Look): void
  /** Leaves so much room, points. */
  gap(pt: number): void
  /** Begins a new page where so much does not fit on this one, points. */
  room(pt: number): void
  /** Where the next line would stand on which page, points from its lower edge. */
  at(): { page: PDFPage; y: number }
}

/** A document of words on A4 for the folder. */
export async function openTextPages(title: string, fonts: PdfFonts, madeAt: Date): Promise<TextPages> {
  const { doc: pdf, fonts: own } = await openDocument(title, fonts, madeAt)
  const clean = printable(own.regular)
  const widthPt = (TEXT_PAGE.widthMm - TEXT_PAGE.leftMm - TEXT_PAGE.rightMm) * PT
  const top = (TEXT_PAGE.heightMm - TEXT_PAGE.topMm) * PT
  const newPage = () => pdf.addPage([TEXT_PAGE.widthMm * PT, TEXT_PAGE.heightMm * PT])
  let page = newPage()
  let y = top
  const pages: TextPages = {
    pdf,
    font: own.regular,
    widthPt,
    clean,
    write(text, size, { isBold = false, isSoft = false, indentMm = 0 } = {}) {
      const font = isBold ? own.bold : own.regular
      for (const line of wrapWords(clean(text), font, size, widthPt - indentMm * PT)) {
        pages.room(size * 1.35)
        y -= size * 1.35
        page.drawText(line, { x: (TEXT_PAGE.leftMm + indentMm) * PT, y, size, font, color: isSoft ? SOFT : INK })
      }
    },
    gap: (pt) => void (y -= pt),
    room(pt) {
      if (y - pt >= TEXT_PAGE.bottomMm * PT) return
      page = newPage()
      y = top
    },
    at: () => ({ page, y }),
  }
  return pages
}

/** Some lines under a heading; soft ones stand back and are indented. */
export interface TextSection {
  heading: string
  lines: readonly { text: string; isSoft?: boolean }[]
}

/** Sections of words as pages for the folder; their lengths written out already. */
export async function writeTextPdf(
  title: { name: string; line: string },
  sections: readonly TextSection[],
  fonts: PdfFonts,
  madeAt: Date,
): Promise<Uint8Array> {
  const pages = await openTextPages(title.name, fonts, madeAt)
  pages.write(title.name, 20, { isBold: true })
  pages.write(title.line, 11, { isSoft: true })
  for (const { heading, lines } of sections) {
    pages.gap(10)
    pages.room(50)
    pages.write(heading, 14, { isBold: true })
    for (const { text, isSoft = false } of lines) pages.write(text, 10.5, isSoft ? { isSoft, indentMm: 6 } : {})
  }
  return pages.pdf.save()
}
