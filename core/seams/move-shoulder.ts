import {
  add,
  cutPath,
  distance,
  findRoot,
  line,
  mapPath,
  measureLength,
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
import { edgePath, findPiece, shapeOf, type Garment, type RunEdge } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { LENGTH_FOUND_MM, SAME_POINT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import { carryTip } from './carry-tip'
import { displaceRuns, withEdges } from './displace-runs'
import { keepNotches, type StillEnd } from './keep-notches'
import { letOutAcross } from './let-out-across'
import { runLength } from './measure-armhole'
import { closeDartsIn } from './over-darts'
import { closeShoulder, shoulderAbove, stillEnds, turnedShoulder } from './shoulder-above'
import { startOf, walked } from './walked'

/** How much of an armhole is redrawn below a straight beginning, as a part of it on this piece. */
const REACH_PART = 0.5
/** The first edge of an armhole that is shortened keeps at least this, mm. */
const LEAST_ARMHOLE_MM = 10

/** How far along its run a tip is looked for: so many times the amount, and so much more, mm. */
const MOST_TIMES = 2
const MOST_MORE_MM = 20

/** A straight beginning of an armhole begun so far before itself, straight on, or so far after; what bends below it stays. */
const runOn = (path: Path, byMm: number): Path =>
  byMm <= 0
    ? cutPath(path, -byMm, measureLength(path))
    : [line(subtract(path[0]!.from, scale(tangentAt(path[0]!, 0), byMm)), path[0]!.to), ...path.slice(1)]

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
  const firstPath = walked(shape, armhole[0]!)
  const isStraight = firstPath[0]!.kind === 'line'
  const targetFor = (start: Point) => add(neck, scale(unit(subtract(start, neck)), reach))
  const draw = (byMm: number): Record<string, Path> => {
    if (!isStraight) {
      const start = subtract(tip, scale(tangentAt(firstPath[0]!, 0), byMm))
      return reopen(carryTip(shape, armhole, subtract(targetFor(start), tip)))
    }
    const start = startOf(runOn(firstPath, byMm))
    const total = measureLength(joinRuns(shape, armhole)) + byMm
    const field = fading(subtract(targetFor(start), start), 0, total * REACH_PART)
    return reopen(displaceRuns(shape, armhole, field, [total * REACH_PART], (p) => runOn(p, byMm)))
  }
  const lengthFor = (byMm: number) => runLength(withEdges(crossed, piece.id, sizeId, draw(byMm)), half, sizeId)
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
  const near = -Math.sign(bound) * Math.min(MOST_MORE_MM, room / 2)
  const by = findRoot((mm) => lengthFor(mm) - wantedMm, near, bound, LENGTH_FOUND_MM)
  if (by === null) return tooMuch
  const edges = draw(by)
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
