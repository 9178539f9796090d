import type { Change } from '../changes'
import type { Contents } from './project'

/** What belongs to a fit, and comes and goes with it. */
export const LOG_LISTS = ['fittings', 'versions', 'photos'] as const
export type Log = Pick<Contents, (typeof LOG_LISTS)[number]>

/** All that was kept on some fits. */
export const logOf = (contents: Log, fitIds: ReadonlySet<string>): Log => ({
  fittings: contents.fittings.filter((f) => fitIds.has(f.fitId)),
  versions: contents.versions.filter((v) => fitIds.has(v.fitId)),
  photos: contents.photos.filter((p) => fitIds.has(p.fitId)),
})

/** What a file's log becomes here. */
export interface MovedLog {
  log: Log
  /** The id that each fitting of the file has here. */
  fittingIds: ReadonlyMap<string, string>
  /** By the id of each photograph here, its id in the file: under that its picture is found. */
  pictures: ReadonlyMap<string, string>
}

/** Stops that name the fitting that asked for them, by the ids that those have here. */
export const withFittings = (stops: readonly Change[], fittingIds: ReadonlyMap<string, string>): Change[] =>
  stops.map((c) =>
    c.seen && fittingIds.has(c.seen.fittingId) ? { ...c, seen: { ...c.seen, fittingId: fittingIds.get(c.seen.fittingId)! } } : c,
  )

/**
 * The log of fits that come out of a file. Where a fit gets an id of its own here, so do its fittings, versions and photographs, and
 * what refers to them follows; the others keep theirs, unless another fit here has it.
 *
 * @param fitIds the ids of the fits that come in, by their ids in the file
 */
export function moveLog(file: Log, here: Log, fitIds: ReadonlyMap<string, string>, newId: () => string): MovedLog {
  const idsOf = (rows: readonly { id: string; fitId: string }[], own: readonly { id: string; fitId: string }[]) =>
    new Map(
      rows.map((r) => {
        const isMoved = fitIds.get(r.fitId) !== r.fitId || own.some((o) => o.id === r.id && o.fitId !== r.fitId)
        return [r.id, isMoved ? newId() : r.id] as const
      }),
    )
  const part = logOf(file, new Set(fitIds.keys()))
  const [fittings, versions, photos] = LOG_LISTS.map((list) => idsOf(part[list], here[list])) as [
    Map<string, string>,
    Map<string, string>,
    Map<string, string>,
  ]
  const log: Log = {
    fittings: part.fittings.map((f) => ({
      ...f,
      id: fittings.get(f.id)!,
      fitId: fitIds.get(f.fitId)!,
      versionId: f.versionId === null ? null : (versions.get(f.versionId) ?? f.versionId),
    })),
    versions: part.versions.map((v) => ({
      ...v,
      id: versions.get(v.id)!,
      fitId: fitIds.get(v.fitId)!,
      plan: withFittings(v.plan, fittings),
      mends: withFittings(v.mends, fittings),
    })),
    photos: part.photos.map((p) => ({
      ...p,
      id: photos.get(p.id)!,
      fitId: fitIds.get(p.fitId)!,
      fittingId: fittings.get(p.fittingId) ?? p.fittingId,
    })),
  }
  return { log, fittingIds: fittings, pictures: new Map([...photos].map(([from, id]) => [id, from])) }
}
