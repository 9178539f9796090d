import type { PDFImage } from 'pdf-lib'
import type { LoggedFitting } from '../paper'
import type { Pictures } from './backup'
import { PT, type PdfFonts } from './pdf-pen'
import { openTextPages, SOFT, TEXT_PAGE, wrapWords } from './pdf-text'

/** A photograph on the page is as high as this, mm. */
const PHOTO_MM = 62
const GAP_MM = 5
/** Lines of words below it, and the room for them, points. */
const CAPTION_LINES = 4
const CAPTION_PT = 4 + 10 * CAPTION_LINES

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
  const pages = await openTextPages(title.name, fonts, madeAt)
  const { pdf, font, widthPt: width, clean, write, gap, room } = pages
  const embed = async (type: string, data: Uint8Array): Promise<PDFImage | null> =>
    // Another kind of picture is not known to paper.
    type === 'image/jpeg' ? pdf.embedJpg(data).catch(() => null) : type === 'image/png' ? pdf.embedPng(data).catch(() => null) : null

  write(title.name, 20, { isBold: true })
  write(title.line, 11, { isSoft: true })
  for (const fitting of fittings) {
    gap(10)
    room(60)
    write(`Fitting, ${fitting.heldOn}${fitting.version === null ? '' : `, of “${fitting.version}”`}`, 14, { isBold: true })
    for (const fact of fitting.facts) write(fact, 10.5, { isSoft: true })
    if (fitting.notes !== '') write(fitting.notes, 10.5)
    for (const { seen, became } of fitting.items) {
      gap(4)
      room(30)
      write(seen, 11)
      write(became, 10.5, { isSoft: true, indentMm: 6 })
    }
    if (fitting.well.length > 0) {
      gap(4)
      write(`Sits well: ${fitting.well.join(', ')}.`, 10.5)
    }
    let x = 0
    for (const photo of fitting.photos) {
      const data = pictures.get(photo.id)
      const image = data ? await embed(photo.type, data) : null
      if (!image) {
        write(`Photograph: ${photo.text || 'without words'}.`, 10, { isSoft: true })
        continue
      }
      const h = PHOTO_MM * PT
      const w = Math.min((h * image.width) / image.height, width)
      if (x > 0 && x + w > width) x = 0
      if (x === 0) {
        room(h + CAPTION_PT)
        gap(h + CAPTION_PT)
      }
      const { page, y } = pages.at()
      page.drawImage(image, { x: TEXT_PAGE.leftMm * PT + x, y: y + CAPTION_PT - 4, width: w, height: h })
      const words = [photo.text, ...photo.marks.map((m, i) => `${i + 1} ${m}`)].filter(Boolean).join('. ')
      wrapWords(clean(words), font, 8, w)
        .slice(0, CAPTION_LINES)
        .forEach((line, i) =>
          page.drawText(line, { x: TEXT_PAGE.leftMm * PT + x, y: y + CAPTION_PT - 14 - i * 10, size: 8, font, color: SOFT }),
        )
      x += w + GAP_MM * PT
    }
  }
  return pdf.save()
}
