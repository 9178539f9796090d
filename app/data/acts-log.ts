import type { Result } from '~~/core/result'
import { settleMessage } from '~/messages'
import { loadWriting, stepOn, together } from './acts'
import { db } from './db'
import { written } from './storage'

/** One line of the log of a scope. */
export interface LoggedAct {
  id: number
  label: string
  at: string
  undone: boolean
}

/** Everything that was done in a scope and can be taken back, or was taken back and can be done again, in its order. */
export const logOf = async (scope: string): Promise<LoggedAct[]> =>
  (await db.acts.where('scope').equals(scope).sortBy('id')).map(({ id, label, at, undone }) => ({
    id: id!,
    label,
    at,
    undone: undone === 1,
  }))

/**
 * Goes to the moment after an act of a scope, taking back or doing again all that lies between; null is before the first.
 * Stored as a whole or not at all.
 * @returns how many acts were taken back or done again
 */
export async function goToAct(scope: string, actId: number | null): Promise<Result<number>> {
  settleMessage()
  return written('go back in the log', async () => {
    await loadWriting()
    return together(async () => {
      const acts = await logOf(scope)
      const until = actId === null ? -1 : acts.findIndex((a) => a.id === actId)
      const back = acts.filter((a, i) => i > until && !a.undone).length
      const again = acts.filter((a, i) => i <= until && a.undone).length
      for (let i = 0; i < back; i++) await stepOn(scope, true)
      for (let i = 0; i < again; i++) await stepOn(scope, false)
      return back + again
    })
  })
}
