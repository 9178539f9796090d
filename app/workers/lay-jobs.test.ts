import { expect, it } from 'vitest'
import { usualCloth } from '~~/core/cloth'
import { draftBlouse } from '~~/demo/blouse'
import { layJobs } from './lay-jobs'

it('lays what is asked, and tells how far it is', () => {
  const told: number[] = []
  const made = layJobs.lay(draftBlouse(), { front: 1, sleeve: 2, gone: 4 }, usualCloth(), 400, (part) => told.push(part))
  expect(made.ok && made.value.laid.map((l) => l.name).sort()).toEqual(['Front', 'Sleeve, as drawn', 'Sleeve, turned over'])
  expect(told.length).toBeGreaterThan(0)
  expect(told.every((part, i) => part <= 1 && part >= (told[i - 1] ?? 0))).toBe(true)
})
