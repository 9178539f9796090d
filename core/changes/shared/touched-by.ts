import type { Garment } from '../../pattern'
import type { TouchedPiece } from '../types'

/** The pieces that a change is about, the first of them the one that was asked for, and whatever else it drew anew. */
export function touchedBy(before: Garment, after: Garment, about: readonly string[]): TouchedPiece[] {
  const changed = after.pieces.filter((p) => !before.pieces.includes(p)).map((p) => p.id)
  return [...new Set([...about, ...changed])].map((pieceId, i) => ({ pieceId, how: i === 0 ? 'asked' : 'partner', levels: [] }))
}
