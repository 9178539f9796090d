import { beforeEach, describe, expect, it } from 'vitest'
import { contentsOf, type GarmentRow } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { doAct, doParts, doRows, doTogether, redoAct, undoAct } from './acts'
import { endsOf, goToAct, logOf } from './acts-log'
import { db } from './db'
import { storage } from './storage'
import { EMPTY_TRAY } from './empty-tray'

const { projects } = demoWardrobe(new Date('2026-03-01'))
const { garments, fits } = contentsOf(projects)
const [blouse, work] = [garments[0]!, fits[0]!]
const garment = { table: 'garments', id: blouse.id, scope: blouse.id } as const
const fit = { table: 'fits', id: work.id, scope: blouse.id } as const
const row = () => db.garments.get(blouse.id)
const planned = async () => (await db.fits.get(work.id))!.plan
const stop = (id: string) => ({ ...projects[1]!.plan[0]!, id })

beforeEach(async () => {
  await Promise.all([db.garments.clear(), db.fits.clear(), db.acts.clear()])
  await doRows('garments', 'open', [{ id: blouse.id, after: blouse }])
  await doRows('fits', 'open', [{ id: work.id, after: work }])
})

describe('an act', () => {
  it('changes the row, can be undone and done again', async () => {
    await doAct(fit, 'add', (f) => void f.plan.push(stop('a')))
    expect((await planned()).map((c) => c.id)).toEqual(['a'])
    expect(await undoAct(blouse.id)).toBe('add')
    expect(await planned()).toEqual([])
    expect((await row())!.garment).toEqual(blouse.garment)
    expect(await redoAct(blouse.id)).toBe('add')
    expect((await planned()).map((c) => c.id)).toEqual(['a'])
    expect(await redoAct(blouse.id)).toBeNull()
  })

  it('ends what could have been redone', async () => {
    await doAct(fit, 'first', (f) => void f.plan.push(stop('a')))
    await undoAct(blouse.id)
    await doAct(fit, 'second', (f) => void f.plan.push(stop('b')))
    expect(await redoAct(blouse.id)).toBeNull()
    expect((await planned()).map((c) => c.id)).toEqual(['b'])
  })

  it('undoes in the order things were done, many deep', async () => {
    for (const id of ['a', 'b', 'c']) await doAct(fit, `add ${id}`, (f) => void f.plan.push(stop(id)))
    await doAct(fit, 'move', (f) => void f.plan.reverse())
    expect((await planned()).map((c) => c.id)).toEqual(['c', 'b', 'a'])
    const labels = [await undoAct(blouse.id), await undoAct(blouse.id), await undoAct(blouse.id)]
    expect(labels).toEqual(['move', 'add c', 'add b'])
    expect((await planned()).map((c) => c.id)).toEqual(['a'])
  })

  it('is called by its name where it would be taken back, also where the clock was set back meanwhile', async () => {
    expect((await endsOf(blouse.id)).done).toBeNull()
    for (const id of ['a', 'b']) await doAct(fit, `add ${id}`, (f) => void f.plan.push(stop(id)))
    const [, last] = await logOf(blouse.id)
    await db.acts.update(last!.id, { at: '2020-01-01T00:00:00.000Z' })
    expect((await endsOf(blouse.id)).done!.label).toBe('add b')
    expect(await undoAct(blouse.id)).toBe('add b')
    await undoAct(blouse.id)
    const ends = await endsOf(blouse.id)
    expect([ends.done, ends.redo!.label]).toEqual([null, 'add a'])
  })

  it('stands in the log of its scope, and any point of that can be gone to, back and forth', async () => {
    for (const id of ['a', 'b', 'c']) await doAct(fit, `add ${id}`, (f) => void f.plan.push(stop(id)))
    const ids = (await logOf(blouse.id)).map((a) => a.id)
    expect((await logOf(blouse.id)).map((a) => [a.label, a.undone])).toEqual([
      ['add a', false],
      ['add b', false],
      ['add c', false],
    ])
    expect(await goToAct(blouse.id, ids[0]!)).toEqual({ ok: true, value: 2 })
    expect((await planned()).map((c) => c.id)).toEqual(['a'])
    expect((await logOf(blouse.id)).map((a) => a.undone)).toEqual([false, true, true])
    expect(await goToAct(blouse.id, ids[1]!)).toEqual({ ok: true, value: 1 })
    expect((await planned()).map((c) => c.id)).toEqual(['a', 'b'])
    expect(await goToAct(blouse.id, null)).toEqual({ ok: true, value: 2 })
    expect(await planned()).toEqual([])
    expect(await goToAct(blouse.id, ids[2]!)).toEqual({ ok: true, value: 3 })
    expect((await planned()).map((c) => c.id)).toEqual(['a', 'b', 'c'])
  })

  it('reads the row as it is now, so that two at once both count', async () => {
    await Promise.all(['a', 'b', 'c', 'd'].map((id) => doAct(fit, id, (f) => void f.plan.push(stop(id)))))
    expect((await planned()).map((c) => c.id).sort()).toEqual(['a', 'b', 'c', 'd'])
  })

  it('that would write a row the schema refuses writes nothing at all', async () => {
    const done = await doAct(garment, 'spoil', (p) => void (p.name = ''))
    expect(done).toMatchObject({ ok: false, problem: { code: 'not-fit', where: 'name', message: 'it is empty.' } })
    // It is said on every screen, with what was to be stored.
    expect(storage.unstored.at(-1)).toMatchObject({ label: 'spoil', sentence: 'name: it is empty.' })
    expect(JSON.parse(storage.unstored.at(-1)!.content)).toMatchObject({ id: blouse.id, name: '' })
    expect((await row())!.name).toBe(blouse.name)
    expect(await db.acts.where('scope').equals(blouse.id).count()).toBe(0)
  })

  it.each([
    ['takes a field away that every garment has', (p: Partial<GarmentRow>) => void delete p.mends],
    ['adds a field that no garment has', (p: object) => void Object.assign(p, { colour: 'red' })],
    ['spoils something deep inside', (p: GarmentRow) => void (p.garment.pieces[0]!.cut.count = -1)],
  ])('that %s writes nothing either', async (_, spoil) => {
    const before = await row()
    expect((await doAct(garment, 'spoil', spoil)).ok).toBe(false)
    expect(await row()).toEqual(before)
  })

  it('may give something back, which is let be: a recipe is often one assignment', async () => {
    expect((await doAct(garment, 'rename', (g) => (g.name = 'Stage blouse'))).ok).toBe(true)
    expect((await row())!.name).toBe('Stage blouse')
  })

  it('that changes nothing leaves no trace, and one on a garment that has gone is let be', async () => {
    await doAct(garment, 'nothing', () => {})
    await doAct({ ...garment, id: 'nobody' }, 'ghost', (p) => void (p.name = 'x'))
    expect(await undoAct(blouse.id)).toBeNull()
    expect(await db.garments.count()).toBe(1)
  })
})

describe('whole rows', () => {
  it.each([
    ['a name that is too long', { ...blouse, name: 'x'.repeat(121) }, /more than 120 signs/],
    ['a field that no garment has', { ...blouse, colour: 'red' }, /not known|something else/],
    ['a time that is none', { ...blouse, updatedAt: 'soon' }, /not a time/],
  ])('with %s are refused, and nothing is written', async (_, spoilt, words) => {
    const done = await doRows('garments', 'put', [
      { id: 'other', after: { ...blouse, id: 'other' } },
      { id: blouse.id, after: spoilt },
    ])
    expect(!done.ok && done.problem.message).toMatch(words)
    expect(await db.garments.get('other')).toBeUndefined()
    expect((await row())!.name).toBe(blouse.name)
  })
  it('of several tables and an act of another scope are stored together or not at all', async () => {
    await db.tray.clear()
    const hang = (name: string) =>
      doTogether('hang', [
        { scope: 'wardrobe', label: 'new', parts: [{ table: 'garments', rows: [{ id: 'new', after: { ...blouse, id: 'new', name } }] }] },
        { scope: 'tray', label: 'hang', parts: [{ table: 'tray', id: 'now', recipe: (t) => void (t.garmentName = 'emptied') }] },
      ])
    expect((await hang('')).ok).toBe(false)
    expect([await db.garments.get('new'), await db.tray.get('now')]).toEqual([undefined, undefined])
    expect((await hang('Waistcoat')).ok).toBe(true)
    expect([(await db.garments.get('new'))!.name, (await db.tray.get('now'))!.garmentName]).toEqual(['Waistcoat', 'emptied'])
  })
})

describe('an act on several rows', () => {
  const both = (id: string) =>
    doParts(blouse.id, 'both', [
      { table: 'garments', id: blouse.id, recipe: (g) => void g.mends.push(stop(id)) },
      { table: 'fits', id: work.id, recipe: (f) => void f.plan.push(stop(`${id}-own`)) },
    ])
  const now = async () => [...(await row())!.mends, ...(await planned())].map((c) => c.id)
  it('is taken back and done again as one', async () => {
    await both('a')
    expect(await now()).toEqual(['a', 'a-own'])
    expect(await undoAct(blouse.id)).toBe('both')
    expect(await now()).toEqual([])
    expect(await redoAct(blouse.id)).toBe('both')
    expect(await now()).toEqual(['a', 'a-own'])
  })
  it('is taken back whole or not at all: where one row was replaced since, the other stays', async () => {
    await both('a')
    await doAct(fit, 'why', (f) => void (f.plan[0]!.note = 'short'))
    await doRows('fits', 'restore', [{ id: work.id, after: work }])
    expect(await undoAct(blouse.id)).toMatch(/why.*no longer possible/)
    expect(await now()).toEqual(['a'])
  })
})

describe('acts of the wardrobe', () => {
  it('delete with undo brings the whole row back', async () => {
    await doAct(fit, 'add', (f) => void f.plan.push(stop('a')))
    const before = [await row(), await db.fits.get(work.id)]
    await doParts('wardrobe', 'delete', [
      { table: 'garments', rows: [{ id: blouse.id, after: null }] },
      { table: 'fits', rows: [{ id: work.id, after: null }] },
    ])
    expect(await row()).toBeUndefined()
    expect(await db.fits.count()).toBe(0)
    expect(await undoAct('wardrobe')).toBe('delete')
    expect([await row(), await db.fits.get(work.id)]).toEqual(before)
  })

  it('restoring several garments is one act', async () => {
    await doRows(
      'garments',
      'restore',
      garments.map((g) => ({ id: g.id, after: g })),
    )
    expect(await db.garments.count()).toBe(garments.length)
    await undoAct('wardrobe')
    expect(await db.garments.count()).toBe(1)
    await redoAct('wardrobe')
    expect(await db.garments.count()).toBe(garments.length)
  })

  it('renaming is undone in the wardrobe and leaves later work on the garment alone', async () => {
    await doAct({ ...garment, scope: 'wardrobe' }, 'rename', (p) => void (p.name = 'Stage blouse'))
    await doAct(fit, 'add', (f) => void f.plan.push(stop('a')))
    await undoAct('wardrobe')
    expect((await row())!.name).toBe(blouse.name)
    expect(await planned()).toHaveLength(1)
  })

  it('an act whose garment was replaced since is dropped with a word, and spoils nothing', async () => {
    await doAct(fit, 'add', (f) => void f.plan.push(stop('a')))
    await doAct(fit, 'why', (f) => void (f.plan[0]!.note = 'too long'))
    await doRows('fits', 'restore', [{ id: work.id, after: work }])
    expect(await undoAct(blouse.id)).toMatch(/no longer possible/)
    expect(await planned()).toEqual([])
  })

  it('forgets only the oldest beyond 300 acts of a garment', async () => {
    await doAct(garment, 'note 0', (p) => void (p.name = 'Blouse 0'))
    const { id: _, ...kept } = (await db.acts.where('scope').equals(blouse.id).first())!
    await db.acts.bulkAdd(Array.from({ length: 300 }, (_, i) => ({ ...kept, label: `note ${i + 1}` })))
    for (const i of [301, 302, 303]) await doAct(garment, `note ${i}`, (p) => void (p.name = `Blouse ${i}`))
    expect(await db.acts.where('scope').equals(blouse.id).count()).toBe(300)
    expect((await db.acts.where('scope').equals(blouse.id).first())!.label).toBe('note 4')
    expect(await undoAct(blouse.id)).toBe('note 303')
  })
})

describe('acts of the tray', () => {
  const tray = { table: 'tray', id: 'now', scope: 'tray' } as const
  const now = async () => (await db.tray.get('now')) ?? EMPTY_TRAY
  beforeEach(() => db.tray.clear())

  it('begin with an empty tray, and go back to it one by one', async () => {
    await doAct(tray, 'take a file', (t) => void Object.assign(t, { fileName: 'waistcoat.svg', text: '<svg/>' }))
    await doAct(tray, 'name the garment', (t) => void (t.garmentName = 'Waistcoat'))
    expect(await now()).toMatchObject({ fileName: 'waistcoat.svg', garmentName: 'Waistcoat' })
    expect(await undoAct('tray')).toBe('name the garment')
    expect((await now()).garmentName).toBe('')
    expect(await undoAct('tray')).toBe('take a file')
    expect(await now()).toEqual(EMPTY_TRAY)
    await redoAct('tray')
    expect((await now()).fileName).toBe('waistcoat.svg')
  })
  it('leave the wardrobe and its garments alone', async () => {
    await doAct(tray, 'name the garment', (t) => void (t.garmentName = 'Waistcoat'))
    expect(await undoAct(blouse.id)).toBeNull()
    expect((await now()).garmentName).toBe('Waistcoat')
  })
})
