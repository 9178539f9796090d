import { parseLength, type UnitSystem } from '../units'
import type { Piece } from '../pattern'

export interface Request {
  /** Signed by words such as “shorten”; null when no length was said. */
  amountMm: number | null
  /** The piece that was named, if one was. */
  pieceId: string | null
}

const LESS = /\b(short|less|raise|take out|too long|reduce|up)/i

/** A length at the end of a sentence or after “by”: figures, fractions and a unit. */
const LENGTH = /(?:\bby\s+)?([\d.,/\u00bc-\u00be\u2150-\u215e\s-]*[\d\u00bc-\u00be\u2150-\u215e]\s*(?:"|″|mm|cm|inch(?:es)?|in)?)\s*\.?$/i

/**
 * Reads amount and piece out of a typed wish such as “shorten the body by 1 3/8 inch” or “sleeve too long 2 cm”.
 * The change itself is found by findChanges.
 */
export function readRequest(wish: string, system: UnitSystem, pieces: readonly Piece[]): Request {
  const found = LENGTH.exec(wish.trim())
  const read = found ? parseLength(found[1]!.trim(), system) : null
  const amountMm = read?.ok && read.value !== 0 ? (LESS.test(wish) ? -1 : 1) * Math.abs(read.value) : null
  const lower = wish.toLowerCase()
  const named = pieces.find((p) => lower.includes(p.name.toLowerCase())) ?? pieces.find((p) => lower.includes(p.kind.split('-')[0]!))
  return { amountMm, pieceId: named?.id ?? null }
}
