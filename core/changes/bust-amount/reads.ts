import { frontsOf } from '../../measure'
import { findPiece, type Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { keptAmong } from '../shared/reading/kept'
import { missingOf, takesWanted } from '../shared/reading/wanted'
import type { ChangeContext, Reading } from '../types'
import type { BustAmountInputs } from './schema'

const FULLER: readonly Concept[] = ['fuller', 'out', 'more', 'too-tight']
const SMALLER: readonly Concept[] = ['in', 'less', 'too-loose']
/** What may be said to stay while the bust changes. */
const BELOW: readonly Concept[] = ['waist', 'hip']

/** Craft 6.11 as it is said: “fuller bust 2”, “smaller bust”, “tight over the bust”, “bust 40”. Round the body: half of it on the half piece. */
export function readBust(
  wish: Wish,
  garment: Garment,
  context: ChangeContext,
  begun: () => BustAmountInputs | null,
): Reading<BustAmountInputs>[] {
  // A cup that is too small, on a pattern without pieces for other cups.
  const isCup = says(wish, 'cup') && wish.cup === null && !garment.cups?.length
  const kept = keptAmong(wish, ['bust', ...BELOW])
  if (
    (!says(wish, 'bust') && !isCup) ||
    kept.includes('bust') ||
    says(wish, 'side', 'dart', 'pivot', 'slide', 'length', 'longer', 'shorter', 'apex') ||
    BELOW.some((place) => says(wish, place) && !kept.includes(place))
  )
    return []
  // “Bust 40”: what it lacks, or has too much, all round.
  const missing = missingOf(wish, garment, 'bust', context)
  const way = missing === null ? towards(wish, FULLER, SMALLER) : missing < 0 ? -1 : 1
  const usual = way === 0 ? null : begun()
  if (way === 0 || !usual) return []
  const mm = missing ?? oneAmount(wish, way)
  const isEach = says(wish, 'each')
  const amountMm = mm === null ? 0 : isEach ? mm : mm / 2
  const isFront = says(wish, 'front')
  // What is to stay below the bust: the gain is taken out along the side. It fades to the lower edge, so that a waist above a hem has some.
  const waist = kept.length > 0 ? 'side' : usual.waist
  const endsAtWaist = findPiece(garment, usual.pieceId)!.edges.some((e) => e.role === 'waist')
  const stays = kept.length > 0 && (endsAtWaist || !kept.includes('waist'))
  return [
    {
      inputs: { ...usual, amountMm, waist },
      uses: used(
        wish,
        ...(says(wish, 'more', 'less') ? (['ease'] as const) : []),
        'bust',
        ...(isCup ? (['cup'] as const) : []),
        'each',
        'round',
        'piece',
        ...(isFront ? (['front'] as const) : []),
        ...(stays ? (['keep'] as const) : []),
        ...kept,
        ...FULLER,
        ...SMALLER,
      ),
      ...takesWanted(missing),
      sure: mm !== null && missing === null && frontsOf(garment).length > 0 && (stays || kept.length === 0),
      towards: way,
      ...(stays ? { stays: `the ${kept.join(' and ')} stays` } : {}),
      ...(mm
        ? {
            words: `${way > 0 ? 'Fuller' : 'Smaller'} bust ${lengthToken(Math.abs(amountMm * 2))} round the body, ${lengthToken(Math.abs(amountMm))} on the half piece`,
          }
        : {}),
    },
  ]
}
