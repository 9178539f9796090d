import { add, distance, dot, line, mix, scale, subtract, unit, type Point } from '../geometry'
import {
  dartFigures,
  dartIn,
  edgePath,
  findPiece,
  neighbours,
  type Dart,
  type Garment,
  type Piece,
  type Shape,
  mapShapes,
} from '../pattern'
import { pressOf } from './find-apex'

/** The legs of a dart drawn straight to another tip from where the edges beside it end. */
export function drawLegsTo(piece: Piece, shape: Shape, dart: Dart, tip: Point): Shape {
  const before = edgePath(shape, neighbours(piece, dart.legs[0]).before.id)
  const after = edgePath(shape, neighbours(piece, dart.legs[1]).after.id)
  const [first, second] = [before[before.length - 1]!.to, after[0]!.from]
  return { ...shape, edges: { ...shape.edges, [dart.legs[0]]: [line(first, tip)], [dart.legs[1]]: [line(tip, second)] } }
}

/** The tip of a dart slid along a direction to where both its legs are alike; its ends stay. */
export function slideTipLevel(piece: Piece, shape: Shape, dart: Dart, along: Point): Shape {
  const { first, second, tip } = dartFigures(piece, shape, dart)
  const mouth = subtract(second, first)
  const pace = dot(along, mouth)
  if (pace === 0) return shape
  return drawLegsTo(piece, shape, dart, add(tip, scale(along, dot(subtract(mix(first, second, 0.5), tip), mouth) / pace)))
}

/**
 * Draws the tip of a dart back from the apex along the line that halves its angle there, so that the legs stay alike
 * (craft 6.11, finish). Never so far that less than a third of the dart is left.
 *
 * @param backMm how far from the apex the tip ends, mm
 */
export function drawTipBack(piece: Piece, shape: Shape, dart: Dart, apex: Point, backMm: number): Shape {
  const d = dartFigures(piece, shape, dart)
  const toFirst = subtract(d.first, apex)
  const toSecond = subtract(d.second, apex)
  const halving = unit(add(unit(toFirst), unit(toSecond)))
  const most = (Math.min(distance(d.first, apex), distance(d.second, apex)) * 2) / 3
  return drawLegsTo(piece, shape, dart, add(apex, scale(halving, Math.min(backMm, most))))
}

/** Ends the tip of a dart short of its apex, in every size. */
export function finishTip(garment: Garment, pieceId: string, dartId: string, apexOf: (sizeId: string) => Point, backMm: number): Garment {
  return mapShapes(garment, pieceId, (piece, shape, sizeId) => drawTipBack(piece, shape, dartIn(piece, dartId), apexOf(sizeId), backMm))
}

/** Which way the dart is pressed where it lies now. */
export function pressAnew(garment: Garment, pieceId: string, dartId: string): Garment {
  const piece = findPiece(garment, pieceId)!
  const dart = dartIn(piece, dartId)
  const pressTo = pressOf(piece, piece.shapes[garment.baseSizeId]!, dart)
  const made = { ...piece, darts: piece.darts.map((d) => (d.id === dartId ? { ...d, pressTo } : d)) }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === pieceId ? made : p)) }
}
