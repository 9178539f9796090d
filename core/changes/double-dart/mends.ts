import { refOf, type Garment } from '../../pattern'
import type { MendOffer, Mismatch } from '../types'
import { doubleDartInputs } from './find'
import type { DoubleDartInputs } from './schema'

/** Both legs of a dart inside a piece ruled anew. */
export function mendInside(garment: Garment, mismatch: Mismatch): MendOffer<DoubleDartInputs>[] {
  if (mismatch.what !== 'dart' || mismatch.dart.corner) return []
  const { dart } = mismatch
  const inputs = doubleDartInputs(garment, refOf(dart.pieceId, dart.dartId))
  if (!inputs) return []
  const note = `Lets the legs of ${dart.pieceName}, ${dart.dartName} meet.`
  return [{ label: 'Rule both legs anew', note, tries: [{ ...inputs, legs: 'ruled' }] }]
}
