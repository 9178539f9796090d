import type { Garment, Seam } from '../pattern'
import type { Problem } from '../result'
import { buildNest } from './build-nest'
import type { PieceDraft } from './build-piece'
import { BASE_SIZE } from './bring-in'
import { nestDrafts } from './nest-drafts'
import { proposeSeams } from './propose-seams'
import { takeCupsAside } from './take-cups-aside'

/** What drafts make together as far as they are ready. */
export interface Assembled {
  /** The pieces that are ready, without seams. */
  garment: Garment
  /** Seams between them, as their lengths, notches and names propose. */
  seams: Seam[]
  /** Pieces of other cups, which are in the garment beside the one that they take the place of. */
  forCups: string[]
  /** Why a draft is no piece yet, by its id. */
  problems: [id: string, problem: Problem][]
}

/** An edge that nobody has named, nor said of that it has no name. */
export const isUnnamed = (edge: Pick<PieceDraft['edges'][number], 'role' | 'isPlain'>): boolean => edge.role === 'other' && !edge.isPlain

/**
 * Drafts as one garment in all their sizes. One that cannot be built, or has an edge without a name, waits; one for another cup is
 * laid aside with the piece that it takes the place of.
 */
export function assemble(drafts: readonly PieceDraft[]): Assembled {
  const built = drafts.map((draft) => ({ draft, piece: buildNest(draft, BASE_SIZE) }))
  const ready = built.flatMap(({ draft, piece }) => (piece.ok && !draft.edges.some(isUnnamed) ? [{ draft, piece: piece.value }] : []))
  const sorted = takeCupsAside(
    nestDrafts(ready, BASE_SIZE),
    ready.map((r) => r.draft),
  )
  const garment: Garment = { ...sorted.garment, seams: [] }
  return {
    garment,
    seams: proposeSeams(garment),
    forCups: [...sorted.taken],
    problems: [
      ...sorted.problems,
      ...built.flatMap(({ draft, piece }): [string, Problem][] => (piece.ok ? [] : [[draft.id, piece.problem]])),
    ],
  }
}
