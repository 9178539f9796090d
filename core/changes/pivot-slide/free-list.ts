import {
  add,
  applyAffine,
  dot,
  measureLength,
  nearestPlace,
  norm,
  placeAt,
  scale,
  subtract,
  turnAbout,
  turnRad,
  unit,
  type Point,
} from '../../geometry'
import { pivotAngle } from '../../moves'
import { cornerPoint, edgePath, frameOf, neighbours, notchPlace, type Piece, type Shape } from '../../pattern'
import { SAME_POINT_MM, SNAP_MM } from '../../tolerances'
import { edgeNames, slideRun, type PivotPlan, type PivotRun } from './plan'
import type { PivotMove } from './schema'

interface Mark {
  id: string
  /** Along its edge, mm, where the mark is an edge. */
  atMm: number
}

type Pivot = Extract<PivotMove, { how: 'pivot' }>
const pinOf = (m: Pivot): Mark => ({ id: m.pinId, atMm: m.pinMm ?? 0 })

const targetOf = (m: Pivot): Mark => ({ id: m.targetId, atMm: m.targetMm ?? 0 })
const towardOf = (m: Pivot): Mark => ({ id: m.towardId ?? '', atMm: m.towardMm ?? 0 })

/** Where a pin can be put, or a turn be watched: the corners, the notches, and anywhere along the edges of a piece. */
export const pinMarks = (piece: Piece): { id: string; name: string }[] => [
  ...piece.corners,
  ...piece.notches.map((n) => ({ id: `notch:${n.id}`, name: `${n.name} notch` })),
  ...piece.edges.filter((e) => e.role !== 'dart-leg').map((e) => ({ id: `edge:${e.id}`, name: `a place on the ${e.name}` })),
]

/** The point of a mark; undefined when its corner, notch or edge has gone, or the place lies beside its edge. */
function markPoint(piece: Piece, shape: Shape, { id, atMm }: Mark): Point | undefined {
  if (id.startsWith('notch:')) return notchPlace(piece, shape, id.slice(6), measureLength)?.point
  if (!id.startsWith('edge:')) return cornerPoint(piece, shape, id)
  const edgeId = id.slice(5)
  if (!piece.edges.some((e) => e.id === edgeId)) return undefined
  const path = edgePath(shape, edgeId)
  return atMm > measureLength(path) ? undefined : placeAt(path, atMm).point
}

/** How far a turn goes, and which way its target is watched; null when no turn takes it there. */
function turnOf(piece: Piece, shape: Shape, move: Pivot, pin: Point, target: Point): { rad: number; direction: Point } | null {
  if (move.direction === 'place') {
    const place = markPoint(piece, shape, towardOf(move))
    if (!place) return null
    const [arm, wanted] = [subtract(target, pin), subtract(place, pin)]
    if (norm(arm) <= SAME_POINT_MM || norm(wanted) <= SAME_POINT_MM) return null
    const rad = turnRad(arm, wanted)
    const way = subtract(applyAffine(turnAbout(pin, rad), target), target)
    return { rad, direction: norm(way) > SAME_POINT_MM ? unit(way) : unit(wanted) }
  }
  const { across, down } = frameOf(piece, shape)
  const direction = move.direction === 'across' ? across : down
  const rad = pivotAngle(pin, target, direction, move.byMm)
  return rad === null ? null : { rad, direction }
}

/** The runs of a free list; null when a mark or edge has gone or no turn gets a place there. */
export function planMoves(piece: Piece, shape: Shape, moves: readonly PivotMove[]): PivotPlan | null {
  const { across, down } = frameOf(piece, shape)
  const runs: PivotRun[] = []
  const watched: PivotPlan['watched'] = []
  const name = (mark: Mark) => pinMarks(piece).find((m) => m.id === mark.id)!.name
  for (const move of moves) {
    const edges = move.edgeIds.flatMap((id) => piece.edges.find((e) => e.id === id) ?? [])
    if (edges.length < move.edgeIds.length) return null
    if (move.how === 'slide') {
      const by = add(scale(across, move.acrossMm), scale(down, move.alongMm))
      runs.push(slideRun(edges, by, 'pattern', norm(by), 'along the vector'))
      continue
    }
    const pin = markPoint(piece, shape, pinOf(move))
    const target = markPoint(piece, shape, targetOf(move))
    const turn = pin && target ? turnOf(piece, shape, move, pin, target) : null
    if (!pin || !target || !turn) return null
    const to = applyAffine(turnAbout(pin, turn.rad), target)
    runs.push({
      bits: move.edgeIds.map((edgeId) => ({ edgeId })),
      move: turnAbout(pin, turn.rad),
      pin,
      turnRad: turn.rad,
      by: { x: 0, y: 0 },
      pinName: name(pinOf(move)),
      targetName: name(targetOf(move)),
      targetMm: move.direction === 'place' ? dot(subtract(to, target), turn.direction) : move.byMm,
      way: move.direction === 'place' ? `toward ${name(towardOf(move))}` : move.direction === 'across' ? 'across' : 'along the grain',
      tracedNames: edgeNames(edges),
    })
    // What is not traced stays where it lay: only a place that is traced can be looked at again.
    const traced = edges.some((e) => nearestPlace(edgePath(shape, e.id), target).distanceMm <= SNAP_MM)
    if (traced) watched.push({ was: target, to, direction: turn.direction, label: `${name(targetOf(move))} goes by` })
  }
  return { runs, gaps: freeGaps(piece, runs), watched }
}

/** In a free list whatever lies beside a moved run and is not traced itself is joined anew. */
function freeGaps(piece: Piece, runs: readonly PivotRun[]): string[] {
  const traced = new Set(runs.flatMap((r) => r.bits.map((b) => b.edgeId)))
  const beside = runs.flatMap((r) => r.bits.flatMap((b) => [neighbours(piece, b.edgeId).before.id, neighbours(piece, b.edgeId).after.id]))
  return [...new Set(beside.filter((id) => !traced.has(id)))]
}
