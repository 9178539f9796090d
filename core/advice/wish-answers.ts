import type { NewChange } from '../changes'
import type { Wish } from '../wishes'

/** A change that a wish may mean. */
export interface Offer {
  change: NewChange
  /** What it will do, in words: direction, amount and place. */
  sentence: string
  /** Which way its amount goes, where none was typed; 0 where that is open too. */
  towards: 1 | 0 | -1
  /** Its amount was not typed: it is asked for next, in this field of the form or in its first one for an amount. */
  asksAmount: boolean
  field: string | null
  /** More was asked for than works: it is as much of the same as does. */
  isLargest?: true
}

/** What Enter does with a wish. */
export type WishAnswer =
  /** `measure` says how the amount is taken on the body, where a sign was named and no figure. */
  /** Nothing was typed, or nothing of it is known; `why` says so where something was typed. */
  | { how: 'nothing'; why: string | null }
  | { how: 'does'; offer: Offer; slips: Wish['slips']; measure: string | null }
  /** A choice of at most four; nothing is done before one is chosen. */
  | { how: 'asks'; why: string; offers: Offer[]; measure: string | null }

/** So many are offered at the most. */
export const MOST_OFFERS = 4

export const offersOf = (a: WishAnswer): Offer[] => (a.how === 'does' ? [a.offer] : a.how === 'asks' ? a.offers : [])
export const keyOf = ({ change }: Offer): string => JSON.stringify([change.kind, change.inputs])

export const sameOffers = (list: Offer[]): Offer[] => {
  const seen = new Set<string>()
  return list.filter((o) => {
    const key = keyOf(o)
    return !seen.has(key) && seen.add(key)
  })
}
