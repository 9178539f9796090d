import type { Garment } from '../../pattern'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import { cupsFor } from './apply'
import type { TakeCupInputs } from './schema'

/** Craft 6.11 as it is said: “take the piece for cup D”, “cup C”. */
export function readTakeCup(wish: Wish, garment: Garment): Reading<TakeCupInputs>[] {
  if (wish.cup === null && !says(wish, 'cup')) return []
  const pieces = [...new Set((garment.cups ?? []).map((c) => c.id))]
  return pieces.flatMap((pieceId) =>
    cupsFor(garment, pieceId)
      .filter((c) => wish.cup === null || c.cup?.toUpperCase() === wish.cup)
      .map((c) => ({
        inputs: { pieceId, cup: c.cup! },
        uses: used(wish, 'cup', 'less', 'piece', 'cut', 'front', 'back', 'other'),
        takes: ['cup'],
        sure: wish.cup !== null && wish.amounts.length === 0,
      })),
  )
}
