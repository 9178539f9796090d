import type { Garment } from '../pattern'
import type { Result } from '../result'
import { piecesFor } from './nest'
import type { ChangeContext, ChangeKind } from './types'

/** Kinds begun on a garment: kept as long as the garment and the context are the same objects. */
const kept = new WeakMap<Garment, { context: ChangeContext; begun: Map<string, Result<unknown>> }>()

/** A kind as it begins on a garment, or why it does not apply to it. Asked again with the same garment it is not worked out anew. */
export function begunOn(kind: ChangeKind<unknown>, garment: Garment, context: ChangeContext): Result<unknown> {
  let own = kept.get(garment)
  if (own?.context !== context) kept.set(garment, (own = { context, begun: new Map() }))
  const known = own.begun.get(kind.kind) ?? kind.begin(piecesFor(kind, garment, context), context)
  own.begun.set(kind.kind, known)
  return known
}
