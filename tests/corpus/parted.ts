import { PDFDocument, type PDFFont, type StandardFonts } from 'pdf-lib'
import { toPlainDxf } from './dxf-files'
import type { CorpusFile } from './files'
import type { Item, Sheet } from './sheet'
import { toSvgFile, type SvgManner } from './svg-files'

const PARTS = { words: /\S+/g, letters: /\S/g }
export type PartedBy = keyof typeof PARTS

/** A text as so many texts, each where a line set in this type has it. */
function parted(item: Item, by: PartedBy, font: PDFFont): Item[] {
  if (!item.text) return [item]
  const text = item.text
  const turn = ((item.turnDeg ?? 0) * Math.PI) / 180
  return [...text.matchAll(PARTS[by])].map((part) => {
    const along = part.index === 0 ? 0 : font.widthOfTextAtSize(text.slice(0, part.index), item.heightMm!)
    return { ...item, text: part[0], at: { x: item.at!.x + along * Math.cos(turn), y: item.at!.y + along * Math.sin(turn) } }
  })
}

const rewritten = (file: CorpusFile, items: Item[], seed: number): CorpusFile => {
  const sheet: Sheet = { ...file.sheet, items }
  return { ...file, text: file.manner === 'plain-dxf' ? toPlainDxf(sheet) : toSvgFile(sheet, file.manner as SvgManner, seed) }
}

/** A file of the corpus as a program writes it that gives each word, or each letter, as a text of its own: SVG and plain DXF. */
export async function withPartedTexts(file: CorpusFile, by: PartedBy, type: StandardFonts, seed: number): Promise<CorpusFile> {
  const font = await (await PDFDocument.create()).embedFont(type)
  return rewritten(
    file,
    file.sheet.items.flatMap((item) => parted(item, by, font)),
    seed,
  )
}

/** A file of the corpus as a program leaves it that takes all lines apart into single strokes: SVG and plain DXF. */
export function withPartedLines(file: CorpusFile, seed: number): CorpusFile {
  const strokes = ({ path, filled, ...item }: Item): Item[] =>
    path && !filled ? path.map((s) => ({ ...item, path: [s], closed: false })) : [{ ...item, path, filled }]
  return rewritten(file, file.sheet.items.flatMap(strokes), seed)
}
