import { dot, subtract } from '../../geometry'
import type { FrontKind } from '../../measure'
import { dartFigures, grainDirection, shapeOf, type Garment } from '../../pattern'
import { whyNoArmhole } from '../../seams'
import { bodyLengths } from '../../size'
import type { AskedByBody } from '../types'
import { frontOf } from './draw'
import type { FrontLengthInputs } from './schema'

/** Less than this is left as it is, mm: within how exactly a body is measured. */
const LEAST_MM = 2

/** So much of its side dart a front gives up to become shorter, where the rest can be taken above the bust: the bust needs its room. */
const GIVEN_OF_DART = 0.5

/** How much shorter a front may become at its side dart, whole mm along the grain. */
function mayGiveMm(garment: Garment, { piece, dart }: Extract<FrontKind, { how: 'side-dart' }>): number {
  if (whyNoArmhole(garment)) return Infinity
  const shape = shapeOf(piece, garment.baseSizeId)
  const { first, second } = dartFigures(piece, shape, dart)
  return Math.floor(GIVEN_OF_DART * Math.abs(dot(subtract(second, first), grainDirection(shape))))
}

/** What the front still misses from shoulder to waist when the back has the body’s length. */
export function proposeFrontLength(garmentNow: () => Garment, { context }: AskedByBody): { inputs: FrontLengthInputs; note: string }[] {
  const garment = garmentNow()
  const row = bodyLengths(garment, context.body, context.sizing.wantedMm).find((r) => r.id === 'front-to-waist')
  if (!row || row.missingMm === null || Math.abs(row.missingMm) < LEAST_MM) return []
  const front = frontOf(garment, row.pieceId)
  if (!front || (front.how !== 'side-dart' && row.missingMm < 0)) return []
  const amountMm = Math.max(row.missingMm, front.how === 'side-dart' ? -mayGiveMm(garment, front) : -Infinity)
  if (Math.abs(amountMm) < LEAST_MM) return []
  return [
    {
      inputs: { pieceId: row.pieceId, amountMm },
      note: 'Front, shoulder to waist: the body measures more or less than the front gives.',
    },
  ]
}
