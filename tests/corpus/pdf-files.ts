import {
  appendBezierCurve,
  clip,
  closePath,
  degrees,
  endPath,
  fill,
  lineTo,
  moveTo,
  type PDFDict,
  PDFDocument,
  PDFName,
  PDFOperator,
  PDFString,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  setDashPattern,
  setFillingRgbColor,
  setLineWidth,
  StandardFonts,
  stroke,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib'
import { cutPath, intersectPaths, line, mapPath, measureLength, placeAt, type Box, type Path, type Point } from '../../core/geometry'
import type { Item, Sheet } from './sheet'

export const PDF_MANNERS = ['pdf-large', 'pdf-cut-a4', 'pdf-cut-overlap', 'pdf-whole-letter', 'pdf-size-layers'] as const
export type PdfManner = (typeof PDF_MANNERS)[number]

const PT = 72 / 25.4
const MARGIN = 10
const A4 = { w: 210, h: 297 }
const LETTER = { w: 215.9, h: 279.4 }

/** The parts of a path inside a box: what a program leaves of it on one page. */
function clipped(path: Path, b: Box): Path[] {
  const rim: [Point, Point][] = [
    [
      { x: b.minX, y: b.minY },
      { x: b.maxX, y: b.minY },
    ],
    [
      { x: b.maxX, y: b.minY },
      { x: b.maxX, y: b.maxY },
    ],
    [
      { x: b.maxX, y: b.maxY },
      { x: b.minX, y: b.maxY },
    ],
    [
      { x: b.minX, y: b.maxY },
      { x: b.minX, y: b.minY },
    ],
  ]
  const total = measureLength(path)
  const hits = rim.flatMap(([p, q]) => intersectPaths(path, [line(p, q)]).map((h) => h.firstMm))
  const places = [0, ...hits.sort((x, y) => x - y), total]
  return places.slice(1).flatMap((to, i) => {
    const from = places[i]!
    if (to - from < 0.01) return []
    const m = placeAt(path, (from + to) / 2).point
    const isIn = m.x > b.minX && m.x < b.maxX && m.y > b.minY && m.y < b.maxY
    return isIn ? [cutPath(path, from, to)] : []
  })
}

function drawPath(page: PDFPage, path: Path, item: Item, to: (p: Point) => Point): void {
  const at = (p: Point): [number, number] => {
    const q = to(p)
    return [q.x * PT, page.getHeight() - q.y * PT]
  }
  const ops: PDFOperator[] = [pushGraphicsState(), setLineWidth(item.role === 'cut' ? 1.2 : 0.7)]
  if (item.dashed) ops.push(setDashPattern([8, 5], 0))
  ops.push(moveTo(...at(path[0]!.from)))
  for (const s of path) ops.push(s.kind === 'line' ? lineTo(...at(s.to)) : appendBezierCurve(...at(s.c1), ...at(s.c2), ...at(s.to)))
  if (item.closed) ops.push(closePath())
  if (item.filled) ops.push(item.role === 'background' ? setFillingRgbColor(1, 1, 1) : setFillingRgbColor(0.1, 0.1, 0.1), fill())
  else ops.push(stroke())
  page.pushOperators(...ops, popGraphicsState())
}

function drawWords(page: PDFPage, font: PDFFont, item: Item, to: (p: Point) => Point): void {
  const q = to(item.at!)
  page.drawText(item.text!, {
    x: q.x * PT,
    y: page.getHeight() - q.y * PT,
    size: item.heightMm! * PT,
    font,
    rotate: degrees(-(item.turnDeg ?? 0)),
  })
}

/** Opens and closes a layer of the file. */
const inLayer = (page: PDFPage, name: string, draw: () => void) => {
  page.pushOperators(PDFOperator.of('BDC' as never, [PDFName.of('OC'), PDFName.of(name)] as never))
  draw()
  page.pushOperators(PDFOperator.of('EMC' as never))
}

function addLayers(doc: PDFDocument, page: PDFPage, names: readonly string[]): Map<string, string> {
  const properties = doc.context.obj({}) as PDFDict
  const refs = names.map((name) => doc.context.register(doc.context.obj({ Type: 'OCG', Name: PDFString.of(name) })))
  const keys = new Map(names.map((name, i) => [name, `L${i}`]))
  names.forEach((name, i) => properties.set(PDFName.of(keys.get(name)!), refs[i]!))
  page.node.Resources()!.set(PDFName.of('Properties'), properties)
  doc.catalog.set(PDFName.of('OCProperties'), doc.context.obj({ OCGs: refs, D: { ON: refs, Order: refs } }))
  return keys
}

function pageFurniture(page: PDFPage, font: PDFFont, label: string, size: { w: number; h: number }): void {
  const frame: Path = [
    line({ x: MARGIN, y: MARGIN }, { x: size.w - MARGIN, y: MARGIN }),
    line({ x: size.w - MARGIN, y: MARGIN }, { x: size.w - MARGIN, y: size.h - MARGIN }),
    line({ x: size.w - MARGIN, y: size.h - MARGIN }, { x: MARGIN, y: size.h - MARGIN }),
    line({ x: MARGIN, y: size.h - MARGIN }, { x: MARGIN, y: MARGIN }),
  ]
  drawPath(page, frame, { role: 'frame', closed: true, dashed: true }, (p) => p)
  drawWords(page, font, { role: 'words', text: label, at: { x: size.w / 2, y: MARGIN + 8 }, heightMm: 6 }, (p) => p)
}

/** A sheet as a PDF: one large page, pages that lines are cut at, or pages that each draw everything and show a part. */
export async function toPdfFile(sheet: Sheet, manner: PdfManner, overlapMm = 10): Promise<Uint8Array> {
  const doc = await PDFDocument.create()
  const font = await doc.embedFont(StandardFonts.Helvetica)
  if (manner === 'pdf-large' || manner === 'pdf-size-layers') {
    const page = doc.addPage([sheet.width * PT, sheet.height * PT])
    const sizes = [...new Set(sheet.items.flatMap((i) => i.size ?? []))]
    const keys = addLayers(doc, page, ['Pattern', ...sizes.map((s) => `Size ${s}`)])
    const layerOf = (i: Item) => keys.get(i.size && manner === 'pdf-size-layers' ? `Size ${i.size}` : 'Pattern')!
    for (const it of sheet.items)
      inLayer(page, layerOf(it), () => (it.text ? drawWords(page, font, it, (p) => p) : drawPath(page, it.path!, it, (p) => p)))
    return doc.save()
  }
  const size = manner === 'pdf-whole-letter' ? LETTER : A4
  const overlap = manner === 'pdf-cut-overlap' ? overlapMm : 0
  const [w, h] = [size.w - 2 * MARGIN, size.h - 2 * MARGIN]
  const columns = Math.ceil((sheet.width - overlap) / (w - overlap))
  const rows = Math.ceil((sheet.height - overlap) / (h - overlap))
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      const page = doc.addPage([size.w * PT, size.h * PT])
      const corner = { x: c * (w - overlap), y: r * (h - overlap) }
      const box: Box = { minX: corner.x, minY: corner.y, maxX: corner.x + w, maxY: corner.y + h }
      const to = (p: Point): Point => ({ x: p.x - corner.x + MARGIN, y: p.y - corner.y + MARGIN })
      pageFurniture(page, font, `${String.fromCharCode(65 + r)}${c + 1}`, size)
      page.pushOperators(pushGraphicsState(), rectangle(MARGIN * PT, MARGIN * PT, w * PT, h * PT), clip(), endPath())
      for (const it of sheet.items.filter((i) => i.role !== 'background' && i.role !== 'frame')) {
        if (it.text) {
          if (it.at!.x > box.minX - 60 && it.at!.x < box.maxX && it.at!.y > box.minY && it.at!.y < box.maxY + 10)
            drawWords(page, font, it, to)
        } else if (manner === 'pdf-whole-letter') drawPath(page, it.path!, it, to)
        else
          for (const part of clipped(
            mapPath(it.path!, (p) => p),
            box,
          ))
            drawPath(
              page,
              part,
              { ...it, closed: it.closed && part.length === it.path!.length && measureLength(part) > measureLength(it.path!) - 0.01 },
              to,
            )
      }
      page.pushOperators(popGraphicsState())
    }
  return doc.save()
}
