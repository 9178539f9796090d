import { dot, subtract } from '../../geometry'
import type { FrontKind } from '../../measure'
import { dartFigures, grainDirection, shapeOf, type Garment } from '../../pattern'
import { bodyLengths } from '../../size'
import { mostAcrossMm } from '../shared/across'
import type { AskedByBody } from '../types'
import { frontOf } from './draw'
import type { FrontLengthInputs } from './schema'

/** Less than this is left as it is, mm: within how exactly a body is measured. */
const LEAST_MM = 2

/** So much of its side dart a front gives up to become shorter: the bust needs its room, and the rest is taken above it where it can be. */
const GIVEN_OF_DART = 0.5

/** How much shorter a front becomes at its side dart of what it has too much, whole mm along the grain. */
function dartGivesMm(garment: Garment, { piece, dart }: Extract<FrontKind, { how: 'side-dart' }>, tooMuchMm: number): number {
  const shape = shapeOf(piece, garment.baseSizeId)
  const { first, second } = dartFigures(piece, shape, dart)
  const partMm = Math.floor(GIVEN_OF_DART * Math.abs(dot(subtract(second, first), grainDirection(shape))))
  return Math.min(tooMuchMm, Math.max(partMm, tooMuchMm - mostAcrossMm(garment, 'front', piece.id)))
}

/** What the front still misses from shoulder to waist when the back has the body’s length. */
export function proposeFrontLength(garmentNow: () => Garment, { context }: AskedByBody): { inputs: FrontLengthInputs; note: string }[] {
  const garment = garmentNow()
  const row = bodyLengths(garment, context.body, context.sizing.wantedMm).find((r) => r.id === 'front-to-waist')
  if (!row || row.missingMm === null || Math.abs(row.missingMm) < LEAST_MM) return []
  const front = frontOf(garment, row.pieceId)
  if (!front || (front.how !== 'side-dart' && row.missingMm < 0)) return []
  const amountMm = row.missingMm < 0 && front.how === 'side-dart' ? -dartGivesMm(garment, front, -row.missingMm) : row.missingMm
  if (Math.abs(amountMm) < LEAST_MM) return []
  return [
    {
      inputs: { pieceId: row.pieceId, amountMm },
      note: `Front, shoulder to waist: the body measures ${amountMm > 0 ? 'more' : 'less'} than the front gives.`,
    },
  ]
}
