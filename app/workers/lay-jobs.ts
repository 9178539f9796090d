import { makeLay, wantedOf, type Cloth, type Lay } from '~~/core/cloth'
import type { Garment } from '~~/core/pattern'
import type { Result } from '~~/core/result'

/** How often it is told how far a lay has come, ms. */
const TELL_MS = 100

/** What the worker of the cloth does. */
export const layJobs = {
  /**
   * Lays pieces on a cloth for so long at most, and tells how far it is: which part of the time is over, and the best length so far, mm.
   *
   * @param counts how often each piece is cut from this cloth, by its id
   */
  lay(
    garment: Garment,
    counts: Record<string, number>,
    cloth: Cloth,
    budgetMs: number,
    tell: (part: number, bestMm: number) => void,
  ): Result<Lay> {
    const began = performance.now()
    let told = began
    return makeLay(garment, garment.baseSizeId, wantedOf(garment, counts), cloth, {
      goOn: (_round, bestMm) => {
        const now = performance.now()
        if (now - told > TELL_MS) {
          told = now
          tell(Math.min(1, (now - began) / budgetMs), bestMm)
        }
        return now - began < budgetMs
      },
    })
  },
}
export type LayJobs = typeof layJobs
