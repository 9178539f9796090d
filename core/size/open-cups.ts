import type { Piece } from '../pattern'
import type { Sizing } from './schema'

/** What a cup more means where no table is printed, mm: our own figure, an inch. */
const CUP_STEP_MM = 25

/** A cup table to begin with for pieces of several cups: in the order of their names, a step further each. */
export function openCups(pieces: readonly Piece[]): Sizing['cups'] {
  const names = [...new Set(pieces.flatMap((p) => p.cup ?? []))].sort()
  return names.map((name, i) => ({ name, upToMm: CUP_STEP_MM * (i + 1) }))
}
