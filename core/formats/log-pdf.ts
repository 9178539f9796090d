import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, rgb, type PDFFont, type PDFImage, type PDFPage } from 'pdf-lib'
import type { LoggedFitting } from '../paper'
import type { Pictures } from './backup'
import type { PdfFonts } from './pdf-out'

const PT = 72 / 25.4
const INK = rgb(0.08, 0.13, 0.2)
const SOFT = rgb(0.35, 0.4, 0.46)
/** A4, with room for holes at the left, mm. */
const PAGE = { widthMm: 210, heightMm: 297, leftMm: 22, rightMm: 16, topMm: 18, bottomMm: 18 }
/** A photograph on the page is as high as this, mm. */
const PHOTO_MM = 62
const GAP_MM = 5
/** Lines of words below it, and the room for them, points. */
const CAPTION_LINES = 4
const CAPTION_PT = 4 + 10 * CAPTION_LINES

/** Words in lines that are no wider than so much, by the width of their letters; a word that is longer by itself is parted. */
function wrap(text: string, font: PDFFont, size: number, widthPt: number): string[] {
  const lines: string[] = []
  for (const paragraph of text.split('\n')) {
    let line = ''
    for (const word of paragraph.split(/\s+/)) {
      let rest = word
      while (font.widthOfTextAtSize(rest, size) > widthPt) {
        let fits = rest.length
        while (fits > 1 && font.widthOfTextAtSize(rest.slice(0, fits), size) > widthPt) fits -= 1
        if (line !== '') lines.push(line)
        line = ''
        lines.push(rest.slice(0, fits))
        rest = rest.slice(fits)
      }
      const longer = line === '' ? rest : `${line} ${rest}`
      if (font.widthOfTextAtSize(longer, size) <= widthPt) line = longer
      else {
        lines.push(line)
        line = rest
      }
    }
    lines.push(line)
  }
  return lines
}

/** Signs that the font has no letter for are left out: pdf-lib cannot write them. */
function printable(font: PDFFont): (text: string) => string {
  const known = new Set(font.getCharacterSet())
  return (text) => [...text].filter((sign) => sign === '\n' || known.has(sign.codePointAt(0)!)).join('')
}

/**
 * The fittings of a garment as pages for the folder: what was seen, what became of it, and small photographs.
 *
 * @param title the garment and for whom it is; texts without tokens, as they are printed
 * @param fittings the same: their lengths written out
 * @param pictures those that are here; a photograph without one is named
 * @returns the PDF
 */
export async function writeLogPdf(
  title: { name: string; line: string },
  fittings: readonly LoggedFitting[],
  pictures: Pictures,
  fonts: PdfFonts,
  madeAt: Date,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(title.name)
  pdf.setCreationDate(madeAt)
  pdf.setModificationDate(madeAt)
  const regular = await pdf.embedFont(fonts.regular, { subset: true })
  const bold = await pdf.embedFont(fonts.bold, { subset: true })
  const clean = printable(regular)
  const width = (PAGE.widthMm - PAGE.leftMm - PAGE.rightMm) * PT
  let page: PDFPage = pdf.addPage([PAGE.widthMm * PT, PAGE.heightMm * PT])
  let y = (PAGE.heightMm - PAGE.topMm) * PT
  const room = (pt: number) => {
    if (y - pt >= PAGE.bottomMm * PT) return
    page = pdf.addPage([PAGE.widthMm * PT, PAGE.heightMm * PT])
    y = (PAGE.heightMm - PAGE.topMm) * PT
  }
  const write = (text: string, size: number, look: { font?: PDFFont; color?: typeof INK; indentMm?: number } = {}) => {
    const { font = regular, color = INK, indentMm = 0 } = look
    for (const line of wrap(clean(text), font, size, width - indentMm * PT)) {
      room(size * 1.35)
      y -= size * 1.35
      page.drawText(line, { x: (PAGE.leftMm + indentMm) * PT, y, size, font, color })
    }
  }
  const embed = async (type: string, data: Uint8Array): Promise<PDFImage | null> =>
    // Another kind of picture is not known to paper.
    type === 'image/jpeg' ? pdf.embedJpg(data).catch(() => null) : type === 'image/png' ? pdf.embedPng(data).catch(() => null) : null

  write(title.name, 20, { font: bold })
  write(title.line, 11, { color: SOFT })
  for (const fitting of fittings) {
    y -= 10
    room(60)
    write(`Fitting, ${fitting.heldOn}${fitting.version === null ? '' : `, of “${fitting.version}”`}`, 14, { font: bold })
    for (const fact of fitting.facts) write(fact, 10.5, { color: SOFT })
    if (fitting.notes !== '') write(fitting.notes, 10.5)
    for (const { seen, became } of fitting.items) {
      y -= 4
      room(30)
      write(seen, 11)
      write(became, 10.5, { color: SOFT, indentMm: 6 })
    }
    if (fitting.well.length > 0) {
      y -= 4
      write(`Sits well: ${fitting.well.join(', ')}.`, 10.5)
    }
    let x = 0
    for (const photo of fitting.photos) {
      const data = pictures.get(photo.id)
      const image = data ? await embed(photo.type, data) : null
      if (!image) {
        write(`Photograph: ${photo.text || 'without words'}.`, 10, { color: SOFT })
        continue
      }
      const h = PHOTO_MM * PT
      const w = Math.min((h * image.width) / image.height, width)
      if (x > 0 && x + w > width) x = 0
      if (x === 0) {
        room(h + CAPTION_PT)
        y -= h + CAPTION_PT
      }
      page.drawImage(image, { x: PAGE.leftMm * PT + x, y: y + CAPTION_PT - 4, width: w, height: h })
      const words = [photo.text, ...photo.marks.map((m, i) => `${i + 1} ${m}`)].filter(Boolean).join('. ')
      wrap(clean(words), regular, 8, w)
        .slice(0, CAPTION_LINES)
        .forEach((line, i) =>
          page.drawText(line, { x: PAGE.leftMm * PT + x, y: y + CAPTION_PT - 14 - i * 10, size: 8, font: regular, color: SOFT }),
        )
      x += w + GAP_MM * PT
    }
  }
  return pdf.save()
}
