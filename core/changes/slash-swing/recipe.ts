import { measureLength } from '../../geometry'
import { edgePath, findPiece, shapeOf, type EdgeRole, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import type { SlashRecipe, SlashSwingInputs } from './schema'

/** A slash with a name, to be used on other garments: places become shares of the edges of their role. */
export function toRecipe(garment: Garment, inputs: SlashSwingInputs, name: string, id: string): Result<SlashRecipe> {
  const piece = findPiece(garment, inputs.pieceId)
  const role = (edgeId: string) => piece?.edges.find((e) => e.id === edgeId)?.role
  const [fromRole, hingeRole] = [role(inputs.fromEdgeId), role(inputs.hingeEdgeId)]
  if (!piece || !fromRole || !hingeRole)
    return refuse('reference-gone', 'slash', 'the piece or an edge of this slash has gone.', 'Choose them again first.')
  return ok({
    id,
    name: name.trim().slice(0, 80),
    pieceKind: piece.kind,
    fromRole,
    fromShare: shareOf(garment, piece, inputs.fromEdgeId, inputs.fromMm),
    hingeRole,
    hingeShare: shareOf(garment, piece, inputs.hingeEdgeId, inputs.hingeMm),
    amountMm: inputs.amountMm,
    swings: inputs.swings,
  })
}

/** The same slash on another garment, or why it has no place there. */
export function fromRecipe(garment: Garment, recipe: SlashRecipe): Result<SlashSwingInputs> {
  const fits = (p: Piece) => [recipe.fromRole, recipe.hingeRole].every((r) => p.edges.some((e) => e.role === r))
  const piece = garment.pieces.find((p) => p.kind === recipe.pieceKind && fits(p)) ?? garment.pieces.find(fits)
  if (!piece)
    return refuse(
      'no-place',
      'garment',
      `no piece has both edges that “${recipe.name}” runs between.`,
      'Name the edges first, or draw the slash anew.',
    )
  const from = placeOf(garment, piece, recipe.fromRole, recipe.fromShare)
  const hinge = placeOf(garment, piece, recipe.hingeRole, recipe.hingeShare)
  return ok({
    pieceId: piece.id,
    fromEdgeId: from.edgeId,
    fromMm: from.atMm,
    hingeEdgeId: hinge.edgeId,
    hingeMm: hinge.atMm,
    amountMm: recipe.amountMm,
    swings: recipe.swings,
  })
}

const edgesOf = (garment: Garment, piece: Piece, role: EdgeRole) => {
  const shape = shapeOf(piece, garment.baseSizeId)
  return piece.edges.filter((e) => e.role === role).map((e) => ({ id: e.id, mm: measureLength(edgePath(shape, e.id)) }))
}

/** How far along all edges of its role a place lies, 0 to 1. */
function shareOf(garment: Garment, piece: Piece, edgeId: string, atMm: number): number {
  const edges = edgesOf(garment, piece, piece.edges.find((e) => e.id === edgeId)!.role)
  const total = edges.reduce((s, e) => s + e.mm, 0)
  const before = edges
    .slice(
      0,
      edges.findIndex((e) => e.id === edgeId),
    )
    .reduce((s, e) => s + e.mm, 0)
  return Math.min(1, Math.max(0, (before + atMm) / total))
}

function placeOf(garment: Garment, piece: Piece, role: EdgeRole, share: number): { edgeId: string; atMm: number } {
  const edges = edgesOf(garment, piece, role)
  let rest = share * edges.reduce((s, e) => s + e.mm, 0)
  for (const [i, e] of edges.entries()) {
    if (rest <= e.mm || i === edges.length - 1) return { edgeId: e.id, atMm: Math.min(rest, e.mm) }
    rest -= e.mm
  }
  throw new Error(`${piece.name} has no ${role}`)
}
