import { add, distance, leftOf, line, measureLength, placeAt, scale, subtract, unit, type Path, type Point } from '../geometry'
import { cornerPoint, edgePath, FOLDED_ROLES, notchPlace, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import type { Ruler } from '../units'
import { cutLineOf } from './cut-line'
import { layersOf } from './layers'
import type { PlacedWords } from './place-words'
import { notchNumbers, writeOnPiece } from './write-on-piece'

/** Every line of one piece on paper, mm. */
export interface PieceLines {
  piece: Piece
  cutLine: Path
  seamLine: Path
  /** Each a short stroke from the seam line to the cut line. */
  notches: Path[]
  grain: { from: Point; to: Point }
  /** A bracket along each fold, its ends pointing to it. */
  folds: Path[]
  /** With those inside which cloth is folded away: darts and pleats. */
  innerLines: { name: string; path: Path; folded: boolean }[]
  points: { name: string; at: Point }[]
  /** Where its edges meet, by name. */
  corners: { name: string; at: Point }[]
  /** The same piece in other sizes, or for other people. */
  others: OtherLine[]
}

/** A piece as another size or another person has it, laid on the one that is drawn in full: each line is cut out by itself. */
export interface OtherLine {
  /** “Size 3”, or a person’s. */
  name: string
  cutLine: Path
  seamLine: Path
  notches: Path[]
}

/** What is written on every piece besides what the piece itself says. */
export interface SheetWords {
  garmentName: string
  wearerName: string | null
  sizeName: string
  /** Already written for people. */
  date: string
  /** One sentence a change. */
  changes: string[]
  /** What is not to be cut before it is settled, as sentences, each for the pieces that it is about. */
  cautions?: readonly { text: string; pieceIds: readonly string[] }[]
  /** What allowances are written by. */
  ruler: Ruler
}

/** Which pieces are laid out, and how often. */
export interface SheetChoice {
  /** All when left out. */
  pieceIds?: readonly string[]
  /** Each piece as often as it is cut, pairs turned over, those on the fold opened out: for cloth that lies flat. */
  everyLayer?: boolean
  /** Other sizes that are drawn over it, by id. */
  otherSizes?: readonly string[]
  /** Lines of other people that are drawn over a piece, by its id, in its own coordinates. */
  otherLines?: ReadonlyMap<string, readonly OtherLine[]>
}

/** Length of a notch mark when the edge has no allowance, mm. */
const NOTCH_MM = 6

/** The marks of a piece’s notches, each a short stroke from its seam line to its cut line. */
export function notchStrokes(piece: Piece, sizeId: string): Path[] {
  const shape = shapeOf(piece, sizeId)
  return piece.notches.flatMap((n) => {
    const place = notchPlace(piece, shape, n.id, measureLength)
    if (!place) return []
    const edge = piece.edges.find((e) => e.id === n.edgeId)!
    const out = leftOf(place.tangent)
    const reach = edge.allowanceMm > 0 ? edge.allowanceMm : NOTCH_MM
    return [
      [
        line(
          add(place.point, scale(out, edge.allowanceMm > 0 ? 0 : -reach)),
          add(place.point, scale(out, edge.allowanceMm > 0 ? reach : 0)),
        ),
      ],
    ]
  })
}

/** A fold’s bracket stands so far within, over so much of it, with such heads on its ends, mm. */
const BRACKET = { insideMm: 9, part: 0.12, headMm: 2.6 }

function foldBrackets(piece: Piece, sizeId: string): Path[] {
  const shape = shapeOf(piece, sizeId)
  return piece.edges
    .filter((e) => e.fold)
    .flatMap((e) => {
      const path = edgePath(shape, e.id)
      const total = measureLength(path)
      const ends = [BRACKET.part, 1 - BRACKET.part].map((part) => placeAt(path, total * part))
      const feet = ends.map((p) => p.point)
      const corners = ends.map((p) => add(p.point, scale(leftOf(p.tangent), -BRACKET.insideMm)))
      const along = unit(subtract(feet[1]!, feet[0]!))
      const heads = feet.flatMap((foot, i) => {
        const back = unit(subtract(corners[i]!, foot))
        return [-1, 1].map((way) => [line(foot, add(add(foot, scale(back, BRACKET.headMm)), scale(along, (way * BRACKET.headMm) / 2)))])
      })
      return [[line(feet[0]!, corners[0]!), line(corners[0]!, corners[1]!), line(corners[1]!, feet[1]!)], ...heads]
    })
}

/** How often to cut, in words: “cut 2, half of them turned over”, “cut 1 on the fold”. */
export function cutWords(piece: Piece): string {
  const fold = piece.edges.some((e) => e.fold) ? ' on the fold' : ''
  const turned = piece.cut.mirrored && piece.cut.count > 1 ? ', half of them turned over' : ''
  return `cut ${piece.cut.count}${fold}${turned}`
}

/** One drawing of a piece, in its own coordinates, before it is written on. */
export interface Drawing extends PieceLines {
  /** All words on it, each on one page where it can be: the edges of the pages are in the piece's own coordinates. */
  write(pageEdges: readonly Path[]): PlacedWords[]
}

/** Both ends of the grain’s arrow, each with two strokes. */
export function grainStrokes({ from, to }: { from: Point; to: Point }): Path[] {
  const length = distance(from, to)
  if (length === 0) return []
  const u = scale(subtract(to, from), 1 / length)
  const head = (tip: Point, back: number): Path[] =>
    [-1, 1].map((side) => [line(tip, { x: tip.x + back * 5 * u.x - side * 2.2 * u.y, y: tip.y + back * 5 * u.y + side * 2.2 * u.x })])
  return [[line(from, to)], ...head(from, 1), ...head(to, -1)]
}

/** The two strokes of a mark inside a piece. */
export const markStrokes = (at: Point): Path[] => [
  [line({ x: at.x - 3, y: at.y }, { x: at.x + 3, y: at.y })],
  [line({ x: at.x, y: at.y - 3 }, { x: at.x, y: at.y + 3 })],
]

function drawPiece(
  garment: Garment,
  piece: Piece,
  sizeId: string,
  words: SheetWords,
  numbers: ReadonlyMap<string, number>,
  layer: string,
  otherSizes: readonly string[],
  otherLines: readonly OtherLine[],
): Drawing {
  const shape = shapeOf(piece, sizeId)
  const drawing = {
    piece,
    cutLine: cutLineOf(piece, shape),
    seamLine: outlineOf(piece, shape),
    notches: notchStrokes(piece, sizeId),
    grain: shape.grain,
    folds: foldBrackets(piece, sizeId),
    innerLines: piece.lines.map((l) => ({ name: l.name, path: shape.lines[l.id]!, folded: FOLDED_ROLES.includes(l.role) })),
    points: piece.points.map((p) => ({ name: p.name, at: shape.points[p.id]! })),
    corners: piece.corners.map((c) => ({ name: c.name, at: cornerPoint(piece, shape, c.id)! })),
    others: [
      ...otherSizes.map((id) => ({
        name: `Size ${garment.sizes.find((s) => s.id === id)?.name ?? id}`,
        cutLine: cutLineOf(piece, shapeOf(piece, id)),
        seamLine: outlineOf(piece, shapeOf(piece, id)),
        notches: notchStrokes(piece, id),
      })),
      ...otherLines,
    ],
  }
  const lines = [
    piece.name,
    layer || cutWords(piece),
    words.garmentName,
    `size: ${words.sizeName}`,
    ...(words.wearerName ? [`for ${words.wearerName}`] : []),
    words.date,
    ...(words.changes.length > 0 ? [`changed: ${words.changes.join('; ')}`] : ['as bought']),
    ...(words.cautions ?? []).filter((c) => c.pieceIds.includes(piece.id)).map((c) => c.text),
  ]
  const drawn = [
    drawing.cutLine,
    ...drawing.notches,
    ...drawing.folds,
    ...grainStrokes(shape.grain),
    ...drawing.innerLines.map((l) => l.path),
    ...drawing.points.flatMap((p) => markStrokes(p.at)),
    ...drawing.others.flatMap((o) => [o.cutLine, o.seamLine, ...o.notches]),
  ]
  const named = otherLines.map((o) => ({ name: o.name, path: o.cutLine }))
  return { ...drawing, write: (pageEdges) => writeOnPiece(garment, piece, shape, lines, drawn, numbers, words.ruler, named, pageEdges) }
}

/** Pieces drawn and written on, before they have their place on a sheet. */
export interface DrawnPieces {
  sizeName: string
  drawings: Drawing[]
}

/** Draws the altered pieces at true scale, and says what is to be written on them. */
export function drawPieces(garment: Garment, sizeId: string, words: SheetWords, choice: SheetChoice = {}): DrawnPieces {
  const chosen = garment.pieces.filter((p) => !choice.pieceIds || choice.pieceIds.includes(p.id))
  const layers = choice.everyLayer ? layersOf(garment, chosen, sizeId).layers : chosen.map((piece) => ({ piece, words: '' }))
  const numbers = notchNumbers(garment)
  const others = (choice.otherSizes ?? []).filter((id) => id !== sizeId)
  return {
    sizeName: words.sizeName,
    drawings: layers.map(({ piece, words: layer }) =>
      drawPiece(garment, piece, sizeId, words, numbers, layer, others, choice.otherLines?.get(piece.id) ?? []),
    ),
  }
}
