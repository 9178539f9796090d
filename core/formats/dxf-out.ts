import { add, flattenPath, measureLength, placeAt, scale, tangentAt, turnRad, type Path, type Point } from '../geometry'
import { cutLineOf, cutWords, widthOfWords, type Sheet } from '../paper'
import { edgePath, notchPlace, outlineOf, shapeOf, toName, type Garment, type Piece } from '../pattern'
import { EQUAL_MM, SAME_POINT_MM, SMOOTH_DEG } from '../tolerances'
import { DEG } from '../units'

/** Curves are written as chords that stay within this of them, mm: well below what a cutter can follow. */
const CHORD_MM = 0.006

/** Layers of the trade’s exchange standard (ASTM D6673) that are written. */
const TRADE = { cut: '1', turn: '2', curve: '3', notch: '4', fold: '6', grain: '7', inner: '8', drill: '13', seam: '14' } as const

type Tag = [code: number, value: string | number]

/** A figure with as many places as matter: a ten-thousandth of a millimetre. */
const figure = (mm: number): string => (Math.abs(mm) < EQUAL_MM / 1000 ? 0 : mm).toFixed(4)
/** The paper’s y runs down, the file’s up. */
const at = (p: Point): Tag[] => [
  [10, figure(p.x)],
  [20, figure(-p.y)],
  [30, '0'],
]

function polyline(path: Path, layer: string, closed: boolean): Tag[] {
  const points = flattenPath(path, CHORD_MM)
  const kept = closed ? points.slice(0, -1) : points
  return [
    [0, 'POLYLINE'],
    [8, layer],
    [66, 1],
    ...at({ x: 0, y: 0 }),
    [70, closed ? 1 : 0],
    ...kept.flatMap((p): Tag[] => [[0, 'VERTEX'], [8, layer], ...at(p)]),
    [0, 'SEQEND'],
    [8, layer],
  ]
}

const lineOf = (from: Point, to: Point, layer: string): Tag[] => [
  [0, 'LINE'],
  [8, layer],
  ...at(from),
  [11, figure(to.x)],
  [21, figure(-to.y)],
  [31, '0'],
]

const pointOf = (p: Point, layer: string): Tag[] => [[0, 'POINT'], [8, layer], ...at(p)]

/** Words are written in the letters that every reader knows: others become the nearest, or a question mark. */
const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[’‘]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/[–—]/g, '-')
    .replace(/[^\x20-\x7e]/g, '?')

/** @param turnedRad clockwise on the paper */
const textOf = (text: string, p: Point, layer: string, heightMm: number, turnedRad = 0): Tag[] => [
  [0, 'TEXT'],
  [8, layer],
  ...at(p),
  [40, figure(heightMm)],
  [1, plain(text)],
  ...(turnedRad === 0 ? [] : [[50, figure(-turnedRad * DEG)] as Tag]),
]

/** Does a closed line turn where its segment of that place begins? There the standard has a turn point, elsewhere points of a curve. */
function isCorner(closed: Path, i: number): boolean {
  const before = closed.at(i - 1)!
  return Math.abs(turnRad(tangentAt(before, 1), tangentAt(closed[i]!, 0))) * DEG > SMOOTH_DEG
}

const LETTERS_MM = 5
const LINE_LETTERS_MM = 3

/** What a line within a piece is called, above its middle, upright to read. */
function wordsAlong(name: string, path: Path): Tag[] {
  const { point, tangent } = placeAt(path, measureLength(path) / 2)
  const along = tangent.x < 0 ? scale(tangent, -1) : tangent
  const above = { x: point.x + along.y, y: point.y - along.x }
  const from = add(above, scale(along, -widthOfWords(name, LINE_LETTERS_MM) / 2))
  return textOf(name, from, TRADE.inner, LINE_LETTERS_MM, Math.atan2(along.y, along.x))
}

/** Everything of one piece in one size, by the standard’s layers, with its words. */
function pieceTags(piece: Piece, sizeId: string, sizeName: string, garmentName: string): Tag[] {
  const shape = shapeOf(piece, sizeId)
  const cut = cutLineOf(piece, shape).filter((s) => measureLength([s]) > SAME_POINT_MM)
  const words = [
    `Piece Name: ${piece.name}`,
    `Size: ${sizeName}`,
    `Quantity: ${piece.cut.count}`,
    `Annotation: ${garmentName}, ${cutWords(piece)}`,
    'Units: METRIC',
  ]
  const { grain } = shape
  const middle = { x: (grain.from.x + grain.to.x) / 2 + 2 * LETTERS_MM, y: (grain.from.y + grain.to.y) / 2 }
  return [
    ...polyline(cut, TRADE.cut, true),
    ...cut.flatMap((s, i) => pointOf(s.from, isCorner(cut, i) ? TRADE.turn : TRADE.curve)),
    ...polyline(outlineOf(piece, shape), TRADE.seam, true),
    ...piece.notches.flatMap((n) => {
      const place = notchPlace(piece, shape, n.id, measureLength)
      return place ? pointOf(place.point, TRADE.notch) : []
    }),
    ...piece.edges.filter((e) => e.fold).flatMap((e) => polyline(edgePath(shape, e.id), TRADE.fold, false)),
    ...lineOf(grain.from, grain.to, TRADE.grain),
    ...piece.lines.flatMap((l) => [...polyline(shape.lines[l.id]!, TRADE.inner, false), ...wordsAlong(l.name, shape.lines[l.id]!)]),
    ...piece.points.flatMap((p) => pointOf(shape.points[p.id]!, TRADE.drill)),
    ...words.flatMap((text, i) => textOf(text, { x: middle.x, y: middle.y + i * 1.6 * LETTERS_MM }, TRADE.cut, LETTERS_MM)),
  ]
}

const file = (tags: readonly Tag[]): string =>
  [...tags, [0, 'EOF'] as Tag].map(([code, value]) => `${code}\r\n${value}`).join('\r\n') + '\r\n'

const HEADER: Tag[] = [
  [0, 'SECTION'],
  [2, 'HEADER'],
  [9, '$ACADVER'],
  [1, 'AC1009'],
  // Millimetres.
  [9, '$INSUNITS'],
  [70, 4],
  [9, '$MEASUREMENT'],
  [70, 1],
  [0, 'ENDSEC'],
]

/** A name as blocks may have it: letters, figures and a few signs, each once. */
function blockNames(): (text: string) => string {
  const used = new Set<string>()
  return (text) => {
    const base = plain(toName(text, 60))
      .toUpperCase()
      .replace(/[^A-Z0-9$_-]+/g, '_')
    let name = base
    for (let i = 2; used.has(name); i++) name = `${base}_${i}`
    used.add(name)
    return name
  }
}

/**
 * Writes pieces by the public exchange standard of the sewing trade (ASTM D6673, DXF release 12): a block for each piece and size, with
 * its cut line, seam line, notches, fold, grain, lines and marks on the layers that the standard gives them, in millimetres. Curves are
 * chords within 0.01 mm.
 */
export function writeTradeDxf(garment: Garment, sizeIds: readonly string[], title: string): string {
  const nameOf = blockNames()
  const blocks = garment.pieces.flatMap((piece) =>
    sizeIds.map((sizeId) => {
      const sizeName = garment.sizes.find((s) => s.id === sizeId)?.name ?? sizeId
      return { name: nameOf(`${piece.name}-${sizeName}`), tags: pieceTags(piece, sizeId, sizeName, title) }
    }),
  )
  return file([
    ...HEADER,
    [0, 'SECTION'],
    [2, 'BLOCKS'],
    ...blocks.flatMap(({ name, tags }): Tag[] => [
      [0, 'BLOCK'],
      [8, '1'],
      [2, name],
      [70, 0],
      ...at({ x: 0, y: 0 }),
      ...tags,
      [0, 'ENDBLK'],
      [8, '1'],
    ]),
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
    ...blocks.flatMap(({ name }): Tag[] => [[0, 'INSERT'], [8, '1'], [2, name], ...at({ x: 0, y: 0 })]),
    [0, 'ENDSEC'],
  ])
}

/** The layer of a line of another size, or another person, as layers may be called: “CUT_LINE-SIZE-3”. */
const layerOf = (line: string, name: string): string =>
  `${line}-${plain(name)
    .toUpperCase()
    .replace(/[^A-Z0-9$_]+/g, '-')}`

/**
 * Writes a sheet as plain DXF for any drawing program: its lines as they are laid out, by layers that say what they are, in millimetres;
 * what is drawn over a piece has layers of its own.
 */
export function writePlainDxf(sheet: Sheet): string {
  const tags = sheet.pieces.flatMap((p): Tag[] => [
    ...polyline(p.cutLine, 'CUT_LINE', true),
    ...polyline(p.seamLine, 'SEAM_LINE', true),
    ...p.notches.flatMap((n) => polyline(n, 'NOTCHES', false)),
    ...p.folds.flatMap((f) => polyline(f, 'FOLD', false)),
    ...lineOf(p.grain.from, p.grain.to, 'GRAIN'),
    ...p.innerLines.flatMap((l) => polyline(l.path, 'LINES', false)),
    ...p.points.flatMap((q) => pointOf(q.at, 'DRILL_HOLES')),
    ...p.others.flatMap((o) => [
      ...polyline(o.cutLine, layerOf('CUT_LINE', o.name), true),
      ...polyline(o.seamLine, layerOf('SEAM_LINE', o.name), true),
      ...o.notches.flatMap((n) => polyline(n, layerOf('NOTCHES', o.name), false)),
    ]),
    ...p.words.flatMap((w) => textOf(w.text, w.at, 'TEXT', w.sizeMm, w.turnRad)),
  ])
  return file([...HEADER, [0, 'SECTION'], [2, 'ENTITIES'], ...tags, [0, 'ENDSEC']])
}
