import { applyAffine, distance, isStraightPath, line, mapPath, measureLength, type Affine, type Path, type Point } from '../geometry'
import { FOLDED_ROLES, type Piece, type Shape } from '../pattern'
import { SAME_POINT_MM, STRAIGHT_MM } from '../tolerances'

/** All inner lines of a piece after its parts were laid elsewhere: each goes with the part that it lies on. */
export function carryLines(piece: Piece, shape: Shape, moveAt: (p: Point) => Affine): Shape['lines'] {
  return Object.fromEntries(
    piece.lines.map((l) => {
      const path = shape.lines[l.id]!
      return [l.id, FOLDED_ROLES.includes(l.role) ? carryCorners(path, moveAt) : carryLine(path, moveAt)]
    }),
  )
}

/** A dart or pleat: each of its corners goes with the paper that it lies on, and its legs are drawn on between them. */
export function carryCorners(path: Path, moveAt: (p: Point) => Affine): Path {
  return path.map((s) => {
    const [a, b] = [moveAt(s.from), moveAt(s.to)]
    const [from, to] = [applyAffine(a, s.from), applyAffine(b, s.to)]
    return s.kind === 'line' ? line(from, to) : { kind: 'cubic', from, c1: applyAffine(a, s.c1), c2: applyAffine(b, s.c2), to }
  })
}

/** An inner line: on one part it goes along; over a cut it is drawn anew between its two ends. */
function carryLine(path: Path, moveAt: (p: Point) => Affine): Path {
  const from = path[0]!.from
  const to = path[path.length - 1]!.to
  const [a, b] = [moveAt(from), moveAt(to)]
  if (a === b) return mapPath(path, (p) => applyAffine(a, p))
  const [start, end] = [applyAffine(a, from), applyAffine(b, to)]
  if (isStraightPath(path, STRAIGHT_MM) && distance(start, end) > SAME_POINT_MM) return [line(start, end)]
  // A bent line takes more and more of the second part's move on its way.
  const total = measureLength(path)
  let walked = 0
  return path.map((s) => {
    const ends = [walked / total, (walked + measureLength([s])) / total]
    walked += measureLength([s])
    const moved = (p: Point, u: number): Point => {
      const [x, y] = [applyAffine(a, p), applyAffine(b, p)]
      return { x: x.x + (y.x - x.x) * u, y: x.y + (y.y - x.y) * u }
    }
    const [u, v] = ends as [number, number]
    if (s.kind === 'line') return line(moved(s.from, u), moved(s.to, v))
    return { kind: 'cubic', from: moved(s.from, u), c1: moved(s.c1, u + (v - u) / 3), c2: moved(s.c2, v - (v - u) / 3), to: moved(s.to, v) }
  })
}
