import { rgb } from 'pdf-lib'
import { joinBoxes } from '../geometry'
import { grainStrokes, type Sheet } from '../paper'
import { drawStrokes, ink, openDocument, PT, writePlaced, type PdfFonts, type Stroke } from './pdf-pen'

/** How a sheet is thrown. */
export interface ThrownPage {
  /** Thickness of the cut line, mm; other lines are half as thick. */
  thickMm: number
  /** White lines on a black ground. */
  isDark: boolean
}

const RIM_MM = 20
const WHITE = rgb(1, 1, 1)
const BLACK = rgb(0, 0, 0)

/** One page of a sheet’s pieces at true size, with thick lines on a dark or light ground: for a projector that is driven by another program. */
export async function writeProjectorPdf(
  sheet: Sheet,
  title: string,
  { thickMm, isDark }: ThrownPage,
  fonts: PdfFonts,
  now: Date,
): Promise<Uint8Array> {
  const { doc, fonts: embedded } = await openDocument(title, fonts, now)
  const box = joinBoxes(sheet.pieces.map((p) => p.box))
  const page = doc.addPage([(box.maxX - box.minX + 2 * RIM_MM) * PT, (box.maxY - box.minY + 2 * RIM_MM) * PT])
  const move = { x: RIM_MM - box.minX, y: RIM_MM - box.minY }
  const [ground, colour] = isDark ? [BLACK, WHITE] : [WHITE, BLACK]
  page.drawRectangle({ x: 0, y: 0, width: page.getWidth(), height: page.getHeight(), color: ground })
  const thin = thickMm / 2
  const dashes = [6 * thickMm, 4 * thickMm]
  const strokes = sheet.pieces.flatMap((p): Stroke[] => [
    ink(p.cutLine, thickMm, undefined, colour, true),
    ink(p.seamLine, thin, dashes, colour, true),
    ...[...p.notches, ...p.folds, ...grainStrokes(p.grain)].map((path) => ink(path, thin, undefined, colour)),
    ...p.innerLines.map((l) => ink(l.path, thin, l.folded ? dashes : [10 * thickMm, 3 * thickMm, thickMm, 3 * thickMm], colour)),
  ])
  drawStrokes(page, strokes, { ...move, scale: 1 })
  // Names and notch numbers alone: nobody reads small letters from a table.
  for (const words of sheet.pieces.flatMap((p) => p.words.filter((w) => w.bold))) writePlaced(page, words, move, embedded, colour)
  return doc.save()
}
