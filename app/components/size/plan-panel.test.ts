import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { reactive } from 'vue'
import { nameProposed, planFromBody, planWith, type LaidOn } from '~~/core/advice'
import { contextOf, findKind, type Change } from '~~/core/changes'
import { DEFAULT_TOLERANCES } from '~~/core/match'
import { demoWardrobe } from '~~/demo/wardrobe'
import { makeBody } from '~~/scripts/study/make-body'
import { byTest, mountOnPage } from '../test-mount'
import PlanPanel from './PlanPanel.vue'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const blouse = projects.find((p) => p.id === 'demo-blouse')!
const cook = wearers.find((w) => w.id === blouse.wearerId)!
const askedBy = (seed: number) => {
  const wearer = { ...cook, sets: [makeBody(seed)] }
  return nameProposed(planFromBody(blouse.garment, contextOf(blouse.garment, blouse, wearer, DEFAULT_TOLERANCES)))
}
const [first, second] = [askedBy(1), askedBy(8)]

/** What the panel asks of the stores, and what it does to them. */
const { work, session, leave } = vi.hoisted(() => ({
  work: {} as Record<string, unknown>,
  session: {} as Record<string, unknown>,
  leave: { guard: null as (() => Promise<boolean | undefined>) | null },
}))
const state = reactive({
  stops: [] as Change[],
  wearer: cook as typeof cook | null,
  proposed: null as typeof first | null,
  trouble: null as object | null,
})
let taken: { laid: readonly LaidOn[]; off: readonly string[] }[] = []
let lost: (laid: readonly LaidOn[]) => Promise<{ id: string; title: string }[] | null>
vi.mock('~/stores/work', () => ({ useWork: () => work }))
vi.mock('~/stores/plan-session', () => ({ usePlanSession: () => session }))
vi.mock('~/stores/wardrobe', () => ({ useWardrobe: () => ({}) }))
vi.mock('~/data/db', () => ({ db: {} }))
vi.mock('vue-router', () => ({
  useRouter: () => ({ push: () => Promise.resolve() }),
  onBeforeRouteLeave: (guard: () => Promise<boolean | undefined>) => (leave.guard = guard),
}))

let mounted: VueWrapper | null = null
beforeEach(() => {
  localStorage.clear()
  Object.assign(state, { stops: [], wearer: cook, proposed: null, trouble: null })
  taken = []
  lost = () => Promise.resolve([])
  for (const key of ['stops', 'wearer'] as const) Object.defineProperty(work, key, { get: () => state[key], configurable: true })
  for (const key of ['proposed', 'trouble'] as const) Object.defineProperty(session, key, { get: () => state[key], configurable: true })
  Object.assign(work, { project: blouse, fits: [], fitId: blouse.id })
  work.takeProposed = (laid: readonly LaidOn[], off: readonly string[]) => {
    taken.push({ laid, off })
    return Promise.resolve(true)
  }
  session.lostBy = (laid: readonly LaidOn[]) => lost(laid)
  session.wordsOf = (change: Change) => `“${findKind(change.kind)!.title}”`
})
afterEach(() => mounted?.unmount())

const panel = () => (mounted = mountOnPage(PlanPanel))
const linesOf = (wrapper: VueWrapper) => wrapper.findAll('li').map((li) => li.text())
/** The stops of a list as a plan that was taken from it. */
const planOf = (list: typeof first) => {
  let n = 0
  return planWith(
    list.map((p): LaidOn => ({ how: 'add', beforeId: null, proposed: p.change })),
    [],
    () => `s${n++}`,
  ).plan
}

describe('from body to plan', () => {
  it('lists what the figures ask for; what is left out is not taken', async () => {
    state.proposed = first
    const wrapper = panel()
    expect(linesOf(wrapper)).toHaveLength(first.length)
    expect(wrapper.find(byTest('make-plan')).text()).toBe(`Take these ${first.length} stops into the plan`)
    await wrapper.find(byTest('take-1')).trigger('change')
    await wrapper.find(byTest('make-plan')).trigger('click')
    await flushPromises()
    expect(taken).toHaveLength(1)
    expect(taken[0]!.laid.map((l) => l.how)).toEqual(first.slice(1).map(() => 'add'))
    expect(taken[0]!.laid.map((l) => 'proposed' in l && l.proposed.kind)).toEqual(first.filter((_, i) => i !== 1).map((p) => p.change.kind))
  })
  it('after new measurements says which stops get other figures and which go, and sets the plan by that', async () => {
    state.stops = planOf(first)
    state.proposed = second
    const wrapper = panel()
    const gone = first.filter((p) => !second.some((s) => s.change.kind === p.change.kind))
    expect(gone.length).toBeGreaterThan(0)
    for (const p of gone)
      expect(
        linesOf(wrapper).some((l) => l.includes(`Take out “${findKind(p.change.kind as string)!.title}”`)),
        p.change.kind as string,
      ).toBe(true)
    expect(linesOf(wrapper).some((l) => l.includes('in the plan with other figures'))).toBe(true)
    expect(wrapper.find(byTest('make-plan')).text()).toBe('Set the plan by these figures')
    await wrapper.find(byTest('make-plan')).trigger('click')
    await flushPromises()
    let n = 0
    const after = planWith(taken[0]!.laid, state.stops, () => `n${n++}`).plan
    expect(after.map(({ kind, inputs }) => ({ kind, inputs }))).toEqual(second.map(({ change: { kind, inputs } }) => ({ kind, inputs })))
  })
  it('takes nothing out for want of an answer, or of figures', async () => {
    state.stops = planOf(first)
    const wrapper = panel()
    expect(linesOf(wrapper)).toEqual([])
    expect(wrapper.find(byTest('no-plan')).text()).toContain('being worked out')
    state.trouble = { sentence: 'it failed' }
    await flushPromises()
    expect(wrapper.find(byTest('no-plan')).text()).toContain('No plan can be worked out')
    Object.assign(state, { trouble: null, proposed: [], wearer: null })
    await flushPromises()
    expect(linesOf(wrapper)).toEqual([])
    expect(wrapper.find(byTest('make-plan')).exists()).toBe(false)
    expect(wrapper.find(byTest('no-plan')).text()).toContain('With figures of a body')
  })
  it('whoever leaves while a plan is being taken waits for it, and stays where stops stand in its way', async () => {
    state.proposed = first
    const wrapper = panel()
    expect(await leave.guard!()).toBeUndefined()
    let answer: (list: { id: string; title: string }[]) => void = () => undefined
    lost = () => new Promise((resolve) => (answer = resolve))
    await wrapper.find(byTest('make-plan')).trigger('click')
    let left: boolean | 'waits' = 'waits'
    void leave.guard!().then((may) => (left = may!))
    await flushPromises()
    expect([left, taken.length]).toEqual(['waits', 0])
    answer([])
    await flushPromises()
    expect([left, taken.length]).toEqual([true, 1])
    await wrapper.find(byTest('make-plan')).trigger('click')
    void leave.guard!().then((may) => (left = may!))
    answer([{ id: 'x', title: 'Move a dart' }])
    await flushPromises()
    expect([left, taken.length]).toEqual([false, 1])
    expect(document.body.textContent).toContain('“Move a dart”')
  })
})
