import { figureMm, latestSet, type Wearer } from '../body'
import type { ChangeContext } from './types'

/** The figures of a wearer that changes warn by, from the newest set; undefined without a wearer. */
export function wearerFigures(wearer: Wearer | null): ChangeContext['wearer'] {
  if (!wearer) return undefined
  const set = latestSet(wearer)
  return {
    heelRoundMm: figureMm(set, 'heel'),
    waistToKneeMm: figureMm(set, 'waist-to-knee'),
    fullBustMm: figureMm(set, 'bust'),
    highBustMm: figureMm(set, 'high-bust'),
  }
}
