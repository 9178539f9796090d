import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { askedGiven, sizeUp, type AskedGiven } from '~~/core/advice'
import { contextOf } from '~~/core/changes'
import { DEFAULT_TOLERANCES } from '~~/core/match'
import { NO_CHARTS, type Charts, type Choices } from '~~/core/size'
import { withCups } from '~~/demo/cups'
import { draftBlouse } from '~~/demo/blouse'
import { demoWardrobe } from '~~/demo/wardrobe'
import { message, settleMessage } from '~/messages'
import { byTest, mountOnPage } from '../test-mount'
import AskedGivenTable from './AskedGivenTable.vue'
import CupTable from './CupTable.vue'
import EaseStrip from './EaseStrip.vue'
import SizeFigures from './SizeFigures.vue'
import WorksheetTable from './WorksheetTable.vue'

let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())

const { projects, wearers } = demoWardrobe(new Date('2026-01-01'))
const dress = projects.find((p) => p.id === 'demo-dress')!
const bather = wearers.find((w) => w.id === dress.wearerId)!
const context = contextOf(dress.garment, dress, bather, DEFAULT_TOLERANCES)

describe('the worksheet', () => {
  const { sheet } = sizeUp(dress.garment, context)
  const table = (own: (id: string) => boolean = () => false) =>
    (mounted = mountOnPage(WorksheetTable, {
      props: { rows: sheet.rows, garment: dress.garment, altered: null, own, lit: null },
      global: { components: { SizeEaseStrip: EaseStrip, SizeFigures } },
    }))
  /** What the choices are after what the table asked for. */
  const after = (wrapper: VueWrapper): Choices => {
    const choices = structuredClone(dress.sizing) as Choices
    for (const [, recipe] of (wrapper.emitted('edit') ?? []) as [string, (s: Choices) => void][]) recipe(choices)
    return choices
  }
  it('takes the ease that is typed for a zone, and gives it back to the design', async () => {
    const wrapper = table()
    await wrapper.find(byTest('wanted-hip')).setValue('3')
    expect(after(wrapper).wantedMm.hip).toBeCloseTo(76.2, 6)
    expect(wrapper.emitted('edit')![0]![0]).toContain('wanted ease, hip')
  })
  it('an ease that cannot be read is said, and the field shows what holds', async () => {
    settleMessage()
    const wrapper = table()
    const field = wrapper.find(byTest('wanted-hip'))
    const before = (field.element as HTMLInputElement).value
    await field.setValue('plenty')
    expect(wrapper.emitted('edit')).toBeUndefined()
    expect((field.element as HTMLInputElement).value).toBe(before)
    expect(message.value).toMatchObject({ kind: 'fault' })
    expect(message.value!.text).toContain('plenty')
  })
  it('a size is chosen by hand, and by rule again', async () => {
    const wrapper = table()
    const own = dress.garment.sizes.at(-1)!.id
    await wrapper.find(byTest('size-waist')).setValue(own)
    expect(after(wrapper).chosen.waist).toBe(own)
    await wrapper.find(byTest('size-waist')).setValue('')
    expect(after(wrapper).chosen).not.toHaveProperty('waist')
  })
  it('lights a zone under the hand, and only a zone of one’s own can be taken away', async () => {
    const wrapper = table((id) => id === 'hip')
    await wrapper.find(byTest('zone-bust')).trigger('mouseenter')
    expect(wrapper.emitted('update:lit')).toEqual([['bust']])
    expect(wrapper.findAll('[aria-label^="Remove the zone"]')).toHaveLength(1)
    await wrapper.find('[aria-label^="Remove the zone"]').trigger('click')
    expect(wrapper.emitted('remove')).toEqual([['hip']])
  })
  it('writes every size out in figures when that is wanted', async () => {
    const wrapper = table()
    const before = wrapper.text().length
    await wrapper.find(byTest('all-figures')).setValue(true)
    expect(wrapper.text().length).toBeGreaterThan(before + 100)
  })
})

describe('asked, given, left over', () => {
  const rows = askedGiven(dress.garment, dress.garment, [], { sizing: context.sizing, body: context.body! })
  const table = (props: {
    rows: AskedGiven[]
    isBought: boolean
    addable?: ReadonlySet<string>
    sided?: ReadonlyMap<string, 'left' | 'right'>
  }) => (mounted = mountOnPage(AskedGivenTable, { props }))
  it('has a row for every measure, with its reason where something is left', () => {
    const wrapper = table({ rows, isBought: true })
    expect(wrapper.findAll('tbody tr')).toHaveLength(rows.length)
    for (const r of rows.filter((x) => x.reason === null && x.askedMm !== null)) {
      expect(wrapper.find(byTest(`asked-${r.id}`)).text()).toContain('nothing')
    }
    expect(wrapper.find('thead').text()).not.toContain('given')
    expect(table({ rows, isBought: false }).find('thead').text()).toContain('given')
  })
  it('offers a stop only where one is left over and one would bring it', async () => {
    const left = rows.filter((r) => r.reason !== null).map((r) => r.id)
    const none = rows.filter((r) => r.reason === null).map((r) => r.id)
    expect(left.length).toBeGreaterThan(0)
    const wrapper = table({ rows, isBought: true, addable: new Set([left[0]!, ...none]) })
    expect(wrapper.findAll('button')).toHaveLength(1)
    await wrapper.find(byTest(`add-${left[0]!}`)).trigger('click')
    expect(wrapper.emitted('add')).toEqual([[left[0]]])
  })
  it('offers less on the smaller side, where one stop makes it', async () => {
    const wrapper = table({ rows, isBought: false, addable: new Set(), sided: new Map([[rows[1]!.id, 'left']]) })
    expect(wrapper.findAll('button').map((b) => b.text())).toEqual(['Less on the left'])
    await wrapper.find(byTest(`side-${rows[1]!.id}`)).trigger('click')
    expect(wrapper.emitted('side')).toEqual([[rows[1]!.id]])
  })
})

describe('the cups of a pattern', () => {
  const table = (cups: Charts['cups']) =>
    (mounted = mountOnPage(CupTable, { props: { garment: withCups(draftBlouse()), sizing: { ...structuredClone(NO_CHARTS), cups } } }))
  const after = (wrapper: VueWrapper, cups: Charts['cups']): Charts['cups'] => {
    const charts: Charts = { ...structuredClone(NO_CHARTS), cups: structuredClone(cups) }
    for (const [, recipe] of (wrapper.emitted('edit') ?? []) as [string, (s: Charts) => void][]) recipe(charts)
    return charts.cups
  }
  const two: Charts['cups'] = [
    { name: 'A', upToMm: 25 },
    { name: 'C', upToMm: 75 },
  ]
  it('another gets the next letter that is free, an inch above the last', async () => {
    const wrapper = table(two)
    await wrapper.find(byTest('add-cup')).trigger('click')
    expect(after(wrapper, two)).toEqual([...two, { name: 'B', upToMm: 100 }])
  })
  it('stay in the order of their differences', async () => {
    const wrapper = table(two)
    await wrapper.find(byTest('cup-upto-0')).setValue('10 cm')
    await wrapper.find(byTest('cup-upto-0')).trigger('blur')
    await flushPromises()
    expect(after(wrapper, two).map((c) => c.name)).toEqual(['C', 'A'])
  })
  it('a name that another has, or none, is not taken', async () => {
    const wrapper = table(two)
    for (const name of ['C', '  ']) {
      await wrapper.find(byTest('cup-name-0')).setValue(name)
      expect((wrapper.find(byTest('cup-name-0')).element as HTMLInputElement).value).toBe('A')
    }
    expect(wrapper.emitted('edit')).toBeUndefined()
    await wrapper.find(byTest('cup-name-0')).setValue('AA')
    expect(after(wrapper, two)[0]!.name).toBe('AA')
  })
  it('say which has a piece of its own', () => {
    const named = withCups(draftBlouse()).cups!.map((c) => ({ name: c.cup!, upToMm: 25 }))
    expect(table(named).text()).not.toContain('none of its own')
    expect(table([{ name: 'Z', upToMm: 25 }]).text()).toContain('none of its own')
  })
  it('one is taken away', async () => {
    const wrapper = table(two)
    await wrapper.find('[aria-label="Remove cup A"]').trigger('click')
    expect(after(wrapper, two)).toEqual([two[1]])
  })
})
