import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { findKind, withInputs, newStop, withId, foldPlan, type Level } from '~~/core/changes'
import { contextWith } from '~~/core/changes/test-context'
import { draftBlouse } from '~~/demo/blouse'
import { message, settleMessage } from '~/messages'
import { byTest, mountOnPage } from '../test-mount'
import LevelsField from './LevelsField.vue'
import MovesField from './MovesField.vue'
import NumberField from './NumberField.vue'
import PartnersField from './PartnersField.vue'
import RulesField from './RulesField.vue'
import ShareField from './ShareField.vue'

let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())
const blouse = draftBlouse()
const context = contextWith()

function begun(kind: string): Record<string, unknown> {
  const inputs = findKind(kind)!.begin(blouse, context)
  if (!inputs.ok) throw new Error(inputs.problem.message)
  return inputs.value as Record<string, unknown>
}
const sent = (wrapper: VueWrapper, event = 'update:modelValue'): unknown[] => (wrapper.emitted(event) ?? []).map(([value]) => value)
const shown = (wrapper: VueWrapper, name: string) => (wrapper.find(byTest(name)).element as HTMLInputElement).value
async function set(wrapper: VueWrapper, name: string, text: string) {
  await wrapper.find(byTest(name)).setValue(text)
  await wrapper.find(byTest(name)).trigger('blur')
  await flushPromises()
}

describe('lines at which length is put in', () => {
  const two: Level[] = [
    { id: 'line-1', share: 1, mark: { by: 'narrowest' }, belowMm: 0 },
    { id: 'line-2', share: 1, mark: { by: 'narrowest' }, belowMm: 80 },
  ]
  const field = (modelValue: Level[]) =>
    (mounted = mountOnPage(LevelsField, { props: { modelValue, label: 'Where', garment: blouse, pieceId: 'front', amountMm: 20 } }))
  it('say what part of the amount each takes, in figures that add up', () => {
    const parts = field(two)
      .findAll('label')
      .filter((l) => l.text().includes('its part'))
      .map((l) => l.text())
    expect(parts).toHaveLength(2)
    // 20 mm are 13/16 in on this ruler: 7/16 and 3/8, and not twice 13/32.
    expect(parts.join(' ')).toContain('7/16')
    expect(parts.join(' ')).toContain('3/8')
  })
  it('one takes another part, and the others share the rest as before', async () => {
    const wrapper = field(two)
    await set(wrapper, 'level-share-0', '75')
    const [levels] = sent(wrapper) as Level[][]
    const whole = levels!.reduce((sum, l) => sum + l.share, 0)
    expect(levels![0]!.share / whole).toBeCloseTo(0.75, 9)
    expect(levels![1]).toEqual(two[1])
  })
  it('a part beyond sense is the nearest that has some', async () => {
    const wrapper = field(two)
    await set(wrapper, 'level-share-0', '400')
    const [levels] = sent(wrapper) as Level[][]
    expect(levels![0]!.share / (levels![0]!.share + levels![1]!.share)).toBeCloseTo(0.95, 9)
  })
  it('another line has an id of its own and lies lower; one is taken away by its button, the last one cannot be', async () => {
    const wrapper = field([{ ...two[0]!, id: 'line-4' }])
    expect(wrapper.find('[aria-label="Remove line 1"]').exists()).toBe(false)
    await wrapper.find(byTest('add-line')).trigger('click')
    const [levels] = sent(wrapper) as Level[][]
    expect(levels!.map((l) => l.id)).toEqual(['line-4', 'line-5'])
    expect(levels![1]!.belowMm).toBeGreaterThan(levels![0]!.belowMm)
    await wrapper.setProps({ modelValue: levels! })
    await wrapper.find('[aria-label="Remove line 1"]').trigger('click')
    expect((sent(wrapper) as Level[][]).at(-1)!.map((l) => l.id)).toEqual(['line-5'])
  })
  it('measured from another mark it begins at that mark', async () => {
    const wrapper = field([{ ...two[1]!, belowMm: 33 }])
    const options = wrapper.find(byTest('level-mark-0')).findAll('option')
    const other = options.map((o) => (o.element as HTMLOptionElement).value).find((v) => v !== 'narrowest')!
    await set(wrapper, 'level-mark-0', other)
    const [levels] = sent(wrapper) as Level[][]
    expect(levels![0]!.belowMm).toBe(0)
    expect(levels![0]!.mark).not.toEqual({ by: 'narrowest' })
  })
})

describe('partners of a stop', () => {
  const inputs = { ...begun('lengthen'), amountMm: -20 }
  const apply = (leftOut: string[]) => {
    const stop = withInputs(withId(newStop('lengthen', inputs), 'x'), { ...inputs, leftOut })
    return foldPlan(blouse, [stop], context).stops[0]!.applied!
  }
  it('are named as changed alike or left out, and each goes over at a click', async () => {
    const wrapper = (mounted = mountOnPage(PartnersField, {
      props: { modelValue: [], label: 'Changed with it', garment: blouse, applied: apply([]) },
    }))
    expect(wrapper.find(byTest('partner-back')).element).toHaveProperty('checked', true)
    expect(wrapper.text()).toContain('changed alike')
    await wrapper.find(byTest('partner-back')).trigger('change')
    expect(sent(wrapper)).toEqual([['back']])
    await wrapper.setProps({ modelValue: ['back'], applied: apply(['back']) })
    expect(wrapper.find(byTest('partner-back')).element).toHaveProperty('checked', false)
    expect(wrapper.text()).toContain('left out')
    await wrapper.find(byTest('partner-back')).trigger('change')
    expect(sent(wrapper).at(-1)).toEqual([])
  })
  it('that are not there are said not to be', () => {
    const wrapper = (mounted = mountOnPage(PartnersField, {
      props: { modelValue: [], label: 'Changed with it', garment: blouse, applied: null },
    }))
    expect(wrapper.text()).toContain('No other piece')
  })
})

describe('a number between two others', () => {
  const field = (whole: boolean) =>
    (mounted = mountOnPage(NumberField, { props: { modelValue: 3, label: 'Cuts', min: 1, max: 12, whole, test: 'cuts' } }))
  it('is taken, also with a comma or a sign for hundredths', async () => {
    const wrapper = field(false)
    await set(wrapper, 'cuts', '4,5')
    await set(wrapper, 'cuts', '7 %')
    expect(sent(wrapper)).toEqual([4.5, 7])
  })
  it.each(['0', '13', '2.5', 'four', '', '1e3'])('“%s” is said to be none of them, and the field shows what holds', async (text) => {
    settleMessage()
    const wrapper = field(true)
    await set(wrapper, 'cuts', text)
    expect(sent(wrapper)).toEqual([])
    expect(shown(wrapper, 'cuts')).toBe('3')
    expect(message.value?.text).toContain('a whole number from 1 to 12')
  })
})

describe('a share', () => {
  it('is set by slider or figure, and never beyond nothing and all', async () => {
    const wrapper = (mounted = mountOnPage(ShareField, { props: { modelValue: 0.3, label: 'Share of the front', test: 'share' } }))
    expect(shown(wrapper, 'share')).toBe('30')
    await wrapper.find(byTest('share')).setValue('45')
    expect(sent(wrapper).at(-1)).toBe(0.45)
    await wrapper.find(byTest('share')).setValue('160')
    expect(sent(wrapper).at(-1)).toBe(1)
    await wrapper.find(byTest('share-slider')).setValue('5')
    expect(sent(wrapper).at(-1)).toBe(0.05)
  })
})

describe('rules of a grade', () => {
  const field = (inputs: Record<string, unknown>) =>
    (mounted = mountOnPage(RulesField, { props: { inputs, label: 'Rules', garment: blouse } }))
  it('show what each is in figures, and keep one’s own beside ours', async () => {
    const inputs = { ...begun('grade'), intervalMm: 100 }
    const wrapper = field(inputs)
    const name = wrapper.findAll('input').map((i) => i.attributes('data-test')!)[0]!
    await set(wrapper, name, '0,5')
    const [rules] = sent(wrapper, 'update') as Record<string, Record<string, Record<string, number>>>[]
    const [, point, axis] = /^rule-(.+)-(across|along)$/.exec(name)!
    expect(Object.values(rules!)[0]![point!]![axis!]).toBe(0.5)
    await wrapper.setProps({ inputs: { ...inputs, rules: rules! } })
    expect(wrapper.find('summary').text()).toContain('own figures')
    await wrapper.find('button').trigger('click')
    expect(sent(wrapper, 'update').at(-1)).toBeUndefined()
  })
  it('a figure that is none, or far beyond the interval, changes nothing', async () => {
    const wrapper = field(begun('grade'))
    const name = wrapper.findAll('input')[0]!.attributes('data-test')!
    for (const text of ['a third', '7', '-3']) await set(wrapper, name, text)
    expect(sent(wrapper, 'update')).toEqual([])
  })
})

describe('turns and slides', () => {
  const field = (moves: unknown[] = []) => {
    const inputs = { ...begun('pivot-slide'), sequence: 'free', moves }
    return (mounted = mountOnPage(MovesField, { props: { inputs, label: 'Moves', garment: blouse } }))
  }
  const slide = { id: 'move-1', how: 'slide', acrossMm: 0, alongMm: 0, edgeIds: ['neck'] }
  it('an edge is traced in one move only, and a move never traces none', async () => {
    const wrapper = field([slide, { ...slide, id: 'move-2', edgeIds: ['armhole'] }])
    expect(wrapper.find(byTest('move-1-edge-neck')).attributes('disabled')).toBeDefined()
    await wrapper.find(byTest('move-0-edge-neck')).trigger('click')
    expect(sent(wrapper, 'update')).toEqual([])
    await wrapper.find(byTest('move-0-edge-shoulder')).trigger('click')
    const [moves] = sent(wrapper, 'update') as (typeof slide)[][]
    expect(moves![0]!.edgeIds).toEqual(['neck', 'shoulder'])
    expect(moves![1]!.edgeIds).toEqual(['armhole'])
  })
  it('a slide takes what is typed across and down the grain; one is taken away by its button', async () => {
    const wrapper = field([slide])
    await set(wrapper, 'move-across-0', '1 cm')
    expect((sent(wrapper, 'update') as (typeof slide)[][]).at(-1)![0]!.acrossMm).toBeCloseTo(10, 9)
    await set(wrapper, 'move-along-0', '-2 cm')
    expect((sent(wrapper, 'update') as (typeof slide)[][]).at(-1)![0]!.alongMm).toBeCloseTo(-20, 9)
    await wrapper.find('[aria-label="Remove move 1"]').trigger('click')
    expect(sent(wrapper, 'update').at(-1)).toEqual([])
  })
})
