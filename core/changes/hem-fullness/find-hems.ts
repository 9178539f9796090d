import { measureLength } from '../../geometry'
import {
  edgePath,
  familyOf,
  isBody,
  runsOfEdges,
  type Edge,
  type EdgeRole,
  type Garment,
  type Piece,
  type PieceFamily,
  type Shape,
} from '../../pattern'

const HEMS: EdgeRole[] = ['hem', 'leg-opening']
/** What hangs the piece up, by the kind of piece: the edge that keeps its length. */
const TOPS: Partial<Record<PieceFamily, EdgeRole>> = { skirt: 'waist', leg: 'waist', sleeve: 'cap' }

/** A hem and the edge opposite it, both in outline order, darts left out. */
export interface HemAndTop {
  hem: Edge[]
  top: Edge[]
}

/** The hem of a skirt, leg or sleeve and what it hangs from; null for a piece that has not got both. */
export function hemAndTop(piece: Piece): HemAndTop | null {
  const role = TOPS[familyOf(piece)]
  if (!role) return null
  const hem = runOf(piece, (e) => HEMS.includes(e.role))
  const top = runOf(piece, (e) => e.role === role)
  return hem.length > 0 && top.length > 0 ? { hem, top } : null
}

/** Edges of a kind in the order in which the outline comes to them, from the first after another kind. */
const runOf = (piece: Piece, is: (e: Edge) => boolean): Edge[] => runsOfEdges(piece, is).flat()

/** The piece asked for and those that hang beside it: the other skirt or leg pieces. */
export function hemPartners(garment: Garment, pieceId: string): Piece[] {
  const asked = garment.pieces.find((p) => p.id === pieceId)
  if (!asked || !hemAndTop(asked)) return []
  const sewn = (p: Piece) =>
    garment.seams.some((s) => {
      const ids = s.sides.flat().map((r) => r.pieceId)
      return ids.includes(asked.id) && ids.includes(p.id)
    })
  return [
    asked,
    ...garment.pieces.filter(
      (p) => p.id !== asked.id && isBody(p) && familyOf(p) === familyOf(asked) && p.kind !== asked.kind && hemAndTop(p) && sewn(p),
    ),
  ]
}

export const lengthOf = (shape: Shape, edges: readonly Edge[]): number =>
  edges.reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
