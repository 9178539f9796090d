import type { Garment } from '../../pattern'
import type { TouchedPiece } from '../types'

/** The pieces that a change is about, the first of them the one that was asked for, and whatever else it drew anew after them. */
export function touchedBy(before: Garment, after: Garment, about: readonly string[]): TouchedPiece[] {
  const own = [...new Set(about)].map((pieceId, i): TouchedPiece => ({ pieceId, how: i === 0 ? 'asked' : 'partner', levels: [] }))
  const changed = after.pieces.filter((p) => !before.pieces.includes(p) && !about.includes(p.id))
  return [...own, ...changed.map((p): TouchedPiece => ({ pieceId: p.id, how: 'follows', levels: [] }))]
}
