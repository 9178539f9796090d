import { apply, create, type Patches } from 'mutative'
import { ProjectSchema, type Project } from '~~/core/formats'
import { db, type Act } from './db'

/** Acts kept per garment; older ones can no longer be undone. */
const KEPT_ACTS = 300

async function addAct(scope: string, label: string, change: Act['change']): Promise<void> {
  // A new act ends what could have been redone.
  await db.acts.where('[scope+undone]').equals([scope, 1]).delete()
  await db.acts.add({ scope, label, at: new Date().toISOString(), undone: 0, change })
  const ids = await db.acts.where('scope').equals(scope).primaryKeys()
  if (ids.length > KEPT_ACTS) await db.acts.bulkDelete(ids.slice(0, ids.length - KEPT_ACTS))
}

/**
 * Does one thing to one garment: reads the row as it is now (another tab may have changed it), applies the recipe,
 * checks the result with the schema and writes row and way back in one transaction.
 *
 * @param scope where it can be undone: the garment itself, or the wardrobe
 */
export async function doAct(projectId: string, label: string, recipe: (draft: Project) => void, scope: string = projectId): Promise<void> {
  await db.transaction('rw', db.projects, db.acts, async () => {
    const row = await db.projects.get(projectId)
    if (!row) return
    const [next, patches, inverse] = create(row, (draft: Project) => recipe(draft), { enablePatches: true })
    if ((patches as Patches).length === 0) return
    await db.projects.put(ProjectSchema.parse({ ...next, updatedAt: new Date().toISOString() }))
    await addAct(scope, label, { how: 'patch', projectId, patches: patches as Patches, inverse: inverse as Patches })
  })
}

/** Creates, replaces or deletes whole garments as one act of the wardrobe. `null` means: is not there. */
export async function doRows(label: string, rows: { id: string; after: Project | null }[]): Promise<void> {
  await db.transaction('rw', db.projects, db.acts, async () => {
    const before = await Promise.all(rows.map(async (r) => (await db.projects.get(r.id)) ?? null))
    await putRows(
      rows.map((r) => r.id),
      rows.map((r) => r.after),
    )
    await addAct('wardrobe', label, { how: 'rows', ids: rows.map((r) => r.id), before, after: rows.map((r) => r.after) })
  })
}

async function putRows(ids: string[], rows: (Project | null)[]): Promise<void> {
  for (const [i, row] of rows.entries()) {
    if (row) await db.projects.put(row)
    else await db.projects.delete(ids[i]!)
  }
}

/** The row with patches applied, or null when they do not fit it any more. */
function applyPatches(row: Project, patches: Patches): Project | null {
  try {
    const read = ProjectSchema.safeParse(apply(row, patches))
    return read.success ? read.data : null
  } catch {
    return null
  }
}

async function step(scope: string, back: boolean): Promise<string | null> {
  return db.transaction('rw', db.projects, db.acts, async () => {
    const all = await db.acts
      .where('[scope+undone]')
      .equals([scope, back ? 0 : 1])
      .sortBy('id')
    const act = back ? all[all.length - 1] : all[0]
    if (!act) return null
    const { change } = act
    if (change.how === 'rows') await putRows(change.ids, back ? change.before : change.after)
    else {
      const row = await db.projects.get(change.projectId)
      const next = row && applyPatches(row, back ? change.inverse : change.patches)
      // The row has been replaced since (a restored backup): the act has nothing left to act on.
      if (!next) {
        await db.acts.delete(act.id!)
        return `${act.label} (no longer possible: the garment was replaced)`
      }
      await db.projects.put({ ...next, updatedAt: new Date().toISOString() })
    }
    await db.acts.update(act.id!, { undone: back ? 1 : 0 })
    return act.label
  })
}

/** Takes the last act of a scope back; gives its label, or null when there is none. */
export const undoAct = (scope: string): Promise<string | null> => step(scope, true)

/** Does the last undone act of a scope again. */
export const redoAct = (scope: string): Promise<string | null> => step(scope, false)
