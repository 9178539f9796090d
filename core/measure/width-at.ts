import { dot, mix, type Path, type Point, type Segment, alongGrain, crossPoints } from '../geometry'

import { centreEdge, centreLine, edgePath, foldedAway, grainDirection, outlineOf, type Piece, type Shape } from '../pattern'
import { EQUAL_MM, SAME_POINT_MM } from '../tolerances'
import { middleAcross } from './middle-across'
import { crossDarts, onwardThrough, type CrossDart } from './onward-through-darts'

/** The segments of a closed path, with the heights along the grain between which each lies: a curve lies within its handles. */
interface Span {
  segment: Segment
  low: number
  high: number
}

const spansOf = (closed: Path, grain: Point): Span[] =>
  closed.map((segment) => {
    const points = segment.kind === 'line' ? [segment.from, segment.to] : [segment.from, segment.c1, segment.c2, segment.to]
    const heights = points.map((p) => alongGrain(p, grain))
    return { segment, low: Math.min(...heights), high: Math.max(...heights) }
  })

/** How much of a line across the grain lies inside a closed path, between two places along the cross-grain, mm. */
function widthInside(spans: readonly Span[], grain: Point, levelMm: number, fromMm: number, toMm: number): number {
  const met: Segment[] = []
  for (const s of spans) if (s.low <= levelMm + SAME_POINT_MM && s.high > levelMm) met.push(s.segment)
  const places = crossPoints(met, grain, levelMm)
    .map((p) => dot(p, { x: -grain.y, y: grain.x }))
    .sort((a, b) => a - b)
  let width = 0
  for (let i = 0; i + 1 < places.length; i += 2) width += Math.max(0, Math.min(places[i + 1]!, toMm) - Math.max(places[i]!, fromMm))
  return width
}

/** Where the middle of the body goes on below a centre edge that ends above a level: a hem that is let down at the side dips there. */
function belowCentre(path: Path, grain: Point, levelMm: number): number | null {
  const ends = [path[0]!.from, path[path.length - 1]!.to]
  const lower = alongGrain(ends[0]!, grain) > alongGrain(ends[1]!, grain) ? ends[0]! : ends[1]!
  return levelMm > alongGrain(lower, grain) ? dot(lower, { x: -grain.y, y: grain.x }) : null
}

/** The middle of the body: drawn inside a piece, or going on below its centre edge, at a level along the cross-grain, and on which side of it the body lies. */
function middleAt(piece: Piece, shape: Shape, grain: Point, levelMm: number): { at: number; way: 1 | -1 } | null {
  const edge = centreEdge(piece)
  if (!edge) return null
  const path = edgePath(shape, edge.id)
  const at = middleAcross(piece, shape, levelMm) ?? belowCentre(path, grain, levelMm)
  if (at === null) return null
  if (!centreLine(piece)) return { at, way: dot(shape.grain.from, { x: -grain.y, y: grain.x }) >= at ? 1 : -1 }
  const beyond = path[0]!
  return { at, way: dot(mix(beyond.from, beyond.to, 0.5), { x: -grain.y, y: grain.x }) <= at ? 1 : -1 }
}

/** A shape made ready to be measured across: the search for its narrowest place alone asks for fifty levels. */
interface Across {
  piece: Piece
  grain: Point
  outline: Span[]
  /** Darts and pleats inside it. */
  folded: Span[][]
  crossing: CrossDart[]
}

/** How far from the middle of the body the first edge on its side lies at a level, mm; nothing where the piece reaches it. */
function shortOfMiddle(spans: readonly Span[], grain: Point, levelMm: number, { at, way }: { at: number; way: 1 | -1 }): number {
  const met = spans.filter((s) => s.low <= levelMm + SAME_POINT_MM && s.high > levelMm).map((s) => s.segment)
  const places = crossPoints(met, grain, levelMm).map((p) => (dot(p, { x: -grain.y, y: grain.x }) - at) * way)
  return places.length > 0 && Math.min(...places) > 0 ? Math.min(...places) : 0
}

/** Kept per shape. */
const ready = new WeakMap<Shape, Across>()

function acrossOf(piece: Piece, shape: Shape): Across {
  const known = ready.get(shape)
  if (known && known.piece.edges === piece.edges && known.piece.lines === piece.lines && known.piece.darts === piece.darts) return known
  const grain = grainDirection(shape)
  const across: Across = {
    piece,
    grain,
    outline: spansOf(outlineOf(piece, shape), grain),
    folded: foldedAway(piece, shape).map((closed) => spansOf(closed, grain)),
    crossing: crossDarts(piece, shape),
  }
  ready.set(shape, across)
  return across
}

/**
 * Width of a piece across the grain at a level, mm on the seam lines, as sewn: darts are closed, and a line that runs into
 * one lengthways goes on beyond it (see onward-through-darts); a double-ended dart or a pleat that the line crosses is
 * taken off. 0 when the level misses the piece.
 *
 * @param levelMm grain coordinate of the line
 */
export function widthAt(piece: Piece, shape: Shape, levelMm: number): number {
  const across = acrossOf(piece, shape)
  // Through the tip of a dart that lies across no way is the straight one: half way between those close beside it.
  if (across.crossing.some(({ ends }) => Math.abs(alongGrain(ends.tip, across.grain) - levelMm) <= EQUAL_MM))
    return (widthBeside(piece, shape, across, levelMm - BESIDE_TIP_MM) + widthBeside(piece, shape, across, levelMm + BESIDE_TIP_MM)) / 2
  return widthBeside(piece, shape, across, levelMm)
}

/** How far above and below the tip of a dart its level is measured, mm. */
const BESIDE_TIP_MM = 2 * EQUAL_MM

/** The width at a level that runs through no tip. */
function widthBeside(piece: Piece, shape: Shape, { grain, outline, folded, crossing }: Across, levelMm: number): number {
  let [from, to, beyond] = [-Infinity, Infinity, 0]
  const middle = middleAt(piece, shape, grain, levelMm)
  if (middle) {
    // What reaches beyond the middle is left out; where the edge stays short of it, the body is measured from it all the same.
    const open = shortOfMiddle(outline, grain, levelMm, middle)
    if (middle.way > 0) from = middle.at
    else to = middle.at
    beyond += open
  }
  for (const dart of crossing) {
    const o = onwardThrough(piece, shape, dart, levelMm)
    if (!o) continue
    if (o.way < 0) from = Math.max(from, o.leavesAt)
    else to = Math.min(to, o.leavesAt)
    beyond += o.mm
  }
  let width = widthInside(outline, grain, levelMm, from, to) + beyond
  for (const closed of folded) width -= widthInside(closed, grain, levelMm, from, to)
  return width
}
