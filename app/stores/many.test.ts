import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { splitProject } from '~~/core/formats'
import { makeFit } from '~~/core/many'
import { demoWardrobe } from '~~/demo/wardrobe'
import { deleteForGood, undoAct } from '~/data/acts'
import { db } from '~/data/db'
import { madeId, type MadeRow } from '~/data/made-row'
import { useMany } from './many'
import { usePrefs } from './prefs'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const { row, fit } = splitProject(projects.find((p) => p.id === 'demo-dress')!)
const NOW = '2026-05-01T08:00:00.000Z'

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all([db.garments, db.fits, db.wearers, db.made, db.acts].map((t) => (t as typeof db.garments).clear()))
  await db.garments.put(row)
  await db.fits.put(fit)
  await db.wearers.bulkPut(wearers)
  useMany().chosen = { garmentIds: [row.id], wearerIds: wearers.map((w) => w.id), isAnew: false }
})

const pairs = async () => useMany().pairsOf([row], wearers, await db.fits.toArray(), await db.made.toArray())
/** Keeps what a worker would have worked out of a pair. */
async function workOut(name: string) {
  const m = (await pairs()).find((p) => p.wearer.name === name)!
  const { workshop } = useMany()
  const made = makeFit(m, { ...workshop, cloth: null }, usePrefs().tolerances, NOW, () => crypto.randomUUID())
  const kept: MadeRow = {
    id: m.id,
    garmentId: row.id,
    wearerId: m.wearer.id,
    madeFor: m.madeFor,
    made,
    why: '',
    madeAt: NOW,
    isLeft: false,
    fitId: null,
  }
  await db.made.put(kept)
  return kept
}

it('pairs every garment with every wearer; a fit that is there is looked at, or begun anew', async () => {
  const all = await pairs()
  expect(all.map((m) => m.id)).toEqual(wearers.map((w) => madeId(row.id, w.id)))
  expect(all.filter((m) => m.there).map((m) => m.wearer.id)).toEqual([fit.wearerId])
  useMany().chosen = { ...useMany().chosen, isAnew: true }
  expect((await pairs()).some((m) => m.there)).toBe(false)
})

it('knows what was worked out, until garment, wearer or paper are others', async () => {
  await workOut('the Cook')
  const done = async () => (await pairs()).filter((m) => m.done).map((m) => m.wearer.name)
  expect(await done()).toEqual(['the Cook'])
  const many = useMany()
  const before = many.workshop
  many.workshop = { ...before, paper: 'a0' }
  expect(await done()).toEqual([])
  many.workshop = before
  expect(await done()).toEqual(['the Cook'])
  const later = { ...row, updatedAt: '2027-01-01T00:00:00.000Z' }
  expect(many.pairsOf([later], wearers, [fit], await db.made.toArray()).some((m) => m.done)).toBe(false)
})

it('chooses again what was asked for, where the browser has forgotten it', async () => {
  const kept = await workOut('the Cook')
  const many = useMany()
  many.chooseAgain([{ ...kept, garmentId: 'other' }])
  expect(many.chosen.garmentIds).toEqual([row.id])
  many.chosen = { garmentIds: [], wearerIds: [], isAnew: false }
  many.chooseAgain([kept])
  expect(many.chosen).toEqual({ garmentIds: [row.id], wearerIds: [kept.wearerId], isAnew: false })
})

it('chooses again a whole batch that was cut off, where only its first choices were kept', async () => {
  const many = useMany()
  const [first, ...others] = wearers
  const rowFor = (wearerId: string, own: Partial<MadeRow>): MadeRow => ({
    id: madeId(row.id, wearerId),
    garmentId: row.id,
    wearerId,
    madeFor: '',
    made: null,
    why: '',
    madeAt: NOW,
    isLeft: false,
    fitId: null,
    ...own,
  })
  const earlier = rowFor('of-another-day', { why: 'It takes too long.', madeAt: '2026-04-01T08:00:00.000Z' })
  const made = [
    earlier,
    rowFor(first!.id, { why: 'It takes too long.', madeAt: '2026-05-01T08:00:05.000Z' }),
    ...others.map((w) => rowFor(w.id, {})),
  ]
  await db.made.bulkPut(made)
  many.chosen = { garmentIds: [row.id], wearerIds: [others[0]!.id], isAnew: false }
  many.chooseAgain(made)
  expect(new Set(many.chosen.wearerIds)).toEqual(new Set(wearers.map((w) => w.id)))
  // What is unticked afterwards stays so.
  await vi.waitFor(async () => expect(await db.made.count()).toBe(2))
  many.chosen = { ...many.chosen, wearerIds: [first!.id] }
  many.chooseAgain(await db.made.toArray())
  expect(many.chosen.wearerIds).toEqual([first!.id])
})

it('makes fits of what was worked out, as one act that can be undone; it is not worked out again as the fit that it is', async () => {
  await workOut('the Cook')
  await workOut('the Lamplighter')
  const taken = await useMany().take((await pairs()).filter((m) => m.done))
  expect(taken.ok && taken.value).toHaveLength(2)
  expect(await db.fits.count()).toBe(3)
  const now = await pairs()
  expect(
    now
      .filter((m) => m.done && m.there)
      .map((m) => m.wearer.name)
      .sort(),
  ).toEqual(['the Cook', 'the Lamplighter'])
  expect(now.find((m) => m.wearer.name === 'the Cook')!.there!.plan.length).toBeGreaterThan(0)
  await undoAct('wardrobe')
  expect(await db.fits.count()).toBe(1)
  expect((await pairs()).filter((m) => m.done && !m.there)).toHaveLength(2)
})

it('begun anew is taken once: what was taken of it is there from then on', async () => {
  const many = useMany()
  many.chosen = { ...many.chosen, isAnew: true }
  const wearer = wearers.find((w) => w.id === fit.wearerId)!
  await workOut(wearer.name)
  const [before] = (await pairs()).filter((m) => m.done)
  expect(before!.there).toBeNull()
  const taken = await many.take([before!])
  const [after] = (await pairs()).filter((m) => m.done)
  expect(taken.ok && after!.there?.id).toBe(taken.ok && taken.value[0])
  expect(after!.there!.id).not.toBe(fit.id)
})

it('leaves one out, and forgets what was worked out of somebody who is deleted for good', async () => {
  const kept = await workOut('the Cook')
  await useMany().leave(kept, true)
  expect((await db.made.get(kept.id))!.isLeft).toBe(true)
  await deleteForGood(kept.wearerId)
  expect(await db.made.count()).toBe(0)
  const other = await workOut('the Bather')
  const wearerIds = new Set(wearers.map((w) => w.id))
  await useMany().forgetGone(new Set([row.id]), wearerIds, [other])
  expect(await db.made.count()).toBe(1)
  await useMany().forgetGone(new Set(), wearerIds, [other])
  expect(await db.made.count()).toBe(0)
})
