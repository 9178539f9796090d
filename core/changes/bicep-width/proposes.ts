import { finishedMm, zoneOn } from '../../measure'
import type { Garment } from '../../pattern'
import { armholesWithSleeve } from '../../seams'
import type { AskedByBody } from '../types'
import { wayFor } from './apply'
import type { BicepWidthInputs } from './schema'

/** Less than this is left as it is, mm: what a tape round an arm can tell. */
const LEAST_MM = 4

/** What the body’s bicep and the wanted ease ask for beyond what the sleeve gives; a looser sleeve is left as its maker meant it. */
export function proposeBicep(garmentNow: () => Garment, { context, sheet }: AskedByBody): { inputs: BicepWidthInputs; note: string }[] {
  const row = sheet.rows.find((r) => r.zone.id === 'bicep')
  if (row?.bodyMm == null) return []
  const garment = garmentNow()
  const zone = zoneOn(garment, 'bicep', context.sizing)
  if (!armholesWithSleeve(garment).ok || !zone) return []
  const amountMm = row.bodyMm + row.wantedMm - finishedMm(garment, zone, garment.baseSizeId, context.sizing.shiftsMm[row.zone.id])
  if (amountMm < LEAST_MM) return []
  return [
    {
      inputs: { amountMm, armhole: wayFor(garment, amountMm, garment.baseSizeId) },
      note: 'Body bicep and its wanted ease, less what the sleeve gives.',
    },
  ]
}
