import Dexie from 'dexie'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { FitRowSchema, GarmentRowSchema, splitProject } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { undoAct } from './acts'
import { db } from './db'

const { projects, wearers } = demoWardrobe(new Date('2026-03-01'))
const { id, name, wearerId, garment, sizing, plan, createdAt, updatedAt } = projects.find((p) => p.id === 'demo-tapered')!
/** As version 5 kept it: the garment and its work in one row. */
const before = { id, name, wearerId, garment, sizing, plan: [], createdAt, updatedAt }
const after = { ...before, name: 'Stage trousers', plan, sizing: { ...sizing, fit: 'loose', shiftsMm: { hip: { front: 12 } } } }

/** A browser in which the version before this one was used. */
beforeAll(async () => {
  const old = new Dexie('tidal-seam')
  old.version(5).stores({ projects: 'id, updatedAt', wearers: 'id', acts: '++id, scope, [scope+undone]', tray: 'id', recipes: 'id' })
  await old.table('projects').bulkAdd([after, { ...before, id: 'second' }])
  await old.table('wearers').bulkAdd(wearers)
  const act = (label: string, scope: string, change: object) => ({ scope, label, at: updatedAt, undone: 0, change })
  const patch = (path: (string | number)[], value: unknown) => ({ op: 'replace', path, value })
  await old.table('acts').bulkAdd([
    act('open', 'wardrobe', { how: 'rows', table: 'projects', ids: [id], before: [null], after: [before] }),
    act('rename', id, { how: 'patch', table: 'projects', id, patches: [patch(['name'], after.name)], inverse: [patch(['name'], name)] }),
    act('sizes', id, {
      how: 'patch',
      table: 'projects',
      id,
      patches: [patch(['sizing', 'fit'], 'loose'), patch(['sizing', 'shiftsMm'], after.sizing.shiftsMm)],
      inverse: [patch(['sizing', 'fit'], sizing.fit), patch(['sizing', 'shiftsMm'], {})],
    }),
    act('plan', id, { how: 'patch', table: 'projects', id, patches: [patch(['plan'], plan)], inverse: [patch(['plan'], [])] }),
    act('name', 'tray', { how: 'patch', table: 'tray', id: 'now', patches: [], inverse: [] }),
  ])
  old.close()
  await db.open()
})
afterAll(() => db.delete())

it('an older browser storage becomes garments and fits, and nothing of it is lost', async () => {
  const { row, fit } = splitProject({ ...projects.find((p) => p.id === id)!, name: after.name, sizing: after.sizing as typeof sizing })
  expect(await db.garments.get(id)).toEqual(row)
  expect(await db.fits.get(id)).toEqual(fit)
  for (const g of await db.garments.toArray()) expect(GarmentRowSchema.safeParse(g).success).toBe(true)
  for (const f of await db.fits.toArray()) expect(FitRowSchema.safeParse(f).success).toBe(true)
  expect([await db.garments.count(), await db.fits.count(), await db.wearers.count()]).toEqual([2, 2, wearers.length])
})

it('what was done before can still be undone, down to the garment’s coming', async () => {
  expect(await undoAct(id)).toBe('plan')
  expect((await db.fits.get(id))!.plan).toEqual([])
  expect(await undoAct(id)).toBe('sizes')
  expect((await db.fits.get(id))!.choices.fit).toBe(sizing.fit)
  expect((await db.garments.get(id))!.charts.shiftsMm).toEqual({})
  expect(await undoAct(id)).toBe('rename')
  expect((await db.garments.get(id))!.name).toBe(name)
  expect(await undoAct('wardrobe')).toBe('open')
  expect([await db.garments.get(id), await db.fits.get(id)]).toEqual([undefined, undefined])
})
