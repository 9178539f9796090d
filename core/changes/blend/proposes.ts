import type { Garment } from '../../pattern'
import { sizesToCut } from '../../size'
import type { AskedByBody } from '../types'
import { zonesOfSides } from './plan-chain'
import type { BlendInputs } from './schema'

/** The size that the worksheet chose for each zone, where they are not all the one that lies there (craft 6.6). */
export function proposeBlend(garmentNow: () => Garment, { sheet }: AskedByBody): { inputs: BlendInputs; note: string }[] {
  const { sizeOf } = sizesToCut(sheet)
  const garment = garmentNow()
  const first = sizeOf('bust') ?? sizeOf('waist') ?? sizeOf('hip') ?? garment.baseSizeId
  const inputs: BlendInputs = {
    bust: sizeOf('bust') ?? first,
    waist: sizeOf('waist') ?? first,
    hip: sizeOf('hip') ?? sizeOf('waist') ?? first,
    startMm: 0,
    endMm: 0,
  }
  const differs = [inputs.bust, inputs.waist, inputs.hip].some((id) => id !== garment.baseSizeId)
  if (!differs || garment.sizes.length < 2 || zonesOfSides(garment).length === 0) return []
  return [{ inputs, note: 'A size for each zone, from the worksheet.' }]
}
