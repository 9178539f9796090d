import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import type { ChangeContext, Reading } from '../types'
import { findPlaceableSeam } from './measure-side'
import { firstLevel } from '../shared/levels/begin'
import type { PlaceSeamInputs } from './schema'

const LOWER: readonly Concept[] = ['down', 'too-high']
const HIGHER: readonly Concept[] = ['up', 'too-low']

/** Craft 6.3 as it is said: “waist seam 1/2 lower”, “place the waist seam 8 in below the underarm”. */
export function readPlaceSeam(wish: Wish, garment: Garment, context: ChangeContext): Reading<PlaceSeamInputs>[] {
  const isSeam = says(wish, 'waist-seam') || (says(wish, 'place') && says(wish, 'waist', 'seam'))
  const found = isSeam ? findPlaceableSeam(garment, context.sizeId) : null
  // “Bodice 1 shorter above the waist seam” is said of the bodice.
  const isLetDown = wish.tokens.some((t) => t.is === 'concept' && t.concept === 'longer' && t.text.startsWith('let'))
  if (!found || (says(wish, 'longer') && !isLetDown) || says(wish, 'shorter', 'too-long', 'too-short')) return []
  const way = towards(wish, isLetDown ? [...LOWER, 'longer'] : LOWER, HIGHER)
  const inputs = {
    seamId: found.seam.id,
    pieceId: found.piece.id,
    fromCornerId: found.cornerId,
    level: firstLevel(found.piece, context.sizeId),
    giveBack: true,
  }
  // A distance below the underarm is where it is to be; else it is moved by the amount.
  const isPlace = way === 0 && wish.amounts.length === 1 && wish.amounts[0]!.sign === 0 && says(wish, 'below', 'underarm', 'place')
  const byMm = isPlace ? 0 : way === 0 ? 0 : oneAmount(wish, way)
  const wantedMm = wish.wantedMm ?? (isPlace ? wish.amounts[0]!.mm : found.distanceMm + (byMm ?? 0))
  return [
    {
      inputs: { ...inputs, wantedMm },
      uses: used(
        wish,
        'waist-seam',
        'waist',
        'seam',
        'place',
        'below',
        'underarm',
        ...(isLetDown ? (['longer'] as const) : []),
        ...LOWER,
        ...HIGHER,
      ),
      takes: ['wanted'],
      sure: byMm !== null && wish.amounts.length < 2 && (isPlace || way !== 0 || wish.amounts.length === 0),
      where: 'below the underarm',
    },
  ]
}
