import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { slashSwing } from '~~/core/changes/slash-swing'
import { contentsOf, FitRowSchema, GarmentRowSchema, readBackup, readProjectFile, splitProject } from '~~/core/formats'
import { draftBlouse } from '~~/demo/blouse'
import { demoWardrobe } from '~~/demo/wardrobe'
import { doAct, undoAct } from '~/data/acts'
import { db } from '~/data/db'
import { useRecipes } from './recipes'
import { useWardrobe } from './wardrobe'
import { contextWith, stopWith } from '../../core/changes/test-context'

const blouse = draftBlouse()
const begun = slashSwing.begin(blouse, contextWith())
if (!begun.ok) throw new Error(begun.problem.message)
const stop = stopWith('slash-swing', { ...begun.value, amountMm: 20 })

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all([db.recipes.clear(), db.acts.clear(), db.garments.clear(), db.fits.clear()])
})

it('keeps a slash under a name, which can be undone, and asks for a name', async () => {
  const recipes = useRecipes()
  expect(await recipes.keep(blouse, stop, '  ')).toBe('Give it a name first.')
  expect(await recipes.keep(blouse, stop, 'stage flare')).toBeNull()
  const [kept] = await db.recipes.toArray()
  expect(kept).toMatchObject({ name: 'stage flare', amountMm: 20 })
  expect(await recipes.keep({ ...blouse, pieces: [] }, stop, 'lost')).toMatch(/has gone/)
  await undoAct('wardrobe')
  expect(await db.recipes.count()).toBe(0)
})

/** Restores a file; what is here too and differs is taken from it. */
async function restored(bytes: Uint8Array) {
  const wardrobe = useWardrobe()
  const read = await wardrobe.openBackup(bytes)
  if (!read.ok) throw new Error(read.problem.message)
  return wardrobe.takeIn(read.value, 'restore', new Map(read.value.differences.map((d) => [d.id, 'file'])))
}

it('goes out with the whole wardrobe and comes back', async () => {
  const recipes = useRecipes()
  await recipes.keep(blouse, stop, 'stage flare')
  const bytes = await useWardrobe().backUp()
  const file = readBackup(bytes)
  expect(file.ok && file.value.file.recipes.map((r) => r.name)).toEqual(['stage flare'])
  await db.recipes.clear()
  await restored(bytes)
  expect((await db.recipes.toArray()).map((r) => r.name)).toEqual(['stage flare'])
  const [kept] = await db.recipes.toArray()
  await recipes.forget(kept!)
  expect(await db.recipes.count()).toBe(0)
})

it('takes one size of a nest out as a garment of its own, to be undone', async () => {
  const { projects } = demoWardrobe(new Date('2026-01-01'))
  const nest = projects.find((p) => p.garment.sizes.length > 1)!
  const size = nest.garment.sizes[2]!
  const id = (await useWardrobe().takeOut(nest, nest.garment, size.id))!
  const row = (await db.garments.get(id))!
  const [fit] = await db.fits.where('garmentId').equals(id).toArray()
  expect(row.name).toBe(`${nest.name}, size ${size.name}`)
  expect(row.garment.sizes.map((s) => s.id)).toEqual([size.id])
  expect(fit).toMatchObject({ plan: [], wearerId: nest.wearerId })
  expect([GarmentRowSchema.safeParse(row).success, FitRowSchema.safeParse(fit).success]).toEqual([true, true])
  await undoAct('wardrobe')
  expect([await db.garments.count(), await db.fits.count()]).toEqual([0, 0])
})

it('duplicates a garment whose name leaves no room for another word, within what a name may have', async () => {
  const { projects } = demoWardrobe(new Date('2026-01-01'))
  const long = { ...splitProject(projects[0]!).row, name: 'n'.repeat(120) }
  await db.garments.put(long)
  await useWardrobe().duplicate(long.id)
  const copy = (await db.garments.toArray()).find((g) => g.name.endsWith('(copy)'))!
  expect(copy.name).toHaveLength(120)
  expect(readBackup(await useWardrobe().backUp()).ok).toBe(true)
})

describe('fits of a garment', () => {
  const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
  const demo = contentsOf(projects, wearers)
  const trousers = demo.garments.find((g) => g.id === 'demo-tapered')!
  const ofTrousers = async () => (await db.fits.where('garmentId').equals(trousers.id).toArray()).map((f) => f.id)
  beforeEach(async () => {
    await db.garments.bulkPut(demo.garments)
    await db.fits.bulkPut(demo.fits)
    await db.wearers.bulkPut(demo.wearers)
  })

  it('begin empty, or with the plan and choices of another but not its tracing', async () => {
    const wardrobe = useWardrobe()
    const first = {
      ...(await db.fits.get('demo-tapered'))!,
      choices: { ...demo.fits[0]!.choices, fit: 'loose' as const, traced: ['front'], looked: ['waist'] },
    }
    const [empty, copy] = [
      await wardrobe.beginFit(trousers, 'bather', '', null),
      await wardrobe.beginFit(trousers, null, ' in linen ', first),
    ]
    expect(await db.fits.get(empty!)).toMatchObject({
      garmentId: 'demo-tapered',
      wearerId: 'bather',
      plan: [],
      choices: { fit: 'as-designed' },
    })
    expect(await db.fits.get(copy!)).toMatchObject({
      name: 'in linen',
      wearerId: null,
      plan: first.plan,
      choices: { fit: 'loose', traced: [], looked: [] },
    })
    // What is done to the copy leaves the first alone.
    await doAct({ table: 'fits', id: copy!, scope: copy! }, 'switch off', (f) => void (f.plan[0]!.on = false))
    expect((await db.fits.get('demo-tapered'))!.plan[0]!.on).toBe(true)
    expect(readBackup(await wardrobe.backUp()).ok).toBe(true)
  })
  it('are deleted and duplicated with their garment, and come back with it', async () => {
    const wardrobe = useWardrobe()
    await wardrobe.remove([trousers])
    expect([await db.garments.get(trousers.id), await ofTrousers()]).toEqual([undefined, []])
    await wardrobe.undo()
    expect((await db.garments.get(trousers.id))!.name).toBe(trousers.name)
    expect(await ofTrousers()).toEqual(['demo-tapered', 'demo-tapered-cook'])
    await wardrobe.duplicate(trousers.id)
    const copy = (await db.garments.toArray()).find((g) => g.name.endsWith('(copy)'))!
    expect(await db.fits.where('garmentId').equals(copy.id).count()).toBe(2)
  })
  it('are begun for one wearer in many garments at once, and many garments deleted or backed up, as one act each', async () => {
    const wardrobe = useWardrobe()
    const rows = await db.garments.toArray()
    await wardrobe.giveTo(rows, { id: 'bather', name: 'the Bather' })
    expect(await db.fits.where('wearerId').equals('bather').count()).toBeGreaterThanOrEqual(rows.length)
    const before = await db.fits.count()
    const read = readBackup(await wardrobe.backUpOnly(rows.slice(0, 2).map((r) => r.id)))
    if (!read.ok) throw new Error(read.problem.message)
    const { file } = read.value
    expect(file.garments.map((g) => g.id)).toEqual(rows.slice(0, 2).map((r) => r.id))
    expect(file.fits.every((f) => file.garments.some((g) => g.id === f.garmentId))).toBe(true)
    await wardrobe.remove(rows)
    expect([await db.garments.count(), await db.fits.count()]).toEqual([0, 0])
    await wardrobe.undo()
    expect([await db.garments.count(), await db.fits.count()]).toEqual([rows.length, before])
  })
  it('come back from a backup beside what is here, and everything goes for good where that is asked', async () => {
    const wardrobe = useWardrobe()
    const bytes = await wardrobe.backUp()
    const count = await db.garments.count()
    await doAct({ table: 'fits', id: 'demo-tapered', scope: 'demo-tapered' }, 'switch off', (f) => void (f.plan[0]!.on = false))
    const read = await wardrobe.openBackup(bytes)
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value.differences).toMatchObject([{ id: 'demo-tapered', newer: 'here' }])
    expect(await wardrobe.takeIn(read.value, 'restore', new Map([['demo-tapered', 'both']]))).toEqual({ ok: true, value: 1 })
    expect(await db.garments.count()).toBe(count + 1)
    expect((await db.fits.get('demo-tapered'))!.plan[0]!.on).toBe(false)
    await wardrobe.deleteEverything()
    expect([await db.garments.count(), await db.fits.count(), await db.wearers.count(), await db.acts.count()]).toEqual([0, 0, 0, 0])
    await restored(bytes)
    expect(await db.garments.count()).toBe(count)
  })
  it('go out alone: as a file, one fit has its garment and its own wearer, and no other', async () => {
    const file = readProjectFile(await useWardrobe().fitAsFile(projects.find((p) => p.id === 'demo-tapered-cook')!))
    if (!file.ok) throw new Error(file.problem.message)
    expect([file.value.garments.map((g) => g.id), file.value.fits.map((f) => f.id), file.value.wearers.map((w) => w.id)]).toEqual([
      ['demo-tapered'],
      ['demo-tapered-cook'],
      ['cook'],
    ])
  })
})
