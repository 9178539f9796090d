import { neighbours } from './outline'
import type { EdgeRole, Piece } from './schema'

/** The corners at which an edge of one of the first roles meets one of the others, by id, in the order of the outline. */
export function cornersBetween(piece: Piece, a: readonly EdgeRole[], b: readonly EdgeRole[]): string[] {
  return piece.edges.flatMap((edge, i) => {
    const [here, before] = [edge.role, neighbours(piece, edge.id).before.role]
    const meets = (a.includes(here) && b.includes(before)) || (a.includes(before) && b.includes(here))
    return meets ? [piece.corners[i]!.id] : []
  })
}
