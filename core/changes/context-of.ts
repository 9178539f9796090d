import { latestSet, type Wearer } from '../body'
import type { Tolerances } from '../match'
import type { Garment } from '../pattern'
import { NO_SIZING, type Sizing } from '../size'
import type { ChangeContext } from './types'

/**
 * What changes, measures and advice look at besides the pieces. It is made here only, so that worker, page, card, paper and
 * command line say the same of one garment.
 *
 * @param garment the pattern as bought, before any stop
 * @param fit what is settled about fit, ease and zones; null where nothing is
 * @param wearer whose newest figures count; null without a wearer
 */
export function contextOf(garment: Garment, fit: { sizing: Sizing } | null, wearer: Wearer | null, tolerances: Tolerances): ChangeContext {
  return {
    sizeId: garment.baseSizeId,
    body: latestSet(wearer),
    sizing: fit?.sizing ?? NO_SIZING,
    tolerances,
    bought: garment,
    crotchCurves: wearer?.crotchCurves ?? [],
  }
}
