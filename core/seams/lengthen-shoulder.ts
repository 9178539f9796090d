import { add, countInflections, cutPath, line, measureLength, reversePath, scale, subtract, tangentAt, type Path } from '../geometry'
import { asCurves, fadingTurned } from '../moves'
import { edgePath, shapeOf, type Garment, type RunEdge, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { joinRuns } from './cap-parts'
import { keepNotches } from './keep-notches'
import { displaceRuns, withEdges } from './displace-runs'
import { shoulderAbove } from './shoulder-above'
import { closeDartsIn } from './over-darts'
import { endOf, walked } from './walked'

/** The outermost edge of a shoulder that is shortened keeps at least this, mm. */
const LEAST_SHOULDER_MM = 10

/** How much of the armhole on the piece is redrawn below the tip, as parts of it, tried one after the other. */
const REACHES = [0.75, 0.9, 1]
/**
 * How far the armhole turns at the tip, as a part of what it would turn if the tip were joined straight: not at all, so that it runs on
 * across the shoulder as it did, and more only where the line would have to bend back for it.
 */
const TIP_TURNS = [0, 0.25, 0.5, 0.75, 1, 1.5, 2]

/** The shoulder seam run on by so much along itself, or cut off. */
function runOn(path: Path, byMm: number): Path {
  if (byMm <= 0) return cutPath(path, 0, measureLength(path) + byMm)
  const last = path[path.length - 1]!
  const to = add(last.to, scale(tangentAt(last, 1), byMm))
  return last.kind === 'line' ? [...path.slice(0, -1), line(last.from, to)] : [...path, line(last.to, to)]
}

/**
 * A shoulder seam made longer or shorter along its own line, and the armhole redrawn from the new tip down (craft 6.8, the second
 * way): the slope of the shoulder stays, the armhole changes its length, and its cap has to follow.
 *
 * @param half the half of the armhole below it, from the shoulder down
 * @param amountMm how much longer the seam becomes; shorter when negative
 * Refuses: less than a short stretch of the seam would be left, outside a dart in it.
 */
export function lengthenShoulder(garment: Garment, half: readonly RunEdge[], sizeId: string, amountMm: number): Result<Garment> {
  const { piece, shoulder, armhole } = shoulderAbove(garment, half, sizeId)
  const shape = shapeOf(piece, sizeId)
  const outer = shoulder.at(-1)
  const seam = outer && !outer.isLeg ? walked(shape, outer) : null
  const roomMm = seam ? measureLength(seam) - LEAST_SHOULDER_MM : 0
  if (!seam || -amountMm >= roomMm)
    return refuse('amount-too-large', piece.name, 'its shoulder seam is too short for that.', 'Ask for less.')
  const drawnSeam = runOn(seam, amountMm)
  const by = subtract(endOf(drawnSeam), endOf(seam))
  const closed = closeDartsIn(piece, shape, armhole, 'first')
  const curved = bendable(closed.shape, armhole)
  const was = joinRuns(curved, armhole)
  const total = measureLength(was)
  const bends = countInflections(was)
  const ways = REACHES.flatMap((part) => TIP_TURNS.map((tipTurn) => ({ reachMm: part * total, tipTurn }))).sort(
    (a, b) => a.tipTurn - b.tipTurn,
  )
  let drawn: Record<string, Path> = {}
  for (const { reachMm, tipTurn } of ways) {
    drawn = displaceRuns(curved, armhole, fadingTurned(by, reachMm, tipTurn), [reachMm])
    if (countInflections(joinRuns({ ...curved, edges: { ...curved.edges, ...drawn } }, armhole)) <= bends) break
  }
  const edges = { ...closed.reopen(drawn), [outer!.edgeId]: outer!.reversed ? reversePath(drawnSeam) : drawnSeam }
  const notches = keepNotches(piece, shape, edges, [
    ...armhole.map((r) => ({ ...r, still: 'last' as const })),
    { ...outer!, still: 'first' as const },
  ])
  return ok(withEdges(garment, piece.id, sizeId, edges, notches))
}

/** A shape whose armhole is curves only, so that a straight stretch of it bends with the rest. */
const bendable = (shape: Shape, armhole: readonly RunEdge[]): Shape => ({
  ...shape,
  edges: { ...shape.edges, ...Object.fromEntries(armhole.map((r) => [r.edgeId, asCurves(edgePath(shape, r.edgeId))])) },
})
