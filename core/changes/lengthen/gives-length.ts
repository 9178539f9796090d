import { alongGrain } from '../../geometry'
import { findZones, levelOfCorner, lineLevel, zoneLevel } from '../../measure'
import {
  cornersBetween,
  dartFigures,
  doubleDartFigures,
  doubleDartsOf,
  findPiece,
  grainDirection,
  shapeOf,
  type EdgeRole,
  type Garment,
  type Piece,
} from '../../pattern'
import type { LengthRow } from '../../size'
import { ONE_LINE_MM, WINDOW_AMOUNTS, WINDOW_MIN_MM } from '../../tolerances'
import { taperBelow } from '../shared/levels/cautions'
import type { Level } from '../shared/levels/schema'
import type { LengthenInputs } from './schema'

/** The first corner between two roles with its level along the grain, or null. */
function cornerLevel(piece: Piece, sizeId: string, a: EdgeRole, b: EdgeRole): { id: string; at: number } | null {
  const [id] = cornersBetween(piece, [a], [b])
  return id === undefined ? null : { id, at: levelOfCorner(piece, shapeOf(piece, sizeId), id)! }
}

/** A part of a piece below the place that a length is measured from, mm along the grain. */
interface Stretch {
  fromMm: number
  toMm: number
}

/** So far a line keeps off a dart and off the ends of its stretch, mm. */
const CLEAR_MM = 10

/** Two lines that share an amount lie so far apart that the stretches in which they redraw an edge do not overlap, mm. */
const apartMm = (amountMm: number): number => Math.max(2 * WINDOW_MIN_MM, WINDOW_AMOUNTS * Math.abs(amountMm))

type Corner = [EdgeRole, EdgeRole][]
/** The corners that lengths are measured down from: what lies below them on one piece goes along on all that have one. */
const UNDERARM: Corner = [['armhole', 'side']]
const WAIST: Corner = [
  ['waist', 'side'],
  ['waist', 'outseam'],
]

const CROTCH: Corner = [['crotch', 'inseam']]

/** What is left of a stretch without some others, the longest first. */
const without = (whole: Stretch, taken: readonly Stretch[]): Stretch[] =>
  taken
    .reduce<Stretch[]>(
      (left, t) =>
        left
          .flatMap((s) => [
            { fromMm: s.fromMm, toMm: Math.min(s.toMm, t.fromMm) },
            { fromMm: Math.max(s.fromMm, t.toMm), toMm: s.toMm },
          ])
          .filter((s) => s.toMm > s.fromMm),
      [whole],
    )
    .sort((a, b) => b.toMm - b.fromMm - (a.toMm - a.fromMm))

/** Where the stretch of a length begins on a piece, and a mark there, which a length above it moves along. */
interface Start {
  mark: Level['mark']
  at: number
}

const byCorner = (piece: Piece, sizeId: string, corner: Corner): Start[] => {
  const found = corner.map(([a, b]) => cornerLevel(piece, sizeId, a, b)).find((c) => c !== null)
  return found ? [{ mark: { by: 'corner', id: found.id }, at: found.at }] : []
}

const byLine = (piece: Piece, sizeId: string, role: 'waist' | 'hip'): Start[] =>
  piece.lines.filter((l) => l.role === role).map((l) => ({ mark: { by: 'line', id: l.id }, at: lineLevel(shapeOf(piece, sizeId), l.id)! }))

/** The place that lengths are measured down from; a waist without a corner is its line. */
const upperEnd = (piece: Piece, sizeId: string, from: LengthRow['from']): Start | undefined =>
  from === 'waist' ? [...byCorner(piece, sizeId, WAIST), ...byLine(piece, sizeId, 'waist')][0] : byCorner(piece, sizeId, UNDERARM)[0]

/** A knee has hip and crotch above it, which have lengths of their own: what it misses lies below them. */
function startOf(piece: Piece, sizeId: string, row: LengthRow): Start | null {
  const upper = upperEnd(piece, sizeId, row.from)
  const others = row.to === 'knee' ? [...byLine(piece, sizeId, 'hip'), ...byCorner(piece, sizeId, CROTCH)] : []
  const all = [...(upper ? [upper] : []), ...others]
  return all.filter((m) => m.at < row.toLevelMm).sort((a, b) => b.at - a.at)[0] ?? null
}

/** Where the darts of all pieces that go along lie, measured as on the piece whose upper end lies at a level. */
function dartsOfAll(garment: Garment, from: LengthRow['from'], upperMm: number): Stretch[] {
  return garment.pieces.flatMap((piece): Stretch[] => {
    const upper = upperEnd(piece, garment.baseSizeId, from)
    if (!upper) return []
    const shape = shapeOf(piece, garment.baseSizeId)
    const grain = grainDirection(shape)
    const ends = [
      ...piece.darts.map((d) => dartFigures(piece, shape, d)).map((d) => [d.first, d.second, d.tip]),
      ...doubleDartsOf(piece)
        .map((d) => doubleDartFigures(shape, d.id))
        .map((d) => [d.upper, d.lower]),
    ]
    return ends.map((points) => {
      const levels = points.map((p) => alongGrain(p, grain) - upper.at + upperMm)
      return { fromMm: Math.min(...levels) - CLEAR_MM, toMm: Math.max(...levels) + CLEAR_MM }
    })
  })
}

/**
 * Where a length is put in or taken out: at the printed line between its two places, else in the middle of the longest part between
 * them that no dart lies in; a lot, on a piece that is tapered or flared, at two lines (craft 6.1).
 */
function levelsFor(garment: Garment, row: LengthRow): Level[] {
  const piece = findPiece(garment, row.pieceId)!
  const shape = shapeOf(piece, garment.baseSizeId)
  const bottom = row.toLevelMm
  const start = startOf(piece, garment.baseSizeId, row)
  const printed = piece.lines.flatMap((l) => {
    const at = l.role === 'shorten' ? lineLevel(shape, l.id) : null
    return at !== null && (!start || at > start.at) && at < bottom ? [{ id: l.id, at }] : []
  })[0]
  const at = (from: Start, mm: number, id = 'line-1'): Level => ({ id, share: 1, mark: from.mark, belowMm: mm - from.at })
  if (!start) return printed ? [at({ mark: { by: 'line', id: printed.id }, at: printed.at }, printed.at)] : []
  const inside = { fromMm: start.at + CLEAR_MM, toMm: bottom - CLEAR_MM }
  const upper = upperEnd(piece, garment.baseSizeId, row.from)
  const darts = upper ? dartsOfAll(garment, row.from, upper.at) : []
  const free = without(inside, darts)
  const isClear = (mm: number) => darts.every((d) => mm <= d.fromMm + CLEAR_MM || mm >= d.toMm - CLEAR_MM)
  const line = printed && (isClear(printed.at) || free.length === 0) ? printed : undefined
  const [part = inside] = free
  const from: Start = line ? { mark: { by: 'line', id: line.id }, at: line.at } : start
  const firstMm = line ? line.at : (part.fromMm + part.toMm) / 2
  const one = [at(from, firstMm)]
  if (Math.abs(row.missingMm ?? 0) <= ONE_LINE_MM || taperBelow(piece, shape, firstMm) === null) return one
  const betweenMm = apartMm(row.missingMm!)
  if (!line) {
    const third = (part.toMm - part.fromMm) / 3
    return third < betweenMm ? one : [at(from, part.fromMm + third), at(from, part.toMm - third, 'line-2')]
  }
  // Beside the printed line, in what is left.
  const [rest] = without(inside, [...darts, { fromMm: firstMm - betweenMm, toMm: firstMm + betweenMm }])
  return rest ? [...one, at(from, (rest.fromMm + rest.toMm) / 2, 'line-2')] : one
}

/**
 * The same length on the panel beside its piece that has the underarm, where its own has not: a line there goes on over their seam. The
 * same row where its own piece has it, or none beside it.
 */
function besideUnderarm(garment: Garment, row: LengthRow): LengthRow {
  const sizeId = garment.baseSizeId
  const hasStart = (piece: Piece) => upperEnd(piece, sizeId, row.from) !== undefined
  if (row.to !== 'waist' || hasStart(findPiece(garment, row.pieceId)!)) return row
  const waist = findZones(garment, { sewnTwice: true }).find((z) => z.id === 'waist')
  const beside = garment.seams.filter((s) => s.sides.flat().some((r) => r.pieceId === row.pieceId)).flatMap((s) => s.sides.flat())
  for (const { pieceId } of beside) {
    const part = waist?.parts.find((p) => p.pieceId === pieceId)
    const toLevelMm = part && hasStart(findPiece(garment, pieceId)!) ? zoneLevel(garment, part, sizeId) : null
    if (toLevelMm !== null) return { ...row, pieceId, toLevelMm }
  }
  return row
}

/** A length that ends above the hem, put in or taken out at one line, or shared by two. */
export function lengthAtLines(garment: Garment, asked: LengthRow): LengthenInputs | null {
  const row = besideUnderarm(garment, asked)
  const levels = row.to === 'hem' ? [] : levelsFor(garment, row)
  // Back and front are lengthened alike; what one of them alone misses, and how deep the armhole lies, are changes of their own.
  const isAlike = row.from !== 'shoulder' && row.from !== 'underarm'
  return levels.length > 0 && isAlike && row.missingMm !== null
    ? { amountMm: row.missingMm, pieceId: row.pieceId, levels, leftOut: [] }
    : null
}

/** Where lines lie on a sleeve that has none printed, as parts of the way from the end of its cap to its hem: above the elbow, and below. */
const ON_SLEEVE = [1 / 3, 2 / 3]

/**
 * A sleeve longer or shorter by an amount: at its printed line; a lot, or without such a line, half above the elbow and half below it.
 * null where the garment has no sleeve with a cap, a seam and a hem.
 */
export function sleeveAtLines(garment: Garment, amountMm: number, sizeId: string): LengthenInputs | null {
  for (const piece of garment.pieces.filter((p) => p.kind === 'sleeve')) {
    const top = cornerLevel(piece, sizeId, 'cap', 'underarm')
    const hem = cornerLevel(piece, sizeId, 'underarm', 'hem')
    if (!top || !hem || hem.at <= top.at) continue
    const printed = piece.lines.find((l) => l.role === 'shorten')
    const levels: Level[] =
      printed && Math.abs(amountMm) <= ONE_LINE_MM
        ? [{ id: 'line-1', share: 1, mark: { by: 'line', id: printed.id }, belowMm: 0 }]
        : ON_SLEEVE.map((part, i) => ({
            id: `line-${i + 1}`,
            share: 1,
            mark: { by: 'corner', id: top.id },
            belowMm: part * (hem.at - top.at),
          }))
    return { amountMm, pieceId: piece.id, levels, leftOut: [] }
  }
  return null
}
