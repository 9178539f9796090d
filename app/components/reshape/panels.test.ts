import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { HeldPromise } from '~~/core/changes'
import { draftBlouse } from '~~/demo/blouse'
import { usePlanSession } from '~/stores/plan-session'
import type { ComparedWay } from '~/workers/desk'
import { byTest, mountOnPage, newStores } from '../test-mount'
import CompareWays from './CompareWays.vue'
import HeldList from './HeldList.vue'

let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())

const promise = (label: string, before: number, after: number, unit: 'mm' | 'deg' = 'mm'): HeldPromise => ({
  label,
  where: 'front',
  before,
  after,
  unit,
  allowed: 0.01,
  held: Math.abs(before - after) <= 0.01,
})

describe('what was held', () => {
  const list = (held: HeldPromise[]) => (mounted = mountOnPage(HeldList, { props: { held } }))
  const lines = (wrapper: VueWrapper) => wrapper.findAll('li').map((li) => li.text())
  it('counts what was kept, and shows every broken promise before three that were', () => {
    const held = [
      ...Array.from({ length: 6 }, (_, i) => promise(`edge ${i}`, 100, 100)),
      promise('armhole', 412, 415),
      promise('neck', 90, 95),
    ]
    const wrapper = list(held)
    expect(wrapper.find(byTest('held')).text()).toBe('Held: 6 of 8')
    expect(lines(wrapper).map((l) => l.includes('(broken)'))).toEqual([true, true, false])
  })
  it('shows all when asked, and fewer again', async () => {
    const wrapper = list(Array.from({ length: 5 }, (_, i) => promise(`edge ${i}`, 100, 100)))
    expect(lines(wrapper)).toHaveLength(3)
    await wrapper.find('button').trigger('click')
    expect(lines(wrapper)).toHaveLength(5)
    await wrapper.find('button').trigger('click')
    expect(lines(wrapper)).toHaveLength(3)
    expect(
      list([promise('one', 1, 1)])
        .find('button')
        .exists(),
    ).toBe(false)
  })
  it('writes a broken promise whose figures read alike on the ruler as fine as one sees it', () => {
    expect(lines(list([promise('side seam', 300, 300.04)]))[0]).toContain('300.00 → 300.04 mm')
    expect(lines(list([promise('side seam', 300, 310)]))[0]).not.toContain('mm')
  })
  it('writes an angle in degrees', () => {
    expect(lines(list([promise('grain', 0, 1.25, 'deg')]))[0]).toMatch(/0\.0° → 1\.[23]°/)
  })
})

describe('ways to do a stop', () => {
  const row = (id: string, afterMm: number) => ({ id, label: `hem ${id}`, where: 'front', group: 'edge', beforeMm: 500, afterMm })
  const way = (label: string, chosen: boolean, ledger: ReturnType<typeof row>[]) =>
    ({ label, inputs: { label }, chosen, garment: draftBlouse(), ledger }) as unknown as ComparedWay
  function shown(list: ComparedWay[] | null, changeId = 'x') {
    const pinia = newStores()
    const session = usePlanSession()
    if (list) session.ways = { changeId: 'x', list }
    const compare = vi.spyOn(session, 'compareWays').mockResolvedValue()
    mounted = mountOnPage(CompareWays, { props: { changeId } }, pinia)
    return { wrapper: mounted, compare }
  }
  it('are asked for first, and those of another stop are not shown', async () => {
    const { wrapper, compare } = shown([way('lower', true, [row('a', 510)])], 'y')
    await wrapper.find(byTest('compare-open')).trigger('click')
    expect(compare).toHaveBeenCalledWith('y')
  })
  it('show only the figures in which they differ, and the one that is taken cannot be taken again', async () => {
    const { wrapper, compare } = shown([
      way('lower', true, [row('same', 510), row('other', 520)]),
      way('outward', false, [row('same', 510), row('other', 540)]),
    ])
    const ledger = wrapper.find(byTest('ways-ledger')).text()
    expect(ledger).toContain('hem other')
    expect(ledger).not.toContain('hem same')
    expect(wrapper.find(byTest('take-way-0')).exists()).toBe(false)
    await wrapper.find(byTest('take-way-1')).trigger('click')
    expect(wrapper.emitted('take')).toEqual([[{ label: 'outward' }]])
    await wrapper.find('[aria-label="Close the comparison"]').trigger('click')
    expect(compare).toHaveBeenCalledWith(null)
  })
  it('that differ by less than the ruler shows are said to', () => {
    const { wrapper } = shown([way('a', true, [row('h', 510)]), way('b', false, [row('h', 510.05)])])
    expect(wrapper.text()).toContain('no figure that a ruler shows')
  })
})
