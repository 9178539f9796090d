import type { Garment } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import type { ChangeContext } from '../types'
import { stretched } from './apply'
import type { StretchPlace } from './places'
import type { SeamStretchInputs } from './schema'

/** A place beside the deepest one goes out less, and not square to the grain: so often it is measured again. */
const ROUNDS = 3

/**
 * The stretch by which each of its edges gains what is wished, or as much as it may; null where it gains nothing.
 *
 * @param wishMm of each edge, at the level that is asked for; less when negative
 * @param gainedMm what an edge gains there by a stretch, mm
 */
export function amountFor(
  garment: Garment,
  { stretch, mostMm }: StretchPlace,
  wishMm: number,
  gainedMm: (after: Garment) => number,
  context: ChangeContext,
): { inputs: SeamStretchInputs; garment: Garment } | null {
  const atMost = (mm: number) => Math.max(-mostMm, Math.min(mostMm, mm))
  let best: { inputs: SeamStretchInputs; garment: Garment } | null = null
  let amountMm = atMost(wishMm)
  for (let round = 0; round < ROUNDS && amountMm * wishMm > 0; round++) {
    const inputs = { ...stretch, amountMm }
    const done = stretched(garment, inputs, context)
    if (!done.ok) break
    best = { inputs, garment: done.value.garment }
    const gained = gainedMm(best.garment)
    const next = gained * wishMm > 0 ? atMost((amountMm * wishMm) / gained) : amountMm
    if (Math.abs(next - amountMm) <= EQUAL_MM) break
    amountMm = next
  }
  return best
}
