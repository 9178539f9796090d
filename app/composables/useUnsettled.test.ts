import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref, type EffectScope } from 'vue'
import type { Wearer } from '~~/core/body'
import { contentsOf } from '~~/core/formats'
import { DEFAULT_TOLERANCES } from '~~/core/match'
import { demoWardrobe } from '~~/demo/wardrobe'
import { deleteEverything } from '~/data/acts'
import { db } from '~/data/db'
import { readHung, type Hung } from './useHung'

const asked: string[] = []
const unsettled = { faults: { seam: 1, notch: 0, corner: 0, dart: 0, eased: 0 }, stuck: 0, last: null }
/** In the place of the worker: it notes for whom it was asked. */
vi.mock('~/workers/bench', () => ({
  Bench: class {
    run = (job: (desk: unknown) => Promise<unknown>) =>
      job({
        unsettled: async (_garment: unknown, _plan: unknown, { wearer }: { wearer: Wearer | null }) => {
          asked.push(wearer?.name ?? 'nobody')
          return unsettled
        },
      })
    stop = () => {}
  },
}))

const { projects, wearers } = demoWardrobe(new Date('2026-03-01'))
const { garments, fits } = contentsOf(projects)
const trousers = garments.find((g) => g.id === 'demo-tapered')!
const own = fits.filter((f) => f.garmentId === trousers.id)

/** A page that is opened: nothing but what is stored is left of the one before. Gives for whom something was worked out. */
async function opened(build: string, people: Wearer[]): Promise<{ asked: string[]; found: number }> {
  vi.resetModules()
  // Garments are shown once they were read: the storage is there by then.
  await (await import('~/data/db')).loadDb()
  const { useUnsettled } = await import('./useUnsettled')
  asked.length = 0
  const scope: EffectScope = effectScope()
  const found = scope.run(() => useUnsettled(ref<Hung[]>(hung), ref(people), ref(DEFAULT_TOLERANCES), build))!
  await vi.waitFor(() => expect(found.value.size).toBe(own.length))
  // What was worked out last is kept a moment later.
  await vi.waitFor(async () => expect(await db.settled.count()).toBe(own.length))
  await new Promise((later) => setTimeout(later, 20))
  scope.stop()
  return { asked: [...asked].sort(), found: found.value.size }
}

let hung: Hung[] = []
beforeEach(async () => {
  await deleteEverything()
  await db.garments.put(trousers)
  await db.fits.bulkPut(own)
  hung = await readHung()
})
const both = own.map((f) => wearers.find((w) => w.id === f.wearerId)!.name).sort()

describe('what is left to settle', () => {
  it('is worked out once for each fit, and read by the next page', async () => {
    expect((await opened('v1', wearers)).asked).toEqual(both)
    expect(await opened('v1', wearers)).toEqual({ asked: [], found: both.length })
  })
  it('is worked out again by another version, and for a body that was measured anew', async () => {
    await opened('v1', wearers)
    expect((await opened('v2', wearers)).asked).toEqual(both)
    const anew = wearers.map((w) => (w.name === both[0] ? { ...w, sets: w.sets.map((s) => ({ ...s, note: 'after lunch' })) } : w))
    expect((await opened('v2', anew)).asked).toEqual([both[0]])
  })
  it('is worked out again where its own fit was changed, and no other', async () => {
    await opened('v1', wearers)
    hung = hung.map((h) => ({ ...h, fits: h.fits.map((f, i) => (i === 0 ? { ...f, updatedAt: '2027-01-01T00:00:00.000Z' } : f)) }))
    expect((await opened('v1', wearers)).asked).toEqual([wearers.find((w) => w.id === hung[0]!.fits[0]!.wearerId)!.name])
  })
})
