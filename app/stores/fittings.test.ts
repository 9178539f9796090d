import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { newStop } from '~~/core/changes'
import { emptySighting, type Photo } from '~~/core/fittings'
import { contentsOf } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { deleteForGood, undoAct } from '~/data/acts'
import { db } from '~/data/db'
import { keepPictures, picturesOf, sweepPictures } from '~/data/pictures'
import { useFittings } from './fittings'
import { useWardrobe } from './wardrobe'
import { useTray } from './tray'
import { useWork } from './work'

const demo = (() => {
  const { projects, wearers, log } = demoWardrobe(new Date('2026-01-01'))
  return contentsOf(projects, wearers, [], log)
})()
const HARBOUR = 'demo-blouse-harbour'
const PICTURE = new Uint8Array([0xff, 0xd8, 0xff, 1, 2, 3])

/** Waits until what is read live has come. */
const soon = (check: () => boolean) => vi.waitFor(() => expect(check()).toBe(true), 3000)

async function opened(fitId: string, garmentId = 'demo-blouse') {
  useWork().open(garmentId, fitId)
  await soon(() => useWork().project?.id === fitId)
  return useFittings()
}

beforeEach(async () => {
  setActivePinia(createPinia())
  await db.delete()
  await db.open()
  await db.garments.bulkPut(demo.garments)
  await db.fits.bulkPut(demo.fits)
  await db.wearers.bulkPut(demo.wearers)
  await db.fittings.bulkPut(demo.fittings)
  await db.versions.bulkPut(demo.versions)
  await db.photos.bulkPut(demo.photos)
  await db.pictures.bulkPut(demo.photos.map(({ id, type }) => ({ id, type, data: PICTURE, keptAt: '2026-01-01T00:00:00.000Z' })))
})

describe('a fitting', () => {
  it('begins with the cloth of the last one and what was to be looked at again, and is undone with the fit', async () => {
    const log = await opened(HARBOUR)
    await soon(() => log.fittings.length === 2)
    await log.write(
      'second',
      'later',
      (f) => void f.sightings.push({ ...emptySighting('again', 'hip'), signId: 'hip-strains', decision: { is: 'later' } }),
    )
    await soon(() => log.fittings[0]!.sightings.some((s) => s.id === 'again'))
    const id = (await log.begin())!
    const begun = (await db.fittings.get(id))!
    expect(begun).toMatchObject({ fitId: HARBOUR, cloth: { kind: 'old sheeting' }, versionId: 'as-sewn' })
    expect(begun.sightings).toMatchObject([{ placeId: 'hip', signId: 'hip-strains', decision: { is: 'open' } }])
    await undoAct(HARBOUR)
    expect(await db.fittings.get(id)).toBeUndefined()
  })
  it('makes a stop of a sign: both are stored as one act, and both are taken back', async () => {
    const log = await opened(HARBOUR)
    await soon(() => log.fittings.length === 2)
    await log.write('first', 'a sign', (f) => void f.sightings.push({ ...emptySighting('s', 'hem-side'), signId: 'side-dips', mm: 5 }))
    const stop = newStop('uneven-hem', { centreFrontMm: 0, sideMm: -5, centreBackMm: 0 })
    const id = (await log.accept('first', 's', stop, 'seen', 'hem'))!
    const plan = async () => (await db.fits.get(HARBOUR))!.plan
    const decision = async () => (await db.fittings.get('first'))!.sightings.find((s) => s.id === 's')!.decision
    expect((await plan()).at(-1)).toMatchObject({ id, from: 'fitting', seen: { fittingId: 'first', of: 's' } })
    expect(await decision()).toEqual({ is: 'taken', changeIds: [id] })
    const second = (await log.accept('first', 's', stop, 'seen', 'hem'))!
    expect(await decision()).toEqual({ is: 'taken', changeIds: [id, second] })
    await undoAct(HARBOUR)
    await undoAct(HARBOUR)
    expect([(await plan()).length, await decision()]).toEqual([5, { is: 'open' }])
  })
  it('of a garment that nobody has worked on yet stores its fit with it', async () => {
    await db.fits.where('garmentId').equals('demo-flared').delete()
    const log = await opened('demo-flared', 'demo-flared')
    expect(await log.begin()).not.toBeNull()
    expect((await db.fits.get('demo-flared'))!.garmentId).toBe('demo-flared')
  })
})

describe('versions', () => {
  it('are kept of what goes out, once, and taken up again without losing what there was', async () => {
    const log = await opened(HARBOUR)
    await soon(() => log.versions.length === 3 && log.current?.id === 'as-sewn')
    await log.keepWhatGoesOut('printed')
    expect(await db.versions.count()).toBe(3)
    await useWork().switchChange('body-shorter', false)
    await soon(() => log.current === null)
    const first = log.versions.find((v) => v.id === 'first-mock-up')!
    expect(await log.goBackTo(first)).toBe(true)
    expect((await db.fits.get(HARBOUR))!.plan.map((c) => c.id)).toEqual(['body-shorter'])
    const kept = (await db.versions.toArray()).find((v) => v.why === 'before-going-back')!
    expect(kept.plan.map((c) => c.on)).toEqual([false, true, true, true, true])
    await undoAct(HARBOUR)
    expect((await db.fits.get(HARBOUR))!.plan).toHaveLength(5)
    expect(await db.versions.count()).toBe(3)
  })
  it('go on as a garment of their own, with their own stops', async () => {
    await opened(HARBOUR)
    const version = (await db.versions.get('second-mock-up'))!
    const id = (await useWardrobe().versionAsGarment(useWork().project!, version))!
    const [fit] = await db.fits.where('garmentId').equals(id).toArray()
    expect([(await db.garments.get(id))!.name, fit!.plan.length]).toEqual(['Lamplighter’s blouse, Second mock-up', 4])
  })
})

describe('photographs', () => {
  it('keep their picture as long as the act can be taken back, and lose it when nothing names them', async () => {
    const log = await opened(HARBOUR)
    const photo: Photo = demo.photos[0]!
    const id = (await log.addPhoto({ fittingId: 'first', type: photo.type, widthPx: 6, heightPx: 8, bytes: 6 }, PICTURE))!
    expect((await picturesOf([{ id }])).get(id)).toEqual(PICTURE)
    await log.removePhoto(id)
    await db.pictures.update(id, { keptAt: '2026-01-01T00:00:00.000Z' })
    await sweepPictures()
    expect(await db.pictures.get(id)).toBeDefined()
    await undoAct(HARBOUR)
    expect(await db.photos.get(id)).toBeDefined()
    await log.removePhoto(id)
    await db.acts.clear()
    // One that another tab is just keeping is left.
    await keepPictures([{ id: 'just-now', type: 'image/jpeg', data: PICTURE }])
    await sweepPictures()
    expect([await db.pictures.get(id), (await db.pictures.get('just-now'))?.id]).toEqual([undefined, 'just-now'])
    expect(await db.pictures.count()).toBe(demo.photos.length + 1)
  })
  it('of paper pieces keep their picture while they lie in the tray, and as long as they can be brought back into it', async () => {
    const tray = useTray()
    await keepPictures([
      { id: 'paper-in-tray', type: 'image/jpeg', data: PICTURE },
      { id: 'paper-forgotten', type: 'image/jpeg', data: PICTURE },
    ])
    for (const id of ['paper-in-tray', 'paper-forgotten']) await db.pictures.update(id, { keptAt: '2026-01-01T00:00:00.000Z' })
    const photo = {
      name: 'front.jpg',
      widthPx: 6,
      heightPx: 8,
      known: { kind: 'sheet', sheet: 'a4' } as const,
      pointed: null,
      leftOut: null,
    }
    expect((await tray.act('take in', (row) => void (row.photos = [{ id: 'paper-in-tray', ...photo }]))).ok).toBe(true)
    await sweepPictures()
    expect((await db.pictures.bulkGet(['paper-in-tray', 'paper-forgotten'])).map((row) => row?.id)).toEqual(['paper-in-tray', undefined])
    await tray.clear()
    expect((await db.tray.get('now'))!.photos).toBeUndefined()
    await sweepPictures()
    expect(await db.pictures.get('paper-in-tray')).toBeDefined()
    await undoAct('tray')
    expect((await db.tray.get('now'))!.photos).toHaveLength(1)
  })
  it('go with a deleted garment and come back with it', async () => {
    const wardrobe = useWardrobe()
    await wardrobe.remove([demo.garments.find((g) => g.id === 'demo-blouse')!])
    expect([await db.fittings.count(), await db.versions.count(), await db.photos.count()]).toEqual([0, 0, 0])
    await wardrobe.undo()
    expect([await db.fittings.count(), await db.versions.count(), await db.photos.count()]).toEqual([2, 3, 4])
  })
  it('go for good with their wearer: no fitting, picture or act of theirs is left', async () => {
    const log = await opened(HARBOUR)
    await soon(() => log.fittings.length === 2)
    await log.write('first', 'notes', (f) => void (f.notes = 'private'))
    await deleteForGood('cook')
    expect([await db.fittings.count(), await db.photos.count(), await db.pictures.count()]).toEqual([0, 0, 0])
    expect(JSON.stringify(await db.acts.toArray())).not.toContain('private')
    expect((await db.fits.get(HARBOUR))!.wearerId).toBeNull()
    expect((await db.versions.toArray()).every((v) => v.setId === null)).toBe(true)
  })
})

describe('a backup', () => {
  it('brings fittings, versions and pictures back; hung beside, they have ids of their own and refer to each other', async () => {
    const wardrobe = useWardrobe()
    const bytes = await wardrobe.backUp()
    await db.fits.update(HARBOUR, { notes: 'changed since' })
    const read = await wardrobe.openBackup(bytes)
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value.differences.map((d) => d.id)).toEqual(['demo-blouse'])
    await wardrobe.takeIn(read.value, 'restore', new Map([['demo-blouse', 'both']]))
    expect([await db.fittings.count(), await db.photos.count(), await db.pictures.count()]).toEqual([4, 8, 8])
    const fresh = (await db.photos.toArray()).filter((p) => !demo.photos.some((o) => o.id === p.id))
    for (const photo of fresh) {
      const fitting = (await db.fittings.get(photo.fittingId))!
      expect([fitting.fitId, fitting.id === 'first' || fitting.id === 'second']).toEqual([photo.fitId, false])
      expect((await db.pictures.get(photo.id))!.data).toEqual(PICTURE)
      const fit = (await db.fits.get(photo.fitId))!
      for (const stop of fit.plan) if (stop.seen) expect((await db.fittings.get(stop.seen.fittingId))!.fitId).toBe(fit.id)
    }
    await wardrobe.deleteEverything()
    const empty = await wardrobe.openBackup(bytes)
    if (!empty.ok) throw new Error(empty.problem.message)
    await wardrobe.takeIn(empty.value, 'restore', new Map())
    expect(await db.fittings.toArray()).toEqual(JSON.parse(JSON.stringify(demo.fittings)))
    expect(await db.pictures.count()).toBe(4)
  })
})
