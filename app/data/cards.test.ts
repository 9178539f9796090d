import { beforeEach, describe, expect, it } from 'vitest'
import { contentsOf } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { deleteEverything, deleteForGood, doAct, doRows, undoAct } from './acts'
import { hangOf, keepSettled, readCards, readHangs, readSettled, sweepCards } from './cards'
import { db } from './db'

const { garments, fits } = contentsOf(demoWardrobe(new Date('2026-03-01')).projects)
const [blouse, trousers] = [garments.find((g) => g.id === 'demo-blouse')!, garments.find((g) => g.id === 'demo-tapered')!]
const fit = { ...fits.find((f) => f.garmentId === blouse.id)!, id: 'fit-of-blouse' }
const hung = async (id: string) => ({ id, updatedAt: (await db.garments.get(id))!.updatedAt })
const settled = (id: string, garmentId: string) => ({
  id,
  garmentId,
  madeFor: 'then',
  unsettled: { faults: { seam: 0, notch: 0, corner: 0, dart: 0, eased: 0 }, stuck: 1, last: null },
})

beforeEach(async () => {
  await deleteEverything()
  await doRows(
    'garments',
    'open',
    [blouse, trousers].map((row) => ({ id: row.id, after: row })),
  )
  await doRows('fits', 'open', [{ id: fit.id, after: fit }])
})

const byId = <T extends { id: string }>(rows: T[]) => rows.sort((a, b) => a.id.localeCompare(b.id))

describe('the list of garments', () => {
  const rename = (name: string) =>
    doAct({ table: 'garments', id: blouse.id, scope: 'wardrobe' }, 'rename', (g) => void Object.assign(g, { name, labels: ['act 2'] }))
  it('says what the garments say, whatever is done to them and taken back', async () => {
    const isTrue = async () => expect(byId(await db.hangs.toArray())).toEqual(byId((await db.garments.toArray()).map(hangOf)))
    await isTrue()
    await rename('Smock')
    expect((await db.hangs.get(blouse.id))!.labels).toEqual(['act 2'])
    await isTrue()
    await doRows('garments', 'delete', [{ id: blouse.id, after: null }])
    expect(await db.hangs.count()).toBe(1)
    await undoAct('wardrobe')
    await isTrue()
    await undoAct('wardrobe')
    expect((await db.hangs.get(blouse.id))!.name).toBe(blouse.name)
    await isTrue()
  })
  it('reads what an earlier version wrote, and takes it in', async () => {
    await db.hangs.clear()
    await db.hangs.put(hangOf({ ...blouse, id: 'gone' }))
    expect(byId(await readHangs()).map((h) => h.name)).toEqual([blouse.name, trousers.name])
    await sweepCards()
    expect((await db.hangs.toCollection().primaryKeys()).sort()).toEqual([blouse.id, trousers.id])
  })
})

describe('the card of a garment', () => {
  it('is drawn once from its pieces, and read from then on without them', async () => {
    const made = await readCards([await hung(blouse.id), await hung(trousers.id)], 'v1')
    expect([...made.keys()]).toEqual([blouse.id, trousers.id])
    expect(
      made
        .get(blouse.id)!
        .picture.pieces.map((p) => p.id)
        .sort(),
    ).toEqual(blouse.garment.pieces.map((p) => p.id).sort())
    for (const { d } of made.get(blouse.id)!.picture.pieces) expect(d).toMatch(/^M[^N]+Z$/)
    const at = await hung(blouse.id)
    await db.garments.delete(blouse.id)
    expect(await readCards([at], 'v1')).toEqual(new Map([[blouse.id, made.get(blouse.id)]]))
    // A garment that is gone has none, by another version.
    expect(await readCards([at], 'v2')).toEqual(new Map())
  })
  it('is without a picture where its pieces cannot be drawn, and not kept so; the others hang as they are', async () => {
    await db.garments.put({ ...blouse, garment: { ...blouse.garment, baseSizeId: 'no such size' } })
    const read = await readCards([await hung(blouse.id), await hung(trousers.id)], 'v1')
    expect([read.get(blouse.id)!.picture.pieces, read.get(trousers.id)!.picture.pieces.length]).toEqual([[], 3])
    expect(await db.cards.toCollection().primaryKeys()).toEqual([trousers.id])
    await db.garments.put(blouse)
    expect((await readCards([await hung(blouse.id)], 'v1')).get(blouse.id)!.picture.pieces).toHaveLength(4)
  })
  it('is drawn anew once the garment was changed', async () => {
    const before = (await readCards([await hung(blouse.id)], 'v1')).get(blouse.id)!
    await new Promise((later) => setTimeout(later, 5))
    await doAct({ table: 'garments', id: blouse.id, scope: 'wardrobe' }, 'fewer', (g) => void g.garment.pieces.pop())
    const after = (await readCards([await hung(blouse.id)], 'v1')).get(blouse.id)!
    expect(after.picture.pieces).toHaveLength(before.picture.pieces.length - 1)
  })
  it('goes where other rows are put in the garment’s place, whatever time these bear', async () => {
    await readCards([await hung(blouse.id)], 'v1')
    await keepSettled(settled(fit.id, blouse.id))
    await doRows('garments', 'restore', [{ id: blouse.id, after: { ...trousers, id: blouse.id, updatedAt: blouse.updatedAt } }])
    expect([await db.cards.count(), (await readSettled()).size]).toEqual([0, 0])
    expect(
      (await readCards([await hung(blouse.id)], 'v1'))
        .get(blouse.id)!
        .picture.pieces.map((p) => p.id)
        .sort(),
    ).toEqual(trousers.garment.pieces.map((p) => p.id).sort())
    await readCards([await hung(blouse.id)], 'v1')
    await undoAct('wardrobe')
    expect(await db.cards.count()).toBe(0)
  })
})

describe('what is left to settle', () => {
  it('is kept by its fit, and goes with it', async () => {
    await keepSettled(settled(fit.id, blouse.id))
    await keepSettled(settled(trousers.id, trousers.id))
    expect((await readSettled()).get(fit.id)).toMatchObject({ madeFor: 'then', unsettled: { stuck: 1 } })
    await doRows('fits', 'delete', [{ id: fit.id, after: null }])
    expect([...(await readSettled()).keys()]).toEqual([trousers.id])
    await keepSettled(settled(fit.id, blouse.id))
    await db.garments.delete(trousers.id)
    await sweepCards()
    expect((await readSettled()).size).toBe(0)
  })
  it('says what it was worked out from, and does not outlive a wearer that is deleted for good', async () => {
    await keepSettled(settled(fit.id, blouse.id))
    await deleteForGood('cook')
    expect((await readSettled()).size).toBe(0)
  })
})
