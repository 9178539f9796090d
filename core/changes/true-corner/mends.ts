import type { Garment } from '../../pattern'
import type { MendOffer, Mismatch } from '../types'
import type { TrueCornerInputs } from './schema'

/** Reaches over which a corner is trued, mm: the first that works and helps is offered. */
const REACHES_MM = [60, 40, 25, 15]

/** Both edges beside a corner redrawn so that they run on. */
export function mendCorner(_garment: Garment, mismatch: Mismatch): MendOffer<TrueCornerInputs>[] {
  if (mismatch.what !== 'corner') return []
  const { corner } = mismatch
  return [
    {
      label: 'True the corner',
      note: `Lets the edge run on smoothly: ${corner.where}.`,
      tries: REACHES_MM.map((reachMm) => ({ cornerId: corner.id, reachMm, firstTakes: 'half' })),
    },
  ]
}
