import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { findKind, newStop, withInputs } from '~~/core/changes'
import { contextWith } from '~~/core/changes/test-context'
import { layOnPlan } from '~~/core/advice'
import type { Garment } from '~~/core/pattern'
import { contentsOf } from '~~/core/formats'
import { demoWardrobe } from '~~/demo/wardrobe'
import { db } from '~/data/db'
import { makeDesk } from '~/workers/desk'
import { usePlanSession } from './plan-session'
import { useSelection } from './selection'
import { useWork } from './work'

/** The desk of the worker, in this thread; `down` makes it fail as a worker that has ended does. */
const desk = vi.hoisted(() => ({ down: '' }))
vi.mock('~/workers/bench', () => ({
  Ended: class Ended extends Error {},
  Bench: class {
    private readonly desk = makeDesk()
    async run<T>(work: (desk: unknown) => T): Promise<T> {
      if (desk.down) throw new Error(desk.down)
      return work(this.desk)
    }
    alive() {}
    stop() {}
  },
}))

/** The preferences keep themselves in the browser's own store, which Node has not got. */
vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const until = async (what: () => boolean) => vi.waitFor(() => expect(what()).toBe(true), { timeout: 20_000, interval: 5 })

async function opened(id: string, fitId: string | null = id) {
  const [work, session, selection] = [useWork(), usePlanSession(), useSelection()]
  work.open(id, fitId)
  await until(() => session.computedPlan !== null && (work.project?.wearerId == null || work.wearer !== null))
  return { work, session, selection }
}
const shorten = (amountMm: number) => shortenIn(projects.find((p) => p.id === 'demo-blouse')!.garment, amountMm)
const shortenIn = (garment: Garment, amountMm: number) => {
  const kind = findKind('lengthen')
  const begun = kind.begin(garment, contextWith())
  if (!begun.ok) throw new Error(begun.problem.message)
  return newStop('lengthen', kind.withAmount!(garment, begun.value, amountMm, contextWith()))
}

beforeEach(async () => {
  desk.down = ''
  setActivePinia(createPinia())
  await Promise.all([db.garments.clear(), db.fits.clear(), db.wearers.clear(), db.acts.clear()])
  const demo = contentsOf(projects)
  await db.garments.bulkPut(demo.garments)
  await db.fits.bulkPut(demo.fits)
  await db.wearers.bulkPut(wearers)
})

describe('the garment that is open', () => {
  it('is worked out as soon as it is read, and says when this browser has none of this id', async () => {
    const { work, session } = await opened('demo-blouse')
    expect(work.project!.name).toBe('Lamplighter’s blouse')
    expect(work.wearer!.id).toBe('cook')
    expect(session.computedPlan!.garments).toHaveLength(1)
    work.open('gone')
    expect(session.computedPlan).toBeNull()
    await until(() => work.missing)
  })
  it('gets stops that are shown, edited, switched off, moved, deleted, and undone', async () => {
    const { work, session, selection } = await opened('demo-blouse')
    const first = await work.addChange(shorten(-20))
    expect(selection.stopId).toBe(first)
    await until(() => session.computedPlan?.stops.length === 1)
    expect(session.computedPlan!.stops[0]!.status).toBe('applied')
    await until(() => work.lastDone?.label === 'add “Shorten the body” {mm -20}')

    const stop = work.project!.plan[0]!
    await work.setStop(withInputs(stop, { ...stop.inputs, amountMm: 12 }))
    await until(() => session.computedPlan?.stops[0]?.words.amountMm === 12)
    const second = await work.addChange(shorten(-5))
    await until(() => session.computedPlan?.stops.length === 2)
    await work.moveChange(second!, 0)
    await until(() => work.project!.plan[0]!.id === second)
    await work.switchChange(second!, false)
    await until(() => session.computedPlan?.stops[0]?.status === 'off')
    await work.removeChange(second!)
    await until(() => session.computedPlan?.stops.length === 1)
    expect(selection.stopId).toBeNull()
    await work.undo()
    await until(() => session.computedPlan?.stops.length === 2)
  })
  it('shows the pieces after the stop that is dragged, and all again when it is dropped', async () => {
    const { work, session } = await opened('demo-blouse')
    await work.addChange(shorten(-20))
    await work.addChange(shorten(-5))
    await until(() => session.computedPlan?.stops.length === 2)
    const stop = work.project!.plan[0]!
    session.draft = withInputs(stop, { ...stop.inputs, amountMm: -33 })
    await until(() => session.computedPlan?.stops.length === 1)
    expect(session.computedPlan!.stops[0]!.words.amountMm).toBe(-33)
    expect(work.project!.plan[0]!.inputs).toMatchObject({ amountMm: -20 })
    await work.setStop(session.draft)
    expect(session.draft).toBeNull()
    await until(() => session.computedPlan?.stops.length === 2)
  })
  it('takes what the body asks for into its plan in one act, and nothing twice', async () => {
    const { work, session } = await opened('demo-blouse')
    await session.propose()
    const laid = layOnPlan(
      session.proposed!.map((p) => p.change),
      work.project!.plan,
    )
    expect(laid.length).toBeGreaterThan(1)
    expect(await work.takeProposed(laid)).toBe(true)
    await until(() => session.computedPlan?.stops.length === laid.length)
    expect(session.computedPlan!.stops.every((s) => s.status === 'applied')).toBe(true)
    await session.propose()
    const again = layOnPlan(
      session.proposed!.map((p) => p.change),
      work.project!.plan,
    )
    expect(again.filter((l) => l.how !== 'there')).toEqual([])
    await work.undo()
    await until(() => work.project!.plan.length === 0)
  })
  it('says what could not be worked out, and goes on when it can be again', async () => {
    const { work, session } = await opened('demo-blouse')
    desk.down = 'it has ended'
    const id = await work.addChange(shorten(-20))
    await until(() => session.trouble !== null)
    expect(session.trouble).toEqual({ sentence: 'the program failed (it has ended).', stopId: id })
    // The stop at fault stays named: it is what can be left out.
    await session.tryAgain()
    await session.propose()
    expect(session.trouble!.stopId).toBe(id)
    session.trouble = null
    await session.propose()
    expect(session.trouble!.sentence).toBe('no plan can be proposed: it has ended')
    // No answer is no empty plan: what is there would be taken out by it.
    expect(session.proposed).toBeNull()
    expect(await session.paperSteps('in')).toBeNull()
    // The plan is worked out first, and that names the stop.
    expect(session.trouble!.stopId).toBe(id)
    session.trouble = null
    await session.compareWays(id)
    expect(session.trouble!.sentence).toContain('its ways cannot be compared')
    desk.down = ''
    await session.tryAgain()
    expect(session.trouble).toBeNull()
    expect(session.computedPlan!.stops).toHaveLength(1)
    expect((await session.paperSteps('in'))!.flatMap((s) => s.steps).length).toBeGreaterThan(1)
  })
  it('forgets what was selected and lit when another garment is opened', async () => {
    const { work, selection, session } = await opened('demo-tapered')
    selection.stopId = work.project!.plan[0]!.id
    selection.lit = 'apex'
    await session.compareWays(selection.stopId)
    work.open('demo-blouse')
    expect([selection.stopId, selection.lit, session.computedPlan, session.ways]).toEqual([null, null, null, null])
    await nextTick()
    await until(() => session.computedPlan !== null)
    expect(session.trouble).toBeNull()
  })
})

describe('fits of one garment', () => {
  it('have plans of their own, and share what mends the draft', async () => {
    const { work, session } = await opened('demo-tapered')
    const [longer] = work.project!.plan
    await until(() => work.fits.length === 2)
    expect(await work.setForEverybody(longer!.id, true)).toBe(true)
    await until(() => work.project!.mends.length === 1)
    expect(work.project!.plan).toEqual([])
    await until(() => session.computedPlan?.stops.length === 1)
    // The other fit begins with it, and what is done there stays there.
    work.open('demo-tapered', 'demo-tapered-cook')
    await until(() => work.wearer?.id === 'cook' && session.computedPlan?.stops.length === 1)
    expect(work.stops.map((c) => c.id)).toEqual([longer!.id])
    const own = await work.addChange(shortenIn(work.project!.garment, -10))
    await until(() => session.computedPlan?.stops.length === 2)
    // One for everybody stays before one's own, wherever it is put.
    await work.moveChange(own!, 0)
    expect(work.stops.map((c) => c.id)).toEqual([longer!.id, own])
    work.open('demo-tapered', 'demo-tapered')
    await until(() => work.wearer?.id === 'lamplighter' && session.computedPlan?.stops.length === 1)
    // It is edited, noted and switched where it stands, and undone where it was done.
    await work.noteStop(longer!.id, 'the pattern itself is short')
    await work.switchChange(longer!.id, false)
    await until(() => session.computedPlan?.stops[0]?.status === 'off')
    expect((await db.garments.get('demo-tapered'))!.mends[0]).toMatchObject({ on: false, note: 'the pattern itself is short' })
    for (let i = 0; i < 3; i++) await work.undo()
    await until(() => work.project!.plan.length === 1 && work.project!.mends.length === 0)
    expect(work.project!.plan[0]).toEqual(longer)
  })
  it('are opened by their address, or the one last worked on; a garment without any in an empty one', async () => {
    const { work } = await opened('demo-tapered', null)
    expect(work.fitId).toBe('demo-tapered')
    // Named in the address, it stays open: nothing is worked out again.
    const shown = usePlanSession().computedPlan
    work.open('demo-tapered', 'demo-tapered')
    expect([work.fitId, usePlanSession().computedPlan]).toEqual(['demo-tapered', shown])
    work.open('demo-tapered', null)
    await until(() => work.fitId === 'demo-tapered')
    await db.fits.update('demo-tapered-cook', { updatedAt: '2026-02-01T00:00:00.000Z' })
    await until(() => work.fitId === 'demo-tapered-cook')
    work.open('demo-tapered', 'gone')
    await until(() => work.missing)
    await db.fits.where('garmentId').equals('demo-blouse').delete()
    work.open('demo-blouse', null)
    await until(() => work.project !== null)
    expect([work.project!.wearerId, work.stops]).toEqual([null, []])
    await work.act('wearer of the fit', { fit: (f) => void (f.wearerId = 'cook') })
    await until(() => work.wearer?.id === 'cook')
    expect(await db.fits.where('garmentId').equals('demo-blouse').count()).toBe(1)
    await work.undo()
    await until(() => work.wearer === null)
  })
})

describe('a plan that is laid over stops that are there', () => {
  it('says which of them it would cost, and switches off what is to be left out, in one act', async () => {
    const { work, session } = await opened('demo-blouse')
    const small = (await work.addChange(shorten(-60)))!
    await until(() => session.computedPlan?.stops.length === 1)
    const asked = (amountMm: number) => [{ how: 'add' as const, beforeId: small, proposed: shorten(amountMm) }]
    expect(await session.lostBy(asked(-10))).toEqual([])
    // Shortened as far as works, the body has no room for another stop.
    const { inputs } = work.project!.plan[0]!
    const tried = findKind('lengthen').apply(
      work.project!.garment,
      { ...(inputs as never as object), amountMm: -900 } as never,
      contextWith(),
    )
    const largest = tried.ok ? 0 : tried.problem.largestMm!
    expect(largest).toBeLessThan(-50)
    const lost = await session.lostBy(asked(largest))
    expect(lost!.map((s) => s.id)).toEqual([small])
    expect(lost![0]!.title).toBe('Shorten the body')
    expect(work.project!.plan).toHaveLength(1)
    expect(await work.takeProposed(asked(largest), [small])).toBe(true)
    await until(() => session.computedPlan?.stops.length === 2)
    expect(session.computedPlan!.stops.map((s) => s.status)).toEqual(['applied', 'off'])
    await work.undo()
    await until(() => work.project!.plan.length === 1 && work.project!.plan[0]!.on)
  })
})

describe('the desk', () => {
  const asked = (sizing: unknown) => ({ wearer: null, sizing, tolerances: { goodMm: 1, easeMm: 3, runThroughDeg: 10 } })
  const nothing = { garments: [], stops: [] }
  it('keeps garments side by side, and answers only about those that it was given', () => {
    const own = makeDesk()
    const [blouse, trousers] = ['demo-blouse', 'demo-tapered'].map((id) => projects.find((p) => p.id === id)!)
    own.setBase('a', blouse!.garment)
    own.setBase('b', trousers!.garment)
    expect(own.compute('b', nothing, trousers!.plan, asked(trousers!.sizing)).ledger.length).toBeGreaterThan(3)
    expect(own.compute('a', nothing, [], asked(blouse!.sizing)).ledger).toEqual([])
    expect(own.steps('b', 'cm').length).toBeGreaterThan(0)
    expect(own.steps('a', 'cm')).toEqual([])
    expect(() => own.compute('c', nothing, [], asked(blouse!.sizing))).toThrow(/was not given/)
    expect(() => own.setBase('d', { pieces: 'none' })).toThrow()
    for (const key of ['e', 'f', 'g']) own.setBase(key, blouse!.garment)
    // Only the last few are kept.
    expect(() => own.steps('a', 'cm')).toThrow(/was not given/)
    expect(own.steps('g', 'cm')).toEqual([])
  })
})
