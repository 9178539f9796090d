import type { Garment, Piece } from '../pattern'
import { refuse, type Problem } from '../result'
import { alignVariant } from './align-variant'
import type { PieceDraft } from './build-piece'

export interface CupsAside {
  garment: Pick<Garment, 'sizes' | 'baseSizeId' | 'pieces' | 'cups'>
  /** By the id of the draft: why a piece for another cup cannot be one yet. */
  problems: Map<string, Problem>
  /** Drafts that became a piece for another cup. */
  taken: string[]
}

/**
 * Puts the pieces that are for other cups aside: what stays among the pieces is one of each, and the pattern's cups hold it
 * and the others, with the same ids (see align-variant).
 *
 * @param nested pieces of the garment, those for other cups among them, in all its sizes
 * @param drafts what was settled about them
 */
export function takeCupsAside(nested: Pick<Garment, 'sizes' | 'baseSizeId' | 'pieces'>, drafts: readonly PieceDraft[]): CupsAside {
  const draftOf = new Map(drafts.map((d) => [d.id, d]))
  const isVariant = ({ id }: Piece) => draftOf.get(id)?.cupOf !== undefined
  const problems = new Map<string, Problem>()
  const taken: string[] = []
  const cups: Piece[] = []
  const pieces = nested.pieces
    .filter((p) => !isVariant(p))
    .map((piece): Piece => {
      const variants = nested.pieces.filter((p) => draftOf.get(p.id)?.cupOf === piece.id)
      if (variants.length === 0) return piece
      const named: Piece = { ...piece, cup: draftOf.get(piece.id)?.cup || 'as drawn' }
      const own = [named]
      for (const variant of variants) {
        const cup = draftOf.get(variant.id)!.cup
        const problem = (code: string, message: string, remedy: string) => refuse(code, variant.name, message, remedy)
        const aligned = !cup
          ? problem('no-cup', 'it does not say which cup it is for.', 'Write the letter or number of the cup.')
          : own.some((o) => o.cup === cup)
            ? problem('cup-twice', `there is a piece for cup ${cup} already.`, 'Give each cup a name of its own.')
            : alignVariant(named, variant, nested.baseSizeId)
        if (!aligned.ok) problems.set(variant.id, aligned.problem)
        else {
          own.push({ ...aligned.value, cup })
          taken.push(variant.id)
        }
      }
      if (own.length === 1) return piece
      cups.push(...own)
      return named
    })
  for (const orphan of nested.pieces.filter((p) => isVariant(p) && !problems.has(p.id) && !taken.includes(p.id)))
    problems.set(orphan.id, {
      code: 'cup-of-nothing',
      where: orphan.name,
      message: 'the piece that it takes the place of is not ready, or is one for another cup itself.',
      remedy: 'Choose another, or settle that one first.',
    })
  return { garment: { ...nested, pieces, ...(cups.length > 0 ? { cups } : {}) }, problems, taken }
}
