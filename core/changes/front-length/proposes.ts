import type { Garment } from '../../pattern'
import { bodyLengths } from '../../size'
import type { AskedByBody } from '../types'
import { frontOf } from './draw'
import type { FrontLengthInputs } from './schema'

/** Less than this is left as it is, mm: within how exactly a body is measured. */
const LEAST_MM = 2

/** What the front still misses from shoulder to waist when the back has the body’s length. */
export function proposeFrontLength(garmentNow: () => Garment, { context }: AskedByBody): { inputs: FrontLengthInputs; note: string }[] {
  const garment = garmentNow()
  const row = bodyLengths(garment, context.body, context.sizing.wantedMm).find((r) => r.id === 'front-to-waist')
  if (!row || row.missingMm === null || Math.abs(row.missingMm) < LEAST_MM) return []
  const front = frontOf(garment, row.pieceId)
  if (!front || (front.how !== 'side-dart' && row.missingMm < 0)) return []
  return [
    {
      inputs: { pieceId: row.pieceId, amountMm: row.missingMm },
      note: 'Front, shoulder to waist: the body measures more or less than the front gives.',
    },
  ]
}
