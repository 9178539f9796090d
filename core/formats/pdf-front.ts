import type { PDFDocument, PDFFont, PDFPage } from 'pdf-lib'
import { line, mapPath } from '../geometry'
import { frontPages, OVERLAP_MM, tapeFor, widthOfWords, type Sheet, type Tiling } from '../paper'
import { TEST_SQUARE_IN_MM, TEST_SQUARE_MM } from '../tolerances'
import { LAYERS, type PdfLayers } from './pdf-layers'
import { dashOf, otherSizes } from './pdf-lines'
import { boxPath, drawStrokes, FAINT, ink, INK, PALE, PAPER, PT, wrap, write, type Fonts, type Stroke, type Window } from './pdf-pen'

/** What a document is called, and what is said of it on its first page. */
export interface PdfTitle {
  garmentName: string
  lines: string[]
}

/** The first page: what it is, the test squares, and the map, on a page of its own where there are many. */
export function addFrontPages(doc: PDFDocument, sheet: Sheet, tiling: Tiling, title: PdfTitle, fonts: Fonts, layers: PdfLayers): void {
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
  layers.within(page, LAYERS.front, () =>
    drawStrokes(
      page,
      [
        { path: boxPath(left, y, TEST_SQUARE_MM, TEST_SQUARE_MM), closed: true, widthMm: 0.3, color: INK },
        { path: boxPath(left + TEST_SQUARE_MM + 14, y, TEST_SQUARE_IN_MM, TEST_SQUARE_IN_MM), closed: true, widthMm: 0.3, color: INK },
      ],
      { x: 0, y: 0, scale: 1 },
    ),
  )
  write(page, '5 cm', left + 20, y + 27, 4.4, fonts.regular)
  write(page, '2 in', left + TEST_SQUARE_MM + 14 + 20, y + 27, 4.4, fonts.regular)
  y += TEST_SQUARE_IN_MM + 10
  y = drawLegend(page, sheet, { x: left, y, w: widthMm - 2 * left, h: 0 }, fonts.regular)
  const isSmall = frontPages(tiling) === 1
  const map = isSmall ? page : doc.addPage([widthMm * PT, heightMm * PT])
  if (!isSmall) y = tiling.marginMm + 6
  write(map, mapWords(tiling), left, y, 3.8, fonts.regular)
  y += 4
  const room = { x: left, y, w: widthMm - 2 * left, h: heightMm - y - Math.max(12, tiling.marginMm) }
  layers.within(map, LAYERS.front, () => drawMap(map, sheet, tiling, room, fonts.regular))
}

/** A line of the legend is so wide and so high, and its sample so long, mm. */
const LEGEND = { wideMm: 58, highMm: 5.4, sampleMm: 16 }

/** How the line of each size, or of each person, is dashed; gives where the next thing may stand, mm from the top. */
function drawLegend(page: PDFPage, sheet: Sheet, { x, y, w }: Window, font: PDFFont): number {
  const names = otherSizes(sheet)
  if (names.length === 0) return y
  const across = Math.max(1, Math.floor(w / LEGEND.wideMm))
  for (const [i, name] of names.entries()) {
    const from = { x: x + (i % across) * LEGEND.wideMm, y: y + Math.floor(i / across) * LEGEND.highMm }
    const sample = [line(from, { x: from.x + LEGEND.sampleMm, y: from.y })]
    drawStrokes(page, [ink(sample, 0.4, dashOf(names, name))], { x: 0, y: 0, scale: 1 })
    const most = Math.floor((LEGEND.wideMm - LEGEND.sampleMm - 5) / widthOfWords('n', 3.4))
    write(page, name.length > most ? `${name.slice(0, most)}…` : name, from.x + LEGEND.sampleMm + 2, from.y + 1.2, 3.4, font)
  }
  return y + Math.ceil(names.length / across) * LEGEND.highMm + 4
}

/** What the map says: how many pages, and what it takes to put them together. */
function mapWords(tiling: Tiling): string {
  const pages = tiling.pages.filter((p) => !p.empty).length
  const { joints, tapeMm } = tapeFor(tiling)
  const glue = joints === 0 ? '' : ` ${joints} joints, about ${Math.ceil(tapeMm / 500) / 2} m of tape.`
  return `Page map: ${pages} ${pages === 1 ? 'page' : 'pages'}, ${tiling.columns} across and ${tiling.rows} down.${glue}`
}

/** The map fills its room: lying on its side where it is larger so. */
function drawMap(page: PDFPage, sheet: Sheet, tiling: Tiling, room: Window, font: PDFFont): void {
  const stepX = tiling.windowWidthMm - OVERLAP_MM
  const stepY = tiling.windowHeightMm - OVERLAP_MM
  const [w, h] = [tiling.columns * stepX + OVERLAP_MM, tiling.rows * stepY + OVERLAP_MM]
  const [upright, lying] = [Math.min(room.w / w, room.h / h), Math.min(room.w / h, room.h / w)]
  const isLying = lying > upright * 1.15
  const scale = isLying ? lying : upright
  // Turned to the right: what is on the left of the sheet comes to lie above.
  const place = (p: { x: number; y: number }) =>
    isLying ? { x: room.x + (h - p.y) * scale, y: room.y + p.x * scale } : { x: room.x + p.x * scale, y: room.y + p.y * scale }
  const onMap = (path: Stroke['path']): Stroke['path'] => mapPath(path, place)
  const strokes: Stroke[] = [
    ...tiling.pages.map((p) => ink(onMap(boxPath(p.x, p.y, stepX, stepY)), 0.15, undefined, p.empty ? PALE : FAINT, true)),
    ...sheet.pieces.map((p) => ink(onMap(p.cutLine), 0.25, undefined, INK, true)),
  ]
  drawStrokes(page, strokes, { x: 0, y: 0, scale: 1 })
  const middleOf = (box: { minX: number; minY: number; maxX: number; maxY: number }) =>
    place({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 })
  for (const p of tiling.pages.filter((q) => !q.empty)) {
    const corner = place({ x: p.x, y: isLying ? p.y + stepY : p.y })
    write(page, p.name, corner.x + 1.2, corner.y + 4, 3, font, FAINT)
  }
  for (const p of sheet.pieces) {
    const at = middleOf(p.box)
    const half = widthOfWords(p.piece.name, 3) / 2
    // Lines of pages end behind a name.
    page.drawRectangle({
      x: (at.x - half - 0.6) * PT,
      y: page.getHeight() - (at.y + 2) * PT,
      width: (2 * half + 1.2) * PT,
      height: 4 * PT,
      color: PAPER,
    })
    write(page, p.piece.name, at.x - half, at.y + 1, 3, font)
  }
}
