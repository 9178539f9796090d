import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { compareContents, mergeContents, usualKeep, type Keep } from './merge-contents'
import { contentsOf, type Contents } from './project'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const here: Contents = contentsOf(projects.slice(0, 4), wearers)
const copy = () => structuredClone(here)
let counted = 0
const newId = () => `new-${++counted}`
const apply = (now: Contents, { write, drop }: ReturnType<typeof mergeContents>): Contents => {
  const put = <T extends { id: string }>(rows: readonly T[], more: readonly T[]) => [
    ...rows.filter((r) => !more.some((m) => m.id === r.id)),
    ...more,
  ]
  return {
    garments: put(now.garments, write.garments),
    fits: put(now.fits, write.fits).filter((f) => !drop.fits.includes(f.id)),
    wearers: put(now.wearers, write.wearers),
    recipes: put(now.recipes, write.recipes),
    fittings: put(now.fittings, write.fittings).filter((f) => !drop.fittings.includes(f.id)),
    versions: put(now.versions, write.versions).filter((v) => !drop.versions.includes(v.id)),
    photos: put(now.photos, write.photos).filter((p) => !drop.photos.includes(p.id)),
  }
}
const later = '2026-02-02T00:00:00.000Z'

describe('a backup beside what is here', () => {
  it('that is the same asks nothing and writes nothing', () => {
    expect(compareContents(copy(), here)).toEqual([])
    const { write, drop } = mergeContents(copy(), here, new Map(), newId)
    expect([write.garments, write.fits, write.wearers, write.recipes, drop.fits]).toEqual([[], [], [], [], []])
  })
  it('brings back what is not here', () => {
    const less = { ...copy(), garments: here.garments.slice(1), fits: here.fits.filter((f) => f.garmentId !== here.garments[0]!.id) }
    expect(compareContents(copy(), less)).toEqual([])
    const after = apply(less, mergeContents(copy(), less, new Map(), newId))
    expect(after.garments.map((g) => g.id).sort()).toEqual(here.garments.map((g) => g.id).sort())
    expect(after.fits).toHaveLength(here.fits.length)
  })
  it('says which garment was worked on last, by its fits too, and that a wearer differs', () => {
    const now = copy()
    now.fits[0]!.updatedAt = later
    now.wearers[0]!.name = 'the Cook, renamed'
    const garmentId = now.fits[0]!.garmentId
    expect(compareContents(here, now)).toEqual([
      { what: 'garment', id: garmentId, name: here.garments.find((g) => g.id === garmentId)!.name, newer: 'here' },
      { what: 'wearer', id: here.wearers[0]!.id, name: here.wearers[0]!.name, newer: null },
    ])
    expect(compareContents(now, here)[0]!.newer).toBe('file')
    expect(compareContents(here, now).map(usualKeep)).toEqual(['here', 'both'])
  })
  it('is kept, taken or hung beside, garment by garment; nothing of the one here is lost unless it is to be replaced', () => {
    const file = copy()
    const garmentId = here.fits[0]!.garmentId
    file.garments.find((g) => g.id === garmentId)!.name = 'As it was'
    file.fits[0]!.notes = 'from the file'
    const now = copy()
    now.fits.push({ ...now.fits[0]!, id: 'only-here' })
    const kept = (keep: Keep) => apply(now, mergeContents(file, now, new Map([[garmentId, keep]]), newId))
    expect(kept('here')).toEqual(now)
    const taken = kept('file')
    expect(taken.garments.find((g) => g.id === garmentId)!.name).toBe('As it was')
    expect(taken.fits.filter((f) => f.garmentId === garmentId).map((f) => f.notes)).toEqual(
      file.fits.filter((f) => f.garmentId === garmentId).map((f) => f.notes),
    )
    const both = kept('both')
    expect(both.garments).toHaveLength(now.garments.length + 1)
    expect(both.garments.at(-1)!.name).toBe('As it was (from the file)')
    expect(both.fits.filter((f) => f.garmentId === garmentId)).toEqual(now.fits.filter((f) => f.garmentId === garmentId))
    expect(both.fits.filter((f) => f.garmentId === both.garments.at(-1)!.id)).toHaveLength(
      file.fits.filter((f) => f.garmentId === garmentId).length,
    )
    expect(new Set(both.fits.map((f) => f.id)).size).toBe(both.fits.length)
  })
  it('names the wearer that came in beside the one here in the fits of the file', () => {
    const file = copy()
    const wearer = file.wearers.find((w) => file.fits.some((f) => f.wearerId === w.id))!
    wearer.name = 'another'
    const now = { ...copy(), garments: [], fits: [] }
    const after = apply(now, mergeContents(file, now, new Map([[wearer.id, 'both']]), newId))
    const added = after.wearers.at(-1)!
    expect(added.name).toBe('another (from the file)')
    expect(after.wearers.find((w) => w.id === wearer.id)!.name).not.toBe('another')
    const of = (id: string, c: Contents) => c.fits.filter((f) => f.wearerId === id).length
    expect(of(added.id, after)).toBe(of(wearer.id, here))
    expect(of(wearer.id, after)).toBe(0)
  })
  it('brings the log of a fit along: replaced with the garment, or hung beside under ids of its own that refer to each other', () => {
    const { projects: all, wearers: worn, log } = demoWardrobe(new Date('2026-01-01'))
    const whole = contentsOf(all, worn, [], log)
    const now = structuredClone(whole)
    now.fittings[0]!.notes = 'written here'
    now.versions.push({ ...now.versions[0]!, id: 'only-here', name: 'Only here' })
    expect(compareContents(whole, now).map((d) => d.id)).toEqual(['demo-blouse'])
    const taken = mergeContents(whole, now, new Map([['demo-blouse', 'file']]), newId)
    expect([taken.drop.versions, taken.drop.fittings, taken.drop.photos]).toEqual([['only-here'], [], []])
    expect(taken.write.fittings.map((f) => f.notes)).toEqual(log.fittings.map((f) => f.notes))
    const { write, drop, pictures } = mergeContents(whole, now, new Map([['demo-blouse', 'both']]), newId)
    expect(Object.values(drop).flat()).toEqual([])
    const fit = write.fits.find((f) => f.name === 'harbour scene')!
    const ids = new Set(write.fittings.map((f) => f.id))
    expect(write.fittings.every((f) => f.fitId === fit.id && !log.fittings.some((o) => o.id === f.id))).toBe(true)
    expect(write.photos.every((p) => ids.has(p.fittingId) && pictures.has(p.id))).toBe(true)
    expect(write.fittings.every((f) => write.versions.some((v) => v.id === f.versionId))).toBe(true)
    for (const plan of [fit.plan, ...write.versions.map((v) => v.plan)])
      for (const stop of plan) if (stop.seen) expect(ids.has(stop.seen.fittingId)).toBe(true)
  })
})
