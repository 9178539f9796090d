import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib'
import { line, mapPath } from '../geometry'
import {
  frontPages,
  grainStrokes,
  JOINT_MM,
  markStrokes,
  OVERLAP_MM,
  roomOf,
  tapeFor,
  widthOfWords,
  type Joint,
  type Page,
  type Sheet,
  type SheetPiece,
  type Tiling,
} from '../paper'
import { TEST_SQUARE_IN_MM, TEST_SQUARE_MM } from '../tolerances'
import { addLayPage, type LayOnPage } from './pdf-lay'
import { addLayers, type PdfLayers } from './pdf-layers'
import { boxPath, drawStrokes, FAINT, INK, PALE, PAPER, PT, within, wrap, write, writePlaced, type Stroke, type Window } from './pdf-pen'

/** Font files (TrueType or WOFF), so that every letter prints as on the screen. */
export interface PdfFonts {
  regular: Uint8Array
  bold: Uint8Array
}

export interface PdfTitle {
  garmentName: string
  lines: string[]
}

interface Fonts {
  regular: PDFFont
  bold: PDFFont
}

/** Names of the layers, in the order in which they are listed. */
const LAYERS = {
  cut: 'Cut line',
  seam: 'Seam line',
  marks: 'Grain, folds and notches',
  inner: 'Lines and marks within',
  words: 'Words',
  pages: 'Page marks',
  front: 'Squares and map',
  cloth: 'Cloth',
} as const

/** Dashes of sizes that are drawn over the one in full, in their order, mm. */
const SIZE_DASHES = [
  [8, 2],
  [5, 1.5, 1, 1.5],
  [2, 1],
  [10, 2, 1, 2, 1, 2],
  [1, 1.2],
  [6, 3],
  [3, 3],
]

const ink = (path: SheetPiece['cutLine'], widthMm: number, dashMm?: number[], color = INK, closed = false): Stroke => ({
  path,
  closed,
  widthMm,
  color,
  ...(dashMm ? { dashMm } : {}),
})

/** Everything that is drawn of a piece, by layer. */
function strokesOf(p: SheetPiece, sizes: readonly string[]): Map<string, Stroke[]> {
  const layers = new Map<string, Stroke[]>([
    [LAYERS.cut, [ink(p.cutLine, 0.35, undefined, INK, true)]],
    [LAYERS.seam, [ink(p.seamLine, 0.2, [3, 1.5], INK, true)]],
    [
      LAYERS.marks,
      [
        ...p.notches.map((path) => ink(path, 0.5)),
        ...grainStrokes(p.grain).map((path) => ink(path, 0.3)),
        ...p.folds.map((path) => ink(path, 0.3)),
      ],
    ],
    [
      LAYERS.inner,
      [
        ...p.innerLines.map((l) => (l.folded ? ink(l.path, 0.3, [3, 1.5]) : ink(l.path, 0.2, [6, 2, 1, 2], FAINT))),
        ...p.points.flatMap((q) => markStrokes(q.at).map((path) => ink(path, 0.25))),
      ],
    ],
  ])
  for (const other of p.others)
    layers.set(sizeLayer(other.name), [ink(other.cutLine, 0.3, SIZE_DASHES[sizes.indexOf(other.name) % SIZE_DASHES.length], INK, true)])
  return layers
}

const sizeLayer = (name: string): string => `Size ${name}`
const otherSizes = (sheet: Sheet): string[] => [...new Set(sheet.pieces.flatMap((p) => p.others.map((o) => o.name)))]

function firstPage(doc: PDFDocument, sheet: Sheet, tiling: Tiling, title: PdfTitle, fonts: Fonts, layers: PdfLayers): void {
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
  const isSmall = frontPages(tiling) === 1
  const map = isSmall ? page : doc.addPage([widthMm * PT, heightMm * PT])
  if (!isSmall) y = tiling.marginMm + 6
  write(map, mapWords(tiling), left, y, 3.8, fonts.regular)
  y += 4
  const room = { x: left, y, w: widthMm - 2 * left, h: heightMm - y - Math.max(12, tiling.marginMm) }
  layers.within(map, LAYERS.front, () => drawMap(map, sheet, tiling, room, fonts.regular))
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

function jointStrokes({ x, y }: Joint): Stroke[] {
  const corners = [
    { x: x - JOINT_MM, y },
    { x, y: y - JOINT_MM },
    { x: x + JOINT_MM, y },
    { x, y: y + JOINT_MM },
  ]
  return corners.map((from, i) => ink([line(from, corners[(i + 1) % 4]!)], 0.3))
}

/** The letter of a joint stands on both sides of its line, on each page once. */
function jointLetters({ letter, x, y, along }: Joint): { x: number; y: number }[] {
  const half = widthOfWords(letter, 3.4, true) / 2
  return along === 'down'
    ? [
        { x: x - 2.6 - half, y: y + 1.2 },
        { x: x + 2.6 - half, y: y + 1.2 },
      ]
    : [
        { x: x - half, y: y - 1.2 },
        { x: x - half, y: y + 3.8 },
      ]
}

/** The frame of a page: where its rim is cut off to be laid over its neighbour, and where the next one comes to lie. */
function frameStrokes(tiling: Tiling, tile: Page, window: Window): Stroke[] {
  const strokes = [ink(boxPath(window.x, window.y, window.w, window.h), 0.1, undefined, FAINT, true)]
  const { x, y, w, h } = window
  const dashed = (from: { x: number; y: number }, to: { x: number; y: number }) => ink([line(from, to)], 0.15, [4, 3], FAINT)
  for (const joint of tiling.joints.filter((j) => j.pages[0] === tile.name))
    strokes.push(
      joint.along === 'down'
        ? dashed({ x: x + w - OVERLAP_MM, y }, { x: x + w - OVERLAP_MM, y: y + h })
        : dashed({ x, y: y + h - OVERLAP_MM }, { x: x + w, y: y + h - OVERLAP_MM }),
    )
  for (const joint of tiling.joints.filter((j) => j.pages[1] === tile.name))
    strokes.push(ink([joint.along === 'down' ? line({ x, y }, { x, y: y + h }) : line({ x, y }, { x: x + w, y })], 0.3))
  return strokes
}

function tilePage(doc: PDFDocument, sheet: Sheet, tiling: Tiling, tile: Page, title: PdfTitle, fonts: Fonts, layers: PdfLayers): void {
  const page = doc.addPage([tiling.paper.widthMm * PT, tiling.paper.heightMm * PT])
  const window = { x: tiling.marginMm, y: tiling.marginMm, w: tiling.windowWidthMm, h: tiling.windowHeightMm }
  const move = { x: window.x - tile.x, y: window.y - tile.y }
  const origin = { ...move, scale: 1 }
  const shown = sheet.pieces.filter(
    ({ box: b }) => b.maxX >= tile.x && b.minX <= tile.x + window.w && b.maxY >= tile.y && b.minY <= tile.y + window.h,
  )
  const sizes = otherSizes(sheet)
  const drawn = shown.map((p) => strokesOf(p, sizes))
  for (const name of [...sizes.map(sizeLayer), LAYERS.cut, LAYERS.seam, LAYERS.marks, LAYERS.inner]) {
    const strokes = drawn.flatMap((d) => d.get(name) ?? [])
    if (strokes.length > 0) layers.within(page, name, () => drawStrokes(page, strokes, origin, window))
  }
  layers.within(page, LAYERS.pages, () => {
    drawStrokes(page, frameStrokes(tiling, tile, window), { x: 0, y: 0, scale: 1 })
    const own = tiling.joints.filter((j) => j.pages.includes(tile.name))
    drawStrokes(page, own.flatMap(jointStrokes), origin, window)
    within(page, window, () => {
      for (const joint of own)
        for (const at of jointLetters(joint))
          writePlaced(page, { text: joint.letter, at, turnRad: 0, sizeMm: 3.4, bold: true }, move, fonts)
    })
    const hasNext = tiling.joints.some((j) => j.pages[0] === tile.name)
    const hasBefore = tiling.joints.some((j) => j.pages[1] === tile.name)
    const how = [hasBefore ? 'cut off the rim along the solid line' : '', hasNext ? 'glue the next page up to the dashed line' : '']
    const said = [title.garmentName, `row ${tile.row + 1} of ${tiling.rows}, column ${tile.column + 1} of ${tiling.columns}`, ...how]
    footer(page, tile.name, said.filter(Boolean).join(' · '), window, fonts)
  })
  // Words are cut by the window like the drawing, so that every part of them comes out once.
  layers.within(page, LAYERS.words, () =>
    within(page, window, () => {
      for (const words of shown.flatMap((p) => p.words)) {
        const { middle, halfMm } = roomOf(words)
        const isSeen =
          middle.x + halfMm > tile.x &&
          middle.x - halfMm < tile.x + window.w &&
          middle.y + halfMm > tile.y &&
          middle.y - halfMm < tile.y + window.h
        if (isSeen) writePlaced(page, words, move, fonts)
      }
    }),
  )
}

/** The page’s name and what to do with it: in the rim where there is room, so that it lies on no line. */
function footer(page: PDFPage, name: string, text: string, window: Window, fonts: Fonts): void {
  const isNarrow = window.y < 5
  const y = isNarrow ? window.y + 4 : window.y - 1.6
  write(page, name, window.x + 1, y, 3.6, fonts.bold)
  write(page, text, window.x + 12, y, 2.4, fonts.regular, FAINT)
}

/**
 * Writes a sheet as a true-scale PDF: a first page with the test squares and the page map, then one page per tile that
 * has something on it.
 * @param now date written into the file's data
 * @param lays cloths with the pieces on them, a page each
 */
export async function writePdf(
  sheet: Sheet,
  tiling: Tiling,
  title: PdfTitle,
  fonts: PdfFonts,
  now: Date,
  lays: readonly LayOnPage[] = [],
): Promise<Uint8Array> {
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
  const layers = addLayers(doc, [...Object.values(LAYERS), ...otherSizes(sheet).map(sizeLayer)])
  firstPage(doc, sheet, tiling, title, embedded, layers)
  for (const lay of lays) addLayPage(doc, tiling.paper, lay, embedded, (page, drawing) => layers.within(page, LAYERS.cloth, drawing))
  for (const tile of tiling.pages) if (!tile.empty) tilePage(doc, sheet, tiling, tile, title, embedded, layers)
  return doc.save()
}
