import { apply, create, type Patches } from 'mutative'
import { never, strictObject } from 'zod'
import { issueWords } from '~~/core/issue-words'
import type { Result } from '~~/core/result'
import { db, type Act, type AnyRow, type Rows, type TableName } from './db'
import { NotFit, written } from './storage'
import { TABLE_NAMES, TABLES } from './tables'
import { EMPTY_TRAY } from './tray-row'

/** Acts kept per scope; older ones can no longer be undone. */
const KEPT_ACTS = 300

/** One transaction over all that people make; one that is under way already takes this in. */
const together = <T>(work: () => Promise<T>): Promise<T> => db.transaction('rw', [...TABLE_NAMES, 'acts'], work)

async function addAct(scope: string, label: string, change: Act['change']): Promise<void> {
  // A new act ends what could have been redone.
  await actsOf(scope, 1).delete()
  await db.acts.add({ scope, label, at: new Date().toISOString(), undone: 0, change })
  const ids = await db.acts.where('scope').equals(scope).primaryKeys()
  if (ids.length > KEPT_ACTS) await db.acts.bulkDelete(ids.slice(0, ids.length - KEPT_ACTS))
}

/** A garment remembers when it was last worked on. */
const stamped = (row: AnyRow): AnyRow => ('updatedAt' in row ? { ...row, updatedAt: new Date().toISOString() } : row)

/**
 * The row as it may be written. Only fields that differ from `before`, a row that was checked when it was written, are
 * checked: a garment is large, and most acts only touch its plan.
 * @param before null for a whole row that is new
 * @throws NotFit where the schema refuses it
 */
function checked<T extends AnyRow>(table: TableName, before: T | null, row: T): T {
  const fields = [...new Set([...Object.keys(before ?? {}), ...Object.keys(row)])] as (keyof T & string)[]
  const differing = fields.filter((key) => before?.[key] !== row[key])
  const { shape } = TABLES[table].schema
  const schema = before ? strictObject(Object.fromEntries(differing.map((key) => [key, shape[key] ?? never()]))) : TABLES[table].schema
  const read = schema.safeParse(Object.fromEntries(differing.map((key) => [key, row[key]])))
  if (read.success) return { ...row, ...read.data }
  const issue = read.error.issues[0]!
  const where = issue.path.length > 0 ? issue.path.map(String).join(', ') : TABLES[table].word
  throw new NotFit({ code: 'not-fit', where, message: `${issueWords(issue)}.`, remedy: 'Change it and try again.' }, row)
}

async function readRow(table: TableName, id: string): Promise<AnyRow | undefined> {
  return (await db.table<AnyRow>(table).get(id)) ?? (table === 'tray' ? EMPTY_TRAY : undefined)
}

interface Where<T extends TableName> {
  table: T
  id: string
  scope: string
}

async function actOn<T extends TableName>({ table, id, scope }: Where<T>, label: string, recipe: (draft: Rows[T]) => void): Promise<void> {
  const row = (await readRow(table, id)) as Rows[T] | undefined
  if (!row) return
  const [next, patches, inverse] = create(row, (draft) => recipe(draft as Rows[T]), { enablePatches: true })
  if ((patches as Patches).length === 0) return
  await db.table(table).put(checked(table, row, stamped(next as Rows[T])))
  await addAct(scope, label, { how: 'patch', table, id, patches: patches as Patches, inverse: inverse as Patches })
}

/**
 * Does one thing to one row: reads it as it is now (another tab may have changed it), applies the recipe, checks the
 * result with the schema and writes row and way back in one transaction. What cannot be stored is said on every screen.
 *
 * @param where table and id of the row, and the scope in which it can be undone
 */
export const doAct = <T extends TableName>(where: Where<T>, label: string, recipe: (draft: Rows[T]) => void): Promise<Result<void>> =>
  written(label, () => together(() => actOn(where, label, recipe)))

/** Rows of one table that are created, replaced, or (`null`) deleted. */
export interface RowsAct<T extends TableName> {
  table: T
  label: string
  rows: { id: string; after: Rows[T] | null }[]
}

async function actOnRows<T extends TableName>({ table, label, rows }: RowsAct<T>): Promise<void> {
  if (rows.length === 0) return
  const ids = rows.map((r) => r.id)
  const before = await Promise.all(ids.map(async (id) => ((await db.table(table).get(id)) as Rows[T] | undefined) ?? null))
  const after = rows.map((r) => r.after && checked(table, null, r.after))
  await putRows(table, ids, after)
  await addAct('wardrobe', label, { how: 'rows', table, ids, before, after })
}

/** Creates, replaces or deletes whole rows, each checked by its schema, as one act of the wardrobe. */
export const doRows = <T extends TableName>(table: T, label: string, rows: RowsAct<T>['rows']): Promise<Result<void>> =>
  written(label, () => together(() => actOnRows({ table, label, rows })))

/** Several acts that are stored together or not at all: rows of the wardrobe first, then something done to one row. */
export const doTogether = <T extends TableName>(
  label: string,
  rows: readonly RowsAct<TableName>[],
  then?: { where: Where<T>; recipe: (draft: Rows[T]) => void },
): Promise<Result<void>> =>
  written(label, () =>
    together(async () => {
      for (const act of rows) await actOnRows(act)
      if (then) await actOn(then.where, label, then.recipe)
    }),
  )

async function putRows(table: TableName, ids: string[], rows: (AnyRow | null)[]): Promise<void> {
  for (const [i, row] of rows.entries()) {
    if (row) await db.table(table).put(row)
    else await db.table(table).delete(ids[i]!)
  }
}

/** The row with patches applied, or null when they do not fit it any more. */
function applyPatches(table: TableName, row: AnyRow, patches: Patches): AnyRow | null {
  try {
    return checked(table, row, apply(row, patches))
  } catch {
    return null
  }
}

const actsOf = (scope: string, undone: 0 | 1) => db.acts.where('[scope+undone]').equals([scope, undone])

/** The act of a scope that would be taken back next. */
export const lastDone = (scope: string): Promise<Act | undefined> => actsOf(scope, 0).last()

/** The act of a scope that would be done again next. */
export const nextRedo = (scope: string): Promise<Act | undefined> => actsOf(scope, 1).first()

async function step(scope: string, back: boolean): Promise<string | null> {
  const done = await written(back ? 'undo' : 'redo', () => together(() => stepOn(scope, back)))
  return done.ok ? done.value : null
}

async function stepOn(scope: string, back: boolean): Promise<string | null> {
  const act = await (back ? lastDone(scope) : nextRedo(scope))
  if (!act) return null
  const { change } = act
  if (change.how === 'rows') await putRows(change.table, change.ids, back ? change.before : change.after)
  else {
    const row = await readRow(change.table, change.id)
    const next = row && applyPatches(change.table, row, back ? change.inverse : change.patches)
    // The row has been replaced since (a restored backup): the act has nothing left to act on.
    if (!next) {
      await db.acts.delete(act.id!)
      return `${act.label} (no longer possible: what it was done to was replaced)`
    }
    await db.table(change.table).put(stamped(next))
  }
  await db.acts.update(act.id!, { undone: back ? 1 : 0 })
  return act.label
}

/** Takes the last act of a scope back; gives its label, or null when there is none. */
export const undoAct = (scope: string): Promise<string | null> => step(scope, true)

/** Does the last undone act of a scope again. */
export const redoAct = (scope: string): Promise<string | null> => step(scope, false)

/**
 * Deletes a row and everything that could bring it back: it cannot be undone. Garments that named it name none.
 */
export const deleteForGood = (table: 'wearers', id: string): Promise<Result<void>> =>
  written('delete for good', () =>
    together(async () => {
      await db.table(table).delete(id)
      await db.projects
        .filter((p) => p.wearerId === id)
        .modify((p) => {
          p.wearerId = null
        })
      await db.acts
        .filter(({ change }) => change.table === table && (change.how === 'patch' ? change.id === id : change.ids.includes(id)))
        .delete()
    }),
  )
