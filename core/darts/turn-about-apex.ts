import {
  applyAffine,
  flattenPath,
  IDENTITY,
  line,
  mapPath,
  mix,
  nearestPlace,
  subtract,
  turnAbout,
  turnRad,
  type Affine,
  type Path,
  type Point,
} from '../geometry'
import { centreEdge, edgePath, type Dart, type Piece, type Shape } from '../pattern'
import { FLATTEN_MM, PARALLEL_RAD } from '../tolerances'
import { containsPoint } from '../moves/cut/cut-piece'
import { carryLines } from '../moves/cut/carry-lines'

/** A stretch of the outline between two darts that end in the apex, with the paper between it and the apex. */
export interface Sector {
  edgeIds: string[]
  outline: Path
  /** How it lies after the turn. */
  move: Affine
}

/** The angle of a dart seen from a point, rad: between the rays to its two ends; negative when its ends have crossed. */
export function angleFrom(apex: Point, shape: Shape, dart: Dart): number {
  const first = edgePath(shape, dart.legs[0])[0]!.from
  const legB = edgePath(shape, dart.legs[1])
  return turnRad(subtract(first, apex), subtract(legB[legB.length - 1]!.to, apex))
}

/**
 * The sectors of a piece round its apex and how each lies when the darts there take other angles. The sector with the fold
 * or centre stays; without one, that with the middle of the grain.
 *
 * @param angles the new angle of each dart that ends in the apex, rad; together as much as before
 */
export function sectorsAbout(piece: Piece, shape: Shape, apex: Point, angles: ReadonlyMap<string, number>): Sector[] {
  const gates = piece.darts.filter((d) => angles.has(d.id))
  const firsts = new Map(gates.map((d) => [d.legs[0], d]))
  const seconds = new Set(gates.map((d) => d.legs[1]))
  const n = piece.edges.length
  // Begin behind some dart, so that no sector is split by the list's own start.
  const start = (piece.edges.findIndex((e) => seconds.has(e.id)) + 1) % n
  const sectors: Sector[] = []
  let own: string[] = []
  let turn = 0
  for (let i = 0; i < n; i++) {
    const edge = piece.edges[(start + i) % n]!
    const gate = firsts.get(edge.id)
    if (gate) {
      const stretch = own.flatMap((id) => [...edgePath(shape, id)])
      // Between two darts that begin in one place there is no paper.
      if (stretch.length > 0) {
        const [from, to] = [stretch[0]!.from, stretch[stretch.length - 1]!.to]
        sectors.push({ edgeIds: own, outline: [line(apex, from), ...stretch, line(to, apex)], move: turnAbout(apex, turn) })
      }
      turn += angles.get(gate.id)! - angleFrom(apex, shape, gate)
      own = []
    } else if (!seconds.has(edge.id)) own.push(edge.id)
  }
  if (Math.abs(turn) > PARALLEL_RAD) throw new Error('the angles about the apex must stay the same together')
  const straight = centreEdge(piece)
  const home = straight
    ? sectors.findIndex((s) => s.edgeIds.includes(straight.id))
    : sectorOf(sectors, mix(shape.grain.from, shape.grain.to, 0.5))
  const back = sectors[home]!.move
  const undo = turnAbout(apex, -Math.atan2(back.b, back.a))
  return sectors.map((s, i) => ({
    ...s,
    move: i === home ? IDENTITY : turnAbout(apex, Math.atan2(s.move.b, s.move.a) + Math.atan2(undo.b, undo.a)),
  }))
}

/** The sector in which a point lies; the nearest for one outside all. */
function sectorOf(sectors: readonly Sector[], p: Point): number {
  const found = sectors.findIndex((s) => containsPoint(flattenPath(s.outline, FLATTEN_MM), p))
  if (found >= 0) return found
  const gaps = sectors.map((s) => nearestPlace(s.outline, p).distanceMm)
  return gaps.indexOf(Math.min(...gaps))
}

/**
 * Turns the paper round the apex so that the darts that end there take other angles: every stretch between two of them is
 * turned as one and keeps its exact shape (craft 6.11, move). The legs of these darts are drawn straight to the apex.
 * Inner lines and points go with the stretch they lie in; the apex and the grain stay with fold or centre.
 *
 * @param angles the new angle of each dart, rad; together as much as before
 */
export function turnAboutApex(piece: Piece, shape: Shape, apex: Point, angles: ReadonlyMap<string, number>): Shape {
  const sectors = sectorsAbout(piece, shape, apex, angles)
  const edges: Record<string, Path> = { ...shape.edges }
  for (const s of sectors)
    if (s.move !== IDENTITY) for (const id of s.edgeIds) edges[id] = mapPath(edgePath(shape, id), (p) => applyAffine(s.move, p))
  for (const dart of piece.darts) {
    if (!angles.has(dart.id)) continue
    const i = piece.edges.findIndex((e) => e.id === dart.legs[0])
    const n = piece.edges.length
    const before = edges[piece.edges[(i + n - 1) % n]!.id]!
    const after = edges[piece.edges[(i + 2) % n]!.id]!
    edges[dart.legs[0]] = [line(before[before.length - 1]!.to, apex)]
    edges[dart.legs[1]] = [line(apex, after[0]!.from)]
  }
  const moveAt = (p: Point) => sectors[sectorOf(sectors, p)]!.move
  const lines = carryLines(piece, shape, moveAt, IDENTITY)
  const points = Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, applyAffine(moveAt(p), p)]))
  return { ...shape, edges, lines, points }
}
