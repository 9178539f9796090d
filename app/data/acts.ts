import { apply, create, type Patches } from 'mutative'
import { never, strictObject, type ZodObject, type ZodType } from 'zod'
import { WearerSchema } from '~~/core/body'
import { SlashRecipeSchema } from '~~/core/changes'
import { ProjectSchema } from '~~/core/formats'
import { db, type Act, type AnyRow, type Rows, type TableName } from './db'
import { EMPTY_TRAY, TraySchema } from './tray-row'

/** Acts kept per scope; older ones can no longer be undone. */
const KEPT_ACTS = 300

const SCHEMAS: { [T in TableName]: ZodObject & ZodType<Rows[T]> } = {
  projects: ProjectSchema,
  wearers: WearerSchema,
  tray: TraySchema,
  recipes: SlashRecipeSchema,
}

const TABLES = [db.projects, db.wearers, db.tray, db.recipes, db.acts]

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
 * The row as it may be written; throws where its schema refuses it. Only fields that differ from `before`, a row that was
 * checked when it was written, are checked: a garment is large, and most acts only touch its plan.
 */
function checked<T extends AnyRow>(table: TableName, before: T, row: T): T {
  const fields = [...new Set([...Object.keys(before), ...Object.keys(row)])] as (keyof T & string)[]
  const differing = fields.filter((key) => before[key] !== row[key])
  const { shape } = SCHEMAS[table]
  const schema = strictObject(Object.fromEntries(differing.map((key) => [key, shape[key] ?? never()])))
  return { ...row, ...schema.parse(Object.fromEntries(differing.map((key) => [key, row[key]]))) }
}

async function readRow(table: TableName, id: string): Promise<AnyRow | undefined> {
  return (await db.table<AnyRow>(table).get(id)) ?? (table === 'tray' ? EMPTY_TRAY : undefined)
}

/**
 * Does one thing to one row: reads it as it is now (another tab may have changed it), applies the recipe, checks the
 * result with the schema and writes row and way back in one transaction.
 *
 * @param where table and id of the row, and the scope in which it can be undone
 */
export async function doAct<T extends TableName>(
  where: { table: T; id: string; scope: string },
  label: string,
  recipe: (draft: Rows[T]) => void,
): Promise<void> {
  const { table, id, scope } = where
  await db.transaction('rw', TABLES, async () => {
    const row = (await readRow(table, id)) as Rows[T] | undefined
    if (!row) return
    const [next, patches, inverse] = create(row, (draft) => recipe(draft as Rows[T]), { enablePatches: true })
    if ((patches as Patches).length === 0) return
    await db.table(table).put(checked(table, row, stamped(next as Rows[T])))
    await addAct(scope, label, { how: 'patch', table, id, patches: patches as Patches, inverse: inverse as Patches })
  })
}

/** Creates, replaces or deletes whole rows as one act of the wardrobe. `null` means: is not there. */
export async function doRows<T extends TableName>(table: T, label: string, rows: { id: string; after: Rows[T] | null }[]): Promise<void> {
  await db.transaction('rw', TABLES, async () => {
    const ids = rows.map((r) => r.id)
    const before = await Promise.all(ids.map(async (id) => ((await db.table(table).get(id)) as Rows[T] | undefined) ?? null))
    const after = rows.map((r) => r.after)
    await putRows(table, ids, after)
    await addAct('wardrobe', label, { how: 'rows', table, ids, before, after })
  })
}

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
  return db.transaction('rw', TABLES, async () => {
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
  })
}

/** Takes the last act of a scope back; gives its label, or null when there is none. */
export const undoAct = (scope: string): Promise<string | null> => step(scope, true)

/** Does the last undone act of a scope again. */
export const redoAct = (scope: string): Promise<string | null> => step(scope, false)

/**
 * Deletes a row and everything that could bring it back: it cannot be undone. Garments that named it name none.
 */
export async function deleteForGood(table: 'wearers', id: string): Promise<void> {
  await db.transaction('rw', TABLES, async () => {
    await db.table(table).delete(id)
    await db.projects
      .filter((p) => p.wearerId === id)
      .modify((p) => {
        p.wearerId = null
      })
    await db.acts
      .filter(({ change }) => change.table === table && (change.how === 'patch' ? change.id === id : change.ids.includes(id)))
      .delete()
  })
}
