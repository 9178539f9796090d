import { cuttingCards, lengthToBuy, makeLay, usualCounts, wantedOf, type Cloth } from '../../core/cloth'
import { toPathData } from '../../core/formats'
import { measureLength, placeAt } from '../../core/geometry'
import { cornerPoint, edgePath, shapeOf, type Piece } from '../../core/pattern'
import { problemSentence } from '../../core/result'
import { writeLengths } from '../../core/units'
import type { Opened } from './answers'

function pieceAsData(piece: Piece, sizeId: string) {
  const shape = shapeOf(piece, sizeId)
  const { id, name, kind, cut } = piece
  return {
    id,
    name,
    kind,
    cut,
    grain: shape.grain,
    edges: piece.edges.map((e) => {
      const path = edgePath(shape, e.id)
      return { ...e, lengthMm: measureLength(path), from: path[0]!.from, to: path[path.length - 1]!.to, path: toPathData(path, false) }
    }),
    corners: piece.corners.map((c) => ({ ...c, at: cornerPoint(piece, shape, c.id) })),
    notches: piece.notches.map((n) => {
      const place = shape.notches[n.id]!
      const path = edgePath(shape, n.edgeId)
      const atMm = place.from === 'start' ? place.distanceMm : measureLength(path) - place.distanceMm
      return { ...n, ...place, at: placeAt(path, atMm).point }
    }),
    darts: piece.darts,
    lines: piece.lines.map((l) => ({ ...l, path: toPathData(shape.lines[l.id]!, false) })),
    points: piece.points.map((p) => ({ ...p, at: shape.points[p.id]! })),
  }
}

/** The altered pieces as data, in millimetres, y downward. */
export const shapesAnswer = ({ project, folded }: Opened, sizeId: string) => ({
  garment: project.name,
  size: sizeId,
  sizes: folded.garment.sizes,
  pieces: folded.garment.pieces.map((p) => pieceAsData(p, sizeId)),
  seams: folded.garment.seams,
})

/** How the pieces lie on a cloth, how much of it is needed, and the cutting cards; or why they do not lie there. */
export function clothAnswer({ project, folded: { garment }, ruler }: Opened, cloth: Cloth) {
  const counts = Object.fromEntries(garment.pieces.map((p) => [p.id, p.cut.count]))
  const made = makeLay(garment, garment.baseSizeId, wantedOf(garment, counts), cloth)
  const cards = cuttingCards(garment, garment.baseSizeId, usualCounts)
  if (!made.ok) return { garment: project.name, cloth, problem: writeLengths(problemSentence(made.problem), ruler), cards }
  const { laid, lengthMm, used, openedAtMm, unmatched } = made.value
  return {
    garment: project.name,
    cloth,
    problem: null,
    lengthMm,
    toBuyMm: lengthToBuy(made.value),
    used,
    openedAtMm,
    unmatched,
    laid: laid.map(({ id, pieceId, name, words, xMm, yMm, isTurned, isOver, onFold }) => ({
      id,
      pieceId,
      name,
      words,
      xMm,
      yMm,
      isTurned,
      isOver,
      onFold,
    })),
    cards,
  }
}
