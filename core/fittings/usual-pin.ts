import type { Pinned } from '../changes'
import { marksAlong, type EdgeRole, type Garment } from '../pattern'

/** A fold is usually pinned so far from the first mark of its edge, mm. */
const FOLD_AT_MM = 50.8
/** A wedge is usually pinned so far below the upper end of its edge, mm. */
const WEDGE_BELOW_MM = 203.2

/** From where one measures along an edge of a piece; none where it has gone. */
export function foldMarksOf(garment: Garment, pieceId: string, edgeId: string): { id: string; name: string }[] {
  const piece = garment.pieces.find((p) => p.id === pieceId)
  return piece?.edges.some((e) => e.id === edgeId) ? marksAlong(piece, edgeId) : []
}

/** A seam is usually pinned in over so much above and below its deepest place, and that so far below its upper end, mm. */
const SEAM_REACH_MM = 101.6
const SEAM_AT_MM = 152.4

/** The first edge of one of the roles, by their order, on a piece of such a kind; else any edge. A fold is left out where it is no place to pin. */
function firstEdge(garment: Garment, kind: string, roles: readonly EdgeRole[], withFold = true): { pieceId: string; edgeId: string } {
  const pieces = [...garment.pieces].sort((a, b) => Number(b.kind.includes(kind)) - Number(a.kind.includes(kind)))
  for (const piece of pieces)
    for (const role of roles) {
      const edge = piece.edges.find((e) => e.role === role && (withFold || !e.fold))
      if (edge) return { pieceId: piece.id, edgeId: edge.id }
    }
  return { pieceId: pieces[0]!.id, edgeId: pieces[0]!.edges[0]!.id }
}

/** A pin of a sort where it is usually found on a garment, with no depth yet. */
export function usualPin(garment: Garment, how: Pinned['how']): Pinned {
  switch (how) {
    case 'fold': {
      const { pieceId, edgeId } = firstEdge(garment, 'front', ['armhole', 'neck'])
      return { how, pieceId, edgeId, from: foldMarksOf(garment, pieceId, edgeId)[0]!.id, atMm: FOLD_AT_MM, mm: 0 }
    }
    case 'wedge':
      return { how, ...firstEdge(garment, 'back', ['centre-back', 'crotch', 'neck']), belowMm: WEDGE_BELOW_MM, isOut: true, mm: 0 }
    case 'seam': {
      const { pieceId, edgeId } = firstEdge(garment, 'back', ['centre-back', 'panel', 'inseam', 'underarm', 'side'], false)
      return { how, pieceId, edgeId, atMm: SEAM_AT_MM, aboveMm: SEAM_REACH_MM, belowMm: SEAM_REACH_MM, isOut: false, mm: 0 }
    }
    case 'side':
      return { how, isOut: false, bustMm: 0, waistMm: 0, hipMm: 0 }
    case 'hem':
      return { how, isLonger: false, centreFrontMm: 0, sideMm: 0, centreBackMm: 0 }
  }
}
