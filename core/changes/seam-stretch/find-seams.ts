import { centreLine, findPiece, refOf, seamsOfEdge, type Edge, type EdgeRole, type Garment, type Piece } from '../../pattern'

/** Seams that run down a body or a limb; necklines, armholes and waists have changes of their own. */
const ROLES: EdgeRole[] = ['side', 'outseam', 'inseam', 'underarm', 'panel', 'centre-back', 'centre-front', 'crotch']

/** One seam, by the first of its edges, with what it is called. */
export interface FoundSeam {
  piece: Piece
  edge: Edge
  name: string
}

const isMovable = (edge: Edge | undefined): edge is Edge => edge !== undefined && !edge.fold && ROLES.includes(edge.role)

/** A centre edge beyond the middle of the body, which is drawn as a line, closes over the other one: it is sewn to nothing. */
const closesOver = (piece: Piece, edge: Edge) => edge.role.startsWith('centre') && centreLine(piece) !== undefined

/** Every seam that can be taken in or let out along a stretch: each once, and centre seams that are sewn to their mirror image. */
export function findSeams(garment: Garment): FoundSeam[] {
  const sewn = garment.seams.flatMap((seam): FoundSeam[] => {
    const first = seam.sides[0][0]!
    const piece = findPiece(garment, first.pieceId)!
    const edge = piece.edges.find((e) => e.id === first.edgeId)
    return isMovable(edge) ? [{ piece, edge, name: seam.name }] : []
  })
  const own = garment.pieces.flatMap((piece) =>
    piece.edges
      .filter((e) => isMovable(e) && piece.cut.mirrored && piece.cut.count > 1 && !closesOver(piece, e))
      .filter((e) => seamsOfEdge(garment, piece.id, e.id).length === 0)
      .map((edge) => ({ piece, edge, name: `${edge.name}, ${piece.name}` })),
  )
  return [...sewn, ...own]
}

/** How a seam is referred to: by its first edge. */
export const refOfSeam = ({ piece, edge }: FoundSeam): string => refOf(piece.id, edge.id)

/** The seam of a reference; undefined where it has gone, or is a fold by now. */
export const seamOfRef = (garment: Garment, ref: string): FoundSeam | undefined => findSeams(garment).find((s) => refOfSeam(s) === ref)

/** The seam that an edge is part of, as it is named above; undefined where it is none of them. */
export function seamOf(garment: Garment, pieceId: string, edgeId: string): FoundSeam | undefined {
  const seams = findSeams(garment)
  const mine = seamsOfEdge(garment, pieceId, edgeId)[0]?.seam.sides[0][0]
  return seams.find((s) => s.piece.id === (mine?.pieceId ?? pieceId) && s.edge.id === (mine?.edgeId ?? edgeId))
}
