import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Known } from '~~/core/photograph'
import { usePrefs } from '~/stores/prefs'
import { byTest, mountOnPage, newStores } from '../test-mount'
import KnownField from './KnownField.vue'

let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())

function field(modelValue: Known, ruler: 'in' | 'cm' = 'in') {
  const pinia = newStores()
  usePrefs().ruler = ruler
  return (mounted = mountOnPage(KnownField, { props: { modelValue } }, pinia))
}
const sent = (wrapper: VueWrapper) => (wrapper.emitted('update:modelValue') ?? []).map(([known]) => known)

describe('what lies beside a piece in a photograph', () => {
  it('is a sheet that one has, and then no length is asked for', async () => {
    const wrapper = field({ kind: 'sheet', sheet: 'a4' })
    expect(wrapper.findAll('input')).toHaveLength(0)
    await wrapper.find(byTest('photo-known')).setValue('letter')
    expect(sent(wrapper)).toEqual([{ kind: 'sheet', sheet: 'letter' }])
  })
  it.each([
    ['in', 25.4],
    ['cm', 10],
  ] as const)('begins another thing with round figures of the ruler (%s)', async (ruler, unit) => {
    const wrapper = field({ kind: 'sheet', sheet: 'a4' }, ruler)
    for (const kind of ['rectangle', 'mat', 'rulers']) await wrapper.find(byTest('photo-known')).setValue(kind)
    expect(sent(wrapper).map((k) => (k as Known).kind)).toEqual(['rectangle', 'mat', 'rulers'])
    for (const known of sent(wrapper))
      for (const mm of Object.values(known as Known).filter((v) => typeof v === 'number'))
        expect(Math.abs(mm / unit - Math.round(mm / unit))).toBeLessThan(1e-9)
  })
  it('takes a length that such a thing has, and says which it may have of another', async () => {
    const wrapper = field({ kind: 'rectangle', longMm: 300, shortMm: 200 })
    const type = async (name: string, text: string) => {
      await wrapper.find(byTest(name)).setValue(text)
      await wrapper.find(byTest(name)).trigger('blur')
    }
    await type('known-long', '85.6 mm')
    expect(sent(wrapper)).toEqual([{ kind: 'rectangle', longMm: 85.6, shortMm: 200 }])
    await type('known-short', '90 m')
    expect(wrapper.find(byTest('known-wrong')).text()).toContain('between')
    expect(sent(wrapper)).toHaveLength(1)
  })
  it('asks a mat for the distance of its lines, and says where the four places go', () => {
    const wrapper = field({ kind: 'mat', acrossMm: 500, downMm: 400, pitchMm: 10 })
    expect(wrapper.find(byTest('known-pitch')).exists()).toBe(true)
    expect(wrapper.text()).toContain('clockwise')
  })
})
