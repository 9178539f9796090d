import { boundsOf, mapPath, type Box, type Path, type Point } from '../geometry'
import type { Garment } from '../pattern'
import { drawPieces, type DrawnPieces, type PieceLines, type SheetChoice, type SheetWords } from './draw-pieces'
import { layOut } from './lay-out'
import { OVERLAP_MM, paperFor, roomAcross, type PaperChoice } from './paper-sizes'
import type { PlacedWords } from './place-words'
import { cutIntoPages, pageEdgesOf, tilePages, type Tiling } from './tile-pages'

/** Everything drawn of one piece on paper, in sheet coordinates, mm. */
export interface SheetPiece extends PieceLines {
  /** All words on it, none on a line or on another. */
  words: PlacedWords[]
  box: Box
}

export interface Sheet {
  /** The size that is drawn out in full. */
  sizeName: string
  pieces: SheetPiece[]
  widthMm: number
  heightMm: number
}

/** Kept free around all pieces, so that no line is printed on a page's own edge, mm. */
const RIM_MM = 3

/** Between two pieces on the sheet, mm. */
const GAP_MM = 12

/** Pieces that have their places on a sheet, with what is yet to be written on each of them. */
interface LaidPieces {
  blank: Sheet
  /** The sheet with all words on it, by the edges of the pages that it is printed on. */
  write(pageEdges: readonly Path[]): Sheet
}

function layDrawings({ sizeName, drawings }: DrawnPieces, sheetWidthMm: number): LaidPieces {
  const layout = layOut(
    drawings.map((d, i) => ({ pieceId: String(i), box: boundsOf([...d.cutLine, ...d.others.flatMap((o) => [...o.cutLine])]) })),
    sheetWidthMm - 2 * RIM_MM,
    GAP_MM,
  )
  const laid = layout.pieces.map(({ pieceId, dx, dy, box }) => {
    const { write, ...d } = drawings[Number(pieceId)]!
    const move = (p: Point): Point => ({ x: p.x + dx + RIM_MM, y: p.y + dy + RIM_MM })
    const back = (p: Point): Point => ({ x: p.x - dx - RIM_MM, y: p.y - dy - RIM_MM })
    const moved = (path: Path) => mapPath(path, move)
    const piece: SheetPiece = {
      ...d,
      cutLine: moved(d.cutLine),
      seamLine: moved(d.seamLine),
      notches: d.notches.map(moved),
      grain: { from: move(d.grain.from), to: move(d.grain.to) },
      folds: d.folds.map(moved),
      innerLines: d.innerLines.map((l) => ({ ...l, path: moved(l.path) })),
      points: d.points.map((p) => ({ ...p, at: move(p.at) })),
      corners: d.corners.map((c) => ({ ...c, at: move(c.at) })),
      words: [],
      others: d.others.map((o) => ({ ...o, cutLine: moved(o.cutLine), seamLine: moved(o.seamLine), notches: o.notches.map(moved) })),
      box: { minX: box.minX + RIM_MM, minY: box.minY + RIM_MM, maxX: box.maxX + RIM_MM, maxY: box.maxY + RIM_MM },
    }
    const words = (pageEdges: readonly Path[]) => write(pageEdges.map((path) => mapPath(path, back))).map((w) => ({ ...w, at: move(w.at) }))
    return { piece, words }
  })
  const blank = { sizeName, pieces: laid.map((l) => l.piece), widthMm: layout.widthMm + 2 * RIM_MM, heightMm: layout.heightMm + 2 * RIM_MM }
  return { blank, write: (pageEdges) => ({ ...blank, pieces: laid.map((l) => ({ ...l.piece, words: l.words(pageEdges) })) }) }
}

/**
 * Lays drawn pieces side by side on one big sheet that is not cut into pages.
 *
 * @param sheetWidthMm wanted width of the layout
 */
export const arrange = (drawn: DrawnPieces, sheetWidthMm: number): Sheet => layDrawings(drawn, sheetWidthMm).write([])

/** Pages across that are tried for the fewest pages. */
const COLUMNS = [1, 2, 3, 4, 5, 6, 8]

/** The sheet that needs the fewest pages of a paper, and its pages; what is written on a piece stands on one page where it can. */
export function sheetFor(drawn: DrawnPieces, choice: PaperChoice): { sheet: Sheet; tiling: Tiling } {
  const room = roomAcross(choice)
  const tried = (choice.paper === 'roll' ? [1] : COLUMNS).map((columns) => {
    const laid = layDrawings(drawn, columns * (room - OVERLAP_MM) + OVERLAP_MM)
    const grid = cutIntoPages(laid.blank, paperFor(choice, laid.blank.heightMm), choice.marginMm)
    return { laid, grid, pages: grid.pages.filter((p) => !p.empty).length }
  })
  const { laid, grid } = tried.reduce((a, b) => (b.pages < a.pages ? b : a))
  const sheet = laid.write(pageEdgesOf(grid))
  return { sheet, tiling: tilePages(sheet, grid.paper, choice.marginMm) }
}

/** Draws pieces and lays them side by side at once: for files, whose sheet has no pages. */
export const layOutSheet = (garment: Garment, sizeId: string, words: SheetWords, sheetWidthMm: number, choice: SheetChoice = {}): Sheet =>
  arrange(drawPieces(garment, sizeId, words, choice), sheetWidthMm)
