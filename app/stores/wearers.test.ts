import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { figureMm, latestSet } from '~~/core/body'
import { contentsOf, writeProjectFile, type Keep } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { doRows, redoAct, undoAct } from '~/data/acts'
import { db } from '~/data/db'
import { useWardrobe } from './wardrobe'
import { useWearers } from './wearers'

const demo = demoWardrobe(new Date('2026-11-23'))
const cook = demo.wearers[0]!
const stored = async (id: string) => (await db.wearers.get(id))!
const settled = (check: () => void) => vi.waitFor(check, { timeout: 2000 })

beforeEach(async () => {
  localStorageStub.clear()
  await Promise.all([db.wearers.clear(), db.garments.clear(), db.fits.clear(), db.acts.clear()])
  setActivePinia(createPinia())
  await db.wearers.bulkPut(demo.wearers)
})

/** The preferences keep themselves in the browser's own store, which Node has not got. */
const localStorageStub = new Map<string, string>()
vi.stubGlobal('localStorage', {
  getItem: (key: string) => localStorageStub.get(key) ?? null,
  setItem: (key: string, value: string) => void localStorageStub.set(key, value),
  removeItem: (key: string) => void localStorageStub.delete(key),
})

describe('a wearer', () => {
  it('is made with an empty set of today, and unmade by undo', async () => {
    const wearers = useWearers()
    const made = (await wearers.create('the Ferryman'))!
    expect((await stored(made.id)).sets).toHaveLength(1)
    expect(await undoAct('wardrobe')).toBe('new wearer “the Ferryman”')
    expect(await db.wearers.get(made.id)).toBeUndefined()
  })

  it('takes figures into the set that is open; clearing one takes it out; each is undone where it was done', async () => {
    const wearers = useWearers()
    const set = latestSet(cook)!
    await wearers.setFigure('a garment', 'cook', set.id, 'bust', { mm: 961 })
    await wearers.setFigure('a garment', 'cook', set.id, 'bicep', { leftMm: 300, rightMm: 312 })
    await wearers.setFigure('a garment', 'cook', set.id, 'heel', null)
    const now = latestSet(await stored('cook'))!
    expect([figureMm(now, 'bust'), figureMm(now, 'bicep'), figureMm(now, 'heel')]).toEqual([961, 312, undefined])
    // Older sets are kept as they were.
    expect((await stored('cook')).sets.slice(0, 2)).toEqual(cook.sets.slice(0, 2))
    expect(await undoAct('wardrobe')).toBeNull()
    for (let i = 0; i < 3; i++) await undoAct('a garment')
    expect(await stored('cook')).toEqual(cook)
    await redoAct('a garment')
    expect(figureMm(latestSet(await stored('cook')), 'bust')).toBe(961)
  })

  it('gets own measures and new sets without losing what was there', async () => {
    const wearers = useWearers()
    await wearers.addOwn('wardrobe', 'cook', 'Cuff', 'round')
    const id = (await wearers.addSet('wardrobe', 'cook'))!
    const now = await stored('cook')
    expect(now.ownMeasures.map((m) => m.name)).toEqual(['Forearm', 'Cuff'])
    expect(now.sets).toHaveLength(cook.sets.length + 1)
    expect(latestSet(now)!.id).toBe(id)
    await wearers.removeSet('wardrobe', 'cook', id)
    expect((await stored('cook')).sets).toEqual(cook.sets)
  })

  it('is deleted for good: garments let go of it, and no undo brings it back', async () => {
    const wearers = useWearers()
    await doRows(
      'fits',
      'open',
      contentsOf(demo.projects).fits.map((f) => ({ id: f.id, after: f })),
    )
    await wearers.setFigure('demo-blouse', 'cook', latestSet(cook)!.id, 'bust', { mm: 961 })
    await wearers.remove(cook)
    expect(await db.wearers.get('cook')).toBeUndefined()
    expect((await db.fits.get('demo-blouse'))!.wearerId).toBeNull()
    expect((await db.fits.get('demo-dress'))!.wearerId).toBe('bather')
    expect(await undoAct('demo-blouse')).toBeNull()
    expect(JSON.stringify(await db.acts.where('scope').equals('demo-blouse').toArray())).not.toContain('961')
  })
})

describe('wearers from a file', () => {
  it('are added by name: known ones get the days that they do not have, nobody loses a figure', async () => {
    const wearers = useWearers()
    const csv = [
      'wearer,taken on,measure,figure',
      'the Cook,2026-10-19,Waist,50 cm',
      'the Cook,2026-11-20,Waist,91 cm',
      'the Ferryman,2026-11-20,Hip,99 cm',
    ].join('\n')
    expect(await wearers.takeCsv(csv)).toEqual({ ok: true, count: 2 })
    const now = await stored('cook')
    expect(now.sets.slice(0, 3)).toEqual(cook.sets)
    expect(figureMm(latestSet(now), 'waist')).toBe(910)
    await settled(() => expect(wearers.all).toHaveLength(4))
    await undoAct('wardrobe')
    expect(await stored('cook')).toEqual(cook)
    expect(await db.wearers.count()).toBe(3)
  })
  it('are refused whole with a sentence', async () => {
    const wearers = useWearers()
    const done = await wearers.takeCsv('wearer,taken on,measure,figure\nthe Cook,soon,Waist,31\n')
    expect(done.ok ? '' : done.sentence).toContain('line 2')
    expect(await db.acts.count()).toBe(0)
  })
})

describe('a wardrobe file', () => {
  const text = writeProjectFile(contentsOf(demo.projects.slice(0, 2), demo.wearers), new Date(0))
  const edited = { ...cook, name: 'the Head Cook' }
  async function takeIn(content: string, keep: Keep) {
    const wardrobe = useWardrobe()
    const read = await wardrobe.openBackup(new TextEncoder().encode(content))
    if (!read.ok) return read
    return wardrobe.takeIn(read.value, 'restore', new Map(read.value.differences.map((d) => [d.id, keep])))
  }

  it('opened beside what is there keeps garments and wearers that are there', async () => {
    await db.wearers.put(edited)
    expect(await takeIn(text, 'here')).toEqual({ ok: true, value: 2 })
    expect((await stored('cook')).name).toBe('the Head Cook')
  })
  it('restored puts the saved ones in their place, and undo brings both back', async () => {
    await db.wearers.put(edited)
    await takeIn(text, 'file')
    expect((await stored('cook')).name).toBe('the Cook')
    await undoAct('wardrobe')
    expect((await stored('cook')).name).toBe('the Head Cook')
    expect([await db.garments.count(), await db.fits.count()]).toEqual([0, 0])
  })
  it('that is not whole changes nothing', async () => {
    const wardrobe = useWardrobe()
    const done = await wardrobe.openBackup(new TextEncoder().encode(text.slice(0, 4000)))
    expect(done.ok).toBe(false)
    expect(await db.garments.count()).toBe(0)
    expect(await db.acts.count()).toBe(0)
  })
})
