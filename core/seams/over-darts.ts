import {
  isStraightPath,
  line,
  mapPath,
  measureLength,
  norm,
  reversePath,
  rotateAbout,
  subtract,
  turnRad,
  type Path,
  type Point,
} from '../geometry'
import { displaceAlong, fading } from '../moves'
import { edgePath, type Edge, type Piece, type RunEdge, type Shape } from '../pattern'
import { SAME_POINT_MM, STRAIGHT_MM } from '../tolerances'
import { endOf, startOf, walked } from './walked'

/** The edges of one piece between two edges of a run, in the way that it is walked; none where they follow each other. */
function between(piece: Piece, from: RunEdge, to: RunEdge): Edge[] {
  const n = piece.edges.length
  const step = from.reversed ? n - 1 : 1
  const found: Edge[] = []
  for (let k = piece.edges.findIndex((e) => e.id === from.edgeId) + step, i = 0; i < n; k += step, i++) {
    const edge = piece.edges[k % n]!
    if (edge.id === to.edgeId) return found
    found.push(edge)
  }
  return []
}

/** The edge that goes on beyond a dart, walked as before; null where no dart follows, or another one right after it. */
export function beyondDart(piece: Piece, run: Pick<RunEdge, 'edgeId' | 'reversed'>): Edge | null {
  const n = piece.edges.length
  const step = run.reversed ? n - 1 : 1
  let k = piece.edges.findIndex((e) => e.id === run.edgeId) + step
  let legs = 0
  for (; piece.edges[k % n]!.role === 'dart-leg' && legs < n; k += step) legs++
  return legs === 2 ? piece.edges[(k + 2 * n) % n]! : null
}

/** A leg, walked from the tip, that ends at another place: a straight one is ruled, a curved one goes along more and more. */
function legTo(leg: Path, mouth: Point): Path {
  const by = subtract(mouth, endOf(leg))
  if (norm(by) <= SAME_POINT_MM) return leg
  if (isStraightPath(leg, STRAIGHT_MM)) return [line(startOf(leg), mouth)]
  return displaceAlong(leg, fading(by, measureLength(leg), 0))
}

/** A run of edges on one piece with the darts in it folded closed: one line, as it is sewn. */
export interface ClosedRun {
  /** The shape with the edges of the run where they lie then; its other edges as they are. */
  shape: Shape
  /** Edges of the run that were drawn anew on that shape, laid back where they belong, with the legs of the darts between them. */
  reopen: (drawn: Readonly<Record<string, Path>>) => Record<string, Path>
}

/**
 * Folds the darts in a run closed, so that it can be drawn over them as one line: what lies beyond each is turned about its tip.
 *
 * @param runs edges of one piece in the way that they are walked, the darts between them left out
 * @param still which end of the run stays where it is
 */
export function closeDartsIn(piece: Piece, shape: Shape, runs: readonly RunEdge[], still: 'first' | 'last'): ClosedRun {
  const order = still === 'first' ? runs.map((_, i) => i) : runs.map((_, i) => runs.length - 1 - i)
  /** How each edge of the run is laid: turns about tips, the nearest to it first. */
  const turns: { tip: Point; rad: number }[][] = runs.map(() => [])
  const darts: { legs: [Edge, Edge]; upper: number }[] = []
  for (const [k, i] of order.entries()) {
    if (k === 0) continue
    const beside = order[k - 1]!
    const upper = Math.min(i, beside)
    const legs = between(piece, runs[upper]!, runs[upper + 1]!)
    const own: { tip: Point; rad: number }[] = []
    if (legs.length === 2 && legs.every((e) => e.role === 'dart-leg')) {
      const [a, b] = legs.map((e) => walked(shape, { edgeId: e.id, reversed: runs[upper]!.reversed })) as [Path, Path]
      const tip = endOf(a)
      // The lower side is brought to the upper one, or the other way round.
      const toUpper = turnRad(subtract(endOf(b), tip), subtract(startOf(a), tip))
      own.push({ tip, rad: still === 'first' ? toUpper : -toUpper })
      darts.push({ legs: legs as [Edge, Edge], upper })
    }
    turns[i] = [...own, ...turns[beside]!]
  }
  const lay = (i: number, path: Path) => turns[i]!.reduce((p, { tip, rad }) => mapPath(p, (q) => rotateAbout(q, tip, rad)), path)
  const unlay = (i: number, path: Path) => turns[i]!.reduceRight((p, { tip, rad }) => mapPath(p, (q) => rotateAbout(q, tip, -rad)), path)
  const laid = Object.fromEntries(runs.map((r, i) => [r.edgeId, lay(i, edgePath(shape, r.edgeId))]))
  return {
    shape: darts.length > 0 ? { ...shape, edges: { ...shape.edges, ...laid } } : shape,
    reopen: (drawn) => {
      const edges: Record<string, Path> = { ...drawn }
      runs.forEach((r, i) => {
        if (drawn[r.edgeId] && turns[i]!.length > 0) edges[r.edgeId] = unlay(i, drawn[r.edgeId]!)
      })
      for (const { legs, upper } of darts) {
        const [above, below] = [runs[upper]!, runs[upper + 1]!].map((r) =>
          r.reversed ? reversePath(edges[r.edgeId] ?? edgePath(shape, r.edgeId)) : (edges[r.edgeId] ?? edgePath(shape, r.edgeId)),
        ) as [Path, Path]
        const isReversed = runs[upper]!.reversed
        const [first, second] = legs.map((e) => walked(shape, { edgeId: e.id, reversed: isReversed })) as [Path, Path]
        const ledIn = legTo(reversePath(first), endOf(above))
        const ledOut = legTo(second, startOf(below))
        edges[legs[0].id] = isReversed ? ledIn : reversePath(ledIn)
        edges[legs[1].id] = isReversed ? reversePath(ledOut) : ledOut
      }
      return edges
    },
  }
}
