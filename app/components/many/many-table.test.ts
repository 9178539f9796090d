import 'fake-indexeddb/auto'
import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { FitFigures } from '~~/core/many'
import { demoWardrobe } from '~~/demo/wardrobe'
import { contentsOf } from '~~/core/formats'
import type { ManyFit } from '~/stores/many'
import { byTest, mountOnPage } from '../test-mount'
import ManyLeftLine from './ManyLeftLine.vue'
import ManyTable from './ManyTable.vue'

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const { garments } = contentsOf(projects)
const CLEAN: FitFigures = {
  sizes: [{ zone: 'bust', size: '3' }],
  stops: 2,
  stuck: [],
  left: [],
  seams: 9,
  faults: { seam: 0, notch: 0, corner: 0, dart: 0, eased: 0 },
  pages: 12,
  clothMm: 2000,
  clothProblem: null,
}
/** A fit of the first garment for somebody of an invented chorus; without figures it waits, or says why there are none. */
function fit(name: string, figures: Partial<FitFigures> | null, why = ''): ManyFit {
  const made = figures && { choices: projects[0]!.sizing, plan: [], figures: { ...CLEAN, ...figures }, layOrders: [] }
  const done =
    made || why ? { id: name, madeFor: '', made, why, isLeft: false, fitId: null, madeAt: `2026-01-01T00:00:0${name.length}Z` } : null
  return { id: name, row: garments[0]!, wearer: { ...wearers[0]!, id: name, name }, there: null, madeFor: '', done } as unknown as ManyFit
}
let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())
const table = (fits: ManyFit[]) => (mounted = mountOnPage(ManyTable, { props: { fits }, global: { components: { ManyLeftLine } } }))
const names = (wrapper: VueWrapper) =>
  wrapper.findAll('tbody tr[data-test]').map((tr) => tr.attributes('data-test')!.replace('many-row-', ''))

const chorus = ['Chorus 10', 'Chorus 2', 'Chorus 1', 'Baker', 'Piper', 'Helm', 'Stoker', 'Cook'].map((name) => fit(name, {}))

describe('the table of many fits', () => {
  it('counts figures in names: Chorus 2 before Chorus 10', async () => {
    const wrapper = table(chorus)
    await wrapper.find(byTest('many-order')).setValue('wearer')
    expect(names(wrapper)).toEqual(['Baker', 'Chorus 1', 'Chorus 2', 'Chorus 10', 'Cook', 'Helm', 'Piper', 'Stoker'])
  })
  it('shows the worst first: what could not be worked out, stops not done, faults, then what is left over', async () => {
    const left = (leftMm: number) => [{ name: 'Waist', leftMm, reason: 'Look at it.' }]
    const fits = [
      fit('clean', {}),
      fit('little', { left: left(4) }),
      fit('much', { left: left(-40) }),
      fit('fault', { faults: { ...CLEAN.faults, seam: 1 } }),
      fit('stuck', { stuck: ['Shorten the body'] }),
      fit('failed', null, 'the figures are beyond the pattern.'),
    ]
    const wrapper = table(fits)
    await wrapper.find(byTest('many-order')).setValue('left')
    expect(names(wrapper)).toEqual(['failed', 'stuck', 'fault', 'much', 'little', 'clean'])
  })
  it('is searched from seven fits on: by wearer, by garment, by what became of it', async () => {
    const wrapper = table([...chorus, fit('Ferryman', { stuck: ['Shorten the body'] })])
    await wrapper.find(byTest('find-fit')).setValue('chorus')
    expect(names(wrapper).sort()).toEqual(['Chorus 1', 'Chorus 10', 'Chorus 2'])
    await wrapper.find(byTest('find-fit')).setValue('not done')
    expect(names(wrapper)).toEqual(['Ferryman'])
    await wrapper.find(byTest('find-fit')).setValue(`${garments[0]!.name} helm`)
    expect(names(wrapper)).toEqual(['Helm'])
    await wrapper.find(byTest('find-fit')).setValue('nobody of that name')
    expect(names(wrapper)).toEqual([])
    expect(wrapper.text()).toContain('No fit')
    expect(table(chorus.slice(0, 3)).find(byTest('find-fit')).exists()).toBe(false)
  })
  it('shows three things that are left over, what is missing before what is too much, and the rest when asked', () => {
    const left = [-5, 12, 3, -2, 30].map((leftMm, i) => ({ name: `measure ${i}`, leftMm, reason: 'Look at it.' }))
    const text = table([fit('Helm', { left })]).find(byTest('many-left'))
    expect(text.text()).toContain('and 2 more')
    const order = [...text.text().matchAll(/measure (\d)/g)].map((m) => Number(m[1]))
    expect(order).toEqual([4, 1, 2, 3, 0])
  })
})
