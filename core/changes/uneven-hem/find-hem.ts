import { measureLength } from '../../geometry'
import { edgePath, halfOf, neighbours, seamsOfEdge, shapeOf, type BodyHalf, type Edge, type Garment, type Piece } from '../../pattern'
import { beyondDart } from '../../seams'

/** One hem edge and where it lies between the middle of the body and the side. */
export interface HemPart {
  piece: Piece
  edge: Edge
  half: 'front' | 'back'
  /** Distance from the centre along the sewn hem to the edge's start and to its end, mm; whole pieces have none. */
  fromCentreMm: { start: number; end: number } | null
  /** From centre to side along the sewn hem, mm. */
  halfMm: number
}

const isMiddle = (e: Edge) => e.fold || e.role === 'centre-front' || e.role === 'centre-back'

/** Where an edge of a piece lies at the middle of the body: at fold or centre, or where an opened piece's other half begins. */
const centreOf = (piece: Piece) => (piece.edges.some(isMiddle) ? isMiddle : (e: Edge) => e.role === 'hem')

/** Which half a hem lies on: by the kind of its piece, else by its centre. */
function liesOn(piece: Piece): BodyHalf | null {
  if (halfOf(piece)) return halfOf(piece)
  if (piece.edges.some((e) => e.role === 'centre-front')) return 'front'
  if (piece.edges.some((e) => e.role === 'centre-back')) return 'back'
  return null
}

/** The hem edge that a hem goes on into across a seam, or null at an end of the chain. */
function across(garment: Garment, piece: Piece, joint: Edge): { piece: Piece; edge: Edge; entersAtStart: boolean } | null {
  for (const { seam, side } of seamsOfEdge(garment, piece.id, joint.id))
    for (const run of seam.sides[side === 0 ? 1 : 0]) {
      const partner = garment.pieces.find((p) => p.id === run.pieceId)
      if (!partner) continue
      const { before, after } = neighbours(partner, run.edgeId)
      if (before.role === 'hem') return { piece: partner, edge: before, entersAtStart: false }
      if (after.role === 'hem') return { piece: partner, edge: after, entersAtStart: true }
    }
  return null
}

/** The hem edge that a hem goes on into across a dart, or null where none does. */
function overDart({ piece, edge, atStart }: { piece: Piece; edge: Edge; atStart: boolean }): ReturnType<typeof across> {
  const beyond = beyondDart(piece, { edgeId: edge.id, reversed: !atStart })
  return beyond?.role === 'hem' ? { piece, edge: beyond, entersAtStart: atStart } : null
}

/**
 * The hem of a body or skirt, edge by edge: from each centre, over any panels and darts, to the side. Whole pieces (side to side)
 * have their centre in the middle of the edge.
 */
export function findHem(garment: Garment, sizeId: string): HemPart[] {
  const lengthOf = (piece: Piece, edge: Edge) => measureLength(edgePath(shapeOf(piece, sizeId), edge.id))
  const parts: HemPart[] = []
  const seen = new Set<string>()
  for (const piece of garment.pieces) {
    const half = liesOn(piece)
    if (!half) continue
    const isCentre = centreOf(piece)
    for (const edge of piece.edges) {
      if (edge.role !== 'hem' || seen.has(`${piece.id}/${edge.id}`)) continue
      const { before, after } = neighbours(piece, edge.id)
      if (before.role === 'side' && after.role === 'side') {
        seen.add(`${piece.id}/${edge.id}`)
        parts.push({ piece, edge, half, fromCentreMm: null, halfMm: lengthOf(piece, edge) / 2 })
        continue
      }
      if (!isCentre(before) && !isCentre(after)) continue
      const chain: { piece: Piece; edge: Edge; atStart: boolean }[] = [{ piece, edge, atStart: isCentre(before) }]
      for (;;) {
        const last = chain[chain.length - 1]!
        const joint = last.atStart ? neighbours(last.piece, last.edge.id).after : neighbours(last.piece, last.edge.id).before
        if (joint.role === 'side') break
        const next = joint.role === 'dart-leg' ? overDart(last) : across(garment, last.piece, joint)
        if (!next || chain.some((c) => c.piece === next.piece && c.edge === next.edge)) break
        chain.push({ piece: next.piece, edge: next.edge, atStart: next.entersAtStart })
      }
      const halfMm = chain.reduce((sum, c) => sum + lengthOf(c.piece, c.edge), 0)
      let reached = 0
      for (const c of chain) {
        const own = lengthOf(c.piece, c.edge)
        seen.add(`${c.piece.id}/${c.edge.id}`)
        const fromCentreMm = c.atStart ? { start: reached, end: reached + own } : { start: reached + own, end: reached }
        parts.push({ piece: c.piece, edge: c.edge, half, fromCentreMm, halfMm })
        reached += own
      }
    }
  }
  return parts
}
