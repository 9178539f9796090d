import {
  cross,
  cutPath,
  findRoot,
  line,
  mapPath,
  measureLength,
  norm,
  placeAt,
  reversePath,
  rotateAbout,
  subtract,
  turnRad,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { edgePath, findPiece, neighbours, shapeOf, type Garment, type Piece, type RunEdge, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { LENGTH_FOUND_MM, SAME_POINT_MM } from '../tolerances'
import { withEdges } from './displace-runs'
import { keepNotches, type StillEnd } from './keep-notches'
import { laidShoulder, meetPanel, panelBeside, type PanelShoulder } from './shoulder-panel'
import { endOf, startOf, walked } from './walked'

/** The shoulder seam of a piece from the neck to the tip, with the legs of a dart that parts it, and the armhole below it. */
export interface ShoulderOf {
  piece: Piece
  /** From the neck outward, on this piece. */
  shoulder: (RunEdge & { isLeg: boolean })[]
  /** From the tip down, on this piece. */
  armhole: RunEdge[]
  /** Where it goes on to the neck beyond a panel seam; null where it begins at the neck, and where a dart parts it. */
  panel: PanelShoulder | null
}

/** The shoulder above half an armhole. @param sizeId in which a panel is laid beside it */
export function shoulderAbove(garment: Garment, half: readonly RunEdge[], sizeId: string): ShoulderOf {
  const first = half[0]!
  const piece = findPiece(garment, first.pieceId)!
  const next = half.findIndex((r) => r.pieceId !== piece.id)
  const armhole = half.slice(0, next < 0 ? half.length : next)
  const n = piece.edges.length
  const shoulder: ShoulderOf['shoulder'] = []
  const { before, after } = neighbours(piece, first.edgeId)
  // The shoulder lies before the armhole as it is walked.
  const step = first.reversed ? 1 : n - 1
  for (let k = piece.edges.indexOf(first.reversed ? after : before), i = 0; i < n; k = (k + step) % n, i++) {
    const edge = piece.edges[k]!
    if (edge.role !== 'shoulder' && edge.role !== 'dart-leg') break
    shoulder.unshift({ pieceId: piece.id, edgeId: edge.id, reversed: first.reversed, isLeg: edge.role === 'dart-leg' })
  }
  const isWhole = shoulder.length > 0 && shoulder.every((s) => !s.isLeg)
  return { piece, shoulder, armhole, panel: isWhole ? panelBeside(garment, shoulder[0]!, sizeId) : null }
}

/** The length of a shoulder seam with its dart closed, over all its pieces, mm. */
export function shoulderLength(garment: Garment, { piece, shoulder, panel }: ShoulderOf, sizeId: string): number {
  const runs: RunEdge[] = [...shoulder.filter((s) => !s.isLeg), ...(panel ? [panel.shoulder] : [])]
  return runs.reduce((mm, r) => mm + measureLength(edgePath(shapeOf(findPiece(garment, r.pieceId ?? piece.id)!, sizeId), r.edgeId)), 0)
}

/** The closed shoulder seam of a piece, as it is sewn, in the place of its outer part. */
export interface ClosedShoulder {
  path: Path
  neck: Point
  tip: Point
  dart: { tip: Point; mouth: Point; turnRad: number } | null
}

export function closeShoulder(
  garment: Garment,
  { piece, shoulder, panel }: ShoulderOf,
  shape: Shape,
  sizeId: string,
): Result<ClosedShoulder> {
  const legs = shoulder.filter((s) => s.isLeg)
  const paths = shoulder.map((s) => walked(shape, s))
  if (legs.length === 0) {
    const path = [...(panel ? laidShoulder(garment, panel, sizeId) : []), ...paths.flat()]
    return ok({ path, neck: startOf(path), tip: endOf(path), dart: null })
  }
  const first = shoulder.findIndex((s) => s.isLeg)
  if (legs.length !== 2 || !shoulder[first + 1]?.isLeg)
    return refuse(
      'darts-in-shoulder',
      piece.name,
      'more than one dart parts its shoulder.',
      'Merge the darts of the shoulder into one first.',
    )
  const [a, b] = [paths[first]!, paths[first + 1]!]
  const tip = endOf(a)
  const turn = turnRad(subtract(startOf(a), tip), subtract(endOf(b), tip))
  const inner = mapPath(paths.slice(0, first).flat(), (p) => rotateAbout(p, tip, turn))
  const path = [...inner, ...paths.slice(first + 2).flat()]
  if (path.length === 0)
    return refuse('darts-in-shoulder', piece.name, 'a dart takes up its whole shoulder.', 'Move the dart elsewhere first.')
  return ok({ path, neck: startOf(path), tip: endOf(path), dart: { tip, mouth: endOf(b), turnRad: turn } })
}

/** Ends of a turned shoulder that stay where they are: its notches keep their distance from these. */
export const stillEnds = ({ shoulder, panel }: ShoulderOf): StillEnd[] => [
  ...shoulder.map((r) => ({ ...r, still: 'first' as const })),
  ...(panel ? [{ ...panel.outer, still: 'last' as const }] : []),
]

/** A shoulder that was turned: the edges of the piece with the armhole, and what draws the piece beyond its panel seam. */
export interface TurnedShoulder {
  own: Record<string, Path>
  beside: (garment: Garment) => Garment
}

/**
 * The edges of a shoulder seam after it was turned: parted at its dart, whose legs run to it, or at a panel seam, which begins on it. Null
 * where it misses these.
 */
export function turnedShoulder(
  garment: Garment,
  { shoulder, panel }: ShoulderOf,
  shape: Shape,
  closed: ClosedShoulder,
  seam: Path,
  tip: Point,
  sizeId: string,
): TurnedShoulder | null {
  const keep = (runs: readonly (typeof shoulder)[number][], path: Path): Record<string, Path> => {
    // Several edges keep their shares of the line.
    const lengths = runs.map((r) => measureLength(edgePath(shape, r.edgeId)))
    const stretch = measureLength(path) / lengths.reduce((a, b) => a + b, 0)
    let at = 0
    return Object.fromEntries(
      runs.map((r, i) => {
        const part = runs.length === 1 ? path : cutPath(path, at, (at += lengths[i]! * stretch))
        return [r.edgeId, r.reversed ? reversePath(part) : part]
      }),
    )
  }
  const last = seam[seam.length - 1]!
  const ended: Path = [...seam.slice(0, -1), { ...last, to: tip }]
  const alone = (own: Record<string, Path>): TurnedShoulder => ({ own, beside: (g) => g })
  if (panel) {
    const beside = shapeOf(findPiece(garment, panel.piece.id)!, sizeId)
    const met = meetPanel(panel, shape, beside, ended)
    if (!met) return null
    const notches = keepNotches(panel.piece, beside, met.beside, [
      { ...panel.shoulder, still: 'first' },
      { ...panel.inner, still: 'last' },
    ])
    return {
      own: { ...keep(shoulder, met.shoulder), [panel.outer.edgeId]: met.outer },
      beside: (g) => withEdges(g, panel.piece.id, sizeId, met.beside, notches),
    }
  }
  if (!closed.dart) return alone(keep(shoulder, ended))
  const { dart } = closed
  const along = unit(subtract(dart.mouth, dart.tip))
  const at = findRoot((mm) => cross(along, subtract(placeAt(ended, mm).point, dart.tip)), 0, measureLength(ended), LENGTH_FOUND_MM / 10)
  if (at === null) return null
  const meets = placeAt(ended, at).point
  if (norm(subtract(meets, dart.tip)) <= SAME_POINT_MM) return null
  const back = (p: Point) => rotateAbout(p, dart.tip, -dart.turnRad)
  const first = shoulder.findIndex((s) => s.isLeg)
  const [legIn, legOut] = [shoulder[first]!, shoulder[first + 1]!]
  const legs = { in: [line(back(meets), dart.tip)], out: [line(dart.tip, meets)] }
  return alone({
    ...keep(shoulder.slice(0, first), mapPath(cutPath(ended, 0, at), back)),
    ...keep(shoulder.slice(first + 2), cutPath(ended, at, measureLength(ended))),
    [legIn.edgeId]: legIn.reversed ? reversePath(legs.in) : legs.in,
    [legOut.edgeId]: legOut.reversed ? reversePath(legs.out) : legs.out,
  })
}
