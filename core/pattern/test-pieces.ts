import { line, type Path, type Point } from '../geometry'
import type { EdgeRole, Garment, Piece, PieceKind, Seam } from './schema'

/** Straight-edged pieces for tests and benches: corners clockwise on the page, one role per edge (from corner i on). */
export function polygonPiece(
  id: string,
  kind: PieceKind,
  corners: Point[],
  roles: EdgeRole[],
  options: { fold?: number; count?: number; allowanceMm?: number } = {},
): Piece {
  const edges = corners.map((from, i): Path => [line(from, corners[(i + 1) % corners.length]!)])
  const ys = corners.map((c) => c.y)
  const xs = corners.map((c) => c.x)
  const middle = (Math.min(...xs) + Math.max(...xs)) / 2
  return {
    id,
    name: id,
    kind,
    cut: { count: options.count ?? 1, mirrored: false },
    edges: roles.map((role, i) => ({
      id: `e${i}`,
      name: `${role} ${i}`,
      role,
      fold: options.fold === i,
      allowanceMm: options.fold === i ? 0 : (options.allowanceMm ?? 10),
    })),
    corners: corners.map((_, i) => ({ id: `c${i}`, name: `corner ${i}` })),
    notches: [],
    darts: [],
    lines: [],
    points: [],
    shapes: {
      one: {
        edges: Object.fromEntries(edges.map((path, i) => [`e${i}`, path])),
        notches: {},
        lines: {},
        points: {},
        grain: { from: { x: middle, y: Math.min(...ys) + 1 }, to: { x: middle, y: Math.max(...ys) - 1 } },
      },
    },
  }
}

export function garmentOf(pieces: Piece[], seams: Seam[] = []): Garment {
  return { sizes: [{ id: 'one', name: 'one' }], baseSizeId: 'one', pieces, seams }
}

/** A seam between one edge of each of two pieces. */
export function seamOf(id: string, first: [string, string, boolean], second: [string, string, boolean]): Seam {
  const run = ([pieceId, edgeId, reversed]: [string, string, boolean]) => [{ pieceId, edgeId, reversed }]
  return { id, name: id, sides: [run(first), run(second)], wantedEase: { minMm: 0, maxMm: 0 }, marks: [] }
}

/** Every object in a tree frozen, so that a change that writes in place throws. */
export function deepFreeze<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value)
    for (const inner of Object.values(value)) deepFreeze(inner)
  }
  return value
}
