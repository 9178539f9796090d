import {
  add,
  applyAffine,
  chain,
  distance,
  dot,
  IDENTITY,
  intersectPaths,
  line,
  mapPath,
  measureLength,
  mix,
  nearestPlace,
  placeAt,
  reversePath,
  rotateAbout,
  scale,
  subtract,
  turnAbout,
  cutPath,
  type Affine,
  type Path,
  type Point,
} from '../geometry'
import {
  bendOver,
  carryLines,
  cutPiece,
  displaceAlong,
  fading,
  moveParts,
  partOfPlace,
  partOfPoint,
  type Slash,
  type SlashEnd,
} from '../moves'
import { cornersOf, edgePath, grainDirection, shapeOf, type Edge, type Garment, type Piece, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { SAME_POINT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import { carryRuns } from './carry-runs'
import { smoothOver } from './smooth-over'
import { capOn, HOLLOW_CAP_MM, type BicepLine, type BicepPiece } from './bicep-pieces'
import { endOf, startOf } from './walked'

/** Half the length of a line that reaches across any piece, mm. */
const FAR_MM = 10_000

/** How far to each side of its slash a cap is drawn anew, in widths of what opened there. */
const TOP_REACH = 4

/** What opening one piece gave: how far it stands open at the bicep, and the parts as the hands move them. */
export interface OpenedPiece {
  pieceId: string
  openMm: number
  /** How far each side swings about the wrist, and each half of the cap about its underarm, rad. */
  swingRad: number
  capRad: number
  /** From the wrist’s hinge to where it opens by that much, and the sleeve seams, whose turn says how far it did. */
  reachMm: number
  seams: { edgeId: string; runsUp: boolean }[]
  /** The swings one after the other: of each side about the wrist, then of each half of the cap about its underarm. */
  swings: BicepSwing[]
}

export interface BicepSwing {
  label: string
  pin: Point
  cut: Path
  /** What swings, as it lies before. */
  parts: { id: number; outline: Path }[]
  turnRad: number
}

/**
 * One piece of a sleeve opened at the bicep (craft 6.10, worked case 20): slashed down the middle to a hinge at the wrist and along
 * the bicep line to hinges at the underarm; each side swings until the slash stands open by the amount at the bicep, each half of
 * the cap swings about its underarm until its inner end is lower by half the amount. A hollow cap is parted by the slash alone.
 *
 * @param openMm how far it opens; it closes when negative
 * Refuses: a piece that the slash leaves, more than it is long or wide enough for.
 */
export function openBicep(
  garment: Garment,
  sizeId: string,
  bicep: BicepPiece,
  openMm: number,
): Result<{ garment: Garment; opened: OpenedPiece }> {
  const { piece, line: at } = bicep
  const shape = shapeOf(piece, sizeId)
  const down = grainDirection(shape)
  const cap = capOn(piece, bicep.parts)
  const capPath = cap.edges.flatMap((e) => [...edgePath(shape, e.id)])
  const middle = mix(at.first.point, at.last.point, 0.5)
  const upright: Path = [line(add(middle, scale(down, -FAR_MM)), add(middle, scale(down, FAR_MM)))]
  const top = highest(capPath, upright, down) ?? nearestPlace(capPath, middle).point
  const hem = hemOf(piece, cap.edges)
  const hemPath = edgePath(shape, hem.id)
  const hit = intersectPaths(upright, hemPath)[0]
  const hingeMm = hit ? nearestPlace(hemPath, hit.point).lengthMm : measureLength(hemPath) / 2
  const hinge = placeAt(hemPath, hingeMm).point
  const rises = dot(middle, down) - dot(top, down) > HOLLOW_CAP_MM
  const reach = distance(rises ? middle : top, hinge)
  const half = openMm / 2
  const swingRad = Math.asin(half / reach)
  const inner = distance(at.first.point, middle)
  const capRad = rises ? 2 * Math.asin(half / (2 * inner)) : 0
  const tooMuch = refuse<never>('amount-too-large', piece.name, 'it is too narrow or too short to be opened by so much.', 'Ask for less.')
  if (!Number.isFinite(swingRad) || !Number.isFinite(capRad)) return tooMuch
  const capEnd = endOnCap(shape, cap.edges, top)
  const hemEnd: SlashEnd = { edgeId: hem.id, atMm: hingeMm }
  const slashes: Slash[] = rises
    ? [
        { from: capEnd, through: [], to: { point: middle } },
        { from: { point: middle }, through: [], to: hemEnd },
        { from: { point: middle }, through: [], to: { edgeId: at.first.edgeId, atMm: at.first.atMm } },
        { from: { point: middle }, through: [], to: { edgeId: at.last.edgeId, atMm: at.last.atMm } },
      ]
    : [{ from: capEnd, through: [], to: hemEnd }]
  const cut = cutPiece(piece, shape, slashes)
  if (!cut.ok) return cut
  // Outlines run clockwise: the edge before the cap lies on its first side, the one after it on its last.
  const lower = { first: partBelow(cut.value, shape, at.first, 'before'), last: partBelow(cut.value, shape, at.last, 'after') }
  const out = Math.sign(dot(subtract(at.first.point, at.last.point), { x: down.y, y: -down.x })) || 1
  const swing = (side: 1 | -1): Affine => turnAbout(hinge, -side * out * swingRad)
  const firstCap = partOfPlace(cut.value, cap.edges[0]!.id, 0)
  const sideOf = (i: number): 1 | -1 => (i === lower.first || i === firstCap ? -1 : 1)
  const moves: Affine[] = cut.value.parts.map((_, i) => {
    const side = sideOf(i)
    if (i === lower.first || i === lower.last) return swing(side)
    return chain(swing(side), turnAbout(side === -1 ? at.first.point : at.last.point, side * out * capRad))
  })
  const sides = {
    first: cut.value.parts.map((_, i) => i).filter((i) => sideOf(i) === -1),
    last: cut.value.parts.map((_, i) => i).filter((i) => sideOf(i) === 1),
  }
  const outline = (i: number, m: Affine = IDENTITY) => ({ id: i, outline: mapPath(cut.value.parts[i]!.outline, (p) => applyAffine(m, p)) })
  const swings: BicepSwing[] = (['first', 'last'] as const).map((which) => ({
    label: 'cut down the middle, swing this side about the wrist',
    pin: hinge,
    cut: [line(top, middle), line(middle, hinge)],
    parts: sides[which].map((i) => outline(i)),
    turnRad: (which === 'first' ? out : -out) * swingRad,
  }))
  if (rises)
    for (const which of ['first', 'last'] as const) {
      const side = which === 'first' ? -1 : 1
      const caps = sides[which].filter((i) => i !== lower[which])
      swings.push({
        label: 'cut along the bicep line, swing this half of the cap about its underarm',
        pin: applyAffine(swing(side), at[which].point),
        cut: [line(applyAffine(swing(side), at[which].point), applyAffine(swing(side), middle))],
        parts: caps.map((i) => outline(i, swing(side))),
        turnRad: side * out * capRad,
      })
    }
  const moved = moveParts(piece, shape, cut.value, moves)
  if (!moved.ok) return tooMuch
  const centre = rises ? middle : top
  const apart = subtract(applyAffine(swing(1), centre), applyAffine(swing(-1), centre))
  const opened =
    dot(apart, subtract(at.last.point, at.first.point)) >= 0 ? distance(apart, { x: 0, y: 0 }) : -distance(apart, { x: 0, y: 0 })
  // The grain stays where it is: both sides swing alike.
  const lines = carryLines(piece, shape, (p) => moves[partOfPoint(cut.value, p)]!, IDENTITY)
  const still: Shape = { ...moved.value, grain: shape.grain, lines }
  const isAtCorners = rises && at.first.edgeId === cap.before.id && isCorner(shape, at)
  const level = isAtCorners
    ? squareAgain(still, cap.edges, out * capRad)
    : rises
      ? bentOver(shape, still, cap, at, out * capRad, swing)
      : still
  const hollow = rises ? null : carryHollow(piece, shape, level, cap.edges, out * swingRad)
  const parted = rises ? level : partUnderarmAnew(piece, shape, hollow ?? level, cap.edges)
  const lastEdge = cap.edges[cap.edges.length - 1]!.id
  const lastCap = partOfPlace(cut.value, lastEdge, measureLength(edgePath(shape, lastEdge)))
  const gapMm = distance(applyAffine(moves[firstCap]!, top), applyAffine(moves[lastCap]!, top))
  const capMm = (of: Shape) => measureLength(cap.edges.flatMap((e) => [...edgePath(of, e.id)]))
  const topMm = (nearestPlace(capPath, top).lengthMm * capMm(parted)) / capMm(shape)
  const drawn = hollow ? parted : smoothOver(parted, cap.edges, topMm, gapMm * TOP_REACH)
  return ok({
    garment: {
      ...garment,
      pieces: garment.pieces.map((p) => (p.id === piece.id ? { ...p, shapes: { ...p.shapes, [sizeId]: drawn } } : p)),
    },
    opened: {
      pieceId: piece.id,
      openMm: opened,
      reachMm: reach,
      seams: [
        { edgeId: cap.before.id, runsUp: true },
        { edgeId: cap.after.id, runsUp: false },
      ],
      swingRad: Math.abs(swingRad),
      capRad: Math.abs(capRad),
      swings,
    },
  })
}

/**
 * Sleeve seams that were bent at hinges below the cap, bent over a stretch instead: twice as long as the way from the hinge to the
 * cap, so that the seam comes to the same place and keeps its length; the cap is led to it.
 */
function bentOver(
  was: Shape,
  is: Shape,
  cap: { edges: Edge[]; before: Edge; after: Edge },
  at: BicepLine,
  turn: number,
  swing: (side: 1 | -1) => Affine,
): Shape {
  const edges = { ...is.edges }
  for (const which of ['first', 'last'] as const) {
    const edge = which === 'first' ? cap.before : cap.after
    if (at[which].edgeId !== edge.id) continue
    const side = which === 'first' ? -1 : 1
    const laid = mapPath(edgePath(was, edge.id), (p) => applyAffine(swing(side), p))
    // From the wrist up to the cap.
    const up = which === 'first' ? laid : reversePath(laid)
    const total = measureLength(up)
    const hingeMm = which === 'first' ? at.first.atMm : total - at.last.atMm
    const bent = bendOver(up, Math.max(0, total - 2 * (total - hingeMm)), side * turn)
    edges[edge.id] = which === 'first' ? bent : reversePath(bent)
    const capEdge = which === 'first' ? cap.edges[0]! : cap.edges[cap.edges.length - 1]!
    const path = edges[capEdge.id]!
    const length = measureLength(path)
    const by = subtract(endOf(bent), which === 'first' ? startOf(path) : endOf(path))
    const led = displaceAlong(path, which === 'first' ? fading(by, 0, length / 2) : fading(by, length, length / 2), [length / 2])
    edges[capEdge.id] = led
  }
  return { ...is, edges }
}

/** Does a bicep line run from corner to corner, so that the cap begins at it? */
const isCorner = (shape: Shape, { first, last }: BicepLine): boolean =>
  last.atMm === 0 && Math.abs(first.atMm - measureLength(edgePath(shape, first.edgeId))) <= SAME_POINT_MM

/** A cap whose halves swung about its ends leaves these as square to the sleeve seams as before: it is redrawn from there (craft 6.10). */
function squareAgain(shape: Shape, cap: readonly Edge[], turn: number): Shape {
  const [a, b] = [cap[0]!.id, cap[cap.length - 1]!.id]
  const edges = { ...shape.edges }
  const first = edges[a]![0]!
  if (first.kind === 'cubic') edges[a] = [{ ...first, c1: rotateAbout(first.c1, first.from, turn) }, ...edges[a]!.slice(1)]
  const last = edges[b]![edges[b]!.length - 1]!
  if (last.kind === 'cubic') edges[b] = [...edges[b]!.slice(0, -1), { ...last, c2: rotateAbout(last.c2, last.to, -turn) }]
  return { ...shape, edges }
}

/** The highest place at which an upright line crosses a cap. */
function highest(cap: Path, upright: Path, down: Point): Point | null {
  const hits = intersectPaths(cap, upright).map((h) => h.point)
  return hits.length === 0 ? null : hits.reduce((a, b) => (dot(b, down) < dot(a, down) ? b : a))
}

/** The edge at the wrist: of those that are neither cap nor beside it, the one opposite. */
function hemOf(piece: Piece, cap: readonly Edge[]): Edge {
  const hem = piece.edges.find((e) => e.role === 'hem')
  if (hem) return hem
  const n = piece.edges.length
  const i = piece.edges.indexOf(cap[cap.length - 1]!)
  return piece.edges[(i + 1 + Math.floor((n - cap.length) / 2)) % n]!
}

/** The end of a slash on a cap of one or several edges. */
function endOnCap(shape: Shape, edges: readonly Edge[], top: Point): SlashEnd {
  const near = edges.map((e) => ({ edge: e, at: nearestPlace(edgePath(shape, e.id), top) }))
  const best = near.reduce((a, b) => (b.at.distanceMm < a.at.distanceMm - SAME_POINT_MM ? b : a))
  return { edgeId: best.edge.id, atMm: best.at.lengthMm }
}

/** The part that lies below the bicep at a side: the one with the sleeve seam beyond the line’s end. */
function partBelow(cut: Parameters<typeof partOfPlace>[0], shape: Shape, at: BicepLine['first'], which: 'before' | 'after'): number {
  const total = measureLength(edgePath(shape, at.edgeId))
  // The seam before the cap runs up to it, the seam after it runs down from it.
  return partOfPlace(cut, at.edgeId, which === 'before' ? at.atMm / 2 : (at.atMm + total) / 2)
}

/**
 * A hollow cap whose two sides swung apart about the wrist, drawn between its ends where they are now as the one curve that it was.
 * @returns null where it is no curve that could be
 */
function carryHollow(piece: Piece, was: Shape, is: Shape, cap: readonly Edge[], swing: number): Shape | null {
  const runs = cap.map((e) => ({ pieceId: piece.id, edgeId: e.id, reversed: false }))
  const [path, now] = [was, is].map((shape) => joinRuns(shape, runs)) as [Path, Path]
  const edges = carryRuns(was, runs, {
    fromMm: 0,
    toMm: measureLength(path),
    first: { by: subtract(startOf(now), startOf(path)), turnRad: swing },
    last: { by: subtract(endOf(now), endOf(path)), turnRad: -swing },
  })
  return edges && { ...is, edges: { ...is.edges, ...edges } }
}

/** A hollow cap that was parted at the corner under the arm gives half of its growth to each edge there. */
function partUnderarmAnew(piece: Piece, was: Shape, is: Shape, cap: readonly Edge[]): Shape {
  if (cap.length !== 2) return is
  const [a, b] = [cap[0]!, cap[1]!]
  if (cornersOf(piece, a.id).end.id !== cornersOf(piece, b.id).start.id) return is
  const grew = [a, b].map((e) => measureLength(edgePath(is, e.id)) - measureLength(edgePath(was, e.id)))
  const whole: Path = [...edgePath(is, a.id), ...edgePath(is, b.id)]
  const at = measureLength(edgePath(was, a.id)) + (grew[0]! + grew[1]!) / 2
  return { ...is, edges: { ...is.edges, [a.id]: cutPath(whole, 0, at), [b.id]: cutPath(whole, at, measureLength(whole)) } }
}
