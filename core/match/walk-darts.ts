import { cornersOf, dartFigures, doubleDartFigures, doubleDartsOf, edgePath, neighbours, shapeOf, type Garment } from '../pattern'
import { innerAngle, nameWhereItRuns, verdictOf } from './judge'
import type { Tolerances, WalkedDart, WalkedFold } from './types'

/** Darts inside a piece: above and below the widest place both legs are sewn together; the half that is further apart counts. */
export function walkDoubleDarts(garment: Garment, sizeId: string, t: Tolerances): WalkedDart[] {
  return garment.pieces.flatMap((piece) =>
    doubleDartsOf(piece).map((dart): WalkedDart => {
      const [a, b] = doubleDartFigures(shapeOf(piece, sizeId), dart.id).legsMm
      const half = Math.abs(a.above - b.above) >= Math.abs(a.below - b.below) ? 'above' : 'below'
      const offMm = a[half] - b[half]
      return {
        pieceId: piece.id,
        pieceName: piece.name,
        dartId: dart.id,
        dartName: `${dart.name}, ${half} its widest place`,
        firstMm: a[half],
        secondMm: b[half],
        offMm,
        verdict: verdictOf(offMm, t),
        corner: null,
      }
    }),
  )
}

/** Darts at an edge: both legs, and how the edge runs across the closed dart. */
export function walkDarts(garment: Garment, sizeId: string, t: Tolerances): WalkedDart[] {
  return garment.pieces.flatMap((piece) =>
    piece.darts.map((dart): WalkedDart => {
      const shape = shapeOf(piece, sizeId)
      const d = dartFigures(piece, shape, dart)
      const offMm = d.firstMm - d.secondMm
      const legA = edgePath(shape, dart.legs[0])
      const legB = edgePath(shape, dart.legs[1])
      // With the dart closed the two inner angles beside its legs lie next to each other along the edge.
      const closed = innerAngle(edgePath(shape, d.before.id), legA) + innerAngle(legB, edgePath(shape, d.after.id))
      const turnDeg = closed - 180
      // A dart that begins at a corner of the piece leaves that corner as it is meant to be.
      const atCorner = d.before.role !== d.after.role
      const designed = atCorner || [dart.legs[0], dart.legs[1]].some((id) => cornersOf(piece, id).start.designed === true)
      return {
        pieceId: piece.id,
        pieceName: piece.name,
        dartId: dart.id,
        dartName: dart.name,
        firstMm: d.firstMm,
        secondMm: d.secondMm,
        offMm,
        verdict: verdictOf(offMm, t),
        corner: {
          id: `${piece.id}:${dart.id}`,
          where: `${piece.name}, ${d.before.name} across the closed dart`,
          edgeName: nameWhereItRuns(d.before),
          through: `across the closed ${dart.name}, ${piece.name}`,
          arms: [
            { pieceId: piece.id, edgeId: d.before.id, atStart: false },
            { pieceId: piece.id, edgeId: d.after.id, atStart: true },
          ],
          turnDeg,
          designed,
          verdict: Math.abs(turnDeg) > t.runThroughDeg && !designed ? 'fault' : 'good',
        },
      }
    }),
  )
}

/** Where an edge meets the fold, the mirrored half goes on: it must be square, or the sewn edge has a point or a dip. */
export function walkFolds(garment: Garment, sizeId: string, t: Tolerances): WalkedFold[] {
  return garment.pieces.flatMap((piece) => {
    const shape = shapeOf(piece, sizeId)
    return piece.edges
      .filter((e) => e.fold)
      .flatMap((fold) => {
        const { before, after } = neighbours(piece, fold.id)
        const corners = cornersOf(piece, fold.id)
        const path = edgePath(shape, fold.id)
        return [
          { edge: before, atStart: false, corner: corners.start, angle: innerAngle(edgePath(shape, before.id), path) },
          { edge: after, atStart: true, corner: corners.end, angle: innerAngle(path, edgePath(shape, after.id)) },
        ].map(({ edge, atStart, corner, angle }): WalkedFold => {
          const turnDeg = 2 * angle - 180
          const designed = corner.designed === true
          return {
            pieceId: piece.id,
            corner: {
              id: `${piece.id}:${fold.id}:${corner.id}`,
              where: `${piece.name}, ${edge.name} at the fold`,
              edgeName: nameWhereItRuns(edge),
              through: `at the fold, ${piece.name}`,
              arms: [{ pieceId: piece.id, edgeId: edge.id, atStart }],
              turnDeg,
              designed,
              verdict: Math.abs(turnDeg) > t.runThroughDeg && !designed ? 'fault' : 'good',
            },
          }
        })
      })
  })
}
