import { beforeEach, describe, expect, it } from 'vitest'
import { contentsOf } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { db } from '~/data/db'
import { readHung } from './useHung'

const { garments, fits } = contentsOf(demoWardrobe(new Date('2026-03-01')).projects)

describe('garments as they hang', () => {
  beforeEach(async () => {
    await Promise.all([db.garments.clear(), db.fits.clear()])
    await db.garments.bulkPut(garments.map((g, i) => (i === 1 ? { ...g, labels: ['act 2', 'harbour'] } : g)))
    await db.fits.bulkPut(fits)
  })
  it('have names, labels and all of their fits, without their pieces', async () => {
    const hung = await readHung()
    expect(new Set(hung.map((h) => h.id))).toEqual(new Set(garments.map((g) => g.id)))
    for (const { id, name, updatedAt, fits: own, ...rest } of hung) {
      const row = garments.find((g) => g.id === id)!
      expect([name, updatedAt]).toEqual([row.name, row.updatedAt])
      expect(new Set(own.map((f) => f.id))).toEqual(new Set(fits.filter((f) => f.garmentId === id).map((f) => f.id)))
      expect(rest).toEqual({ labels: id === garments[1]!.id ? ['act 2', 'harbour'] : [] })
    }
  })
  it('hang in the order in which they were last worked on, a garment without fits too', async () => {
    const late = { ...garments[0]!, id: 'late', name: 'Late', updatedAt: '2027-01-01T00:00:00.000Z' }
    await db.garments.put(late)
    const last = garments.at(-1)!
    await db.fits.put({ ...fits.find((f) => f.garmentId === last.id)!, updatedAt: '2027-02-01T00:00:00.000Z' })
    const hung = await readHung()
    expect(hung.slice(0, 2).map((h) => h.id)).toEqual([last.id, 'late'])
    const times = hung.map((h) => h.fits[0]?.updatedAt ?? h.updatedAt)
    expect(times).toEqual([...times].sort().reverse())
  })
})
