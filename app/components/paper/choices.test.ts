import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { MOST_MARGIN_MM, PAPER_IDS, ROLL_MM } from '~~/core/paper'
import { message, settleMessage } from '~/messages'
import { byTest, mountOnPage } from '../test-mount'
import ChoiceFields from './ChoiceFields.vue'

let mounted: VueWrapper | null = null
beforeEach(() => {
  localStorage.clear()
  settleMessage()
})
afterEach(() => mounted?.unmount())
const fields = (paper: (typeof PAPER_IDS)[number]) => (mounted = mountOnPage(ChoiceFields, { props: { paper, rollMm: 900, marginMm: 10 } }))
async function type(wrapper: VueWrapper, name: string, text: string) {
  await wrapper.find(byTest(name)).setValue(text)
  await wrapper.find(byTest(name)).trigger('blur')
}

describe('the paper', () => {
  it('is one of those that are known, and a roll asks for its width', async () => {
    const wrapper = fields('a4')
    expect(wrapper.find(byTest('paper-size')).findAll('option')).toHaveLength(PAPER_IDS.length)
    expect(wrapper.find(byTest('roll-width')).exists()).toBe(false)
    await wrapper.find(byTest('paper-size')).setValue('roll')
    expect(wrapper.emitted('update:paper')).toEqual([['roll']])
    expect(fields('roll').find(byTest('roll-width')).exists()).toBe(true)
  })
  it('takes a width that rolls have, and says which they have of another', async () => {
    const wrapper = fields('roll')
    await type(wrapper, 'roll-width', '36')
    expect(wrapper.emitted('update:rollMm')).toEqual([[36 * 25.4]])
    for (const mm of [ROLL_MM.least - 1, ROLL_MM.most + 1]) {
      await type(wrapper, 'roll-width', `${mm} mm`)
      expect(message.value?.text).toContain('A roll is between')
    }
    expect(wrapper.emitted('update:rollMm')).toHaveLength(1)
  })
  it('takes a rim that a printer leaves, also none', async () => {
    const wrapper = fields('letter')
    await type(wrapper, 'margin', '0')
    expect(wrapper.emitted('update:marginMm')).toEqual([[0]])
    await type(wrapper, 'margin', `${MOST_MARGIN_MM + 1} mm`)
    expect(message.value?.text).toContain('The rim of a printer')
    expect(wrapper.emitted('update:marginMm')).toHaveLength(1)
  })
})
