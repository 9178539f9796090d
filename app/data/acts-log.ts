import type { Collection } from 'dexie'
import type { Result } from '~~/core/result'
import { settleMessage } from '~/messages'
import { loadWriting, stepOn, together } from './acts'
import { db, type Act } from './db'
import { written } from './storage'

/** One line of the log of a scope. */
export interface LoggedAct {
  id: number
  label: string
  at: string
  undone: boolean
}

/** After every time that is written. */
const LAST = '\uffff'
/** The acts of a scope that can be taken back (0) or done again (1), in the order of time. */
const linesOf = (scope: string, undone: 0 | 1) =>
  db.acts.where('[scope+undone+at+label]').between([scope, undone, ''], [scope, undone, LAST])

/** What an index says of acts: the acts themselves are not read, which may hold whole wardrobes. */
async function read(lines: Collection<Act, number>): Promise<LoggedAct[]> {
  const acts: LoggedAct[] = []
  await lines.eachKey((key, { primaryKey: id }) => {
    const [, undone, at, label] = key as unknown as [string, 0 | 1, string, string]
    acts.push({ id, label, at, undone: undone === 1 })
  })
  return acts
}

/** Everything that was done in a scope and can be taken back, or was taken back and can be done again, in its order. */
export const logOf = async (scope: string): Promise<LoggedAct[]> =>
  [...(await read(linesOf(scope, 0))), ...(await read(linesOf(scope, 1)))].sort((a, b) => a.id - b.id)

/** What would be taken back next in a scope (0), or done again (1): by their numbers, as that is done; null where there is nothing. */
async function nextOf(scope: string, undone: 0 | 1): Promise<LoggedAct | null> {
  const ids = await db.acts.where('[scope+undone]').equals([scope, undone]).primaryKeys()
  const id = undone ? ids[0] : ids.at(-1)
  const lines = linesOf(scope, undone)
  const [near] = await read((undone ? lines : lines.reverse()).limit(1))
  // A clock that was set back, or acts of one moment: then the times tell another order.
  return near?.id === id ? (near ?? null) : ((await read(linesOf(scope, undone))).find((a) => a.id === id) ?? null)
}

/** What would be taken back next in a scope, and what would be done again; null where there is nothing. */
export const endsOf = async (scope: string): Promise<{ done: LoggedAct | null; redo: LoggedAct | null }> => ({
  done: await nextOf(scope, 0),
  redo: await nextOf(scope, 1),
})

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
