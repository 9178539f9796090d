import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { usePrefs } from '~/stores/prefs'
import { byTest, mountOnPage } from '../test-mount'
import FigureField from './FigureField.vue'
import GrowthField from './GrowthField.vue'
import LengthField from './LengthField.vue'
import LengthsField from './LengthsField.vue'

const IN = 25.4
let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())

/** Types into a field and leaves it, as a hand does. */
async function type(wrapper: VueWrapper, name: string, text: string) {
  // Sets it, and tells of a change.
  await wrapper.find(byTest(name)).setValue(text)
  await wrapper.find(byTest(name)).trigger('blur')
  await flushPromises()
}
const shown = (wrapper: VueWrapper, name: string) => (wrapper.find(byTest(name)).element as HTMLInputElement).value
const sent = (wrapper: VueWrapper): unknown[] => (wrapper.emitted('update:modelValue') ?? []).map(([value]) => value)

describe('a length', () => {
  const field = (props: { modelValue: number; positive?: boolean }) =>
    (mounted = mountOnPage(LengthField, { props: { label: 'Below it', test: 'below', ...props } }))
  it.each([
    ['1 3/8', 1.375 * IN],
    ['1.5', 1.5 * IN],
    ['3 cm', 30],
    ['12 mm', 12],
    ['-1/2', -IN / 2],
  ])('“%s” is taken once, and says in the other unit what it understood', async (text, mm) => {
    const wrapper = field({ modelValue: 0 })
    await wrapper.find(byTest('below')).setValue(text)
    expect(wrapper.text()).toContain('cm')
    expect(sent(wrapper)).toEqual([])
    await wrapper.find(byTest('below')).trigger('blur')
    expect(sent(wrapper)).toHaveLength(1)
    expect(sent(wrapper)[0]).toBeCloseTo(mm, 6)
  })
  it('that cannot be read stays as it was typed, with what is wrong, and nothing is taken', async () => {
    const wrapper = field({ modelValue: 10 })
    await type(wrapper, 'below', 'about two')
    expect(shown(wrapper, 'below')).toBe('about two')
    expect(wrapper.find('[role="alert"]').text().length).toBeGreaterThan(10)
    expect(wrapper.find(byTest('below')).attributes('aria-invalid')).toBe('true')
    expect(sent(wrapper)).toEqual([])
    await type(wrapper, 'below', '1/2')
    expect(wrapper.find('[role="alert"]').exists()).toBe(false)
    expect(sent(wrapper)).toEqual([IN / 2])
  })
  it('with a minus is refused where only more makes sense', async () => {
    const wrapper = field({ modelValue: 10, positive: true })
    await type(wrapper, 'below', '-1')
    expect(wrapper.find('[role="alert"]').text()).toContain('without a minus')
    expect(sent(wrapper)).toEqual([])
  })
  it('looked at and left is not rounded to what was shown', async () => {
    const wrapper = field({ modelValue: 10.037 })
    await wrapper.find(byTest('below')).trigger('focus')
    await wrapper.find(byTest('below')).trigger('blur')
    expect(sent(wrapper)).toEqual([])
  })
  it('is written anew by another ruler, but not under the hand that types', async () => {
    const wrapper = field({ modelValue: 35 })
    usePrefs().ruler = 'cm'
    await flushPromises()
    expect(shown(wrapper, 'below')).toBe('3.5')
    await wrapper.find(byTest('below')).setValue('4,2')
    await wrapper.setProps({ modelValue: 50 })
    expect(shown(wrapper, 'below')).toBe('4,2')
    await wrapper.find(byTest('below')).trigger('blur')
    expect(sent(wrapper)[0]).toBeCloseTo(42, 9)
  })
})

describe('longer or shorter', () => {
  const field = (props: { modelValue: number; first?: 'plus'; nowMm?: number }) =>
    (mounted = mountOnPage(GrowthField, { props: { label: 'How much', plus: 'Longer', minus: 'Shorter', test: 'amount', ...props } }))
  it('means the direction that is marked', async () => {
    const wrapper = field({ modelValue: 0 })
    expect(wrapper.find(byTest('amount-minus')).attributes('aria-checked')).toBe('true')
    await type(wrapper, 'amount', '1')
    expect(sent(wrapper)).toEqual([-IN])
  })
  it('a figure without a direction is the one that is said to be first', async () => {
    const wrapper = field({ modelValue: 0, first: 'plus' })
    await type(wrapper, 'amount', '1')
    expect(sent(wrapper)).toEqual([IN])
  })
  it('turned round, the same figure goes the other way; nothing turned round stays nothing', async () => {
    const wrapper = field({ modelValue: 20 })
    await wrapper.find(byTest('amount-minus')).trigger('click')
    expect(sent(wrapper)).toEqual([-20])
    mounted!.unmount()
    const none = field({ modelValue: 0 })
    await none.find(byTest('amount-plus')).trigger('click')
    expect(sent(none)).toEqual([])
    expect(none.find(byTest('amount-plus')).attributes('aria-checked')).toBe('true')
  })
  it('a minus that would turn the direction round is asked about, and either answer is taken', async () => {
    for (const [answer, mm] of [
      ['amount-turned-minus', -IN],
      ['amount-turned-plus', IN],
    ] as const) {
      const wrapper = field({ modelValue: 0, first: 'plus' })
      await type(wrapper, 'amount', '-1')
      expect(sent(wrapper)).toEqual([])
      expect(wrapper.find(byTest('amount-turned')).text()).toContain('Which is meant?')
      await wrapper.find(byTest(answer)).trigger('click')
      expect(sent(wrapper)).toEqual([mm])
      expect(wrapper.find(byTest('amount-turned')).exists()).toBe(false)
      wrapper.unmount()
    }
  })
  it('a whole length wanted is taken as what is missing to it', async () => {
    const wrapper = field({ modelValue: 0, nowMm: 600 })
    await type(wrapper, 'amount-wanted', '58 cm')
    expect(sent(wrapper)[0]).toBeCloseTo(-20, 6)
  })
})

describe('as many lengths as there are steps', () => {
  const field = (modelValue: number[]) =>
    (mounted = mountOnPage(LengthsField, { props: { modelValue, label: 'Each step', count: 3, fallbackMm: 20, test: 'steps' } }))
  it('are the general figure until they are opened, and that again when they are closed', async () => {
    const wrapper = field([])
    expect(wrapper.findAll('input[type="checkbox"]')).toHaveLength(1)
    expect(wrapper.find(byTest('steps-1')).exists()).toBe(false)
    await wrapper.find(byTest('steps-open')).trigger('change')
    expect(sent(wrapper)).toEqual([[20, 20, 20]])
    await wrapper.setProps({ modelValue: [20, 20, 20] })
    await wrapper.find(byTest('steps-open')).trigger('change')
    expect(sent(wrapper).at(-1)).toEqual([])
  })
  it('one of them is set, and those that are missing stay the general figure', async () => {
    const wrapper = field([25])
    await type(wrapper, 'steps-3', '1 cm')
    expect(sent(wrapper)).toEqual([[25, 20, 10]])
  })
})

describe('a figure of the body', () => {
  const field = (modelValue: { mm: number } | { leftMm: number; rightMm: number } | null, sided = true) =>
    (mounted = mountOnPage(FigureField, { props: { modelValue, label: 'Bicep', sided, test: 'bicep' } }))
  it('is typed, and taken away when the field is emptied', async () => {
    const wrapper = field(null)
    await type(wrapper, 'bicep', '12 1/2')
    expect(sent(wrapper)).toEqual([{ mm: 12.5 * IN }])
    await wrapper.setProps({ modelValue: { mm: 12.5 * IN } })
    await type(wrapper, 'bicep', '')
    expect(sent(wrapper).at(-1)).toBeNull()
  })
  it('of nothing or less is refused in a sentence', async () => {
    const wrapper = field({ mm: 300 })
    for (const text of ['0', '-3', 'ten']) {
      await type(wrapper, 'bicep', text)
      expect(wrapper.find('[role="alert"]').text()).not.toBe('')
    }
    expect(sent(wrapper)).toEqual([])
  })
  it('is parted into left and right, each with the other as it was; made one again it is the larger', async () => {
    const wrapper = field({ mm: 300 })
    await wrapper.find(byTest('bicep-sides')).trigger('click')
    await type(wrapper, 'bicep-left', '31 cm')
    expect(sent(wrapper).at(-1)).toEqual({ leftMm: 310, rightMm: 300 })
    await wrapper.setProps({ modelValue: { leftMm: 310, rightMm: 300 } })
    await wrapper.find(byTest('bicep-sides')).trigger('click')
    expect(sent(wrapper).at(-1)).toEqual({ mm: 310 })
  })
  it('that has no sides has no button for them', () => {
    expect(field({ mm: 300 }, false).find(byTest('bicep-sides')).exists()).toBe(false)
  })
})
