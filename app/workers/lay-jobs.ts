import { makeLay, wantedOf, type Cloth, type Lay } from '~~/core/cloth'
import type { Garment } from '~~/core/pattern'
import type { Result } from '~~/core/result'

/** How often it is told how far a lay has come, ms. */
const TELL_MS = 100

/** What the worker of the cloth does. */
export const layJobs = {
  /**
   * Lays pieces on a cloth, and tells how far it is: which part of the orders was tried, and the best length so far, mm.
   *
   * @param counts how often each piece is cut from this cloth, by its id
   * @param rounds orders that are tried: the same number gives the same lay
   */
  lay(
    garment: Garment,
    counts: Record<string, number>,
    cloth: Cloth,
    rounds: number,
    tell: (part: number, bestMm: number) => void,
  ): Result<Lay> {
    let told = performance.now()
    return makeLay(garment, garment.baseSizeId, wantedOf(garment, counts), cloth, {
      rounds,
      goOn: (round, bestMm) => {
        const now = performance.now()
        if (now - told > TELL_MS) {
          told = now
          tell(round / rounds, bestMm)
        }
        return true
      },
    })
  },
}
export type LayJobs = typeof layJobs
