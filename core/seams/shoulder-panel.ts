import {
  applyAffine,
  cross,
  cutPath,
  findRoot,
  line,
  mapPath,
  measureLength,
  nearestPlace,
  reversePath,
  scale,
  subtract,
  tangentAt,
  turnRad,
  type Affine,
  type Path,
} from '../geometry'
import { findPiece, neighbours, shapeOf, type Garment, type Piece, type RunEdge, type Seam, type Shape } from '../pattern'
import { LENGTH_FOUND_MM } from '../tolerances'
import { DEG } from '../units'
import { cornerOfRun } from './find-armholes'
import { layTogether, unlay } from './lay-together'
import { startOf, walked } from './walked'

/** The part of a shoulder seam that lies beyond a panel seam, on the piece nearer to the neck. */
export interface PanelShoulder {
  piece: Piece
  seam: Seam
  /** Its shoulder edge, from the neck outward. */
  shoulder: RunEdge
  /** The edges of the panel seam, from the shoulder down: on this piece, and on the one with the armhole. */
  inner: RunEdge
  outer: RunEdge
  /** Where this piece lies beside the one with the armhole, with the panel seam closed at the shoulder. */
  lay: Affine
}

/** The edge before a walked one, as it is walked. */
function before(piece: Piece, run: RunEdge) {
  const { before: b, after } = neighbours(piece, run.edgeId)
  return run.reversed ? after : b
}

/**
 * The piece on which a shoulder goes on to the neck, beyond a seam that begins at it; null where the shoulder begins at the neck itself.
 *
 * @param first the innermost edge of the shoulder on the piece with the armhole, from the neck outward
 */
export function panelBeside(garment: Garment, first: RunEdge, sizeId: string): PanelShoulder | null {
  const own = findPiece(garment, first.pieceId)!
  const panel = before(own, first)
  if (panel.role === 'neck') return null
  const corner = cornerOfRun(garment, first, 'first').cornerId
  for (const seam of garment.seams)
    for (const side of [0, 1] as const)
      for (const at of ['start', 'end'] as const) {
        const pick = (s: 0 | 1) => (at === 'start' ? seam.sides[s][0]! : seam.sides[s].at(-1)!)
        const [mine, other] = [pick(side), pick(side === 0 ? 1 : 0)]
        if (mine.pieceId !== own.id || mine.edgeId !== panel.id || other.pieceId === own.id) continue
        const which = at === 'start' ? 'first' : 'last'
        if (cornerOfRun(garment, mine, which).cornerId !== corner) continue
        const down = (run: RunEdge): RunEdge => (at === 'start' ? run : { ...run, reversed: !run.reversed })
        const piece = findPiece(garment, other.pieceId)!
        const inner = down(other)
        const shoulder = before(piece, inner)
        if (shoulder.role !== 'shoulder') continue
        const oriented: Seam = side === 0 ? seam : { ...seam, sides: [seam.sides[1], seam.sides[0]] }
        return {
          piece,
          seam,
          // Walked toward the panel: the way in which the panel is walked away from it.
          shoulder: { pieceId: piece.id, edgeId: shoulder.id, reversed: inner.reversed },
          inner,
          outer: down(mine),
          lay: layTogether(garment, oriented, at, sizeId),
        }
      }
  return null
}

/** A panel's part of the shoulder in the place of the piece with the armhole. */
export const laidShoulder = (garment: Garment, { piece, shoulder, lay }: PanelShoulder, sizeId: string): Path =>
  mapPath(walked(shapeOf(findPiece(garment, piece.id)!, sizeId), shoulder), (p) => applyAffine(lay, p))

/** A line begun so far before its beginning, straight on, or so far after it. */
function begunBy(path: Path, byMm: number): Path {
  if (byMm <= 0) return cutPath(path, -byMm, measureLength(path))
  const first = path[0]!
  const from = subtract(first.from, scale(tangentAt(first, 0), byMm))
  return first.kind === 'line' ? [line(from, first.to), ...path.slice(1)] : [line(from, first.from), ...path]
}

/** A panel seam is begun higher or lower by no more than this for a shoulder that turns, mm. */
const MOST_MM = 120

/** A stretch of a line shorter than this is none of its own, mm: its neighbour ends where it would. */
const SLIVER_MM = 0.5

/** A line parted at a length along it, mm, without slivers beside the cut. */
function partedAt(path: Path, atMm: number): [Path, Path] {
  const [first, second] = [cutPath(path, 0, atMm), cutPath(path, atMm, measureLength(path))]
  const at = first.at(-1)!.to
  const isSliver = (part: Path) => measureLength(part) < SLIVER_MM
  const before = first.length > 1 && isSliver(first.slice(-1)) ? [...first.slice(0, -2), { ...first.at(-2)!, to: at }] : first
  const beyond = second.length > 1 && isSliver(second.slice(0, 1)) ? [{ ...second[1]!, from: at }, ...second.slice(2)] : second
  return [before, beyond]
}

/**
 * Both edges of a panel seam begun on a shoulder line that was turned: each by as much, so that the seam stays alike.
 *
 * @param seam the whole shoulder from neck to tip, in the place of the piece with the armhole
 * @returns the shoulder on the piece with the armhole, its panel edge, and the edges of the piece beyond; null where they do not meet
 */
export function meetPanel(
  panel: PanelShoulder,
  own: Shape,
  beside: Shape,
  seam: Path,
): { shoulder: Path; outer: Path; beside: Shape['edges'] } | null {
  const outer = walked(own, panel.outer)
  const inner = walked(beside, panel.inner)
  const off = (byMm: number) => {
    const start = startOf(begunBy(outer, byMm))
    const near = nearestPlace(seam, start)
    return cross(near.tangent, subtract(start, near.point))
  }
  const most = Math.min(MOST_MM, measureLength(outer) / 2, measureLength(inner) / 2)
  const byMm = findRoot(off, -most, most, LENGTH_FOUND_MM / 10)
  if (byMm === null) return null
  const [drawnOuter, drawnInner] = [begunBy(outer, byMm), begunBy(inner, byMm)]
  const atMm = nearestPlace(seam, startOf(drawnOuter)).lengthMm
  if (atMm <= 0 || atMm >= measureLength(seam)) return null
  const home = unlay(panel.lay)
  const [toPanel, shoulder] = partedAt(seam, atMm)
  const part = mapPath(toPanel, (p) => applyAffine(home, p))
  const ended: Path = [...part.slice(0, -1), { ...part.at(-1)!, to: startOf(drawnInner) }]
  const asDrawn = (run: RunEdge, path: Path) => (run.reversed ? reversePath(path) : path)
  return {
    // The corner is one point, to the last digit.
    shoulder: [{ ...shoulder[0]!, from: startOf(drawnOuter) }, ...shoulder.slice(1)],
    outer: asDrawn(panel.outer, drawnOuter),
    beside: { [panel.shoulder.edgeId]: asDrawn(panel.shoulder, ended), [panel.inner.edgeId]: asDrawn(panel.inner, drawnInner) },
  }
}

/** How far a shoulder turns where it crosses its panel seam as sewn, deg. */
export function turnAtPanel(garment: Garment, panel: PanelShoulder, outer: RunEdge, sizeId: string): number {
  const inner = laidShoulder(garment, panel, sizeId)
  const on = walked(shapeOf(findPiece(garment, outer.pieceId)!, sizeId), outer)
  return Math.abs(turnRad(tangentAt(inner[inner.length - 1]!, 1), tangentAt(on[0]!, 0))) * DEG
}
