import { apply, create, type Patches } from 'mutative'
import { never, strictObject } from 'zod'
import { issueWords } from '~~/core/issue-words'
import type { AnyRow, TableName } from './db'
import { NotFit } from './storage'
import { TABLES } from './tables'

/**
 * The row as it may be written. Only fields that differ from `before`, a row that was checked when it was written, are
 * checked: a garment is large, and most acts only touch its plan.
 * @param before null for a whole row that is new
 * @throws NotFit where the schema refuses it
 */
export function checked<T extends AnyRow>(table: TableName, before: T | null, row: T): T {
  const fields = [...new Set([...Object.keys(before ?? {}), ...Object.keys(row)])] as (keyof T & string)[]
  const differing = fields.filter((key) => before?.[key] !== row[key])
  const { schema: whole, word } = TABLES[table]
  const { shape } = whole
  const schema = before ? strictObject(Object.fromEntries(differing.map((key) => [key, shape[key] ?? never()]))) : whole
  const read = schema.safeParse(Object.fromEntries(differing.map((key) => [key, row[key]])))
  if (read.success) return { ...row, ...read.data }
  const issue = read.error.issues[0]!
  const where = issue.path.length > 0 ? issue.path.map(String).join(', ') : word
  throw new NotFit({ code: 'not-fit', where, message: `${issueWords(issue)}.`, remedy: 'Change it and try again.' }, row)
}

/** A row after something was done to it, with the patches that lead there and back; none where nothing was done. */
export function drafted<T extends AnyRow>(row: T, recipe: (draft: T) => void): { next: T; patches: Patches; inverse: Patches } {
  const [next, patches, inverse] = create(row, (draft) => void recipe(draft as T), { enablePatches: true })
  return { next: next as T, patches: patches as Patches, inverse: inverse as Patches }
}

/** The row with patches applied, or null when they do not fit it any more. */
export function patched(table: TableName, row: AnyRow, patches: Patches): AnyRow | null {
  try {
    return checked(table, row, apply(row, patches))
  } catch {
    return null
  }
}
