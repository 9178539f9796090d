import { tipBackMm, pressOf } from '../../darts'
import { type Garment, shapeOf, dartFigures } from '../../pattern'
import type { FoundDart } from '../shared/darts/find-darts'
import type { FinishDartInputs } from './schema'

/** To begin with for a dart: its tip as far back as is usual from there, legs alike, pressed as it is. */
export function inputsFor(garment: Garment, found: FoundDart): FinishDartInputs {
  const shape = shapeOf(found.piece, garment.baseSizeId)
  const role = dartFigures(found.piece, shape, found.dart).before.role
  return { dart: found.ref, tipBackMm: tipBackMm(role), legs: 'equal', pressTo: pressOf(found.piece, shape, found.dart) }
}
