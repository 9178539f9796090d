import { defineStore } from 'pinia'
import { computed } from 'vue'
import { latestSet } from '~~/core/body'
import { withId, type Change, type NewChange } from '~~/core/changes'
import {
  carriedOver,
  emptyFitting,
  newestFirst,
  versionOf,
  type Decision,
  type Fitting,
  type Photo,
  type Version,
  type Work,
} from '~~/core/fittings'
import type { FitRow } from '~~/core/formats'
import { choicesOf } from '~~/core/size'
import { useLive } from '~/composables/useLive'
import { doParts, type Part } from '~/data/acts'
import { db } from '~/data/db'
import { keepPictures } from '~/data/pictures'
import { showDay, today } from '~/days'
import { useSelection } from '~/stores/selection'
import { useWork } from '~/stores/work'

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** The log of the fit that is open: its fittings with their photographs, and its versions. All is undone where the fit’s stops are. */
export const useFittings = defineStore('fittings', () => {
  const work = useWork()
  const fitId = () => work.fitId
  const ofFit = <T>(table: 'fittings' | 'versions' | 'photos') =>
    useLive(
      async () => (work.fitId === null ? [] : ((await db.table(table).where('fitId').equals(work.fitId).toArray()) as T[])),
      [] as T[],
      fitId,
    )
  const fittingRows = ofFit<Fitting>('fittings')
  const versionRows = ofFit<Version>('versions')
  const photoRows = ofFit<Photo>('photos')

  /** The newest first. */
  const fittings = computed(() =>
    [...fittingRows.value].sort((a, b) => b.heldOn.localeCompare(a.heldOn) || b.createdAt.localeCompare(a.createdAt)),
  )
  const versions = computed(() => newestFirst(versionRows.value))
  const photosOf = (fittingId: string) =>
    photoRows.value.filter((p) => p.fittingId === fittingId).sort((a, b) => a.createdAt.localeCompare(b.createdAt))

  /** The work as it stands. */
  const now = computed((): Work | null => {
    const { project } = work
    return project && { mends: project.mends, plan: project.plan, choices: choicesOf(project.sizing) }
  })
  /** The version that lies on the cutting table; null where the plan has been gone on from since. */
  const current = computed(() => (now.value ? versionOf(versionRows.value, now.value) : null))

  /** Does something to the log, as one act of the fit. A fit that only began by being opened is stored with it. */
  async function act(label: string, parts: readonly Part[]): Promise<boolean> {
    if (work.fitId === null) return false
    return (await doParts(work.fitId, label, [...work.firstPart(), ...parts])).ok
  }
  const put = (table: 'fittings' | 'versions' | 'photos', rows: readonly { id: string }[]) =>
    ({ table, rows: rows.map((row) => ({ id: row.id, after: plain(row) })) }) as Part
  const drop = (table: 'fittings' | 'versions' | 'photos', ids: readonly string[]) =>
    ({ table, rows: ids.map((id) => ({ id, after: null })) }) as Part

  const versionNow = (name: string, why: Version['why']): Version => ({
    id: crypto.randomUUID(),
    fitId: work.fitId!,
    name,
    madeAt: new Date().toISOString(),
    why,
    ...now.value!,
    setId: latestSet(work.wearer)?.id ?? null,
  })

  /** Keeps the plan as it is now under a name; gives the version's id. */
  async function keepVersion(name: string): Promise<string | null> {
    const version = versionNow(name, 'by-hand')
    return (await act(`keep version “${name}”`, [put('versions', [version])])) ? version.id : null
  }

  /** Keeps the plan that goes out on paper or in a file, where no version has it yet. */
  async function keepWhatGoesOut(why: 'printed' | 'exported'): Promise<void> {
    if (!now.value || current.value) return
    const word = why === 'printed' ? 'Printed' : 'Exported'
    await act(`version: ${why}`, [put('versions', [versionNow(`${word} ${showDay(today())}`, why)])])
  }

  const renameVersion = (version: Version, name: string) =>
    act('name of a version', [{ table: 'versions', id: version.id, recipe: (v) => void (v.name = name) }])
  const removeVersion = (version: Version) => act(`delete version “${version.name}”`, [drop('versions', [version.id])])

  /**
   * Takes a version up again: the stops and choices of this fit become those of it. The work as it stands is kept as a version first.
   * Stops for everybody stay as they are: other wearers have them too.
   */
  async function goBackTo(version: Version): Promise<boolean> {
    const kept = current.value ? [] : [put('versions', [versionNow(`Before going back, ${showDay(today())}`, 'before-going-back')])]
    const fit: Part = {
      table: 'fits',
      id: work.fitId!,
      recipe: (row: FitRow) => {
        const { traced, looked } = row.choices
        Object.assign(row, { plan: plain(version.plan), choices: { ...plain(version.choices), traced, looked } })
      },
    }
    return act(`go back to “${version.name}”`, [...kept, fit])
  }

  /** Begins a fitting today, with what was to be looked at again; gives its id. */
  async function begin(): Promise<string | null> {
    const last = fittings.value[0]
    const fitting: Fitting = {
      ...emptyFitting(
        crypto.randomUUID(),
        {
          fitId: work.fitId!,
          heldOn: today(),
          setId: latestSet(work.wearer)?.id ?? null,
          versionId: (current.value ?? versions.value[0])?.id ?? null,
          ...(last ? { cloth: last.cloth } : {}),
        },
        new Date().toISOString(),
      ),
      sightings: carriedOver(last ? [last] : [], () => crypto.randomUUID()),
    }
    return (await act('begin a fitting', [put('fittings', [fitting])])) ? fitting.id : null
  }

  /** Writes something into a fitting. */
  const write = (fittingId: string, label: string, recipe: (fitting: Fitting) => void) =>
    act(label, [{ table: 'fittings', id: fittingId, recipe }])

  /** Deletes a fitting with its photographs. */
  const remove = (fitting: Fitting) =>
    act(`delete the fitting of ${showDay(fitting.heldOn)}`, [
      drop('fittings', [fitting.id]),
      drop(
        'photos',
        photosOf(fitting.id).map((p) => p.id),
      ),
    ])

  /** Writes down what becomes of a sign or a pin. */
  const decisionPart = (fittingId: string, of: string, decision: Decision): Part => ({
    table: 'fittings',
    id: fittingId,
    recipe: (fitting: Fitting) => {
      const one = fitting.sightings.find((s) => s.id === of) ?? fitting.pins.find((p) => p.id === of)
      if (!one) return
      // A second change tried for the same sign is kept beside the first.
      const before = one.decision.is === 'taken' && decision.is === 'taken' ? one.decision.changeIds : []
      one.decision = decision.is === 'taken' ? { is: 'taken', changeIds: [...before, ...decision.changeIds] } : decision
    },
  })
  const decide = (fittingId: string, of: string, decision: Decision, label: string) => act(label, [decisionPart(fittingId, of, decision)])

  /** Makes a stop of what was seen or pinned: at the end of the plan, remembering what asked for it; gives its id. */
  async function accept(fittingId: string, of: string, offered: NewChange, note: string, title: string): Promise<string | null> {
    const change: Change = { ...withId(offered, crypto.randomUUID()), note, from: 'fitting', seen: { fittingId, of } }
    const fit: Part = { table: 'fits', id: work.fitId!, recipe: (row: FitRow) => void row.plan.push(plain(change)) }
    const done = await act(`from a fitting: ${title}`, [fit, decisionPart(fittingId, of, { is: 'taken', changeIds: [change.id] })])
    if (done) useSelection().stopId = change.id
    return done ? change.id : null
  }

  /** Keeps a photograph that was scaled down already. */
  async function addPhoto(
    photo: Omit<Photo, 'fitId' | 'createdAt' | 'text' | 'marks' | 'id'>,
    data: Uint8Array<ArrayBuffer>,
  ): Promise<string | null> {
    const id = crypto.randomUUID()
    const kept = await keepPictures([{ id, type: photo.type, data }])
    if (!kept.ok) return null
    const row: Photo = { ...photo, id, fitId: work.fitId!, text: '', marks: [], createdAt: new Date().toISOString() }
    return (await act('photograph', [put('photos', [row])])) ? id : null
  }
  /** Puts a smaller picture in the place of one: for good, since pictures are not undone. */
  async function replacePicture(
    photoId: string,
    size: Pick<Photo, 'type' | 'widthPx' | 'heightPx' | 'bytes'>,
    data: Uint8Array<ArrayBuffer>,
  ) {
    const kept = await keepPictures([{ id: photoId, type: size.type, data }])
    return kept.ok && act('make a photograph smaller', [{ table: 'photos', id: photoId, recipe: (p) => void Object.assign(p, size) }])
  }
  const writePhoto = (photoId: string, label: string, recipe: (photo: Photo) => void) =>
    act(label, [{ table: 'photos', id: photoId, recipe }])
  const removePhoto = (photoId: string) => act('delete a photograph', [drop('photos', [photoId])])

  return {
    fittings,
    versions,
    photos: photoRows,
    photosOf,
    now,
    current,
    keepVersion,
    keepWhatGoesOut,
    renameVersion,
    removeVersion,
    goBackTo,
    begin,
    write,
    remove,
    decide,
    accept,
    addPhoto,
    replacePicture,
    writePhoto,
    removePhoto,
  }
})
