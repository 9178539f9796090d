import equal from 'fast-deep-equal'
import { toName } from '../pattern'
import type { LOG_LISTS } from './merge-log'
import { logOf, moveLog, withFittings } from './merge-log'
import type { Contents } from './project'

/** What is done with something of a file that is here already, and differs. */
export type Keep = 'here' | 'file' | 'both'

/** Something that a file and this wardrobe both have, and that differs between them. */
export interface Difference {
  what: 'garment' | 'wearer' | 'change of your own'
  id: string
  name: string
  /** Which of both was worked on last, where that is known. */
  newer: 'here' | 'file' | null
}

/** Added to the name of what comes in beside the one that is here. */
const BESIDE = ' (from the file)'
/** As long as the shortest of the names may be that are written here. */
const LONGEST = 80

const ids = (rows: readonly { id: string }[]): ReadonlySet<string> => new Set(rows.map((r) => r.id))
/** The same as plain data: a field that is undefined is none. */
const same = (a: unknown, b: unknown) => equal(JSON.parse(JSON.stringify(a)), JSON.parse(JSON.stringify(b)))
const byId = <T extends { id: string }>(rows: readonly T[]): T[] => [...rows].sort((a, b) => a.id.localeCompare(b.id))
const fitsOf = ({ fits }: Contents, garmentId: string) => byId(fits.filter((f) => f.garmentId === garmentId))
/** The fits of a garment, and all that was kept on them. */
function workOf(contents: Contents, garmentId: string) {
  const fits = fitsOf(contents, garmentId)
  const log = logOf(contents, ids(fits))
  return { fits, fittings: byId(log.fittings), versions: byId(log.versions), photos: byId(log.photos) }
}
const lastWorkedOn = (contents: Contents, row: { id: string; updatedAt: string }) =>
  [row, ...workOf(contents, row.id).fits, ...workOf(contents, row.id).fittings].reduce(
    (last, r) => (r.updatedAt > last ? r.updatedAt : last),
    '',
  )

/** All that a file brings which is here too and is not the same: garments with their fits, wearers, changes of one's own. */
export function compareContents(file: Contents, here: Contents): Difference[] {
  const garments = file.garments.flatMap((row): Difference[] => {
    const own = here.garments.find((g) => g.id === row.id)
    if (!own || same([own, workOf(here, own.id)], [row, workOf(file, row.id)])) return []
    const [there, last] = [lastWorkedOn(file, row), lastWorkedOn(here, own)]
    return [{ what: 'garment', id: row.id, name: row.name, newer: there === last ? null : there > last ? 'file' : 'here' }]
  })
  const others = (what: Difference['what'], of: (c: Contents) => readonly { id: string; name: string }[]) =>
    of(file).flatMap((row): Difference[] => {
      const own = of(here).find((r) => r.id === row.id)
      return own && !same(own, row) ? [{ what, id: row.id, name: row.name, newer: null }] : []
    })
  return [...garments, ...others('wearer', (c) => c.wearers), ...others('change of your own', (c) => c.recipes)]
}

/** What is kept where nobody said otherwise: the newer one; where that is not known, both. */
export const usualKeep = ({ newer }: Difference): Keep => newer ?? 'both'

const beside = (name: string) => `${toName(name, LONGEST - BESIDE.length)}${BESIDE}`

/** What a file changes in the wardrobe. */
export interface Merged {
  write: Contents
  drop: Record<'fits' | (typeof LOG_LISTS)[number], string[]>
  pictures: ReadonlyMap<string, string>
}

/**
 * What of a file comes into the wardrobe. A garment that is kept beside the one here gets ids of its own with its fits; a
 * wearer likewise, and the file's fits then name that one.
 *
 * @param keep by the id of each difference
 * @param newId gives an id that nothing has
 * @returns rows to be written; rows to be deleted: fits here of a garment that the file's takes the place of, and what was kept on
 *   them; and by the id of each photograph that comes in, its id in the file
 */
export function mergeContents(file: Contents, here: Contents, keep: ReadonlyMap<string, Keep>, newId: () => string): Merged {
  const known = { garments: ids(here.garments), wearers: ids(here.wearers), recipes: ids(here.recipes), fits: ids(here.fits) }
  const wearerIds = new Map(file.wearers.filter((w) => keep.get(w.id) === 'both').map((w) => [w.id, newId()]))
  const garmentIds = new Map(file.garments.filter((g) => keep.get(g.id) === 'both').map((g) => [g.id, newId()]))
  const differ = new Set(keep.keys())
  // What is here and does not differ is written nowhere: it is the same.
  const comesIn = (id: string, there: ReadonlySet<string>) => (differ.has(id) ? keep.get(id) !== 'here' : !there.has(id))
  const garments = file.garments
    .filter((g) => comesIn(g.id, known.garments))
    .map((g) => (garmentIds.has(g.id) ? { ...g, id: garmentIds.get(g.id)!, name: beside(g.name) } : g))
  const from = new Map(file.garments.map((g) => [garmentIds.get(g.id) ?? g.id, g.id]))
  const written = new Set(garments.map((g) => from.get(g.id)!))
  const coming = file.fits.filter((f) => written.has(f.garmentId))
  const moved = coming.map((f) => {
    const garmentId = garmentIds.get(f.garmentId) ?? f.garmentId
    const wearerId = f.wearerId === null ? null : (wearerIds.get(f.wearerId) ?? f.wearerId)
    const isHeldHere = known.fits.has(f.id) && here.fits.find((own) => own.id === f.id)!.garmentId !== garmentId
    return { ...f, id: garmentIds.has(f.garmentId) || isHeldHere ? newId() : f.id, garmentId, wearerId }
  })
  const { log, fittingIds, pictures } = moveLog(file, here, new Map(coming.map((f, i) => [f.id, moved[i]!.id])), newId)
  const fits = moved.map((f) => ({ ...f, plan: withFittings(f.plan, fittingIds) }))
  const replaced = new Set(garments.filter((g) => known.garments.has(g.id)).map((g) => g.id))
  const stay = new Set(fits.map((f) => f.id))
  const named = <T extends { id: string; name: string }>(rows: readonly T[], there: ReadonlySet<string>) =>
    rows
      .filter((r) => comesIn(r.id, there))
      .map((r) => (keep.get(r.id) === 'both' ? { ...r, id: wearerIds.get(r.id) ?? newId(), name: beside(r.name) } : r))
  const old = logOf(here, ids(here.fits.filter((f) => replaced.has(f.garmentId))))
  const gone = <T extends { id: string }>(rows: readonly T[], now: readonly T[]) => {
    const kept = ids(now)
    return rows.filter((r) => !kept.has(r.id)).map((r) => r.id)
  }
  return {
    write: { garments, fits, wearers: named(file.wearers, known.wearers), recipes: named(file.recipes, known.recipes), ...log },
    drop: {
      fits: here.fits.filter((f) => replaced.has(f.garmentId) && !stay.has(f.id)).map((f) => f.id),
      fittings: gone(old.fittings, log.fittings),
      versions: gone(old.versions, log.versions),
      photos: gone(old.photos, log.photos),
    },
    pictures,
  }
}
