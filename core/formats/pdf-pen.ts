import fontkit from '@pdf-lib/fontkit'
import {
  appendBezierCurve,
  clip,
  closePath,
  concatTransformationMatrix,
  degrees,
  endPath,
  lineTo,
  moveTo,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
  setDashPattern,
  setLineWidth,
  setStrokingColor,
  stroke,
  type PDFFont,
  type PDFOperator,
  type PDFPage,
  type RGB,
} from 'pdf-lib'
import { line, type Path } from '../geometry'
import type { PlacedWords } from '../paper'
import { unpackFont } from './woff'
import { DEG } from '../units'

/** Points in a millimetre. */
export const PT = 72 / 25.4

export const INK = rgb(0.08, 0.13, 0.2)
export const FAINT = rgb(0.55, 0.62, 0.68)

export const PALE = rgb(0.85, 0.88, 0.9)
export const PAPER = rgb(1, 1, 1)

/** A line to be drawn, mm with y down. */
export interface Stroke {
  path: Path
  closed: boolean
  widthMm: number
  color: RGB
  dashMm?: number[]
}

function pathOperators(path: Path, closed: boolean): PDFOperator[] {
  const ops = [moveTo(path[0]!.from.x, path[0]!.from.y)]
  for (const s of path)
    ops.push(s.kind === 'line' ? lineTo(s.to.x, s.to.y) : appendBezierCurve(s.c1.x, s.c1.y, s.c2.x, s.c2.y, s.to.x, s.to.y))
  if (closed) ops.push(closePath())
  return ops
}

/** Part of a page, mm from its upper left corner. */
export interface Window {
  x: number
  y: number
  w: number
  h: number
}

/** Draws strokes inside a window of the page. */
export function drawStrokes(page: PDFPage, strokes: readonly Stroke[], at: { x: number; y: number; scale: number }, window?: Window): void {
  const top = page.getHeight() / PT
  page.pushOperators(pushGraphicsState(), concatTransformationMatrix(PT, 0, 0, -PT, 0, top * PT))
  if (window) page.pushOperators(rectangle(window.x, window.y, window.w, window.h), clip(), endPath())
  page.pushOperators(concatTransformationMatrix(at.scale, 0, 0, at.scale, at.x, at.y))
  for (const s of strokes)
    page.pushOperators(
      setStrokingColor(s.color),
      setLineWidth(s.widthMm / at.scale),
      setDashPattern(
        (s.dashMm ?? []).map((d) => d / at.scale),
        0,
      ),
      ...pathOperators(s.path, s.closed),
      stroke(),
    )
  page.pushOperators(popGraphicsState())
}

export function boxPath(x: number, y: number, w: number, h: number): Path {
  const p = [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ]
  return p.map((from, i) => line(from, p[(i + 1) % 4]!))
}

/** Writes a line of words, mm from the page’s upper left corner. */
export function write(page: PDFPage, text: string, xMm: number, yMm: number, sizeMm: number, font: PDFFont, color = INK): void {
  page.drawText(text, { x: xMm * PT, y: page.getHeight() - yMm * PT, size: sizeMm * PT, font, color })
}

/** Words wrapped to a width. */
export function wrap(text: string, widthMm: number, sizeMm: number, font: PDFFont): string[] {
  const lines: string[] = []
  let current = ''
  for (const word of text.split(' ')) {
    const tried = current ? `${current} ${word}` : word
    if (current && font.widthOfTextAtSize(tried, sizeMm * PT) > widthMm * PT) {
      lines.push(current)
      current = word
    } else current = tried
  }
  return current ? [...lines, current] : lines
}

/** Draws within a window of the page alone: what reaches beyond it is cut off. */
export function within(page: PDFPage, { x, y, w, h }: Window, draw: () => void): void {
  page.pushOperators(pushGraphicsState(), rectangle(x * PT, page.getHeight() - (y + h) * PT, w * PT, h * PT), clip(), endPath())
  draw()
  page.pushOperators(popGraphicsState())
}

/** Writes placed words, moved by so much, mm. */
export function writePlaced(
  page: PDFPage,
  { text, at, turnRad, sizeMm, bold }: PlacedWords,
  move: { x: number; y: number },
  fonts: Fonts,
  color = INK,
): void {
  page.drawText(text, {
    x: (at.x + move.x) * PT,
    y: page.getHeight() - (at.y + move.y) * PT,
    size: sizeMm * PT,
    font: bold ? fonts.bold : fonts.regular,
    color,
    rotate: degrees(-turnRad * DEG),
  })
}

/** A stroke in ink, or in another colour; closed where it goes round. */
export const ink = (path: Path, widthMm: number, dashMm?: number[], color = INK, closed = false): Stroke => ({
  path,
  closed,
  widthMm,
  color,
  ...(dashMm ? { dashMm } : {}),
})

/** The two fonts of a document. */
export interface Fonts {
  regular: PDFFont
  bold: PDFFont
}

/** Font files (TrueType or WOFF), so that every letter prints as on the screen. */
export interface PdfFonts {
  regular: Uint8Array
  bold: Uint8Array
}

/**
 * A new document with its title, its letters and the day that it was made.
 * @param now date written into the file's data
 */
export async function openDocument(title: string, fonts: PdfFonts, now: Date): Promise<{ doc: PDFDocument; fonts: Fonts }> {
  const doc = await PDFDocument.create()
  doc.registerFontkit(fontkit)
  doc.setTitle(title)
  doc.setProducer('Tidal Seam')
  doc.setCreator('Tidal Seam')
  doc.setCreationDate(now)
  doc.setModificationDate(now)
  const embed = (bytes: Uint8Array) => doc.embedFont(unpackFont(bytes), { subset: true })
  return { doc, fonts: { regular: await embed(fonts.regular), bold: await embed(fonts.bold) } }
}
