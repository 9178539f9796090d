import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { slashSwing } from '~~/core/changes/slash-swing'
import { ProjectSchema, readProjectFile } from '~~/core/formats'
import { draftBlouse } from '~~/demo/blouse'
import { demoWardrobe } from '~~/demo/wardrobe'
import { undoAct } from '~/data/acts'
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
  await Promise.all([db.recipes.clear(), db.acts.clear(), db.projects.clear()])
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

it('goes out with the whole wardrobe and comes back', async () => {
  const recipes = useRecipes()
  await recipes.keep(blouse, stop, 'stage flare')
  const text = await useWardrobe().backUp()
  const file = readProjectFile(text)
  expect(file.ok && file.value.recipes.map((r) => r.name)).toEqual(['stage flare'])
  await db.recipes.clear()
  expect((await useWardrobe().takeFile(text, 'restore', 'replace')).ok).toBe(true)
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
  const row = (await db.projects.get(id))!
  expect(row.name).toBe(`${nest.name}, size ${size.name}`)
  expect(row.garment.sizes.map((s) => s.id)).toEqual([size.id])
  expect(row.plan).toEqual([])
  expect(ProjectSchema.safeParse(row).success).toBe(true)
  await undoAct('wardrobe')
  expect(await db.projects.get(id)).toBeUndefined()
})

it('duplicates a garment whose name leaves no room for another word, within what a name may have', async () => {
  const { projects } = demoWardrobe(new Date('2026-01-01'))
  const long = { ...projects[0]!, name: 'n'.repeat(120) }
  expect((await useWardrobe().duplicate(long)).ok).toBe(true)
  const copy = (await db.projects.toArray()).find((p) => p.name.endsWith('(copy)'))!
  expect(copy.name).toHaveLength(120)
  expect(readProjectFile(await useWardrobe().backUp()).ok).toBe(true)
})
