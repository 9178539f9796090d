import type { PDFDocument, PDFPage } from 'pdf-lib'
import { roomiestPoint, usableMm, type Lay } from '../cloth'
import { line, mapPath } from '../geometry'
import { widthOfWords, type PaperSize } from '../paper'
import { boxPath, drawStrokes, FAINT, INK, PT, write, type Fonts, type Stroke } from './pdf-pen'

/** A lay for a page of its own: which cloth it is, and what is said of it. */
export interface LayOnPage {
  name: string
  /** How much is needed, and how the cloth lies, in sentences. */
  lines: string[]
  lay: Lay
}

const RIM_MM = 16

/**
 * One page with a small picture of how the pieces lie on a cloth; its length runs down the page.
 *
 * @param onLayer draws within the layer that the picture belongs to
 */
export function addLayPage(
  doc: PDFDocument,
  paper: PaperSize,
  { name, lines, lay }: LayOnPage,
  fonts: Fonts,
  onLayer: (page: PDFPage, draw: () => void) => void,
): void {
  const page = doc.addPage([paper.widthMm * PT, paper.heightMm * PT])
  write(page, name, RIM_MM, 22, 7, fonts.bold)
  lines.forEach((text, i) => write(page, text, RIM_MM, 30 + i * 5.2, 3.8, fonts.regular))
  const top = 36 + lines.length * 5.2
  const across = lay.openedAtMm === null ? lay.acrossMm : usableMm(lay.cloth)
  const scale = Math.min((paper.widthMm - 2 * RIM_MM) / across, (paper.heightMm - top - RIM_MM) / Math.max(1, lay.lengthMm))
  // Along the cloth is down the page; what lies at its lower selvedge is on the right.
  const place = (p: { x: number; y: number }) => ({ x: RIM_MM + p.y * scale, y: top + p.x * scale })
  const stroke = (path: Stroke['path'], widthMm: number, closed: boolean, color = INK): Stroke => ({
    path: mapPath(path, place),
    closed,
    widthMm,
    color,
  })
  const foldedTo = lay.openedAtMm ?? lay.lengthMm
  const strokes: Stroke[] = [
    stroke(boxPath(0, 0, foldedTo, lay.acrossMm), 0.2, true, FAINT),
    ...(lay.openedAtMm === null ? [] : [stroke(boxPath(foldedTo, 0, lay.lengthMm - foldedTo, across), 0.2, true, FAINT)]),
    ...(lay.cloth.isFolded ? [stroke([line({ x: 0, y: 0 }, { x: foldedTo, y: 0 })], 0.6, false)] : []),
    ...lay.laid.map((l) =>
      stroke(
        mapPath(l.cutLine, (p) => ({ x: p.x + l.xMm, y: p.y + l.yMm })),
        0.3,
        true,
      ),
    ),
  ]
  onLayer(page, () => drawStrokes(page, strokes, { x: 0, y: 0, scale: 1 }))
  if (lay.cloth.isFolded) write(page, 'fold', RIM_MM - 9, top + 3, 3, fonts.regular)
  for (const l of lay.laid) {
    const middle = roomiestPoint(l.polygon)
    const at = place({ x: middle.x + l.xMm, y: middle.y + l.yMm })
    const words = [l.name, l.words, l.isTurned ? 'turned end for end' : ''].filter(Boolean)
    words.forEach((text, i) => {
      const size = i === 0 ? 3.2 : 2.4
      write(page, text, at.x - widthOfWords(text, size) / 2, at.y + i * 3.4, size, i === 0 ? fonts.bold : fonts.regular)
    })
  }
}
