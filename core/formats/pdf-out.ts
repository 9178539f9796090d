import fontkit from '@pdf-lib/fontkit'
import {
  appendBezierCurve,
  clip,
  closePath,
  concatTransformationMatrix,
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
import { MARGIN_MM, OVERLAP_MM, type Page, type Sheet, type Tiling } from '../paper'
import { TEST_SQUARE_IN_MM, TEST_SQUARE_MM } from '../tolerances'

/** Points in a millimetre. */
const PT = 72 / 25.4

const INK = rgb(0.08, 0.13, 0.2)
const FAINT = rgb(0.55, 0.62, 0.68)
const PALE = rgb(0.85, 0.88, 0.9)

/** Font files (TrueType or WOFF), so that every letter prints as on the screen. */
export interface PdfFonts {
  regular: Uint8Array
  bold: Uint8Array
}

export interface PdfTitle {
  garmentName: string
  lines: string[]
}

interface Stroke {
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

/** Draws strokes given in mm with y down, inside a window of the page, mm from its top left. */
function drawStrokes(
  page: PDFPage,
  strokes: readonly Stroke[],
  at: { x: number; y: number; scale: number },
  window?: { x: number; y: number; w: number; h: number },
): void {
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

function boxPath(x: number, y: number, w: number, h: number): Path {
  const p = [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ]
  return p.map((from, i) => line(from, p[(i + 1) % 4]!))
}

function write(page: PDFPage, text: string, xMm: number, yMm: number, sizeMm: number, font: PDFFont, color = INK): void {
  page.drawText(text, { x: xMm * PT, y: page.getHeight() - yMm * PT, size: sizeMm * PT, font, color })
}

/** Words wrapped to a width. */
function wrap(text: string, widthMm: number, sizeMm: number, font: PDFFont): string[] {
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

function pieceStrokes(sheet: Sheet): Stroke[] {
  return sheet.pieces.flatMap((p): Stroke[] => [
    { path: p.cutLine, closed: true, widthMm: 0.35, color: INK },
    { path: p.seamLine, closed: true, widthMm: 0.2, color: INK, dashMm: [3, 1.5] },
    ...p.notches.map((path): Stroke => ({ path, closed: false, widthMm: 0.5, color: INK })),
    { path: [line(p.grain.from, p.grain.to)], closed: false, widthMm: 0.3, color: INK },
    ...arrowHeads(p.grain.from, p.grain.to).map((path): Stroke => ({ path, closed: false, widthMm: 0.3, color: INK })),
    ...p.innerLines.map((l): Stroke =>
      l.folded
        ? { path: l.path, closed: false, widthMm: 0.3, color: INK, dashMm: [3, 1.5] }
        : { path: l.path, closed: false, widthMm: 0.2, color: FAINT, dashMm: [6, 2, 1, 2] },
    ),
    ...p.points.flatMap((q): Stroke[] => [
      { path: [line({ x: q.at.x - 3, y: q.at.y }, { x: q.at.x + 3, y: q.at.y })], closed: false, widthMm: 0.25, color: INK },
      { path: [line({ x: q.at.x, y: q.at.y - 3 }, { x: q.at.x, y: q.at.y + 3 })], closed: false, widthMm: 0.25, color: INK },
    ]),
  ])
}

function arrowHeads(from: { x: number; y: number }, to: { x: number; y: number }): Path[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const u = { x: (to.x - from.x) / length, y: (to.y - from.y) / length }
  const head = (tip: typeof from, back: number): Path[] =>
    [-1, 1].map((side) => [line(tip, { x: tip.x + back * 5 * u.x - side * 2.2 * u.y, y: tip.y + back * 5 * u.y + side * 2.2 * u.x })])
  return [...head(from, 1), ...head(to, -1)]
}

function firstPage(doc: PDFDocument, sheet: Sheet, tiling: Tiling, title: PdfTitle, fonts: { regular: PDFFont; bold: PDFFont }): void {
  const { widthMm, heightMm } = tiling.paper
  const page = doc.addPage([widthMm * PT, heightMm * PT])
  const left = 16
  write(page, title.garmentName, left, 24, 8, fonts.bold)
  let y = 32
  for (const text of title.lines.flatMap((t) => wrap(t, widthMm - 2 * left, 3.8, fonts.regular))) {
    write(page, text, left, y, 3.8, fonts.regular)
    y += 5.2
  }
  y += 4
  for (const text of wrap('Measure the square and sew a mock-up before cutting fabric.', widthMm - 2 * left, 5.4, fonts.bold)) {
    write(page, text, left, y, 5.4, fonts.bold)
    y += 7
  }
  write(
    page,
    'Print at 100 %, “actual size”. If the squares do not measure true, do not cut: change the printer’s scale and print again.',
    left,
    y,
    3.4,
    fonts.regular,
  )
  y += 5
  drawStrokes(
    page,
    [
      { path: boxPath(left, y, TEST_SQUARE_MM, TEST_SQUARE_MM), closed: true, widthMm: 0.3, color: INK },
      { path: boxPath(left + TEST_SQUARE_MM + 14, y, TEST_SQUARE_IN_MM, TEST_SQUARE_IN_MM), closed: true, widthMm: 0.3, color: INK },
    ],
    { x: 0, y: 0, scale: 1 },
  )
  write(page, '5 cm', left + 20, y + 27, 4.4, fonts.regular)
  write(page, '2 in', left + TEST_SQUARE_MM + 14 + 20, y + 27, 4.4, fonts.regular)
  y += TEST_SQUARE_IN_MM + 10
  write(
    page,
    `Page map: ${tiling.pages.filter((p) => !p.empty).length} pages, ${tiling.columns} across and ${tiling.rows} down; pages without drawing are left out.`,
    left,
    y,
    3.8,
    fonts.regular,
  )
  y += 4
  drawMap(page, sheet, tiling, { x: left, y, w: widthMm - 2 * left, h: heightMm - y - 12 }, fonts.regular)
}

function drawMap(page: PDFPage, sheet: Sheet, tiling: Tiling, room: { x: number; y: number; w: number; h: number }, font: PDFFont): void {
  const stepX = tiling.windowWidthMm - OVERLAP_MM
  const stepY = tiling.windowHeightMm - OVERLAP_MM
  const scale = Math.min(room.w / (tiling.columns * stepX + OVERLAP_MM), room.h / (tiling.rows * stepY + OVERLAP_MM))
  const strokes: Stroke[] = tiling.pages.map((p) => ({
    path: boxPath(p.x, p.y, stepX, stepY),
    closed: true,
    widthMm: 0.15,
    color: p.empty ? PALE : FAINT,
  }))
  strokes.push(...sheet.pieces.map((p): Stroke => ({ path: p.cutLine, closed: true, widthMm: 0.25, color: INK })))
  drawStrokes(page, strokes, { x: room.x, y: room.y, scale })
  for (const p of tiling.pages) if (!p.empty) write(page, p.name, room.x + p.x * scale + 1.2, room.y + p.y * scale + 4, 3, font, FAINT)
  for (const p of sheet.pieces)
    write(
      page,
      p.piece.name,
      room.x + ((p.box.minX + p.box.maxX) / 2) * scale - 6,
      room.y + ((p.box.minY + p.box.maxY) / 2) * scale,
      3,
      font,
    )
}

function tilePage(
  doc: PDFDocument,
  sheet: Sheet,
  tiling: Tiling,
  tile: Page,
  title: PdfTitle,
  fonts: { regular: PDFFont; bold: PDFFont },
): void {
  const page = doc.addPage([tiling.paper.widthMm * PT, tiling.paper.heightMm * PT])
  const window = { x: MARGIN_MM, y: MARGIN_MM, w: tiling.windowWidthMm, h: tiling.windowHeightMm }
  const origin = { x: MARGIN_MM - tile.x, y: MARGIN_MM - tile.y, scale: 1 }
  drawStrokes(page, pieceStrokes(sheet), origin, window)
  const marks: Stroke[] = [{ path: boxPath(window.x, window.y, window.w, window.h), closed: true, widthMm: 0.1, color: FAINT }]
  // Where the next page's edge comes to lie: glue up to these lines.
  if (tile.column + 1 < tiling.columns)
    marks.push({
      path: [line({ x: window.x + window.w - OVERLAP_MM, y: window.y }, { x: window.x + window.w - OVERLAP_MM, y: window.y + window.h })],
      closed: false,
      widthMm: 0.15,
      color: FAINT,
      dashMm: [4, 3],
    })
  if (tile.row + 1 < tiling.rows)
    marks.push({
      path: [line({ x: window.x, y: window.y + window.h - OVERLAP_MM }, { x: window.x + window.w, y: window.y + window.h - OVERLAP_MM })],
      closed: false,
      widthMm: 0.15,
      color: FAINT,
      dashMm: [4, 3],
    })
  drawStrokes(page, marks, { x: 0, y: 0, scale: 1 })
  write(page, tile.name, window.x + 3, window.y + 8, 6, fonts.bold, FAINT)
  write(
    page,
    `${title.garmentName} · row ${tile.row + 1} of ${tiling.rows}, column ${tile.column + 1} of ${tiling.columns} · glue the next page up to the dashed line`,
    window.x + 14,
    window.y + 4,
    2.4,
    fonts.regular,
    FAINT,
  )
  // Labels are cut by the window like the drawing, so that every part of them comes out once.
  page.pushOperators(
    pushGraphicsState(),
    rectangle(window.x * PT, page.getHeight() - (window.y + window.h) * PT, window.w * PT, window.h * PT),
    clip(),
    endPath(),
  )
  for (const p of sheet.pieces) {
    const x = p.label.at.x + origin.x
    let y = p.label.at.y + origin.y
    p.label.lines.forEach((text, i) => {
      const size = i === 0 ? p.label.sizeMm * 1.6 : p.label.sizeMm
      write(page, text, x, y, size, i === 0 ? fonts.bold : fonts.regular)
      y += p.label.sizeMm * (i === 0 ? 1.76 : 1.36)
    })
  }
  page.pushOperators(popGraphicsState())
}

/**
 * Writes a sheet as a true-scale PDF: a first page with the test squares and the page map, then one page per tile that
 * has something on it.
 * @param now date written into the file's data
 */
export async function writePdf(sheet: Sheet, tiling: Tiling, title: PdfTitle, fonts: PdfFonts, now: Date): Promise<Uint8Array> {
  const doc = await PDFDocument.create()
  doc.registerFontkit(fontkit)
  doc.setTitle(title.garmentName)
  doc.setProducer('Tidal Seam')
  doc.setCreator('Tidal Seam')
  doc.setCreationDate(now)
  doc.setModificationDate(now)
  const embedded = {
    regular: await doc.embedFont(fonts.regular, { subset: true }),
    bold: await doc.embedFont(fonts.bold, { subset: true }),
  }
  firstPage(doc, sheet, tiling, title, embedded)
  for (const tile of tiling.pages) if (!tile.empty) tilePage(doc, sheet, tiling, tile, title, embedded)
  return doc.save()
}
