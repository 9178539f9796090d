import type { GarmentRow } from '~~/core/formats'
import type { Result } from '~~/core/result'
import { settleMessage } from '~/messages'
import { hangOf } from './cards'
import { db, type Act, type ActChange, type AnyRow, type Rows, type TableName } from './db'
import { written } from './storage'
import { EMPTY_TRAY } from './empty-tray'
import { EVERY_TABLE } from './table-names'
import type * as Writing from './writing'

/** Acts kept per scope; older ones can no longer be undone. */
const KEPT_ACTS = 300

let writing: typeof Writing | null = null
/** What writing needs is large: it is loaded before the first thing is written, not with the first page. */
export async function loadWriting(): Promise<void> {
  writing ??= await import('./writing')
}

/** One transaction over all that is stored; one that is under way already takes this in. */
export const together = <T>(work: () => Promise<T>): Promise<T> => db.transaction('rw', EVERY_TABLE, work)

async function addAct(scope: string, label: string, changes: ActChange[]): Promise<void> {
  // A new act ends what could have been redone.
  await actsOf(scope, 1).delete()
  await db.acts.add({ scope, label, at: new Date().toISOString(), undone: 0, changes })
  const ids = await db.acts.where('scope').equals(scope).primaryKeys()
  if (ids.length > KEPT_ACTS) await db.acts.bulkDelete(ids.slice(0, ids.length - KEPT_ACTS))
}

/** A garment or fit remembers when it was last worked on. */
const stamped = (row: AnyRow): AnyRow => ('updatedAt' in row ? { ...row, updatedAt: new Date().toISOString() } : row)

async function readRow(table: TableName, id: string): Promise<AnyRow | undefined> {
  return (await db.table<AnyRow>(table).get(id)) ?? (table === 'tray' ? EMPTY_TRAY : undefined)
}

/** Whole rows of one table that are created, replaced, or (`null`) deleted. */
interface RowsPart<T extends TableName> {
  table: T
  rows: { id: string; after: Rows[T] | null }[]
}

/** Something done to one row. */
interface RecipePart<T extends TableName> {
  table: T
  id: string
  recipe: (draft: Rows[T]) => void
}

/** One part of an act. */
export type Part = { [T in TableName]: RowsPart<T> | RecipePart<T> }[TableName]

/** What is done as one thing, and where it can be undone. */
export interface Done {
  scope: string
  label: string
  parts: readonly Part[]
}

async function changeRows<T extends TableName>({ table, rows }: RowsPart<T>): Promise<ActChange | null> {
  if (rows.length === 0) return null
  const ids = rows.map((r) => r.id)
  const before = await Promise.all(ids.map(async (id) => ((await db.table(table).get(id)) as Rows[T] | undefined) ?? null))
  // It was loaded before the transaction began: nothing but the storage may be waited for inside of it.
  const after = rows.map((r) => r.after && writing!.checked(table, null, r.after))
  await putRows(table, ids, after)
  return { how: 'rows', table, ids, before, after }
}

async function changeRow<T extends TableName>({ table, id, recipe }: RecipePart<T>): Promise<ActChange | null> {
  const row = (await readRow(table, id)) as Rows[T] | undefined
  if (!row) return null
  const { next, patches, inverse } = writing!.drafted(row, recipe)
  if (patches.length === 0) return null
  await putRows(table, [id], [writing!.checked(table, row, stamped(next))])
  return { how: 'patch', table, id, patches, inverse }
}

async function act({ scope, label, parts }: Done): Promise<void> {
  const changes: ActChange[] = []
  for (const part of parts) {
    const change = 'rows' in part ? await changeRows(part as RowsPart<TableName>) : await changeRow(part as RecipePart<TableName>)
    if (change) changes.push(change)
  }
  if (changes.length > 0) await addAct(scope, label, changes)
}

/**
 * Acts that are stored together or not at all. Each reads its rows as they are now (another tab may have changed them), applies
 * the recipes, checks the results with the schemas and writes rows and way back in one transaction. What cannot be stored is
 * said on every screen.
 */
export function doTogether(label: string, acts: readonly Done[]): Promise<Result<void>> {
  settleMessage()
  return written(label, async () => {
    await loadWriting()
    await together(async () => {
      for (const done of acts) await act(done)
    })
  })
}

/** Does several things as one act. */
export const doParts = (scope: string, label: string, parts: readonly Part[]): Promise<Result<void>> =>
  doTogether(label, [{ scope, label, parts }])

/**
 * Does one thing to one row.
 * @param where table and id of the row, and the scope in which it can be undone
 */
export const doAct = <T extends TableName>(
  { table, id, scope }: { table: T; id: string; scope: string },
  label: string,
  recipe: (draft: Rows[T]) => void,
): Promise<Result<void>> => doParts(scope, label, [{ table, id, recipe } as Part])

/** Creates, replaces or deletes whole rows of one table, as one act of the wardrobe. */
export const doRows = <T extends TableName>(table: T, label: string, rows: RowsPart<T>['rows']): Promise<Result<void>> =>
  doParts('wardrobe', label, [{ table, rows } as Part])

/** Writes rows, or deletes them, with what is kept of them beside (cards.ts): what was worked out from other rows goes. */
async function putRows(table: TableName, ids: string[], rows: (AnyRow | null)[]): Promise<void> {
  for (const [i, row] of rows.entries()) {
    if (row) await db.table(table).put(row)
    else await db.table(table).delete(ids[i]!)
  }
  if (table === 'fits') await db.settled.bulkDelete(ids)
  if (table !== 'garments') return
  await db.hangs.bulkDelete(ids)
  await db.hangs.bulkPut(rows.flatMap((row) => (row ? [hangOf(row as GarmentRow)] : [])))
  await db.cards.bulkDelete(ids)
  await db.settled.where('garmentId').anyOf(ids).delete()
}

const actsOf = (scope: string, undone: 0 | 1) => db.acts.where('[scope+undone]').equals([scope, undone])

/** The act of a scope that would be taken back next. */
const lastDone = (scope: string): Promise<Act | undefined> => actsOf(scope, 0).last()

/** The act of a scope that would be done again next. */
const nextRedo = (scope: string): Promise<Act | undefined> => actsOf(scope, 1).first()

async function step(scope: string, back: boolean): Promise<string | null> {
  settleMessage()
  const done = await written(back ? 'undo' : 'redo', async () => {
    await loadWriting()
    return together(() => stepOn(scope, back))
  })
  return done.ok ? done.value : null
}

/** Takes the last act of a scope back, or does the next one again, inside a transaction, once the schemas are loaded. */
export async function stepOn(scope: string, back: boolean): Promise<string | null> {
  const act = await (back ? lastDone(scope) : nextRedo(scope))
  if (!act) return null
  // All of it is worked out before any of it is written: an act is taken back whole.
  const next: (() => Promise<void>)[] = []
  for (const change of back ? [...act.changes].reverse() : act.changes) {
    if (change.how === 'rows') next.push(() => putRows(change.table, change.ids, back ? change.before : change.after))
    else {
      const row = await readRow(change.table, change.id)
      const patched = row && writing!.patched(change.table, row, back ? change.inverse : change.patches)
      // The row has been replaced since (a restored backup): the act has nothing left to act on.
      if (!patched) {
        await db.acts.delete(act.id!)
        return `${act.label} (no longer possible: what it was done to was replaced)`
      }
      next.push(() => putRows(change.table, [change.id], [stamped(patched)]))
    }
  }
  for (const write of next) await write()
  await db.acts.update(act.id!, { undone: back ? 1 : 0 })
  return act.label
}

/** Takes the last act of a scope back; gives its label, or null when there is none. */
export const undoAct = (scope: string): Promise<string | null> => step(scope, true)

/** Does the last undone act of a scope again. */
export const redoAct = (scope: string): Promise<string | null> => step(scope, false)

/** Deletes all that is stored, with the log of it: it cannot be undone. */
export const deleteEverything = (): Promise<Result<void>> =>
  written('delete everything', () =>
    together(async () => {
      for (const name of EVERY_TABLE) await db.table(name).clear()
    }),
  )

/**
 * Deletes a wearer, everything that was kept of their fittings with its pictures, and everything that could bring it back: it cannot
 * be undone. Fits that named the wearer name none.
 */
export const deleteForGood = (wearerId: string): Promise<Result<void>> =>
  written('delete for good', () =>
    together(async () => {
      const fitIds = (await db.fits.filter((f) => f.wearerId === wearerId).toArray()).map((f) => f.id)
      const [fittings, photos] = await Promise.all(
        [db.fittings, db.photos].map((table) => table.where('fitId').anyOf(fitIds).primaryKeys()),
      )
      const made = await db.made.where('wearerId').equals(wearerId).primaryKeys()
      const gone: { [T in TableName]?: readonly string[] } = { wearers: [wearerId], fittings, photos, made }
      for (const [table, ids] of Object.entries(gone)) await db.table(table).bulkDelete([...ids])
      await db.pictures.bulkDelete(photos!)
      // It says what it was worked out from, which is the wearer's figures too.
      await db.settled.clear()
      await db.fits.where('id').anyOf(fitIds).modify({ wearerId: null })
      await db.versions.where('fitId').anyOf(fitIds).modify({ setId: null })
      const touches = (change: ActChange) => {
        const ids = change.how === 'patch' ? [change.id] : change.ids
        return ids.some((id) => gone[change.table]?.includes(id))
      }
      await db.acts.filter(({ changes }) => changes.some(touches)).delete()
    }),
  )
