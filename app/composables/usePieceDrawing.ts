import { flattenPath, type Path, type Point } from '~~/core/geometry'
import { toPathData } from '~~/core/formats/path-data'
import type { Piece, Shape } from '~~/core/pattern'
import { FLATTEN_MM } from '~~/core/tolerances'

/** Points an edge is drawn with while it moves; enough for an armhole to look round on a projector. */
const SAMPLES = 28

const sampled = new WeakMap<Path, Point[]>()

/** Places along a path at equal distances, both ends included. */
export function samplePath(path: Path): Point[] {
  const known = sampled.get(path)
  if (known) return known
  const points = flattenPath(path, FLATTEN_MM)
  const along = [0]
  for (let i = 1; i < points.length; i++)
    along.push(along[i - 1]! + Math.hypot(points[i]!.x - points[i - 1]!.x, points[i]!.y - points[i - 1]!.y))
  const total = along[along.length - 1]!
  const out: Point[] = []
  let k = 1
  for (let i = 0; i <= SAMPLES; i++) {
    const want = (total * i) / SAMPLES
    while (k < points.length - 1 && along[k]! < want) k++
    const a = points[k - 1]!
    const b = points[k] ?? a
    const span = along[k]! - along[k - 1]!
    const t = span > 0 ? Math.min(1, Math.max(0, (want - along[k - 1]!) / span)) : 0
    out.push({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })
  }
  sampled.set(path, out)
  return out
}

/** Path data of lines, by the line: most of them stay as they are from one picture to the next. */
const drawn = new WeakMap<Path, string>()

/** A path as it is, curves as curves: it stays round however near one looks. */
function dataOf(path: Path): string {
  const known = drawn.get(path)
  if (known !== undefined) return known
  const data = toPathData(path)
  drawn.set(path, data)
  return data
}

/** A path between two stops of the tideline, as SVG path data: t = 0 the first, 1 the second; by points while it moves. */
export function betweenPaths(a: Path, b: Path, t: number): string {
  const [first, second] = [dataOf(a), dataOf(b)]
  if (t <= 0 || first === second) return first
  if (t >= 1) return second
  const from = samplePath(a)
  const to = samplePath(b)
  let d = ''
  for (let i = 0; i < from.length; i++) {
    const x = from[i]!.x + (to[i]!.x - from[i]!.x) * t
    const y = from[i]!.y + (to[i]!.y - from[i]!.y) * t
    d += `${i === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`
  }
  return d
}

/** One piece at two places of the tideline. */
export interface PieceEnds {
  piece: Piece
  from: Shape
  to: Shape
  t: number
}

/**
 * The two ends between which a piece is drawn. A dart that was moved or made gives the piece other edges or lines: then
 * nothing lies between, and it is drawn as it was until the stop is done.
 */
export function endsOf(before: { piece: Piece; shape: Shape }, after: { piece: Piece; shape: Shape }, t: number): PieceEnds {
  const alike =
    before.piece.edges.length === after.piece.edges.length && before.piece.edges.every((e, i) => e.id === after.piece.edges[i]!.id)
  const marks = (['points', 'lines'] as const).every((list) => before.piece[list].length === after.piece[list].length)
  if (alike && marks) return { piece: after.piece, from: before.shape, to: after.shape, t }
  return t >= 1
    ? { piece: after.piece, from: after.shape, to: after.shape, t: 1 }
    : { piece: before.piece, from: before.shape, to: before.shape, t: 0 }
}

/** The whole outline of a piece between two stops, closed. */
export function betweenOutlines(piece: Piece, a: Shape, b: Shape, t: number): string {
  return (
    piece.edges
      .map((e, i) => {
        const d = betweenPaths(a.edges[e.id]!, b.edges[e.id]!, t)
        return i === 0 ? d : `L${d.slice(1)}`
      })
      .join('') + 'Z'
  )
}

export const betweenPoints = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })
