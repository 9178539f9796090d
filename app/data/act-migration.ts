import type { Patches } from 'mutative'
import { CHART_FIELDS, projectToVersion5 } from '~~/core/formats/migrations'

type Plain = Record<string, unknown>
type OldPatch = Patches[number] & { path: (string | number)[] }

/** Where a field of a garment and its work, as version 5 stored it in one row, stands now. */
function movedPath([head, ...rest]: (string | number)[]): { table: 'garments' | 'fits'; path: (string | number)[] } {
  if (head === 'sizing')
    return CHART_FIELDS.includes(String(rest[0]))
      ? { table: 'garments', path: ['charts', ...rest] }
      : { table: 'fits', path: ['choices', ...rest] }
  return { table: head === 'plan' || head === 'wearerId' ? 'fits' : 'garments', path: [head!, ...rest] }
}

const movedTo = (table: 'garments' | 'fits', patches: OldPatch[]): OldPatch[] =>
  patches.flatMap((patch) => {
    const to = movedPath(patch.path)
    return to.table === table ? [{ ...patch, path: to.path }] : []
  })

/**
 * An act of version 5, which did one thing to garments that were one row with the work on them, as acts are now: so that what
 * was done before can still be undone.
 */
export function actToVersion6({ change, ...act }: Plain): Plain {
  const old = change as Plain & { how: string; table: string }
  if (old.table !== 'projects') return { ...act, changes: [old] }
  if (old.how === 'rows') {
    const [before, after] = (['before', 'after'] as const).map((side) =>
      (old[side] as (Plain | null)[]).map((r) => r && projectToVersion5(r)),
    )
    const rows = (table: 'garments' | 'fits') => {
      const part = table === 'garments' ? 'garment' : 'fit'
      return { ...old, table, before: before!.map((r) => r && r[part]), after: after!.map((r) => r && r[part]) }
    }
    return { ...act, changes: [rows('garments'), rows('fits')] }
  }
  const patched = (table: 'garments' | 'fits') => ({
    ...old,
    table,
    patches: movedTo(table, old.patches as OldPatch[]),
    inverse: movedTo(table, old.inverse as OldPatch[]),
  })
  return { ...act, changes: [patched('garments'), patched('fits')].filter((c) => c.patches.length + c.inverse.length > 0) }
}
