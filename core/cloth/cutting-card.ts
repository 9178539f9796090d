import { boundsOf, dot, mapPath, measureArea, measureLength, nearestPlace, placeAt, type Point } from '../geometry'
import { cutLineOf } from '../paper'
import { edgePath, grainDirection, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { lengthToken } from '../units'
import type { Use } from './cloth'

/** A piece is cut no more often than this from one cloth. */
export const MOST_LAYERS = 99

/** How often a piece is cut from each cloth. */
export type Counts = Record<Use, number>

/** What is cut of a piece where nobody has said otherwise: all of it from the main cloth, and interfacing for half the layers of a band. */
export const usualCounts = (piece: Piece): Counts => ({
  main: piece.cut.count,
  lining: 0,
  interfacing: piece.kind === 'band' ? Math.ceil(piece.cut.count / 2) : 0,
})

/** Edges that run within so much of the bias stretch (craft 8), degrees. */
const NEAR_BIAS_DEG = 20
const BIAS_DEG = 45
/** So much of an edge has to run so before it is said, mm. */
const LEAST_BIAS_MM = 60
const STEP_MM = 4
/** A piece of no more than this is small and exact: cut in a single layer, mm². */
const SMALL_MM2 = 30_000

/** An edge that stretches: how much of it runs near the bias, mm. */
export interface BiasEdge {
  name: string
  lengthMm: number
}

/** A line ends on the outline where it comes this near to it, mm: hand-drawn ones stop short, or run past it. */
const ON_OUTLINE_MM = 3

/**
 * Printed lines that part a piece from one edge to another: where one is cut only as far as such a line, a shorter length, a facing or
 * another colour, from the same sheet. Lines with a part of their own in the work (bust, waist, hip ...) are none.
 */
export function linesToTransfer(piece: Piece, sizeId: string): string[] {
  const shape = shapeOf(piece, sizeId)
  const outline = outlineOf(piece, shape)
  return piece.lines
    .filter((line) => {
      const path = shape.lines[line.id]
      if (line.role !== 'other' || !path) return false
      return [path[0]!.from, path[path.length - 1]!.to].every((end) => nearestPlace(outline, end).distanceMm <= ON_OUTLINE_MM)
    })
    .map((line) => line.name)
}

/** What one needs to know of a piece before it is cut, worked out from its outline. */
export interface CuttingCard {
  pieceId: string
  name: string
  counts: Counts
  onFold: boolean
  /** Half of them are turned over. */
  isPair: boolean
  /** Along the grain and across it, allowances included; twice across where it lies on a fold, mm. */
  alongMm: number
  acrossMm: number
  /** Stay-stitch these, and handle them gently. */
  biasEdges: BiasEdge[]
  /** Small and exact: cut in a single layer. */
  isSmall: boolean
  /** Inner layers that nobody sees: they may be cut from lining. */
  hiddenLayers: number
  /** Lines as far as which one may be cut from the same sheet, by name. */
  transfers: string[]
}

/** Edges of a piece that run within 20 degrees of the bias, with how much of each does. */
export function biasEdges(piece: Piece, sizeId: string): BiasEdge[] {
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  return piece.edges
    .filter((e) => e.role !== 'dart-leg' && !e.fold)
    .flatMap((e) => {
      const path = edgePath(shape, e.id)
      const total = measureLength(path)
      const steps = Math.max(1, Math.round(total / STEP_MM))
      const near = Array.from({ length: steps }, (_, i) => placeAt(path, ((i + 0.5) * total) / steps).tangent).filter((t) => {
        const deg = (Math.acos(Math.min(1, Math.abs(dot(t, grain)))) * 180) / Math.PI
        return Math.abs(deg - BIAS_DEG) <= NEAR_BIAS_DEG
      })
      const lengthMm = (near.length / steps) * total
      return lengthMm >= LEAST_BIAS_MM ? [{ name: e.name, lengthMm }] : []
    })
}

/** The cutting card of each piece (craft 8). */
export function cuttingCards(garment: Garment, sizeId: string, countsOf: (piece: Piece) => Counts): CuttingCard[] {
  return garment.pieces.map((piece): CuttingCard => {
    const shape = shapeOf(piece, sizeId)
    const g = grainDirection(shape)
    const cutLine = cutLineOf(piece, shape)
    const box = boundsOf(mapPath(cutLine, (p: Point) => ({ x: dot(p, g), y: dot(p, { x: -g.y, y: g.x }) })))
    const onFold = piece.edges.some((e) => e.fold)
    const times = onFold ? 2 : 1
    return {
      pieceId: piece.id,
      name: piece.name,
      counts: countsOf(piece),
      onFold,
      isPair: piece.cut.mirrored && piece.cut.count > 1,
      alongMm: box.maxX - box.minX,
      acrossMm: (box.maxY - box.minY) * times,
      biasEdges: biasEdges(piece, sizeId),
      isSmall: Math.abs(measureArea(cutLine)) * times <= SMALL_MM2 || piece.kind === 'band',
      hiddenLayers: piece.kind === 'band' ? Math.floor(piece.cut.count / 2) : 0,
      transfers: linesToTransfer(piece, sizeId),
    }
  })
}

/** What to mind while a piece is cut, in sentences with lengths as tokens. */
export function cardNotes({ onFold, isPair, isSmall, hiddenLayers, biasEdges: edges, transfers }: CuttingCard): string[] {
  return [
    ...(onFold ? ['Its fold lies on a fold of the cloth.'] : []),
    ...(isPair ? ['Half of them are turned over.'] : []),
    ...(isSmall ? ['Small and exact: cut each in a single layer.'] : []),
    ...(hiddenLayers > 0
      ? [`${hiddenLayers === 1 ? 'One layer is' : `${hiddenLayers} layers are`} hidden: lining does there as well.`]
      : []),
    ...transfers.map(
      (name) => `Is one also cut only as far as “${name}”? Transfer that line to paper of its own, and add its seam allowance.`,
    ),
    ...edges.map((e) => `${e.name}: ${lengthToken(e.lengthMm)} near the bias. Stay-stitch it, handle it gently.`),
  ]
}
