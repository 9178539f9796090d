import {
  add,
  cubic,
  distance,
  fitCurve,
  line,
  measureLength,
  placeAt,
  rotateAbout,
  scale,
  subtract,
  unit,
  type Path,
  type Point,
} from '../core/geometry'
import type { Dart, EdgeRole, Garment, InnerLine, NotchPlace, Piece, PieceKind, Seam } from '../core/pattern'

/** One size is drafted; its id in every demo garment. */
export const SIZE = 'one'

/** mm allowances of the demo garments. */
export const SEAM_ALLOWANCE = 10
export const HEM_ALLOWANCE = 25

export interface DraftEdge {
  id: string
  name: string
  role: EdgeRole
  path: Path
  /** The corner at its start. */
  corner: string
  designed?: boolean
  fold?: boolean
  allowanceMm?: number
}

export interface DraftedPiece {
  id: string
  name: string
  kind: PieceKind
  count: number
  mirrored: boolean
  edges: DraftEdge[]
  notches?: { id: string; name: string; edgeId: string; place: NotchPlace }[]
  darts?: Dart[]
  lines?: { id: string; name: string; role: InnerLine['role']; path: Path }[]
  apex?: Point
  grain: { from: Point; to: Point }
}

/** Puts a drafted piece into the form of the pattern model. */
export function toPiece(d: DraftedPiece): Piece {
  return {
    id: d.id,
    name: d.name,
    kind: d.kind,
    cut: { count: d.count, mirrored: d.mirrored },
    edges: d.edges.map((e) => ({
      id: e.id,
      name: e.name,
      role: e.role,
      fold: e.fold ?? false,
      allowanceMm: e.fold ? 0 : (e.allowanceMm ?? (e.role === 'hem' || e.role === 'leg-opening' ? HEM_ALLOWANCE : SEAM_ALLOWANCE)),
    })),
    corners: d.edges.map((e) => ({ id: `at-${e.id}`, name: e.corner, ...(e.designed ? { designed: true } : {}) })),
    notches: (d.notches ?? []).map(({ id, name, edgeId }) => ({ id, name, edgeId })),
    darts: d.darts ?? [],
    lines: (d.lines ?? []).map(({ id, name, role }) => ({ id, name, role })),
    points: d.apex ? [{ id: 'apex', name: 'apex', role: 'apex' }] : [],
    shapes: {
      [SIZE]: {
        edges: Object.fromEntries(d.edges.map((e) => [e.id, e.path])),
        notches: Object.fromEntries((d.notches ?? []).map((n) => [n.id, n.place])),
        lines: Object.fromEntries((d.lines ?? []).map((l) => [l.id, l.path])),
        points: d.apex ? { apex: d.apex } : {},
        grain: d.grain,
      },
    },
  }
}

export function toGarment(pieces: DraftedPiece[], seams: Seam[]): Garment {
  return { sizes: [{ id: SIZE, name: 'own draft' }], baseSizeId: SIZE, pieces: pieces.map(toPiece), seams }
}

export const at = (x: number, y: number): Point => ({ x, y })

/** A straight edge. */
export const ruled = (from: Point, to: Point): Path => [line(from, to)]

/** One curve that leaves and arrives in given directions; `pull` is the handles' length as a part of the chord. */
export function swept(from: Point, leaving: Point, to: Point, arriving: Point, pull: [number, number] = [0.36, 0.36]): Path {
  const chord = distance(from, to)
  return [cubic(from, add(from, scale(unit(leaving), chord * pull[0])), subtract(to, scale(unit(arriving), chord * pull[1])), to)]
}

/** The argument in [low, high] at which a rising or falling function reaches zero. */
export function solve(f: (x: number) => number, low: number, high: number): number {
  const rising = f(high) > f(low)
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (f(middle) > 0 === rising) high = middle
    else low = middle
  }
  return (low + high) / 2
}

/**
 * A path bent at its start by an angle that fades out over a length, its length kept: what a side seam does below an
 * open dart. The direction is integrated in steps of about half a millimetre.
 */
export function bendStart(path: Path, start: Point, angleRad: number, fadeMm: number): Path {
  const total = measureLength(path)
  const steps = Math.ceil(total * 2)
  const step = total / steps
  const points: Point[] = [start]
  const directionAt = (mm: number) => rotateAbout(placeAt(path, mm).tangent, at(0, 0), angleRad * Math.max(0, 1 - mm / fadeMm) ** 2)
  for (let i = 0; i < steps; i++) points.push(add(points[i]!, scale(directionAt((i + 0.5) * step), step)))
  const kept = points.filter((_, i) => i % 8 === 0 || i === steps)
  return fitCurve(kept, directionAt(0), directionAt(total), 0.01)
}

/** A seam between two sides, both walked from the same end; edges marked with a leading “-” are walked backwards. */
export function sewn(
  id: string,
  name: string,
  first: [string, string][],
  second: [string, string][],
  marks: Seam['marks'] = [],
  ease: [number, number] = [0, 0],
): Seam {
  const side = (runs: [string, string][]) =>
    runs.map(([pieceId, edge]) => ({ pieceId, edgeId: edge.replace(/^-/, ''), reversed: edge.startsWith('-') }))
  return { id, name, sides: [side(first), side(second)], wantedEase: { minMm: ease[0], maxMm: ease[1] }, marks }
}
