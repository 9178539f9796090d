import { cutPath, distance, line, measureLength, nearestPlace, type Point } from '../geometry'
import type { PieceDraft } from './build-piece'

/** Ends of two lines that are one point, and how near to the outline a leg must begin, mm: hand-drawn files are a little off. */
const MEET_MM = 1.5
const REACH_MM = 3

/** Two inner lines that meet inside a piece and begin on one of its edges: drawn so, they are a dart. */
export interface InnerDart {
  lines: [number, number]
  edge: number
  fromMm: number
  toMm: number
  tip: Point
}

/** Every pair of inner lines of a draft that looks like a dart: it is proposed, and asked about. */
export function findInnerDarts(draft: PieceDraft): InnerDart[] {
  const found: InnerDart[] = []
  draft.lines.forEach((a, i) =>
    draft.lines.forEach((b, j) => {
      if (j <= i) return
      const ends = (path: typeof a.path): [Point, Point] => [path[0]!.from, path[path.length - 1]!.to]
      const [p, q] = [ends(a.path), ends(b.path)]
      const pair = ([0, 1] as const)
        .flatMap((x) => ([0, 1] as const).map((y) => ({ x, y })))
        .find(({ x, y }) => distance(p[x], q[y]) <= MEET_MM)
      if (!pair) return
      const tip = p[pair.x]
      const mouths = [p[pair.x === 0 ? 1 : 0], q[pair.y === 0 ? 1 : 0]].map((at) =>
        draft.edges
          .map((e, edge) => ({ edge, ...nearestPlace(e.path, at) }))
          .reduce((best, x) => (x.distanceMm < best.distanceMm ? x : best)),
      )
      const [m, n] = mouths as [(typeof mouths)[0], (typeof mouths)[0]]
      const inside = Math.min(...draft.edges.map((e) => nearestPlace(e.path, tip).distanceMm)) > REACH_MM
      if (m.edge !== n.edge || m.distanceMm > REACH_MM || n.distanceMm > REACH_MM || !inside) return
      const [fromMm, toMm] = m.lengthMm < n.lengthMm ? [m.lengthMm, n.lengthMm] : [n.lengthMm, m.lengthMm]
      if (toMm - fromMm > MEET_MM) found.push({ lines: [i, j], edge: m.edge, fromMm, toMm, tip })
    }),
  )
  return found
}

/** A draft with two of its inner lines made the legs of a dart: its edge is parted at the mouth. */
export function takeInnerDart(draft: PieceDraft, dart: InnerDart): PieceDraft {
  const edge = draft.edges[dart.edge]!
  const total = measureLength(edge.path)
  const [first, second] = [cutPath(edge.path, 0, dart.fromMm), cutPath(edge.path, dart.toMm, total)]
  const leg = (from: Point, to: Point) => ({
    path: [line(from, to)],
    role: 'dart-leg' as const,
    fold: false,
    allowanceMm: edge.allowanceMm,
  })
  return {
    ...draft,
    edges: [
      ...draft.edges.slice(0, dart.edge),
      { ...edge, path: first },
      leg(first[first.length - 1]!.to, dart.tip),
      leg(dart.tip, second[0]!.from),
      { ...edge, path: second },
      ...draft.edges.slice(dart.edge + 1),
    ],
    lines: draft.lines.filter((_, i) => !dart.lines.includes(i)),
  }
}
