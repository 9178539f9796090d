import { grainDirection, dartFigures, edgeFamily, findPiece, frameOf, shapeOf, type Garment, type Piece, type Shape } from '../../pattern'
import { distance, dot, scale, subtract, type Point } from '../../geometry'
import { angleFrom, findApex, missOfApex, runsAlongGrain } from '../../darts'
import { EQUAL_MM, SEAM_GOOD_MM } from '../../tolerances'
import { besideDart, familyMm, type FoundDart } from '../shared/darts/find-darts'
import { bothShapes, holdEdge, holdGrain, holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'
import { DEG } from '../../units'

/** Where an apex is after its dart was raised by so many mm along the grain. */
export function raisedApex(apex: Point, was: Shape, upMm: number): Point {
  const grain = grainDirection(was)
  return { x: apex.x - grain.x * upMm, y: apex.y - grain.y * upMm }
}

/** From an apex so far toward the side of its half of the piece, mm; toward the centre when negative. */
export function asideOf(piece: Piece, shape: Shape, apex: Point, asideMm: number): Point {
  const { across, middle } = frameOf(piece, shape)
  return scale(across, asideMm * (dot(apex, across) < middle ? -1 : 1))
}

/**
 * A dart that was turned aside points to an apex that lies so far aside, and has its legs alike.
 * @param apex where it points before it is turned
 */
export function heldByTurnAside(
  before: Garment,
  after: Garment,
  { piece, dart }: FoundDart,
  apex: Point,
  asideMm: number,
  sizeId: string,
): HeldPromise[] {
  const was = shapeOf(findPiece(before, piece.id)!, sizeId)
  const own = findPiece(after, piece.id)!
  const is = shapeOf(own, sizeId)
  const { first, second, tip } = dartFigures(own, is, dart)
  const wentMm = dot(subtract(findApex(own, is, dart).point, apex), asideOf(piece, was, apex, 1))
  return [
    holdMeasure('where it points, toward the side by', piece.name, asideMm, wentMm, EQUAL_MM),
    holdMeasure('its middle line beside the apex', piece.name, 0, missOfApex(own, is, dart, findApex(own, is, dart).point), EQUAL_MM),
    holdMeasure('both legs alike', piece.name, distance(first, tip), distance(second, tip), EQUAL_MM),
  ]
}

/**
 * The dart’s angle as it is raised (its intake where it runs along the grain), its edge with the dart closed, every other edge.
 * @param risen the pieces with the dart raised, and not yet turned aside
 * @param apex where the dart points before it is raised
 */
export function heldByRaise(
  before: Garment,
  risen: Garment,
  after: Garment,
  { piece, dart }: FoundDart,
  apex: Point,
  amountMm: number,
  sizeId: string,
): HeldPromise[] {
  const { was, is } = bothShapes(before, after, piece.id, sizeId)
  const up = shapeOf(findPiece(risen, piece.id)!, sizeId)
  const now = findPiece(after, piece.id)!
  const angleDeg = (shape: Shape, from: Point) => angleFrom(from, shape, dart) * DEG
  const own = besideDart(piece, was, dart)
  const beside = piece.edges.filter((e) => e.role !== 'dart-leg' && !own.includes(edgeFamily(e.id)))
  const sideMm = (p: Piece, shape: Shape) => [...new Set(own)].reduce((sum, f) => sum + familyMm(p, shape, f), 0)
  return [
    runsAlongGrain(piece, was, dart)
      ? holdMeasure('intake', piece.name, dartFigures(piece, was, dart).intakeMm, dartFigures(piece, up, dart).intakeMm, EQUAL_MM)
      : holdMeasure('angle at the apex', piece.name, angleDeg(was, apex), angleDeg(up, raisedApex(apex, was, amountMm)), EQUAL_MM, 'deg'),
    holdMeasure('its edge with the dart closed', piece.name, sideMm(piece, was), sideMm(now, is), SEAM_GOOD_MM),
    ...beside.map((e) => holdEdge(piece, was, is, e.id)),
    holdGrain(piece, was, is),
  ]
}
