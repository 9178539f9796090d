import {
  add,
  cubic,
  distance,
  dot,
  line,
  measureLength,
  placeAt,
  reversePath,
  scale,
  subtract,
  type Path,
  type Point,
  placeOnRay,
} from '../geometry'
import { apexesOf } from '../measure'

import {
  centreLine,
  edgePath,
  findPiece,
  grainDirection,
  neighbours,
  shapeOf,
  type Garment,
  type NotchPlace,
  type Piece,
  type Shape,
} from '../pattern'
import { ok, refuse, type Result } from '../result'
import { EQUAL_MM, SAME_POINT_MM } from '../tolerances'
import { beginAt } from './begin-at'
import { findNecklines, type Neckline } from './find-necklines'
import { keepNotches } from './keep-notches'
import { endOf, startOf, walked } from './walked'

/** How a front is drawn to cross over the other one, mm. */
export interface WrapMove {
  /** How far it reaches beyond the centre. */
  overlapMm: number
  /** How far on the centre side of the bust point its edge passes. */
  coverMm: number
  /** How far above the lower edge the crossing edge ends; below that it hangs straight. */
  endAboveMm: number
}

/** What a lower edge must keep, and a front edge be long, mm. */
const LEAST_MM = 5

const CENTRE_LINE = 'centre-line'

/** A front that can be wrapped: its neckline from the centre to the shoulder, in a piece with a lower edge beside its centre. */
export interface WrapPiece {
  neckline: Neckline & { centre: NonNullable<Neckline['centre']> }
  /** The lower edge, walked away from the centre. */
  lower: { edgeId: string; reversed: boolean }
}

/**
 * The front of a garment that can be wrapped.
 * Refuses: a garment without a half front that has a neckline, a bust point and a lower edge; a neckline of several edges.
 */
export function findWrap(garment: Garment): Result<WrapPiece> {
  const found = findNecklines(garment)
  if (!found.ok) return found
  const none = (where: string, why: string) =>
    refuse<never>('no-wrap', where, why, 'Choose a front with a centre, a shoulder and a lower edge.')
  const neckline = found.value.find((n) => n.half === 'front' && !n.facing && n.centre)
  if (!neckline?.centre) return none('garment', 'it has no half front with a centre that could cross over.')
  const { piece, centre } = neckline
  if (neckline.runs.length !== 1) return none(piece.name, 'several edges make its neckline.')
  const { before, after } = neighbours(piece, centre.edgeId)
  const lower = centre.reversed ? before : after
  if (lower.role !== 'hem' && lower.role !== 'waist') return none(piece.name, 'no hem or waist edge begins at the lower end of its centre.')
  if (apexesOf(garment, piece, garment.baseSizeId).length !== 1) return none(piece.name, 'it has no bust point that its edge could cover.')
  return ok({ neckline: { ...neckline, centre }, lower: { edgeId: lower.id, reversed: centre.reversed } })
}

/** Where things lie on a front: the middle of the body, the bust point, and the directions down and from the side to beyond the centre. */
export interface WrapPlaces {
  down: Point
  beyond: Point
  /** On the middle of the body, at the lower edge. */
  middle: Point
  apex: Point
  neckPoint: Point
  /** How far the piece reaches beyond the middle now. */
  overlapMm: number
}

export function wrapPlaces(garment: Garment, { neckline, lower }: WrapPiece, sizeId: string): WrapPlaces {
  const piece = findPiece(garment, neckline.piece.id)!
  const shape = shapeOf(piece, sizeId)
  const down = grainDirection(shape)
  const neckPoint = endOf(walked(shape, neckline.runs[0]!))
  const corner = startOf(walked(shape, lower))
  const across = { x: down.y, y: -down.x }
  const drawn = centreLine(piece)
  const middle = drawn ? endOf(shape.lines[drawn.id]!) : corner
  const [apex] = apexesOf(garment, piece, sizeId)
  const beyond = dot(subtract(neckPoint, middle), across) > 0 ? scale(across, -1) : across
  return { down, beyond, middle, apex: apex!, neckPoint, overlapMm: dot(subtract(corner, middle), beyond) }
}

/** A curve from one point through a second to a third that bends one way only: a parabola, its middle reached by the shares of its chords. */
function through(from: Point, by: Point, to: Point): { path: Path; control: Point } {
  const [a, b] = [distance(from, by), distance(by, to)]
  const t = a / (a + b)
  const u = 1 - t
  const control = scale(subtract(by, add(scale(from, u * u), scale(to, t * t))), 1 / (2 * t * u))
  const third = (p: Point) => add(p, scale(subtract(control, p), 2 / 3))
  return { path: [cubic(from, third(from), third(to), to)], control }
}

/** The front of one size drawn to cross over. */
function wrapShape(garment: Garment, wrap: WrapPiece, sizeId: string, move: WrapMove): Result<Shape> {
  const piece = findPiece(garment, wrap.neckline.piece.id)!
  const shape = shapeOf(piece, sizeId)
  const { neckline, lower } = wrap
  const places = wrapPlaces(garment, wrap, sizeId)
  const { down, beyond, apex, neckPoint } = places
  const tooMuch = (why: string) => refuse<never>('amount-too-large', piece.name, why, 'Ask for less.')
  const begun = beginAt(walked(shape, lower), places.overlapMm - move.overlapMm, LEAST_MM)
  if (!begun) return tooMuch('its lower edge is too short for that.')
  const corner = startOf(begun)
  const end = subtract(corner, scale(down, move.endAboveMm))
  const cover = add(apex, scale(beyond, move.coverMm))
  const height = (p: Point) => dot(p, down)
  if (height(end) <= height(cover)) return tooMuch('the edge would end above the bust point.')
  if (move.endAboveMm < LEAST_MM) return tooMuch('the front edge below the crossing would be too short.')
  const { path, control } = through(end, cover, neckPoint)
  if (!(height(control) > height(neckPoint) && height(control) < height(end)))
    return tooMuch('its edge could not run smoothly from the shoulder past the bust point.')
  const [neck] = neckline.runs
  const set = (run: { edgeId: string; reversed: boolean }, p: Path): [string, Path] => [run.edgeId, run.reversed ? reversePath(p) : p]
  const redrawn = Object.fromEntries([set(lower, begun), set(neckline.centre, [line(end, corner)]), set(neck!, path)])
  const edges = { ...shape.edges, ...redrawn }
  const kept = keepNotches(piece, shape, edges, [{ ...lower, still: 'last' }])
  const along = piece.notches.flatMap((n): [string, NotchPlace][] => {
    if (n.edgeId !== neck!.edgeId && n.edgeId !== neckline.centre.edgeId) return []
    const place = shape.notches[n.id]!
    const stretch = measureLength(edges[n.edgeId]!) / measureLength(edgePath(shape, n.edgeId))
    return [[n.id, { ...place, distanceMm: place.distanceMm * stretch }]]
  })
  // The middle of the body is drawn where there is cloth: up to the new edge.
  const crossing = placeOnRay(path, places.middle, scale(down, -1))
  const top = crossing === null ? subtract(places.middle, scale(down, move.endAboveMm)) : placeAt(path, crossing).point
  const lines = { ...shape.lines, [centreLine(piece)?.id ?? CENTRE_LINE]: [line(top, places.middle)] }
  return ok({ ...shape, edges, lines, notches: { ...kept, ...Object.fromEntries(along) } })
}

/**
 * A front drawn to cross over the other one, in every size (craft 6.13): it reaches beyond the centre by the overlap, its edge runs
 * in one smooth line from the shoulder at the neck over the bust point, as far on the centre side of it as is to be covered, to where
 * it ends above the lower edge. Its shoulder, armhole and side are not touched; the fold is a front edge from then on, the middle of
 * the body a line inside. A wrapped front is drawn anew with other figures; one that is drawn so already is left.
 *
 * Refuses: an edge that could not run smoothly, or that ends above the bust point; a lower edge that is too short.
 */
export function wrapFront(garment: Garment, wrap: WrapPiece, move: WrapMove): Result<Garment> {
  if (garment.sizes.every((size) => isDrawn(garment, wrap, size.id, move))) return ok(garment)
  const piece = findPiece(garment, wrap.neckline.piece.id)!
  const shapes: Record<string, Shape> = {}
  for (const size of garment.sizes) {
    const shape = wrapShape(garment, wrap, size.id, move)
    if (!shape.ok) return shape
    shapes[size.id] = shape.value
  }
  const wrapped = { ...asWrapped(piece, wrap.neckline.centre.edgeId), shapes }
  return ok({ ...garment, pieces: garment.pieces.map((p) => (p === piece ? wrapped : p)) })
}

/** What a piece is once it crosses over: cut twice in place of once on the fold, its middle a line inside it. */
function asWrapped(piece: Piece, centreId: string): Piece {
  const folded = piece.edges.find((e) => e.id === centreId)!.fold
  const [first] = piece.edges.filter((e) => !e.fold)
  const edges = piece.edges.map((e) =>
    e.id === centreId && e.fold ? { ...e, name: 'front edge', fold: false, allowanceMm: first?.allowanceMm ?? 0 } : e,
  )
  const lines = centreLine(piece) ? piece.lines : [...piece.lines, { id: CENTRE_LINE, name: 'centre front', role: 'centre' as const }]
  return { ...piece, edges, lines, cut: folded ? { count: piece.cut.count * 2, mirrored: true } : piece.cut }
}

/** How a wrapped front is drawn, as it would be asked for; null for one that ends at its centre. */
export function wrapNow(garment: Garment, wrap: WrapPiece, sizeId: string): WrapMove | null {
  const { overlapMm } = wrapPlaces(garment, wrap, sizeId)
  const coverMm = coverOf(garment, wrap, sizeId)
  if (overlapMm <= SAME_POINT_MM || coverMm === null) return null
  const shape = shapeOf(findPiece(garment, wrap.neckline.piece.id)!, sizeId)
  return { overlapMm, coverMm, endAboveMm: measureLength(edgePath(shape, wrap.neckline.centre.edgeId)) }
}

/** Is a front drawn so already? One that ends at its centre is when it is to reach no further. */
function isDrawn(garment: Garment, wrap: WrapPiece, sizeId: string, move: WrapMove): boolean {
  const now = wrapNow(garment, wrap, sizeId)
  if (!now) return move.overlapMm === 0
  const isSame = (key: keyof WrapMove) => Math.abs(now[key] - move[key]) <= EQUAL_MM
  return isSame('overlapMm') && isSame('coverMm') && isSame('endAboveMm')
}

/** How far on the centre side of the bust point the edge of a wrapped front passes, mm, beyond it when negative; null where it does not come so low. */
export function coverOf(garment: Garment, wrap: WrapPiece, sizeId: string): number | null {
  const { apex, beyond } = wrapPlaces(garment, wrap, sizeId)
  const path = edgePath(shapeOf(findPiece(garment, wrap.neckline.piece.id)!, sizeId), wrap.neckline.runs[0]!.edgeId)
  for (const sign of [1, -1]) {
    const at = placeOnRay(path, apex, scale(beyond, sign))
    if (at !== null) return sign * distance(placeAt(path, at).point, apex)
  }
  return null
}
