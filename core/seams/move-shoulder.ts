import {
  add,
  cross,
  cutPath,
  distance,
  findRoot,
  fitCurve,
  line,
  mapPath,
  measureLength,
  norm,
  placeAt,
  reversePath,
  rotateAbout,
  scale,
  subtract,
  tangentAt,
  turnRad,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { fading } from '../moves'
import { edgePath, findPiece, neighbours, shapeOf, type Garment, type Piece, type RunEdge, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { LENGTH_FOUND_MM, SAME_POINT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import { displaceRuns, withEdges } from './displace-runs'
import { keepNotches, type StillEnd } from './keep-notches'
import { letOutAcross } from './let-out-across'
import { runLength } from './measure-armhole'
import { closeDartsIn } from './over-darts'
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

/** How much of the armhole is redrawn below a tip that was moved, as a part of it on this piece. */
export const REACH_PART = 0.5
/** The first edge of an armhole that is shortened keeps at least this, mm. */
const LEAST_ARMHOLE_MM = 10

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

/**
 * How far a redrawn beginning may run from where the old line ran on, mm: less than what a hand smooths away. Where the line is drawn in
 * one curve up to some amount and in two from there on, its length jumps a little, and an amount right there is met by the next one.
 */
const SMOOTHED_MM = [1.5, 0.9, 0.5, 2.2]
/** Places that a beginning is redrawn through. */
const SAMPLES = 16

/**
 * An armhole that begins so far before its beginning, straight on along its own run, or so far after it. A curve that was run on is
 * redrawn from its new beginning as one, since a straight piece before it would show as a hook.
 */
function runOn(path: Path, byMm: number, smoothedMm: number): Path {
  if (byMm <= 0) return cutPath(path, -byMm, measureLength(path))
  const first = path[0]!
  const along = tangentAt(first, 0)
  const from = subtract(first.from, scale(along, byMm))
  if (first.kind === 'line') return [line(from, first.to), ...path.slice(1)]
  const whole: Path = [line(from, first.from), first]
  const total = measureLength(whole)
  const points = Array.from({ length: SAMPLES + 1 }, (_, i) => placeAt(whole, (total * i) / SAMPLES).point)
  return [...fitCurve(points, along, tangentAt(first, 1), smoothedMm), ...path.slice(1)]
}

export interface ShoulderMove {
  /** How much longer the half of the armhole becomes in all, mm. */
  growMm: number
  /** Added across the body at the middle of the armhole, fading to both its ends, mm; taken when negative. */
  acrossMm: number
}

/**
 * A shoulder seam whose outer end moves along the run of its armhole, the neck point still (craft 6.10, worked case 18): the
 * armhole is extended or shortened along itself, the seam turned stiffly about the neck point to meet it there. A dart in the
 * seam stays where it is; its legs run on to the new line, and the seam is as long as before with the dart closed.
 *
 * @param half the half of the armhole below it, from the shoulder down
 * Refuses: several darts in the shoulder, an armhole that has no more to give.
 */
export function moveShoulder(garment: Garment, half: readonly RunEdge[], sizeId: string, move: ShoulderMove): Result<Garment> {
  const wantedMm = runLength(garment, half, sizeId) + move.growMm
  const crossed = letOutAcross(garment, half, sizeId, move.acrossMm)
  const above = shoulderAbove(crossed, half, sizeId)
  const { piece, armhole } = above
  const { shape, reopen } = closeDartsIn(piece, shapeOf(piece, sizeId), armhole, 'first')
  const closed = closeShoulder(crossed, above, shape, sizeId)
  if (!closed.ok) return closed
  const { neck, tip, path: seam } = closed.value
  const reach = distance(neck, tip)
  const firstMm = measureLength(edgePath(shape, armhole[0]!.edgeId))
  const draw = (byMm: number, smoothedMm: number): Record<string, Path> => {
    const start = startOf(runOn(walked(shape, armhole[0]!), byMm, smoothedMm))
    const target = add(neck, scale(unit(subtract(start, neck)), reach))
    const total = measureLength(joinRuns(shape, armhole)) + byMm
    const field = fading(subtract(target, start), 0, total * REACH_PART)
    return reopen(displaceRuns(shape, armhole, field, [total * REACH_PART], (p) => runOn(p, byMm, smoothedMm)))
  }
  const lengthFor = (byMm: number, smoothedMm: number) =>
    runLength(withEdges(crossed, piece.id, sizeId, draw(byMm, smoothedMm)), half, sizeId)
  const room = firstMm - LEAST_ARMHOLE_MM
  const bound = Math.sign(move.growMm || 1) * (Math.abs(move.growMm) * MOST_TIMES + MOST_MORE_MM)
  const tooMuch = refuse<never>(
    'amount-too-large',
    piece.name,
    'the armhole has no more to give at the shoulder.',
    'Ask for less.',
    Math.sign(move.growMm) * Math.max(0, room / MOST_TIMES),
  )
  if (-bound >= room || reach <= SAME_POINT_MM) return tooMuch
  let edges: Record<string, Path> | null = null
  for (const smoothedMm of SMOOTHED_MM) {
    const near = -Math.sign(bound) * Math.min(MOST_MORE_MM, room / 2)
    const by = findRoot((mm) => lengthFor(mm, smoothedMm) - wantedMm, near, bound, LENGTH_FOUND_MM)
    if (by === null) continue
    edges = draw(by, smoothedMm)
    break
  }
  if (!edges) return tooMuch
  const firstRun = armhole[0]!
  const drawnFirst = firstRun.reversed ? reversePath(edges[firstRun.edgeId]!) : edges[firstRun.edgeId]!
  const turn = turnRad(subtract(tip, neck), subtract(startOf(drawnFirst), neck))
  const turned = turnedShoulder(
    crossed,
    above,
    shape,
    closed.value,
    mapPath(seam, (p) => rotateAbout(p, neck, turn)),
    startOf(drawnFirst),
    sizeId,
  )
  if (!turned) return tooMuch
  const all = { ...edges, ...turned.own }
  const ends: StillEnd[] = [...armhole.map((r) => ({ ...r, still: 'last' as const })), ...stillEnds(above)]
  const drawn = withEdges(crossed, piece.id, sizeId, all, keepNotches(piece, shapeOf(findPiece(garment, piece.id)!, sizeId), all, ends))
  return ok(turned.beside(drawn))
}

/** Ends of a turned shoulder that stay where they are: its notches keep their distance from these. */
export const stillEnds = ({ shoulder, panel }: ShoulderOf): StillEnd[] => [
  ...shoulder.map((r) => ({ ...r, still: 'first' as const })),
  ...(panel ? [{ ...panel.outer, still: 'last' as const }] : []),
]

/** How far along its run a tip is looked for: so many times the amount, and so much more, mm. */
const MOST_TIMES = 2
const MOST_MORE_MM = 20

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
