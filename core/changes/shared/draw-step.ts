import { line, type Path, type Point } from '../../geometry'
import { findPiece, outlineOf, shapeOf, type Garment } from '../../pattern'
import type { StepDrawing } from '../types'

type Stroke = StepDrawing['strokes'][number]

/** The outline of a piece as a stroke of a step's drawing. */
export function outlineStroke(garment: Garment, pieceId: string, sizeId: string, kind: Stroke['kind']): Stroke {
  const piece = findPiece(garment, pieceId)!
  return { path: outlineOf(piece, shapeOf(piece, sizeId)), kind }
}

/** A straight stroke between two points. */
export function lineStroke(from: Point, to: Point, kind: Stroke['kind']): Stroke {
  const path: Path = [line(from, to)]
  return { path, kind }
}
