import { add, dot, measureLength, scale, subtract, unit, type Path, type Point } from '../../geometry'

import {
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Garment,
  type NotchPlace,
  type Piece,
  type Seam,
  type SeamMark,
  type Shape,
  markPosition,
  sideLength,
} from '../../pattern'
import { EQUAL_MM, SAME_POINT_MM } from '../../tolerances'

const withShape = (garment: Garment, piece: Piece, sizeId: string, shape: Shape): Garment => ({
  ...garment,
  pieces: garment.pieces.map((p) => (p.id === piece.id ? { ...p, shapes: { ...p.shapes, [sizeId]: shape } } : p)),
})

/** A seam whose one side is one edge of the piece and whose other side lies on other pieces. */
function ownSeam(garment: Garment, piece: Piece, edgeId: string): { seam: Seam; side: 0 | 1 } | null {
  for (const seam of garment.seams)
    for (const side of [0, 1] as const) {
      const runs = seam.sides[side]
      if (runs.length === 1 && runs[0]!.pieceId === piece.id && runs[0]!.edgeId === edgeId) return { seam, side }
    }
  return null
}

const surplus = (garment: Garment, seam: Seam, side: 0 | 1, sizeId: string) =>
  sideLength(garment, seam, side, sizeId) - sideLength(garment, seam, side === 0 ? 1 : 0, sizeId)

/** Marks on one side meet those on the other as they did in the pattern's own size: the ease between them is kept. */
function settleMarks(base: Garment, grown: Garment, seam: Seam, side: 0 | 1, baseSizeId: string, sizeId: string): Garment {
  const [run] = seam.sides[side]
  const piece = findPiece(grown, run!.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const total = measureLength(edgePath(shape, run!.edgeId))
  const other = side === 0 ? 1 : 0
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  for (const pair of seam.marks) {
    const own: SeamMark = pair[side]
    if (!('notchId' in own) || own.pieceId !== piece.id) continue
    const wasHere = markPosition(base, seam, side, own, baseSizeId)
    const wasThere = markPosition(base, seam, other, pair[other], baseSizeId)
    const there = markPosition(grown, seam, other, pair[other], sizeId)
    if (wasHere === undefined || wasThere === undefined || there === undefined) continue
    const at = Math.min(total, Math.max(0, there + wasHere - wasThere))
    const place = notches[own.notchId]!
    const fromStart = run!.reversed ? total - at : at
    notches[own.notchId] = { from: place.from, distanceMm: place.from === 'start' ? fromStart : total - fromStart }
  }
  return withShape(grown, piece, sizeId, { ...shape, notches })
}

/** Bands follow the edge that they are sewn to: lengthened away from their fold, or to both ends alike. */
export function settleBands(base: Garment, grown: Garment, baseSizeId: string, sizeId: string): Garment {
  return grown.pieces.reduce((garment, piece) => {
    if (piece.kind !== 'band') return garment
    const sewn = piece.edges.flatMap((e) => {
      const own = ownSeam(garment, piece, e.id)
      return own ? [{ edge: e, ...own }] : []
    })
    const first = sewn[0]
    if (!first) return garment
    const growMm = surplus(base, first.seam, first.side, baseSizeId) - surplus(garment, first.seam, first.side, sizeId)
    if (Math.abs(growMm) <= EQUAL_MM / 100) return settleMarks(base, garment, first.seam, first.side, baseSizeId, sizeId)
    const settled = withShape(garment, piece, sizeId, lengthenBand(piece, shapeOf(piece, sizeId), first.edge.id, growMm))
    return sewn.reduce((g, s) => settleMarks(base, g, s.seam, s.side, baseSizeId, sizeId), settled)
  }, grown)
}

function lengthenBand(piece: Piece, shape: Shape, edgeId: string, growMm: number): Shape {
  const path = edgePath(shape, edgeId)
  const along = unit(subtract(path[path.length - 1]!.to, path[0]!.from))
  const fold = piece.edges.find((e) => e.fold)
  const at = (p: Point) => dot(p, along)
  const ends = [at(path[0]!.from), at(path[path.length - 1]!.to)]
  // What stays: the fold, or the middle of a band without one. Everything else moves in proportion to its distance.
  const fixed = fold ? at(edgePath(shape, fold.id)[0]!.from) : (ends[0]! + ends[1]!) / 2
  const reach = Math.max(...ends.map((e) => Math.abs(e - fixed)))
  if (reach <= SAME_POINT_MM) return shape
  const part = (fold ? growMm : growMm / 2) / reach
  const move = (p: Point) => add(p, scale(along, (at(p) - fixed) * part))
  const all = (path: Path): Path =>
    path.map((s) =>
      s.kind === 'line'
        ? { kind: 'line', from: move(s.from), to: move(s.to) }
        : { kind: 'cubic', from: move(s.from), c1: move(s.c1), c2: move(s.c2), to: move(s.to) },
    )
  const grain = grainDirection(shape)
  const alongBand = Math.abs(dot(grain, along)) > Math.SQRT1_2
  return {
    ...shape,
    edges: Object.fromEntries(Object.entries(shape.edges).map(([id, p]) => [id, all(p)])),
    lines: Object.fromEntries(Object.entries(shape.lines).map(([id, p]) => [id, all(p)])),
    points: Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, move(p)])),
    grain: alongBand ? { from: move(shape.grain.from), to: move(shape.grain.to) } : shiftGrain(shape, move),
  }
}

/** The arrow of a band across it: moved as a whole, so that its direction stays. */
function shiftGrain(shape: Shape, move: (p: Point) => Point): Shape['grain'] {
  const by = subtract(move(shape.grain.from), shape.grain.from)
  return { from: add(shape.grain.from, by), to: add(shape.grain.to, by) }
}
