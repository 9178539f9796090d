import { degrees, PDFDocument, StandardFonts } from 'pdf-lib'

/** A PDF whose pages are shown turned by so many degrees, clockwise. */
export async function withTurnedPages(bytes: Uint8Array, by: number): Promise<Uint8Array> {
  const file = await PDFDocument.load(bytes)
  for (const page of file.getPages()) page.setRotation(degrees((page.getRotation().angle + by) % 360))
  return await file.save()
}

/** A PDF with a page of words and drawn boxes before its sheet, as instructions have. */
export async function withDrawnCover(bytes: Uint8Array): Promise<Uint8Array> {
  const file = await PDFDocument.load(bytes)
  const page = file.insertPage(0, [595.28, 841.89])
  page.drawText('1. Sew the darts   2. Close the sides', { x: 60, y: 780, size: 12, font: await file.embedFont(StandardFonts.Helvetica) })
  for (let i = 0; i < 6; i++) {
    const [x, y] = [60 + (i % 3) * 160, 100 + Math.floor(i / 3) * 150]
    page.drawRectangle({ x, y, width: 140, height: 120, borderWidth: 1 })
    page.drawEllipse({ x: x + 70, y: y + 60, xScale: 45, yScale: 30, borderWidth: 1 })
  }
  return await file.save()
}

/** The first pages of several PDFs in one file. */
export async function asOneFile(files: readonly Uint8Array[]): Promise<Uint8Array> {
  const all = await PDFDocument.create()
  for (const bytes of files) for (const page of await all.copyPages(await PDFDocument.load(bytes), [0])) all.addPage(page)
  return await all.save()
}

type Place = { x: number; y: number }
const isPlace = (value: object): value is Place =>
  'x' in value && 'y' in value && typeof value.x === 'number' && typeof value.y === 'number'

/** The same figures with every place in them turned back, about the upper left corner. */
export function turnedBack<T>(value: T, by: number): T {
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) return value.map((v: unknown) => turnedBack(v, by)) as T
  const inside = Object.fromEntries(Object.entries(value).map(([key, v]) => [key, turnedBack(v as unknown, by)]))
  if (!isPlace(value)) return inside as T
  const { x, y } = value
  return { ...inside, ...(by === 90 ? { x: y, y: -x } : by === 180 ? { x: -x, y: -y } : { x: -y, y: x }) } as T
}
