import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Project } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { doAct, doRows, doTogether, redoAct, undoAct } from './acts'
import { db } from './db'
import { storage } from './storage'
import { EMPTY_TRAY } from './tray-row'

const { projects } = demoWardrobe(new Date('2026-03-01'))
const blouse = projects[0]!
const garment = { table: 'projects', id: blouse.id, scope: blouse.id } as const
const row = () => db.projects.get(blouse.id)
const stop = (id: string) => ({ ...projects[1]!.plan[0]!, id })

beforeEach(async () => {
  await Promise.all([db.projects.clear(), db.acts.clear()])
  await doRows('projects', 'open', [{ id: blouse.id, after: blouse }])
})

describe('an act', () => {
  it('changes the row, can be undone and done again', async () => {
    await doAct(garment, 'add', (p) => void p.plan.push(stop('a')))
    expect((await row())!.plan.map((c) => c.id)).toEqual(['a'])
    expect(await undoAct(blouse.id)).toBe('add')
    expect((await row())!.plan).toEqual([])
    expect((await row())!.garment).toEqual(blouse.garment)
    expect(await redoAct(blouse.id)).toBe('add')
    expect((await row())!.plan.map((c) => c.id)).toEqual(['a'])
    expect(await redoAct(blouse.id)).toBeNull()
  })

  it('ends what could have been redone', async () => {
    await doAct(garment, 'first', (p) => void p.plan.push(stop('a')))
    await undoAct(blouse.id)
    await doAct(garment, 'second', (p) => void p.plan.push(stop('b')))
    expect(await redoAct(blouse.id)).toBeNull()
    expect((await row())!.plan.map((c) => c.id)).toEqual(['b'])
  })

  it('undoes in the order things were done, many deep', async () => {
    for (const id of ['a', 'b', 'c']) await doAct(garment, `add ${id}`, (p) => void p.plan.push(stop(id)))
    await doAct(garment, 'move', (p) => void p.plan.reverse())
    expect((await row())!.plan.map((c) => c.id)).toEqual(['c', 'b', 'a'])
    const labels = [await undoAct(blouse.id), await undoAct(blouse.id), await undoAct(blouse.id)]
    expect(labels).toEqual(['move', 'add c', 'add b'])
    expect((await row())!.plan.map((c) => c.id)).toEqual(['a'])
  })

  it('reads the row as it is now, so that two at once both count', async () => {
    await Promise.all(['a', 'b', 'c', 'd'].map((id) => doAct(garment, id, (p) => void p.plan.push(stop(id)))))
    expect((await row())!.plan.map((c) => c.id).sort()).toEqual(['a', 'b', 'c', 'd'])
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
    ['takes a field away that every garment has', (p: Partial<Project>) => void delete p.plan],
    ['adds a field that no garment has', (p: object) => void Object.assign(p, { colour: 'red' })],
    ['spoils something deep inside', (p: Project) => void (p.garment.pieces[0]!.cut.count = -1)],
  ])('that %s writes nothing either', async (_, spoil) => {
    const before = await row()
    expect((await doAct(garment, 'spoil', spoil)).ok).toBe(false)
    expect(await row()).toEqual(before)
  })

  it('that changes nothing leaves no trace, and one on a garment that has gone is let be', async () => {
    await doAct(garment, 'nothing', () => {})
    await doAct({ ...garment, id: 'nobody' }, 'ghost', (p) => void (p.name = 'x'))
    expect(await undoAct(blouse.id)).toBeNull()
    expect(await db.projects.count()).toBe(1)
  })
})

describe('whole rows', () => {
  it.each([
    ['a name that is too long', { ...blouse, name: 'x'.repeat(121) }, /more than 120 signs/],
    ['a field that no garment has', { ...blouse, colour: 'red' }, /not known|something else/],
    ['a time that is none', { ...blouse, updatedAt: 'soon' }, /not a time/],
  ])('with %s are refused, and nothing is written', async (_, spoilt, words) => {
    const done = await doRows('projects', 'put', [
      { id: 'other', after: { ...blouse, id: 'other' } },
      { id: blouse.id, after: spoilt },
    ])
    expect(!done.ok && done.problem.message).toMatch(words)
    expect(await db.projects.get('other')).toBeUndefined()
    expect((await row())!.name).toBe(blouse.name)
  })
  it('of several tables and an act on another row are stored together or not at all', async () => {
    const tray = { table: 'tray', id: 'now', scope: 'tray' } as const
    await db.tray.clear()
    const rows = (name: string) => [
      { table: 'projects' as const, label: 'new', rows: [{ id: 'new', after: { ...blouse, id: 'new', name } }] },
    ]
    const recipe = (t: { garmentName: string }) => void (t.garmentName = 'emptied')
    expect((await doTogether('hang', rows(''), { where: tray, recipe })).ok).toBe(false)
    expect([await db.projects.get('new'), await db.tray.get('now')]).toEqual([undefined, undefined])
    expect((await doTogether('hang', rows('Waistcoat'), { where: tray, recipe })).ok).toBe(true)
    expect([(await db.projects.get('new'))!.name, (await db.tray.get('now'))!.garmentName]).toEqual(['Waistcoat', 'emptied'])
  })
})

describe('acts of the wardrobe', () => {
  it('delete with undo brings the whole row back', async () => {
    await doAct(garment, 'add', (p) => void p.plan.push(stop('a')))
    const before = await row()
    await doRows('projects', 'delete', [{ id: blouse.id, after: null }])
    expect(await row()).toBeUndefined()
    expect(await undoAct('wardrobe')).toBe('delete')
    expect(await row()).toEqual(before)
  })

  it('restoring several garments is one act', async () => {
    await doRows(
      'projects',
      'restore',
      projects.map((p) => ({ id: p.id, after: p })),
    )
    expect(await db.projects.count()).toBe(projects.length)
    await undoAct('wardrobe')
    expect(await db.projects.count()).toBe(1)
    await redoAct('wardrobe')
    expect(await db.projects.count()).toBe(projects.length)
  })

  it('renaming is undone in the wardrobe and leaves later work on the garment alone', async () => {
    await doAct({ ...garment, scope: 'wardrobe' }, 'rename', (p) => void (p.name = 'Stage blouse'))
    await doAct(garment, 'add', (p) => void p.plan.push(stop('a')))
    await undoAct('wardrobe')
    const now = (await row()) as Project
    expect(now.name).toBe(blouse.name)
    expect(now.plan).toHaveLength(1)
  })

  it('an act whose garment was replaced since is dropped with a word, and spoils nothing', async () => {
    await doAct(garment, 'add', (p) => void p.plan.push(stop('a')))
    await doAct(garment, 'why', (p) => void (p.plan[0]!.note = 'too long'))
    await doRows('projects', 'restore', [{ id: blouse.id, after: blouse }])
    expect(await undoAct(blouse.id)).toMatch(/no longer possible/)
    expect((await row())!.plan).toEqual([])
  })

  it('forgets only the oldest beyond 300 acts of a garment', async () => {
    for (let i = 0; i < 304; i++) await doAct(garment, `note ${i}`, (p) => void (p.name = `Blouse ${i}`))
    expect(await db.acts.where('scope').equals(blouse.id).count()).toBe(300)
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
