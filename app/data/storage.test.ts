import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { contentsOf, readProjectFile, writeProjectFile } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { doAct, doRows, undoAct } from './acts'
import { db } from './db'
import { backToBrowser, openStorage, storage } from './storage'

const { projects } = demoWardrobe(new Date('2026-03-01'))
const blouse = contentsOf(projects).garments[0]!
const garment = { table: 'garments', id: blouse.id, scope: blouse.id } as const
const nameOf = async () => (await db.garments.get(blouse.id))?.name

/** The next write fails as on a full disk; the memory of the page has room. */
const full = () =>
  vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
    throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
  })

beforeEach(async () => {
  if (storage.where === 'page') await backToBrowser()
  await openStorage()
  await Promise.all([db.garments.clear(), db.acts.clear(), db.wearers.clear()])
  await doRows('garments', 'open', [{ id: blouse.id, after: blouse }])
  storage.unstored = []
})
afterEach(() => vi.restoreAllMocks())

describe('storage that serves', () => {
  it('is the browser’s, and says when a write is under way', async () => {
    expect(storage.where).toBe('browser')
    const done = doAct(garment, 'rename', (p) => void (p.name = 'Stage blouse'))
    expect(storage.pending).toBe(1)
    await done
    expect(storage.pending).toBe(0)
  })
})

describe('what is worth keeping', () => {
  it('is asked to stay in this browser once, when the first of it is stored', async () => {
    vi.resetModules()
    const persist = vi.fn(() => Promise.resolve(false))
    vi.stubGlobal('navigator', { storage: { persist } })
    const fresh = await import('./storage')
    await fresh.openStorage()
    expect(persist).not.toHaveBeenCalled()
    for (let i = 0; i < 2; i++) await fresh.written('something', () => Promise.resolve())
    expect(persist).toHaveBeenCalledTimes(1)
    vi.unstubAllGlobals()
  })
})

describe('storage that is full', () => {
  it('loses nothing: the page goes on by itself, says why, and can save everything', async () => {
    const put = full()
    const done = await doAct(garment, 'rename', (p) => void (p.name = 'Stage blouse'))
    put.mockRestore()
    expect(done.ok).toBe(true)
    expect(storage).toMatchObject({ where: 'page', why: 'the storage of this browser is full.' })
    expect(await nameOf()).toBe('Stage blouse')
    const file = readProjectFile(writeProjectFile({ ...contentsOf([]), garments: await db.garments.toArray() }, new Date()))
    expect(file.ok && file.value.garments[0]!.name).toBe('Stage blouse')
    // Undo goes on too.
    await doAct(garment, 'again', (p) => void (p.name = 'Third'))
    expect(await undoAct(blouse.id)).toBe('again')
    expect(await nameOf()).toBe('Stage blouse')
  })

  it('takes in all that was done meanwhile when it serves again, and keeps what another tab has done', async () => {
    const browser = db
    const put = full()
    await doAct(garment, 'rename', (p) => void (p.name = 'Stage blouse'))
    put.mockRestore()
    await doRows('garments', 'new', [{ id: 'second', after: { ...blouse, id: 'second' } }])
    await browser.open()
    await browser.garments.put({ ...blouse, id: 'from-the-other-tab' })
    expect((await backToBrowser()).ok).toBe(true)
    expect(storage.where).toBe('browser')
    expect((await db.garments.toCollection().primaryKeys()).sort()).toEqual([blouse.id, 'from-the-other-tab', 'second'].sort())
    expect(await nameOf()).toBe('Stage blouse')
    expect(await undoAct(blouse.id)).toBe('rename')
  })

  it('deletes nothing in the browser when what is on the page cannot be read', async () => {
    const browser = db
    full()
    await doAct(garment, 'rename', (p) => void (p.name = 'Stage blouse'))
    vi.spyOn(db, 'table').mockImplementation(() => {
      throw new Error('unreadable')
    })
    expect((await backToBrowser()).ok).toBe(false)
    vi.restoreAllMocks()
    await browser.open()
    expect(await browser.garments.count()).toBe(1)
  })

  it('says so when it still does not serve, and goes on as before', async () => {
    full()
    await doAct(garment, 'rename', (p) => void (p.name = 'Stage blouse'))
    full()
    const tried = await backToBrowser()
    expect(!tried.ok && tried.problem.message).toMatch(/full/)
    expect([storage.where, await nameOf()]).toEqual(['page', 'Stage blouse'])
  })
})

describe('storage that cannot be opened', () => {
  it('is said at once, and the application can be used', async () => {
    db.close()
    const open = vi.spyOn(IDBFactory.prototype, 'open').mockImplementationOnce(() => {
      throw new DOMException('The operation is insecure: access denied.', 'SecurityError')
    })
    await openStorage()
    open.mockRestore()
    expect(storage.where).toBe('page')
    expect(storage.why).toMatch(/does not let the page store/)
    expect((await doRows('garments', 'new', [{ id: 'x', after: { ...blouse, id: 'x' } }])).ok).toBe(true)
    expect(await db.garments.count()).toBe(1)
  })
})
