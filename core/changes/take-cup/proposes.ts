import { adviseCup } from '../../size'
import type { Garment } from '../../pattern'
import type { AskedByBody } from '../types'
import { cupsFor } from './apply'
import type { TakeCupInputs } from './schema'

/** The pattern's own pieces for the cup that the body takes, where others lie there (craft 4). */
export function proposeCups(garmentNow: () => Garment, { context }: AskedByBody): { inputs: TakeCupInputs; note: string }[] {
  const { cups } = context.sizing
  const advice = adviseCup(context.body, cups)
  // Beyond the largest cup the bust is changed on that one.
  const cup = advice?.cup ?? (advice?.change ? cups.at(-1)?.name : undefined)
  if (!cup) return []
  const garment = garmentNow()
  return garment.pieces
    .filter((p) => p.cup !== cup && cupsFor(garment, p.id).some((c) => c.cup === cup))
    .map((p) => ({ inputs: { pieceId: p.id, cup }, note: 'Full bust less high bust picks this cup.' }))
}
