import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { OwnZone } from '~~/core/measure'
import { NO_CHARTS, type Charts, type Choices } from '~~/core/size'
import { draftBlouse } from '~~/demo/blouse'
import { nestOf } from '~~/demo/nest'
import { demoWardrobe } from '~~/demo/wardrobe'
import { message } from '~/messages'
import { byTest, mountOnPage } from '../test-mount'
import CupTable from './CupTable.vue'
import SizeChartPanel from './SizeChartPanel.vue'
import SizingChoices from './SizingChoices.vue'
import ZoneForm from './ZoneForm.vue'

let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())
const nest = nestOf(draftBlouse())
const [first, second] = nest.sizes.map((s) => s.id) as [string, string]

describe('size charts', () => {
  const panel = (charts: Partial<Charts> = {}) =>
    (mounted = mountOnPage(SizeChartPanel, {
      props: { garment: nest, sizing: { ...structuredClone(NO_CHARTS), ...charts } },
      global: { components: { SizeCupTable: CupTable } },
    }))
  const after = (wrapper: VueWrapper, charts: Partial<Charts> = {}): Charts => {
    const own: Charts = { ...structuredClone(NO_CHARTS), ...structuredClone(charts) }
    for (const [, recipe] of (wrapper.emitted('edit') ?? []) as [string, (s: Charts) => void][]) recipe(own)
    return own
  }
  it('are typed figure by figure, of the chart that is open', async () => {
    const wrapper = panel()
    await wrapper.find(byTest(`chart-bust-${first}`)).setValue('34')
    expect(after(wrapper).bodyChart).toEqual({ [first]: { bust: 34 * 25.4 } })
    await wrapper.find(byTest('chart-printed')).trigger('click')
    await wrapper.find(byTest(`chart-hip-${second}`)).setValue('101 cm')
    expect(after(wrapper).printed[second]!.hip).toBeCloseTo(1010, 6)
  })
  it('lose a figure that is emptied, and keep the others', async () => {
    const charts = { bodyChart: { [first]: { bust: 860, waist: 680 } } }
    const wrapper = panel(charts)
    await wrapper.find(byTest(`chart-bust-${first}`)).setValue('')
    expect(after(wrapper, charts).bodyChart).toEqual({ [first]: { waist: 680 } })
  })
  it.each(['wide', '0', '-3'])('“%s” is said to be no length, and changes nothing', async (text) => {
    const wrapper = panel()
    await wrapper.find(byTest(`chart-bust-${first}`)).setValue(text)
    expect(wrapper.find('[role="alert"]').text()).toContain(`“${text}”`)
    expect(wrapper.emitted('edit')).toBeUndefined()
  })
  it('say where a figure falls from size to size', () => {
    const fall = Object.fromEntries(nest.sizes.map((s, i) => [s.id, { bust: 900 - i * 20 }]))
    expect(panel({ bodyChart: fall }).find(byTest('chart-flaws')).text().length).toBeGreaterThan(10)
    const rise = Object.fromEntries(nest.sizes.map((s, i) => [s.id, { bust: 900 + i * 20 }]))
    expect(panel({ bodyChart: rise }).find(byTest('chart-flaws')).exists()).toBe(false)
  })
  it('are taken from a spreadsheet, and what cannot be read stays to be mended', async () => {
    const wrapper = panel()
    const names = nest.sizes.map((s) => s.name)
    await wrapper.find(byTest('chart-paste')).setValue(`measure\t${names.join('\t')}\nBust\t${names.map((_, i) => 34 + i).join('\t')}`)
    await wrapper.find(byTest('chart-take')).trigger('click')
    expect(after(wrapper).bodyChart[first]!.bust).toBeCloseTo(34 * 25.4, 6)
    expect(after(wrapper).bodyChart[second]!.bust).toBeCloseTo(35 * 25.4, 6)
    expect((wrapper.find(byTest('chart-paste')).element as HTMLTextAreaElement).value).toBe('')
    expect(message.value?.text).toContain('read')
    await wrapper.find(byTest('chart-paste')).setValue('nothing of a chart')
    await wrapper.find(byTest('chart-take')).trigger('click')
    expect(wrapper.find('[role="alert"]').text().length).toBeGreaterThan(10)
    expect((wrapper.find(byTest('chart-paste')).element as HTMLTextAreaElement).value).toBe('nothing of a chart')
  })
  it('offer nothing to take while nothing is pasted', () => {
    expect(panel().find(byTest('chart-take')).attributes('disabled')).toBeDefined()
  })
})

describe('how the size is chosen', () => {
  const { sizing } = demoWardrobe(new Date('2026-01-01')).projects.find((p) => p.id === 'demo-dress')!
  const choices = () => (mounted = mountOnPage(SizingChoices, { props: { sizing: structuredClone(sizing), school: 'finished' } }))
  const after = (wrapper: VueWrapper): Choices => {
    const own = structuredClone(sizing) as Choices
    for (const [, recipe] of (wrapper.emitted('edit') ?? []) as [string, (s: Choices) => void][]) recipe(own)
    return own
  }
  it('fit, cloth and school are each set by themselves', async () => {
    const wrapper = choices()
    await wrapper.find(byTest('fit')).setValue('closer')
    await wrapper.find(byTest('fabric')).setValue('stretch')
    await wrapper.find(byTest('school')).setValue('high-bust')
    expect(after(wrapper)).toMatchObject({ fit: 'closer', fabric: 'stretch', school: 'high-bust' })
    expect(wrapper.emitted('edit')!.map(([label]) => label)).toEqual(['fit', 'cloth', 'way of choosing'])
  })
  it('the school is given back to the program', async () => {
    const wrapper = choices()
    await wrapper.setProps({ sizing: { ...sizing, school: 'full-bust' } })
    expect(wrapper.find(byTest('school')).find('option').text()).toBe('as we would')
    await wrapper.find(byTest('school')).setValue('')
    expect(after(wrapper).school).toBeNull()
  })
})

describe('a zone of one’s own', () => {
  const form = () => (mounted = mountOnPage(ZoneForm, { props: { garment: draftBlouse() } }))
  it('has a name and a piece before it can be added, and says what it is held against', async () => {
    const wrapper = form()
    await wrapper.find(byTest('new-zone')).trigger('click')
    const add = () => wrapper.find(byTest('add-zone'))
    expect(add().attributes('disabled')).toBeDefined()
    await wrapper.find(byTest('zone-name')).setValue('  under the bust  ')
    expect(add().attributes('disabled')).toBeDefined()
    await wrapper.find(byTest('zone-piece-front')).setValue(true)
    await wrapper.find(byTest('zone-piece-back')).setValue(true)
    expect(add().attributes('disabled')).toBeUndefined()
    await wrapper.find('form').trigger('submit')
    await flushPromises()
    const [zone] = wrapper.emitted('add')![0] as [OwnZone]
    expect(zone).toMatchObject({ name: 'under the bust', measureId: null })
    expect(zone.parts.map((p) => p.pieceId)).toEqual(['front', 'back'])
    // It is closed again, and empty for the next.
    expect(wrapper.find('form').exists()).toBe(false)
    await wrapper.find(byTest('new-zone')).trigger('click')
    expect((wrapper.find(byTest('zone-name')).element as HTMLInputElement).value).toBe('')
  })
  it('of nothing but blanks is not added', async () => {
    const wrapper = form()
    await wrapper.find(byTest('new-zone')).trigger('click')
    await wrapper.find(byTest('zone-name')).setValue('    ')
    await wrapper.find(byTest('zone-piece-front')).setValue(true)
    await wrapper.find('form').trigger('submit')
    expect(wrapper.emitted('add')).toBeUndefined()
  })
})
