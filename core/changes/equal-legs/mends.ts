import { refOf, type Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { MendOffer, Mismatch } from '../types'
import type { EqualLegsInputs } from './schema'

/** The shorter leg drawn on until both are equal, or the longer one taken back where that serves better. */
export function mendLegs(_garment: Garment, mismatch: Mismatch): MendOffer<EqualLegsInputs>[] {
  // A dart inside a piece has no edge that runs across it.
  if (mismatch.what !== 'dart' || !mismatch.dart.corner) return []
  const { dart } = mismatch
  const shorter = dart.offMm > 0 ? 'second' : 'first'
  const amount = lengthToken(Math.abs(dart.offMm))
  return (['longer', 'shorter'] as const).map((way) => ({
    label: way === 'longer' ? `Make the short leg ${amount} longer` : `Make the long leg ${amount} shorter`,
    note: `Lets the legs of ${dart.pieceName}, ${dart.dartName} meet.`,
    tries: [
      {
        dart: refOf(dart.pieceId, dart.dartId),
        leg: (way === 'longer') === (shorter === 'first') ? ('first' as const) : ('second' as const),
        growMm: way === 'longer' ? Math.abs(dart.offMm) : -Math.abs(dart.offMm),
      },
    ],
  }))
}
