import { ANCHORS, laidOn, likeOf, type ComparedSide } from '../fittings'
import {
  applyAffine,
  boundsOfPoints,
  chain,
  distance,
  dot,
  flattenPath,
  leftOf,
  mapPath,
  scale,
  slideBy,
  subtract,
  unit,
  type Affine,
  type Point,
} from '../geometry'
import { edgePath, outlineOf, shapeOf, type Piece } from '../pattern'

/** Outlines are compared as points so far apart at most, mm. */
const STEP_MM = 6
/** Chords of an outline are so near to it, mm. */
const CHORD_MM = 0.2

/** Points along an outline, no two further apart than a step. */
function pointsOf(piece: Piece, sizeId: string): Point[] {
  const chords = flattenPath(outlineOf(piece, shapeOf(piece, sizeId)), CHORD_MM)
  return chords.flatMap((a, i) => {
    const b = chords[(i + 1) % chords.length]!
    const steps = Math.max(1, Math.ceil(distance(a, b) / STEP_MM))
    return Array.from({ length: steps }, (_, k) => ({ x: a.x + ((b.x - a.x) * k) / steps, y: a.y + ((b.y - a.y) * k) / steps }))
  })
}

/** How far a point lies from a closed line of points, mm; no more exactly than that it is under `enough`. */
function offLine(p: Point, line: readonly Point[], enough: number): number {
  let least = Infinity
  for (let i = 0; i < line.length; i++) {
    const a = line[i]!
    const b = line[(i + 1) % line.length]!
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const long = dx * dx + dy * dy
    const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / long))
    least = Math.min(least, Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy))
    if (least <= enough) return least
  }
  return least
}

/** How far two closed lines are apart where they are furthest (the distance of Hausdorff), mm; Infinity where that is more than `mostMm`. */
function apart(one: readonly Point[], other: readonly Point[], mostMm: number): number {
  let most = 0
  for (const [points, line] of [
    [one, other],
    [other, one],
  ] as const)
    for (const p of points) {
      most = Math.max(most, offLine(p, line, most))
      if (most > mostMm) return Infinity
    }
  return most
}

const spanOf = (points: readonly Point[]) => {
  const box = boundsOfPoints(points)
  return { x: box.maxX - box.minX, y: box.maxY - box.minY }
}

/** A fit with the points of its outlines, worked out once. */
export interface OutlinedFit {
  side: ComparedSide
  points: ReadonlyMap<string, readonly Point[]>
}
export const outlined = (side: ComparedSide): OutlinedFit => ({
  side,
  points: new Map(side.garment.pieces.map((p) => [p.id, pointsOf(p, side.sizeId)])),
})

/** Where the fold of a piece begins, and along which it runs; null where it has none. */
function foldOf(piece: Piece, sizeId: string): { from: Point; along: Point } | null {
  const edge = piece.edges.find((e) => e.fold)
  if (!edge) return null
  const path = edgePath(shapeOf(piece, sizeId), edge.id)
  const [from, to] = [path[0]!.from, path[path.length - 1]!.to]
  return { from, along: unit(subtract(to, from)) }
}

/** Moves what was laid so that its fold lies on the fold of the first: both are laid on the same fold of the cloth. */
function foldOnFold(first: Piece, second: Piece, a: OutlinedFit, b: OutlinedFit, move: Affine): Affine {
  const [own, other] = [foldOf(first, a.side.sizeId), foldOf(second, b.side.sizeId)]
  if (!own || !other) return move
  const across = leftOf(own.along)
  return chain(slideBy(scale(across, dot(subtract(own.from, applyAffine(move, other.from)), across))), move)
}

/**
 * A piece of the second laid on the first where the two are nearest, grain along grain and fold on fold, and how far they are apart there,
 * mm; null where that is more than `mostMm` however they are laid.
 */
function nearestLaid(
  first: Piece,
  second: Piece,
  a: OutlinedFit,
  b: OutlinedFit,
  mostMm = Infinity,
): { move: Affine; offMm: number } | null {
  const own = a.points.get(first.id)!
  const other = b.points.get(second.id)!
  let best: { move: Affine; offMm: number } | null = null
  for (const anchor of ANCHORS) {
    const move = foldOnFold(first, second, a, b, laidOn(first, second, a.side, b.side, anchor).move)
    const offMm = apart(
      own,
      other.map((p) => applyAffine(move, p)),
      best?.offMm ?? mostMm,
    )
    if (offMm < (best?.offMm ?? Infinity)) best = { move, offMm }
  }
  return best
}

/**
 * How far the pieces of two fits of one garment are apart where they are furthest, mm: each piece laid where it is nearest, grain along
 * grain and fold on fold. Infinity where one has a piece that the other has not, and where it is more than `mostMm` in any case.
 */
export function fitsApart(a: OutlinedFit, b: OutlinedFit, mostMm = Infinity): number {
  const { pieces } = a.side.garment
  if (pieces.length !== b.side.garment.pieces.length) return Infinity
  let most = 0
  for (const first of pieces) {
    const second = likeOf(first, b.side.garment.pieces)
    if (!second) return Infinity
    // Of two lines that are so near to each other, neither spans more than twice that beyond the other. Grains lie alike in fits of one pattern.
    const [own, other] = [a, b].map((f, i) => spanOf(f.points.get(i === 0 ? first.id : second.id)!)) as [Point, Point]
    if (Math.max(Math.abs(own.x - other.x), Math.abs(own.y - other.y)) > 2 * mostMm) return Infinity
    const laid = nearestLaid(first, second, a, b, mostMm)
    if (!laid) return Infinity
    most = Math.max(most, laid.offMm)
  }
  return most
}

/** Fits that are cut by the pieces of one of them. */
export interface SharedCut {
  /** Which fit’s pieces, by its place in the list. */
  pattern: number
  /** Everybody who is cut by it, the pattern’s own wearer first, and how far each is from it, mm. */
  members: { fit: number; offMm: number }[]
}

/** So many ways to choose are tried for the fewest patterns. */
const MOST_TRIED = 200_000

/**
 * The fewest patterns that serve all fits: each fit is no further than the tolerance from the pattern it is cut by. Found by trying,
 * from the fit that the fewest patterns serve on; where that takes too long, the best found so far.
 *
 * @param offMm how far two fits are apart, mm, by their places; the same both ways
 * @returns isFewest false where fewer might do
 */
export function shareCuts(
  count: number,
  offMm: (a: number, b: number) => number,
  toleranceMm: number,
): { cuts: SharedCut[]; isFewest: boolean } {
  const all = Array.from({ length: count }, (_, i) => i)
  const serves = all.map((a) => all.filter((b) => a === b || offMm(a, b) <= toleranceMm))
  let best: number[] = all
  let tried = 0
  const greedy: number[] = []
  for (let open = new Set(all); open.size > 0;) {
    const next = all.reduce((a, b) => (serves[b]!.filter((f) => open.has(f)).length > serves[a]!.filter((f) => open.has(f)).length ? b : a))
    greedy.push(next)
    open = new Set([...open].filter((f) => !serves[next]!.includes(f)))
  }
  best = greedy
  const widest = Math.max(1, ...serves.map((s) => s.length))
  const search = (chosen: number[], open: readonly number[]) => {
    tried += 1
    if (open.length === 0) {
      if (chosen.length < best.length) best = chosen
      return
    }
    // Even where each pattern serves as many as the best one does, so many more are needed.
    if (chosen.length + Math.ceil(open.length / widest) >= best.length || tried > MOST_TRIED) return
    const hardest = open.reduce((a, b) => (serves[b]!.length < serves[a]!.length ? b : a))
    const patterns = [...serves[hardest]!].sort((a, b) => serves[b]!.length - serves[a]!.length)
    for (const p of patterns)
      search(
        [...chosen, p],
        open.filter((f) => !serves[p]!.includes(f)),
      )
  }
  search([], all)
  const patterns = [...best].sort((a, b) => a - b)
  const nearest = (fit: number) => (patterns.includes(fit) ? fit : patterns.reduce((a, b) => (offMm(b, fit) < offMm(a, fit) ? b : a)))
  return {
    cuts: patterns.map((pattern) => ({
      pattern,
      members: all
        .filter((fit) => nearest(fit) === pattern)
        .map((fit) => ({ fit, offMm: fit === pattern ? 0 : offMm(pattern, fit) }))
        .sort((a, b) => a.offMm - b.offMm),
    })),
    isFewest: tried <= MOST_TRIED,
  }
}

/** The outline of a piece of the second as it lies on the first, where the two are nearest. */
export function laidNearest(first: Piece, second: Piece, a: OutlinedFit, b: OutlinedFit) {
  const { move } = nearestLaid(first, second, a, b)!
  return (path: Parameters<typeof mapPath>[0]) => mapPath(path, (p) => applyAffine(move, p))
}
