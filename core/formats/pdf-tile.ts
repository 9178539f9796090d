import type { PDFDocument, PDFPage } from 'pdf-lib'
import { add, distance, line, mix, type Point } from '../geometry'
import {
  grainStrokes,
  JOINT_MM,
  markStrokes,
  meetsChord,
  OVERLAP_MM,
  roomOf,
  widthOfWords,
  type Joint,
  type Page,
  type Room,
  type Sheet,
  type SheetPiece,
  type Tiling,
} from '../paper'
import type { PdfTitle } from './pdf-front'
import { LAYERS, otherCut, otherSeam, type PdfLayers } from './pdf-layers'
import { dashOf, otherSizes } from './pdf-lines'
import { boxPath, drawStrokes, FAINT, ink, INK, PT, within, write, writePlaced, type Fonts, type Stroke, type Window } from './pdf-pen'

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
  for (const other of p.others) {
    layers.set(otherCut(other.name), [
      ink(other.cutLine, 0.3, dashOf(sizes, other.name), INK, true),
      ...other.notches.map((path) => ink(path, 0.4)),
    ])
    layers.set(otherSeam(other.name), [ink(other.seamLine, 0.2, [3, 1.5], INK, true)])
  }
  return layers
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

/** A dash and a gap of the line to glue up to, mm. */
const DASH_MM = 4
const GAP_MM = 3

/** A dashed line in single dashes, those left out that would lie on words. */
function dashesBeside(from: Point, to: Point, rooms: readonly Room[]): Stroke[] {
  const long = distance(from, to)
  const at = (mm: number) => mix(from, to, Math.min(1, mm / long))
  return Array.from({ length: Math.ceil(long / (DASH_MM + GAP_MM)) }, (_, i) => i * (DASH_MM + GAP_MM))
    .map((mm) => [at(mm), at(mm + DASH_MM)] as const)
    .filter((dash) => !rooms.some((room) => meetsChord(room, dash)))
    .map(([a, b]) => ink([line(a, b)], 0.15, undefined, FAINT))
}

/** The frame of a page: where its rim is cut off to be laid over its neighbour, and where the next one comes to lie. */
function frameStrokes(tiling: Tiling, tile: Page, window: Window, rooms: readonly Room[]): Stroke[] {
  const strokes = [ink(boxPath(window.x, window.y, window.w, window.h), 0.1, undefined, FAINT, true)]
  const { x, y, w, h } = window
  for (const joint of tiling.joints.filter((j) => j.pages[0] === tile.name))
    strokes.push(
      ...(joint.along === 'down'
        ? dashesBeside({ x: x + w - OVERLAP_MM, y }, { x: x + w - OVERLAP_MM, y: y + h }, rooms)
        : dashesBeside({ x, y: y + h - OVERLAP_MM }, { x: x + w, y: y + h - OVERLAP_MM }, rooms)),
    )
  for (const joint of tiling.joints.filter((j) => j.pages[1] === tile.name))
    strokes.push(ink([joint.along === 'down' ? line({ x, y }, { x, y: y + h }) : line({ x, y }, { x: x + w, y })], 0.3))
  return strokes
}

/** One page of the sheet: everything that falls on it, its joints, and what to do with it. */
export function addTilePage(
  doc: PDFDocument,
  sheet: Sheet,
  tiling: Tiling,
  tile: Page,
  title: PdfTitle,
  fonts: Fonts,
  layers: PdfLayers,
): void {
  const page = doc.addPage([tiling.paper.widthMm * PT, tiling.paper.heightMm * PT])
  const window = { x: tiling.marginMm, y: tiling.marginMm, w: tiling.windowWidthMm, h: tiling.windowHeightMm }
  const move = { x: window.x - tile.x, y: window.y - tile.y }
  const origin = { ...move, scale: 1 }
  const shown = sheet.pieces.filter(
    ({ box: b }) => b.maxX >= tile.x && b.minX <= tile.x + window.w && b.maxY >= tile.y && b.minY <= tile.y + window.h,
  )
  const sizes = otherSizes(sheet)
  const drawn = shown.map((p) => strokesOf(p, sizes))
  for (const name of [...sizes.flatMap((size) => [otherCut(size), otherSeam(size)]), LAYERS.cut, LAYERS.seam, LAYERS.marks, LAYERS.inner]) {
    const strokes = drawn.flatMap((d) => d.get(name) ?? [])
    if (strokes.length > 0) layers.within(page, name, () => drawStrokes(page, strokes, origin, window))
  }
  layers.within(page, LAYERS.pages, () => {
    const rooms = shown.flatMap((p) => p.words.map(roomOf)).map((room) => ({ ...room, middle: add(room.middle, move) }))
    drawStrokes(page, frameStrokes(tiling, tile, window, rooms), { x: 0, y: 0, scale: 1 })
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
