import { cubic, line, offsetOutline, type Path, type Point } from '../../core/geometry'

/** Commands of an edge: [x, y] goes straight, six figures go by two handles. */
type Step = [number, number] | [number, number, number, number, number, number]

export interface TruthEdge {
  path: Path
  allowanceMm: number
  fold: boolean
}

/** A dart sewn from an edge: where its mouth lies along the edge, how wide, and its tip. */
export interface TruthDart {
  edge: number
  atMm: number
  intakeMm: number
  tip: Point
}

/** A piece of which all is known. Millimetres, y down, from its own corner. */
export interface TruthPiece {
  name: string
  count: number
  mirrored: boolean
  edges: TruthEdge[]
  grain: { from: Point; to: Point }
  notches: { edge: number; atMm: number }[]
  darts: TruthDart[]
  /** Lines inside that are no darts: where to lengthen, where a pocket sits. */
  lines: { name: string; path: Path }[]
}

export interface TruthGarment {
  name: string
  pieces: TruthPiece[]
}

/** An edge as it is written down: allowance, fold, steps from the end of the one before. */
export interface EdgeSpec {
  allowance: number
  fold?: boolean
  steps: Step[]
}

/** Edges one after the other from a start, clockwise on the page; the last one ends where the first begins. */
export function edgesFrom(start: Point, specs: EdgeSpec[]): TruthEdge[] {
  let at = start
  return specs.map(({ allowance, fold = false, steps }) => {
    const path = steps.map((s) => {
      const from = at
      at = s.length === 2 ? { x: s[0], y: s[1] } : { x: s[4], y: s[5] }
      return s.length === 2 ? line(from, at) : cubic(from, { x: s[0], y: s[1] }, { x: s[2], y: s[3] }, at)
    })
    return { path, allowanceMm: fold ? 0 : allowance, fold }
  })
}

export const seamLineOf = (piece: TruthPiece): Path => piece.edges.flatMap((e) => [...e.path])
export const cutLineOf = (piece: TruthPiece): Path =>
  offsetOutline(
    piece.edges.map((e) => e.path),
    piece.edges.map((e) => e.allowanceMm),
  ).flat()

/** A piece larger in both directions: the next size of it. Its fold stays where it is. */
export function grown(piece: TruthPiece, wide: number, high: number): TruthPiece {
  const at = (p: Point): Point => ({ x: p.x * wide, y: p.y * high })
  const path = (p: Path): Path =>
    p.map((s) => (s.kind === 'line' ? line(at(s.from), at(s.to)) : cubic(at(s.from), at(s.c1), at(s.c2), at(s.to))))
  return {
    ...piece,
    edges: piece.edges.map((e) => ({ ...e, path: path(e.path) })),
    darts: piece.darts.map((d) => ({ ...d, tip: at(d.tip) })),
  }
}
