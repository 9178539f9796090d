import { add, dot, mapPath, measureLength, reversePath, rotateAbout, scale, subtract, turnRad, type Path, type Point } from '../geometry'
import { fading } from '../moves'
import { edgePath, grainDirection, shapeOf, type Garment, type RunEdge, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { joinRuns } from './cap-parts'
import { keepNotches } from './keep-notches'
import { displaceRuns, withEdges } from './displace-runs'
import { carryRuns } from './carry-runs'
import { carryTip } from './carry-tip'
import { moveSideTop, outwardAt, underarmEnd } from './move-underarm'
import { closeDartsIn } from './over-darts'
import { endedAt } from './walked'
import { closeShoulder, shoulderAbove, stillEnds, turnedShoulder } from './shoulder-above'

/**
 * A shoulder made squarer or more sloping: its outer end goes up or down, the seam turned stiffly about the neck point (craft 6.7).
 * The armhole below it goes along as a whole and keeps its length, the side seam begun higher or lower; or its underarm stays,
 * and it is redrawn from the new tip.
 *
 * @param upMm how far the outer end goes up along the grain, mm; down when negative
 * @param carriedMm how far the underarm goes up with it, mm, for a half that lies on one piece; null leaves it
 * Refuses: several darts in the shoulder, more than the shoulder or the side seam has room for.
 */
export function slopeShoulder(
  garment: Garment,
  half: readonly RunEdge[],
  sizeId: string,
  upMm: number,
  carriedMm: number | null,
): Result<Garment> {
  const above = shoulderAbove(garment, half, sizeId)
  const { piece, armhole } = above
  const shape = shapeOf(piece, sizeId)
  const closed = closeShoulder(garment, above, shape, sizeId)
  if (!closed.ok) return closed
  const { neck, tip, path: seam } = closed.value
  const down = grainDirection(shape)
  const reach = subtract(tip, neck)
  const aside = { x: down.y, y: -down.x }
  const upright = dot(reach, down) - upMm
  const left = dot(reach, reach) - upright * upright
  const tooMuch = refuse<never>('amount-too-large', piece.name, 'the shoulder is too short for such a slope.', 'Ask for less.')
  if (left <= 0) return tooMuch
  const target = add(neck, add(scale(down, upright), scale(aside, Math.sign(dot(reach, aside)) * Math.sqrt(left))))
  const by = subtract(target, tip)
  const folded = closeDartsIn(piece, shape, armhole, 'first')
  const total = measureLength(joinRuns(folded.shape, armhole))
  const edges: Record<string, Path> = {}
  if (carriedMm !== null) {
    const end = underarmEnd(garment, half)
    const up = scale(down, -carriedMm)
    const side = moveSide(end, shape, up, down)
    if (!side) return tooMuch
    Object.assign(edges, side.edges)
    // The armhole goes up or down with the darts in it; between its tip, where the shoulder ends, and the underarm every place goes
    // its share.
    const lean = subtract(by, up)
    const bent = folded.reopen(
      carryRuns(folded.shape, armhole, { fromMm: 0, toMm: total, first: { by: lean } }) ??
        displaceRuns(folded.shape, armhole, fading(lean, 0, total), []),
    )
    for (const [id, path] of Object.entries(bent)) edges[id] = mapPath(path, (p) => add(p, up))
    const corner = end.armhole[end.armhole.length - 1]!
    // The underarm is one point, to the last digit.
    edges[corner.edgeId] = endedAt(edges[corner.edgeId]!, corner.reversed, side.top)
  } else {
    Object.assign(edges, folded.reopen(carryTip(folded.shape, armhole, by)))
  }
  const turn = turnRad(reach, subtract(target, neck))
  const first = armhole[0]!
  const drawnFirst = first.reversed ? reversePath(edges[first.edgeId]!) : edges[first.edgeId]!
  const turned = turnedShoulder(
    garment,
    above,
    shape,
    closed.value,
    mapPath(seam, (p) => rotateAbout(p, neck, turn)),
    drawnFirst[0]!.from,
    sizeId,
  )
  if (!turned) return tooMuch
  const all = { ...edges, ...turned.own }
  const end = carriedMm !== null ? underarmEnd(garment, half) : null
  const notches = keepNotches(piece, shape, all, [
    ...armhole.map((r) => ({ ...r, still: 'last' as const })),
    ...stillEnds(above),
    ...(end?.side.slice(0, 1).map((s) => ({ ...s, still: 'last' as const })) ?? []),
  ])
  return ok(turned.beside(withEdges(garment, piece.id, sizeId, all, notches)))
}

/** The side seam under an armhole that goes by a vector: begun at its level, then led out or in to it, so that the width under the arm stays. */
function moveSide(end: ReturnType<typeof underarmEnd>, shape: Shape, by: Point, down: Point): ReturnType<typeof moveSideTop> {
  const run = end.side[0]!
  const path = edgePath(shape, run.edgeId)
  const top = run.reversed ? path[path.length - 1]!.to : path[0]!.from
  let downMm = dot(by, down)
  for (let round = 0; round < ROUNDS; round++) {
    const moved = moveSideTop(end, shape, downMm, 0)
    if (!moved) return null
    downMm += dot(subtract(add(top, by), moved.top), down)
  }
  const level = moveSideTop(end, shape, downMm, 0)
  return level && moveSideTop(end, shape, downMm, dot(subtract(add(top, by), level.top), outwardAt(end, shape)))
}
/** Rounds of meeting a level along a slanting seam: each leaves a small part of what is missing. */
const ROUNDS = 6
