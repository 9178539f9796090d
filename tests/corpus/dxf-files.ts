import { flattenPath, placeAt, type Path, type Point } from '../../core/geometry'
import { cutLineOf, grown, seamLineOf, type TruthPiece } from './draft'
import { BASE_SIZE_NAME, buttonholesIn, holesIn, type Item, type Sheet } from './sheet'

/** How finely curves are written as chords, mm. */
const CHORD_MM = 0.05

const n = (v: number) => v.toFixed(4)
const group = (...pairs: [number, string | number][]) => pairs.map(([code, value]) => `${code}\n${value}`).join('\n')
/** Upward in the file. */
const xy = (p: Point, by: number): [number, string][] => [
  [10, n(p.x * by)],
  [20, n(-p.y * by)],
]

function polyline(path: Path, layer: string, closed: boolean, by: number): string {
  const points = flattenPath(path, CHORD_MM)
  const list =
    closed && Math.hypot(points[0]!.x - points[points.length - 1]!.x, points[0]!.y - points[points.length - 1]!.y) < 0.001
      ? points.slice(0, -1)
      : points
  return [
    group([0, 'POLYLINE'], [8, layer], [66, 1], [70, closed ? 1 : 0]),
    ...list.map((p) => group([0, 'VERTEX'], [8, layer], ...xy(p, by))),
    group([0, 'SEQEND']),
  ].join('\n')
}
const lineOf = (a: Point, b: Point, layer: string, by: number) =>
  group([0, 'LINE'], [8, layer], ...xy(a, by), [11, n(b.x * by)], [21, n(-b.y * by)])
const words = (text: string, at: Point, layer: string, height: number, by: number, turnDeg = 0) =>
  group(
    [0, 'TEXT'],
    [8, layer],
    ...xy(at, by),
    [40, n(height * by)],
    [1, text],
    ...(turnDeg ? ([[50, n(-turnDeg)]] as [number, string][]) : []),
  )

/** A piece as a block of the exchange standard. */
function block(p: TruthPiece, size: string, by: number, isDrilled: boolean): string {
  const seam = seamLineOf(p)
  const fold = p.edges.find((e) => e.fold)
  const name = `${p.name.toUpperCase()}-${size}`
  const text = (t: string, k: number) => words(t, { x: 0, y: -10 * k }, '1', 5, by)
  return [
    group([0, 'BLOCK'], [8, '1'], [2, name], [70, 64], [10, 0], [20, 0]),
    polyline(cutLineOf(p), '1', true, by),
    polyline(seam, '14', true, by),
    ...(fold ? [lineOf(fold.path[0]!.from, fold.path[fold.path.length - 1]!.to, '6', by)] : []),
    lineOf(p.grain.from, p.grain.to, '7', by),
    ...p.notches.map((m) => group([0, 'POINT'], [8, '4'], ...xy(placeAt(p.edges[m.edge]!.path, m.atMm).point, by))),
    ...(isDrilled ? holesIn(p).map((h) => group([0, 'POINT'], [8, '13'], ...xy(h, by))) : []),
    ...(isDrilled ? buttonholesIn(p).map(([b]) => lineOf(b!.from, b!.to, '8', by)) : []),
    ...p.darts.flatMap((d) =>
      [-1, 1].map((side) => lineOf(placeAt(p.edges[d.edge]!.path, d.atMm + (side * d.intakeMm) / 2).point, d.tip, '8', by)),
    ),
    ...[
      `Piece Name: ${p.name.toUpperCase()}`,
      `Size: ${size}`,
      `Quantity: ${p.count}${p.mirrored ? ' mirrored' : ''}`,
      'Material: main',
    ].map(text),
    group([0, 'ENDBLK'], [8, '1']),
  ].join('\n')
}

/** A file of the sewing trade\u2019s exchange standard: a block for each piece and size, all at one place. */
export function toExchangeDxf(sheet: Sheet, metric: boolean): string {
  const by = metric ? 1 : 1 / 25.4
  const { pieces, name } = sheet.garment
  const sizes = [BASE_SIZE_NAME, ...sheet.hand.sizes]
  const all = pieces.flatMap((p) => sizes.map((size, k) => ({ p: k === 0 ? p : grown(p, 1 + 0.03 * k, 1 + 0.015 * k), size })))
  const sheetWords = [
    'ASTM/D13Proposal 1 Version: D 6673-04',
    `Style Name: ${name}`,
    `Sample Size: ${BASE_SIZE_NAME}`,
    `Units: ${metric ? 'METRIC' : 'ENGLISH'}`,
  ]
  return [
    group([0, 'SECTION'], [2, 'BLOCKS']),
    ...all.map(({ p, size }) => block(p, size, by, sheet.hand.inner)),
    group([0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']),
    ...all.map(({ p, size }) => group([0, 'INSERT'], [8, '1'], [2, `${p.name.toUpperCase()}-${size}`], [10, 0], [20, 0])),
    ...sheetWords.map((t, k) => words(t, { x: 0, y: 400 + 20 * k }, '1', 8, by)),
    group([0, 'ENDSEC'], [0, 'EOF']),
  ].join('\n')
}

const LAYERS: Partial<Record<Item['role'], string>> = {
  cut: 'CUT',
  seam: 'SEW',
  dart: 'SEW',
  grain: 'GRAIN',
  notch: 'NOTCH',
  words: 'TEXT',
  fold: 'FOLD',
  line: 'GUIDES',
}

/** A sheet as a plain DXF drawing in millimetres, layers by the sort of line. */
export function toPlainDxf(sheet: Sheet): string {
  return [
    group([0, 'SECTION'], [2, 'HEADER'], [9, '$INSUNITS'], [70, 4], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']),
    ...sheet.items.map((it) => {
      const layer = LAYERS[it.role] ?? '0'
      if (it.text) return words(it.text, it.at!, layer, it.heightMm!, 1, it.turnDeg)
      return it.path!.length === 1 && it.path![0]!.kind === 'line'
        ? lineOf(it.path![0]!.from, it.path![0]!.to, layer, 1)
        : polyline(it.path!, layer, it.closed === true, 1)
    }),
    group([0, 'ENDSEC'], [0, 'EOF']),
  ].join('\n')
}
