import { add, boundsOf, mapPath, measureLength, scale, leftOf, line, type Box, type Path, type Point } from '../geometry'
import { FOLDED_ROLES, notchPlace, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { cutLineOf } from './cut-line'
import { layOut } from './lay-out'

/** Everything drawn of one piece on paper, in sheet coordinates, mm. */
export interface SheetPiece {
  piece: Piece
  cutLine: Path
  seamLine: Path
  /** Each a short stroke from the seam line to the cut line. */
  notches: Path[]
  grain: { from: Point; to: Point }
  /** With those inside which cloth is folded away: darts and pleats. */
  innerLines: { name: string; path: Path; folded: boolean }[]
  points: { name: string; at: Point }[]
  /** Lines of text, first the name; placed inside the piece. `sizeMm` is the height of the letters after the first line. */
  label: { at: Point; lines: string[]; sizeMm: number }
  box: Box
}

export interface Sheet {
  pieces: SheetPiece[]
  widthMm: number
  heightMm: number
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
}

/** Kept free around all pieces, so that no line is printed on a page's own edge, mm. */
const RIM_MM = 3

/** Length of a notch mark when the edge has no allowance, mm. */
const NOTCH_MM = 6

function notchStrokes(piece: Piece, sizeId: string): Path[] {
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

/** How often to cut, in words: “cut 2, one turned over”, “cut 1 on the fold”. */
export function cutWords(piece: Piece): string {
  const fold = piece.edges.some((e) => e.fold) ? ' on the fold' : ''
  const turned = piece.cut.mirrored && piece.cut.count > 1 ? ', half of them turned over' : ''
  return `cut ${piece.cut.count}${fold}${turned}`
}

/** Height of ordinary letters, and of those on pieces too small for them, mm. */
const LETTERS_MM = 3.4
const SMALL_LETTERS_MM = 2.6

/** Where the text goes: beside the grainline; on a low piece, such as a band, everything in two small lines along it. */
function placeLabel(piece: Piece, sizeId: string, lines: string[]): SheetPiece['label'] {
  const shape = shapeOf(piece, sizeId)
  const box = boundsOf(outlineOf(piece, shape))
  const height = (lines.length + 1) * LETTERS_MM * 1.36
  if (box.maxY - box.minY < height * 1.5) {
    const at = { x: box.minX + 6, y: (box.minY + box.maxY) / 2 - 1 }
    return { at, lines: [lines[0]!, lines.slice(1).join(' · ')], sizeMm: SMALL_LETTERS_MM }
  }
  const { grain } = shape
  return { at: { x: (grain.from.x + grain.to.x) / 2 + 8, y: grain.from.y + (grain.to.y - grain.from.y) * 0.35 }, lines, sizeMm: LETTERS_MM }
}

/**
 * Lays the altered pieces out as one big true-scale sheet, with all that is drawn and written on them.
 *
 * @param sheetWidthMm wanted width of the layout
 * @param pieceIds which pieces; all when left out
 */
export function layOutSheet(
  garment: Garment,
  sizeId: string,
  words: SheetWords,
  sheetWidthMm: number,
  pieceIds?: readonly string[],
): Sheet {
  const chosen = garment.pieces.filter((p) => !pieceIds || pieceIds.includes(p.id))
  const cutLines = new Map(chosen.map((p) => [p.id, cutLineOf(p, shapeOf(p, sizeId))]))
  const layout = layOut(
    chosen.map((p) => ({ pieceId: p.id, box: boundsOf(cutLines.get(p.id)!) })),
    sheetWidthMm,
    12,
  )
  const pieces = layout.pieces.map((laid): SheetPiece => {
    const piece = chosen.find((p) => p.id === laid.pieceId)!
    const shape = shapeOf(piece, sizeId)
    const move = (p: Point): Point => ({ x: p.x + laid.dx + RIM_MM, y: p.y + laid.dy + RIM_MM })
    const moved = (path: Path) => mapPath(path, move)
    const label = placeLabel(piece, sizeId, [
      piece.name,
      words.garmentName,
      `size: ${words.sizeName}`,
      ...(words.wearerName ? [`for ${words.wearerName}`] : []),
      cutWords(piece),
      words.date,
      ...(words.changes.length > 0 ? ['changed:', ...words.changes] : ['as bought']),
    ])
    return {
      piece,
      cutLine: moved(cutLines.get(piece.id)!),
      seamLine: moved(outlineOf(piece, shape)),
      notches: notchStrokes(piece, sizeId).map(moved),
      grain: { from: move(shape.grain.from), to: move(shape.grain.to) },
      innerLines: piece.lines.map((l) => ({ name: l.name, path: moved(shape.lines[l.id]!), folded: FOLDED_ROLES.includes(l.role) })),
      points: piece.points.map((p) => ({ name: p.name, at: move(shape.points[p.id]!) })),
      label: { ...label, at: move(label.at) },
      box: { minX: laid.box.minX + RIM_MM, minY: laid.box.minY + RIM_MM, maxX: laid.box.maxX + RIM_MM, maxY: laid.box.maxY + RIM_MM },
    }
  })
  return { pieces, widthMm: layout.widthMm + 2 * RIM_MM, heightMm: layout.heightMm + 2 * RIM_MM }
}
