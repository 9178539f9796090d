import { dot, findSelfCrossing, line, offsetOutline, subtract, type Path } from '../geometry'
import { dartCapPoint, edgePath, type Piece, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'

/** One stretch of the outline as it is cut: an edge, or the cap across a dart. */
interface CutRun {
  path: Path
  allowanceMm: number
}

/** The outline to cut along, before allowances: darts are not cut out, their cap runs across. */
function cutRuns(piece: Piece, shape: Shape): CutRun[] {
  const runs: CutRun[] = []
  for (const edge of piece.edges) {
    const dart = piece.darts.find((d) => d.legs[0] === edge.id)
    if (dart) {
      const first = edgePath(shape, dart.legs[0])[0]!.from
      const legB = edgePath(shape, dart.legs[1])
      const second = legB[legB.length - 1]!.to
      const peak = dartCapPoint(piece, shape, dart)
      const i = piece.edges.indexOf(edge)
      const before = piece.edges[(i + piece.edges.length - 1) % piece.edges.length]!
      runs.push(
        { path: [line(first, peak)], allowanceMm: before.allowanceMm },
        { path: [line(peak, second)], allowanceMm: before.allowanceMm },
      )
    } else if (!piece.darts.some((d) => d.legs[1] === edge.id)) {
      runs.push({ path: edgePath(shape, edge.id), allowanceMm: edge.allowanceMm })
    }
  }
  return runs
}

/** The line to cut along: seam allowance added edge by edge, caps across the darts, closed. */
export function cutLineOf(piece: Piece, shape: Shape): Path {
  const runs = cutRuns(piece, shape)
  return offsetOutline(
    runs.map((r) => r.path),
    runs.map((r) => r.allowanceMm),
  ).flat()
}

/**
 * The seam line inside a cut line, for files whose outlines include the allowance.
 * @returns one path per edge; refuses allowances that leave nothing of the piece
 */
export function takeAllowanceOff(pieceName: string, edges: readonly Path[], allowancesMm: readonly number[]): Result<Path[]> {
  const inner = offsetOutline(
    edges,
    allowancesMm.map((a) => -a),
  )
  const joined = inner.map((path, i): Path => {
    const next = inner[(i + 1) % inner.length]!
    const last = path[path.length - 1]!
    return [...path.slice(0, -1), { ...last, to: next[0]!.from }]
  })
  const chord = (path: Path) => subtract(path[path.length - 1]!.to, path[0]!.from)
  const eaten = joined.some((path, i) => path.length === 0 || dot(chord(path), chord(edges[i]!)) <= 0)
  if (eaten || findSelfCrossing(joined.flat()))
    return refuse(
      'allowance-too-wide',
      pieceName,
      'the allowance is wider than the piece has room for.',
      'Give a narrower allowance, or say that the outline is the seam line.',
    )
  return ok(joined)
}
