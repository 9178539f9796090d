import {
  applyAffine,
  distance,
  dot,
  isStraightPath,
  line,
  measureLength,
  placeAt,
  subtract,
  unit,
  type Affine,
  type Path,
  type Point,
} from '../../geometry'
import { edgePath, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { refuse, ok, type Result } from '../../result'
import { SAME_POINT_MM, STRAIGHT_MM } from '../../tolerances'
import { displacePath } from '../displace/displace-path'
import { notchNear } from '../cut/move-parts'
import { rejoinEdge, type Bit } from './rejoin-edge'

/** A run of the outline that is traced while the pattern lies in one place. */
export interface TracedRun {
  /** Stretches of edges; a whole edge when `fromMm` and `toMm` are left out. */
  bits: { edgeId: string; fromMm?: number; toMm?: number }[]
  /** Where the pattern lies, seen from where it lay first. */
  move: Affine
}

/**
 * Traces a piece part by part while the pattern is slid and turned in between (craft 6.7). Every traced run keeps its
 * exact length and shape. Edges that no run traces are joined from the end of the one before to the beginning of the one
 * after: straight ones straight, curves kept in their kind; edges that several runs trace are led smoothly from one to
 * the next. Notches go with what was traced; what lies inside, and the grain, is marked where the pattern lay first.
 *
 * Refuses two runs that part at a corner with no edge left untraced between them to join them.
 */
export function traceAndMove(piece: Piece, shape: Shape, runs: readonly TracedRun[]): Result<Shape> {
  const n = piece.edges.length
  const bits = new Map<string, Bit[]>()
  for (const run of runs)
    for (const b of run.bits) {
      const length = measureLength(edgePath(shape, b.edgeId))
      bits.set(b.edgeId, [...(bits.get(b.edgeId) ?? []), { fromMm: b.fromMm ?? 0, toMm: b.toMm ?? length, move: run.move }])
    }
  for (const list of bits.values()) list.sort((a, b) => a.fromMm - b.fromMm)
  const edges: Record<string, Path> = {}
  for (const edge of piece.edges) {
    const own = bits.get(edge.id)
    if (!own) continue
    const path = rejoinEdge(edgePath(shape, edge.id), own, false)
    if (!path) return refuse('no-room', `${piece.name}, ${edge.name}`, 'the runs traced here overlap too far.', 'Move them less far apart.')
    edges[edge.id] = path
  }
  for (let i = 0; i < n; i++) {
    const [a, b] = [piece.edges[i]!, piece.edges[(i + 1) % n]!]
    const [own, next] = [edges[a.id], edges[b.id]]
    if (own && next && distance(own[own.length - 1]!.to, next[0]!.from) > SAME_POINT_MM * 10)
      return refuse(
        'runs-part',
        `${piece.name}, between ${a.name} and ${b.name}`,
        'two traced runs come to lie apart here, with nothing between them to join.',
        'Leave one of these edges untraced, or turn about this corner.',
      )
  }
  joinGaps(piece, shape, edges)
  const notches = Object.fromEntries(
    piece.notches.map((notch): [string, NotchPlace] => {
      const place = shape.notches[notch.id]!
      const old = edgePath(shape, notch.edgeId)
      const length = measureLength(old)
      const atMm = place.from === 'start' ? place.distanceMm : length - place.distanceMm
      const own = bits.get(notch.edgeId)?.find((b) => atMm <= b.toMm + SAME_POINT_MM)
      if (!own) return [notch.id, notchOnJoined(place, old, edges[notch.edgeId]!)]
      return [notch.id, notchNear(edges[notch.edgeId]!, applyAffine(own.move, placeAt(old, atMm).point), place.from)]
    }),
  )
  return ok({ ...shape, edges, notches })
}

/** A notch on an edge that was joined anew: as far as before from the end that did not move, else at its share of the way. */
function notchOnJoined(place: NotchPlace, old: Path, now: Path): NotchPlace {
  const [was, is] = [measureLength(old), measureLength(now)]
  const fromStart = place.from === 'start' ? place.distanceMm : was - place.distanceMm
  const startStays = distance(old[0]!.from, now[0]!.from) <= SAME_POINT_MM
  const endStays = distance(old[old.length - 1]!.to, now[now.length - 1]!.to) <= SAME_POINT_MM
  if (startStays && fromStart <= is) return { from: 'start', distanceMm: fromStart }
  if (endStays && was - fromStart <= is) return { from: 'end', distanceMm: was - fromStart }
  return { ...place, distanceMm: place.distanceMm * (is / was) }
}

/** Edges that were not traced, from the end of the traced one before to the beginning of the one after. */
function joinGaps(piece: Piece, shape: Shape, edges: Record<string, Path>): void {
  const n = piece.edges.length
  const traced = piece.edges.map((e) => edges[e.id] !== undefined)
  const first = traced.indexOf(true)
  if (first < 0) {
    for (const e of piece.edges) edges[e.id] = edgePath(shape, e.id)
    return
  }
  for (let k = 1; k <= n; k++) {
    const i = (first + k) % n
    if (traced[i] || !traced[(i + n - 1) % n]) continue
    // The gap: edges i .. j, joined in proportion to how far along it their corners lie.
    const gap: number[] = []
    for (let j = i; !traced[j]; j = (j + 1) % n) gap.push(j)
    const before = edges[piece.edges[(i + n - 1) % n]!.id]!
    const after = edges[piece.edges[(i + gap.length) % n]!.id]!
    const old = gap.map((j) => edgePath(shape, piece.edges[j]!.id))
    const startBy = subtract(before[before.length - 1]!.to, old[0]![0]!.from)
    const lastOld = old[old.length - 1]!
    const endBy = subtract(after[0]!.from, lastOld[lastOld.length - 1]!.to)
    const lengths = old.map(measureLength)
    const total = lengths.reduce((a, b) => a + b, 0)
    let walked = 0
    const byAt = (mm: number): Point => {
      const u = total > 0 ? mm / total : 0
      return { x: startBy.x + (endBy.x - startBy.x) * u, y: startBy.y + (endBy.y - startBy.y) * u }
    }
    gap.forEach((j, g) => {
      const from = byAt(walked)
      walked += lengths[g]!
      edges[piece.edges[j]!.id] = joinBetween(old[g]!, from, byAt(walked))
    })
  }
  for (let i = 0; i < n; i++) {
    const own = edges[piece.edges[i]!.id]!
    const next = edges[piece.edges[(i + 1) % n]!.id]!
    edges[piece.edges[i]!.id] = [...own.slice(0, -1), { ...own[own.length - 1]!, to: next[0]!.from }]
  }
}

/** One edge between its two moved ends: straight stays straight, a curve stretches along the way between its ends. */
function joinBetween(path: Path, startBy: Point, endBy: Point): Path {
  const from = path[0]!.from
  const to = path[path.length - 1]!.to
  const start = { x: from.x + startBy.x, y: from.y + startBy.y }
  const end = { x: to.x + endBy.x, y: to.y + endBy.y }
  if (isStraightPath(path, STRAIGHT_MM) && distance(start, end) > SAME_POINT_MM) return [line(start, end)]
  return displacePath(path, unit(subtract(to, from)), startBy, endBy)
}

/**
 * The angle, rad, by which a pattern is turned about a pin so that a place on it gets `byMm` further along a direction;
 * the smaller of the two, or null when no turn takes it there.
 */
export function pivotAngle(pin: Point, target: Point, direction: Point, byMm: number): number | null {
  const arm = subtract(target, pin)
  const radius = Math.sqrt(dot(arm, arm))
  const along = dot(arm, direction)
  const aside = arm.x * direction.y - arm.y * direction.x
  const wanted = along + byMm
  if (radius === 0 || Math.abs(wanted) > radius) return null
  // Turned by t the arm's part along the direction is along cos t + aside' sin t.
  const now = Math.atan2(aside, along)
  const then = Math.acos(wanted / radius)
  const turns = [now - then, now + then].map((t) => Math.atan2(Math.sin(t), Math.cos(t)))
  const [a, b] = turns as [number, number]
  return Math.abs(a) <= Math.abs(b) ? a : b
}
