import { dartFigures, edgeFamily, edgePath, refOf, shapeOf, type Dart, type Garment, type Piece, type Shape } from '../../../pattern'
import { measureLength, type Point } from '../../../geometry'
import { findApex, type DartMouth } from '../../../darts'
import { refuse, type Result } from '../../../result'

export interface FoundDart {
  ref: string
  piece: Piece
  dart: Dart
}

/** Every dart of a garment with its piece. */
export function dartsOf(garment: Garment): FoundDart[] {
  return garment.pieces.flatMap((piece) => piece.darts.map((dart) => ({ ref: refOf(piece.id, dart.id), piece, dart })))
}

/** The dart that a change names, or that it has gone. */
export function findDart(garment: Garment, ref: string): FoundDart | Result<never> {
  const found = dartsOf(garment).find((d) => d.ref === ref)
  return found ?? refuse('reference-gone', 'dart', 'the dart this was made for has gone.', 'Delete the change, or choose another dart.')
}
export const isRefused = (found: FoundDart | Result<never>): found is Result<never> => 'ok' in found

/** A form's list of the darts to choose from. */
export const dartOptions = (garment: Garment) => dartsOf(garment).map((d) => ({ value: d.ref, label: `${d.piece.name}, ${d.dart.name}` }))

/**
 * What a dart of a garment is turned about, in each size of its piece.
 * @param beyondMm how far beyond the tip, where no apex is marked; 0 for what is usual
 */
export function apexOf({ piece, dart }: FoundDart, beyondMm = 0): (sizeId: string) => Point {
  return (sizeId) => {
    const shape = shapeOf(piece, sizeId)
    const own = findApex(piece, shape, dart)
    return own.markId === null && beyondMm > 0 ? findApex(piece, shape, dart, beyondMm).point : own.point
  }
}

/** Edges that a dart can begin at: every seam line but its own legs, folds and centres. */
export const openEdges = (piece: Piece) =>
  piece.edges.filter((e) => e.role !== 'dart-leg' && !e.fold && e.role !== 'centre-front' && e.role !== 'centre-back')

/**
 * A slit in an edge, in each size of a nest: in another size as large a part of the way along it as in the base size.
 * @param atMm along the edge from its start, in the base size
 */
export function slitAt(garment: Garment, piece: Piece, edgeId: string, atMm: number): (shape: Shape) => DartMouth {
  return mouthBetween(garment, piece, edgeId, atMm, atMm)
}

/** A stretch of an edge, in each size of a nest, as large a part of the way along it as in the base size. */
export function mouthBetween(garment: Garment, piece: Piece, edgeId: string, fromMm: number, toMm: number): (shape: Shape) => DartMouth {
  const base = measureLength(edgePath(piece.shapes[garment.baseSizeId]!, edgeId))
  return (shape) => {
    const own = measureLength(edgePath(shape, edgeId)) / base
    return { edgeId, fromMm: fromMm * own, toMm: toMm * own }
  }
}

/** The length of an edge with all its parts, mm: what a dart that parts it or closes in it leaves as it is. */
export function familyMm(piece: Piece, shape: Shape, family: string): number {
  return piece.edges
    .filter((e) => edgeFamily(e.id) === family && e.role !== 'dart-leg')
    .reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
}

/** The two edges between which a dart lies, as families. */
export function besideDart(piece: Piece, shape: Shape, dart: Dart): [string, string] {
  const { before, after } = dartFigures(piece, shape, dart)
  return [edgeFamily(before.id), edgeFamily(after.id)]
}
