import { measureLength } from '../../geometry'
import { edgePath, shapeOf, type Edge, type EdgeRole, type Garment, type Piece } from '../../pattern'
import { type Result, ok, refuse } from '../../result'
import type { ChangeContext } from '../types'
import { swingSlash } from './apply'
import type { SlashSwingInputs } from './schema'

/** Edges that a slash usually begins at, and those it usually hangs on, best first. */
const FROM: EdgeRole[] = ['hem', 'leg-opening', 'waist', 'panel', 'side', 'outseam', 'underarm', 'band', 'other']

const HINGE: EdgeRole[] = ['shoulder', 'waist', 'cap', 'armhole', 'neck', 'side', 'inseam', 'band', 'other']
/** Kept per piece: it is tried in every size, and asked for at every key that is typed. */
const slashes = new WeakMap<Piece, Map<string, SlashSwingInputs | null>>()
/** The first straight cut between two middles that can be swung in every size. */
export function firstSlash(garment: Garment, piece: Piece, sizeId: string): SlashSwingInputs | null {
  const known = slashes.get(piece) ?? new Map<string, SlashSwingInputs | null>()
  slashes.set(piece, known)
  const slash = known.has(sizeId) ? known.get(sizeId)! : findSlash(garment, piece, sizeId)
  known.set(sizeId, slash)
  return slash
}

function findSlash(garment: Garment, piece: Piece, sizeId: string): SlashSwingInputs | null {
  const shape = shapeOf(piece, sizeId)
  const middle = (e: Edge) => measureLength(edgePath(shape, e.id)) / 2
  for (const from of FROM.flatMap((r) => piece.edges.filter((e) => e.role === r)))
    for (const hinge of HINGE.flatMap((r) => piece.edges.filter((e) => e.role === r && e.id !== from.id))) {
      const inputs: SlashSwingInputs = {
        pieceId: piece.id,
        fromEdgeId: from.id,
        fromMm: middle(from),
        hingeEdgeId: hinge.id,
        hingeMm: middle(hinge),
        amountMm: 0,
        swings: 'far',
      }
      if (swingSlash(garment, { ...inputs, amountMm: 1 }).ok) return inputs
    }
  return null
}

/** To begin with: nothing wide, on the first piece that has an edge to cut from and one to hinge on. */
export function beginSlash(garment: Garment, context: ChangeContext): Result<SlashSwingInputs> {
  for (const piece of garment.pieces) {
    const begun = firstSlash(garment, piece, context.sizeId)
    if (begun) return ok(begun)
  }
  return refuse('no-slash', 'garment', 'no piece has two edges that a straight cut could run between.', 'Import a piece first.')
}
