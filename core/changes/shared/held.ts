import { distance, measureLength, turnRad } from '../../geometry'

import { narrowestPlace, widthAt } from '../../measure'
import {
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Garment,
  type Piece,
  type Seam,
  type Shape,
  sideLength,
  surplusOf,
} from '../../pattern'
import { EQUAL_MM, FIT_MM, SEAM_KEPT_MM } from '../../tolerances'
import { DEG } from '../../units'
import type { HeldPromise } from '../types'
import { isEvened, nearestWanted } from './evened'

/** A promise from two measured figures. */
export function holdMeasure(
  label: string,
  where: string,
  before: number,
  after: number,
  allowed: number,
  unit: 'mm' | 'deg' = 'mm',
): HeldPromise {
  return { label, where, before, after, unit, allowed, held: Math.abs(after - before) <= allowed }
}

/** The length of an edge that must not change. */
export function holdEdge(piece: Piece, before: Shape, after: Shape, edgeId: string, allowed = EQUAL_MM): HeldPromise {
  const edge = piece.edges.find((e) => e.id === edgeId)!
  return holdMeasure(
    `${edge.name}, length`,
    piece.name,
    measureLength(edgePath(before, edgeId)),
    measureLength(edgePath(after, edgeId)),
    allowed,
  )
}

/** The straight distance between an edge's two ends. */
export function holdEdgeWidth(piece: Piece, before: Shape, after: Shape, edgeId: string, allowed = EQUAL_MM): HeldPromise {
  const edge = piece.edges.find((e) => e.id === edgeId)!
  const across = (shape: Shape) => {
    const path = edgePath(shape, edgeId)
    return distance(path[0]!.from, path[path.length - 1]!.to)
  }
  return holdMeasure(`${edge.name}, width`, piece.name, across(before), across(after), allowed)
}

/** The width at the narrowest place (the waist), where there is one before and after. */
export function holdWaist(piece: Piece, before: Shape, after: Shape): HeldPromise[] {
  const was = narrowestPlace(piece, before)
  const is = narrowestPlace(piece, after)
  if (was === null || is === null) return []
  // Twice the fit tolerance: both sides of a whole piece may be refitted.
  return [holdMeasure('narrowest width', piece.name, widthAt(piece, before, was), widthAt(piece, after, is), 2 * FIT_MM)]
}

/** The grain arrow stays one straight line in the same direction: its turn in degrees. */
export function holdGrain(piece: Piece, before: Shape, after: Shape): HeldPromise {
  const turnDeg = turnRad(grainDirection(before), grainDirection(after)) * DEG
  return holdMeasure('grain in one line', piece.name, 0, turnDeg, EQUAL_MM, 'deg')
}

/** Both sides of a seam change alike: its surplus before and after. Of a seam that is evened: the ease it wants, and has now. */
export function holdSeam(before: Garment, after: Garment, seam: Seam, sizeId: string): HeldPromise {
  const names = [...new Set(seam.sides.flat().map((r) => findPiece(before, r.pieceId)!.name))].join(' to ')
  const [was, is] = [surplusOf(before, seam, sizeId), surplusOf(after, seam, sizeId)]
  if (isEvened(before, after, seam, sizeId))
    return holdMeasure(`${seam.name}, difference of its sides as wanted`, names, nearestWanted(seam, is), is, SEAM_KEPT_MM)
  return holdMeasure(`${seam.name}, difference of its sides`, names, was, is, SEAM_KEPT_MM)
}

/**
 * Every seam whose length changed, with its difference held.
 * @param except seams, by id, of which something else is promised
 */
export function holdSeams(before: Garment, after: Garment, sizeId: string, except: ReadonlySet<string> = new Set()): HeldPromise[] {
  return before.seams
    .filter((seam) => !except.has(seam.id))
    .filter((seam) =>
      ([0, 1] as const).some((s) => Math.abs(sideLength(before, seam, s, sizeId) - sideLength(after, seam, s, sizeId)) > EQUAL_MM),
    )
    .map((seam) => holdSeam(before, after, seam, sizeId))
}

/** On every piece that some edges were redrawn on: the lengths of its other edges, and its grain. */
export function holdTheRest(
  before: Garment,
  after: Garment,
  redrawn: readonly { pieceId: string; edgeId: string }[],
  sizeId: string,
): HeldPromise[] {
  return [...new Set(redrawn.map((r) => r.pieceId))].flatMap((pieceId) => {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const rest = piece.edges.filter((e) => e.role !== 'dart-leg' && !redrawn.some((r) => r.pieceId === pieceId && r.edgeId === e.id))
    return [...rest.map((e) => holdEdge(piece, was, is, e.id)), holdGrain(piece, was, is)]
  })
}

/** Shapes of one piece before and after, in a size. */
export function bothShapes(before: Garment, after: Garment, pieceId: string, sizeId: string) {
  const piece = findPiece(before, pieceId)!
  return { piece, was: shapeOf(piece, sizeId), is: shapeOf(findPiece(after, pieceId)!, sizeId) }
}
