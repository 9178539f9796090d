import { add, boundsOf, dot, flattenPath, mapPath, measureLength, type Path, type Point } from '../geometry'
import { cutLineOf, layersOf } from '../paper'
import { beforeOpening, cornerPoint, edgePath, grainDirection, notchPlace, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { FLATTEN_MM, PARALLEL_RAD } from '../tolerances'

/** One way in which an item may lie: drawn with its grain along the cloth, its lowest point or its fold at 0 across it. */
export interface LayWay {
  /** Turned end for end, and turned over. */
  isTurned: boolean
  isOver: boolean
  cutLine: Path
  seamLine: Path
  /** Its notches, on the seam line. */
  notches: Point[]
  polygon: Point[]
  widthMm: number
  /** Where something that lies at so many mm across the grain of the piece lies across the cloth: `flip` times it, and `originMm`. */
  flip: 1 | -1
  originMm: number
}

/** Something that is cut in one go: one layer, or two where the cloth is folded. */
export interface LayItem {
  /** Its own name among all. */
  id: string
  pieceId: string
  name: string
  /** What it is, in words: “layer 1 of 2”, “on the fold”, “two at once”. */
  words: string
  onFold: boolean
  ways: LayWay[]
}

const grainAlong = (piece: Piece, sizeId: string) => {
  const g = grainDirection(shapeOf(piece, sizeId))
  return (p: Point): Point => ({ x: dot(p, g), y: dot(p, { x: -g.y, y: g.x }) })
}

/** Chords of outlines on cloth stay within this, mm: less than scissors do. */
const CHORD_MM = 2 * FLATTEN_MM

function wayOf(piece: Piece, sizeId: string, turn: { isTurned: boolean; isOver: boolean }): LayWay {
  const shape = shapeOf(piece, sizeId)
  const along = grainAlong(piece, sizeId)
  const way = turn.isTurned ? -1 : 1
  const flip = turn.isTurned === turn.isOver ? 1 : -1
  const place = (p: Point): Point => {
    const q = along(p)
    return { x: way * q.x, y: flip * q.y }
  }
  const cut = mapPath(cutLineOf(piece, shape), place)
  const box = boundsOf(cut)
  const home = (p: Point) => add(p, { x: -box.minX, y: -box.minY })
  const cutLine = mapPath(cut, home)
  const polygon = flattenPath(cutLine, CHORD_MM).slice(0, -1)
  const seamLine = mapPath(mapPath(outlineOf(piece, shape), place), home)
  const notches = piece.notches.flatMap((n) => {
    const at = notchPlace(piece, shape, n.id, measureLength)
    return at ? [home(place(at.point))] : []
  })
  return { ...turn, cutLine, seamLine, notches, polygon, widthMm: box.maxY - box.minY, flip, originMm: -box.minY }
}

/** Does the fold of a piece run along its grain? Only then can it lie on the fold of the cloth. */
function foldAlongGrain(piece: Piece, sizeId: string): boolean {
  const fold = piece.edges.find((e) => e.fold)
  if (!fold) return false
  return edgeAcross(piece, sizeId, fold.id) !== null
}

/** The ways of a piece with its fold at the fold of the cloth: end for end, the other way up where that needs it. */
function waysOnFold(piece: Piece, sizeId: string, isOneWay: boolean): LayWay[] {
  const shape = shapeOf(piece, sizeId)
  const fold = edgePath(shape, piece.edges.find((e) => e.fold)!.id)[0]!.from
  const along = grainAlong(piece, sizeId)
  const box = boundsOf(mapPath(outlineOf(piece, shape), along))
  const isLow = along(fold).y - box.minY < box.maxY - along(fold).y
  return (isOneWay ? [false] : [false, true]).map((isTurned) => wayOf(piece, sizeId, { isTurned, isOver: isTurned === isLow }))
}

const flatWays = (piece: Piece, sizeId: string, isOneWay: boolean, canTurnOver: boolean): LayWay[] =>
  (isOneWay ? [false] : [false, true]).flatMap((isTurned) =>
    (canTurnOver ? [false, true] : [false]).map((isOver) => wayOf(piece, sizeId, { isTurned, isOver })),
  )

/** A piece is cut so often from a cloth. */
export interface Wanted {
  piece: Piece
  count: number
}

/** Every layer by itself, for cloth that lies flat; the garment whose pieces they are. */
export function flatItems(
  garment: Garment,
  sizeId: string,
  wanted: readonly Wanted[],
  isOneWay: boolean,
): { garment: Garment; items: LayItem[] } {
  const opened = layersOf(
    garment,
    wanted.map((w) => w.piece),
    sizeId,
  )
  const items = wanted.flatMap(({ piece, count }) => {
    const layers = opened.layers.filter((l) => l.piece.id === piece.id || beforeOpening(l.piece.id) === piece.id)
    return Array.from({ length: count }, (_, i): LayItem => {
      const layer = layers[i % layers.length]!
      return {
        id: `${layer.piece.id} ${i}`,
        pieceId: layer.piece.id,
        name: layer.piece.name,
        words: count > layers.length || layer.words.startsWith('layer') ? `layer ${i + 1} of ${count}` : '',
        onFold: false,
        ways: flatWays(layer.piece, sizeId, isOneWay, false),
      }
    })
  })
  return { garment: opened.garment, items }
}

/** What lies on folded cloth: folds on its fold, pairs once for both; and what has to be cut from one layer, with how often. */
export function foldedItems(sizeId: string, wanted: readonly Wanted[], isOneWay: boolean): { items: LayItem[]; single: Wanted[] } {
  const items: LayItem[] = []
  const single: Wanted[] = []
  for (const { piece, count } of wanted) {
    if (foldAlongGrain(piece, sizeId))
      for (let i = 0; i < count; i++)
        items.push({
          id: `${piece.id} fold ${i}`,
          pieceId: piece.id,
          name: piece.name,
          words: count > 1 ? `on the fold, ${i + 1} of ${count}` : 'on the fold',
          onFold: true,
          ways: waysOnFold(piece, sizeId, isOneWay),
        })
    else {
      const pairs = piece.cut.mirrored ? Math.floor(count / 2) : 0
      for (let i = 0; i < pairs; i++)
        items.push({
          id: `${piece.id} pair ${i}`,
          pieceId: piece.id,
          name: piece.name,
          words: 'two at once',
          onFold: false,
          ways: flatWays(piece, sizeId, isOneWay, true),
        })
      if (count > 2 * pairs) single.push({ piece, count: count - 2 * pairs })
    }
  }
  return { items, single }
}

/** Where a mark of a piece lies along its grain and across it, mm; null where the piece has it not. */
function markByGrain(piece: Piece, sizeId: string, mark: { notchId: string } | { cornerId: string }): Point | null {
  const shape = shapeOf(piece, sizeId)
  const point = 'notchId' in mark ? notchPlace(piece, shape, mark.notchId, measureLength)?.point : cornerPoint(piece, shape, mark.cornerId)
  return point ? grainAlong(piece, sizeId)(point) : null
}

/** Where a mark of a piece lies along the cloth, in its first way, mm; null where the piece has it not. */
export function markAlong(piece: Piece, sizeId: string, mark: { notchId: string } | { cornerId: string }): number | null {
  const at = markByGrain(piece, sizeId, mark)
  return at && at.x - boundsOf(mapPath(cutLineOf(piece, shapeOf(piece, sizeId)), grainAlong(piece, sizeId))).minX
}

/** Where a mark of a piece lies across its grain, and to which side of it the piece lies; null where the piece has it not. */
export function markAcross(
  piece: Piece,
  sizeId: string,
  mark: { notchId: string } | { cornerId: string },
): { atMm: number; inward: 1 | -1 } | null {
  const at = markByGrain(piece, sizeId, mark)
  return at && { atMm: at.y, inward: middleAcross(piece, sizeId) >= at.y ? 1 : -1 }
}

/** The middle of a piece across its grain, mm. */
export function middleAcross(piece: Piece, sizeId: string): number {
  const box = boundsOf(mapPath(outlineOf(piece, shapeOf(piece, sizeId)), grainAlong(piece, sizeId)))
  return (box.minY + box.maxY) / 2
}

/** Where an edge that runs along the grain lies across it, mm; null for one that does not. */
export function edgeAcross(piece: Piece, sizeId: string, edgeId: string): number | null {
  const path = edgePath(shapeOf(piece, sizeId), edgeId)
  const [a, b] = [path[0]!.from, path[path.length - 1]!.to].map(grainAlong(piece, sizeId)) as [Point, Point]
  return Math.abs(b.y - a.y) <= PARALLEL_RAD * Math.abs(b.x - a.x) ? a.y : null
}

/** Where the grainline of a piece lies across its grain, mm. */
export const grainAcross = (piece: Piece, sizeId: string): number => grainAlong(piece, sizeId)(shapeOf(piece, sizeId).grain.from).y
