import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { readDxf, type Drawing } from '~~/core/formats'
import { RULES, rulePanel, ruleTable } from '../../../tests/corpus/rule-panel'
import { message } from '~/messages'
import { useTray } from '~/stores/tray'
import { byTest, mountOnPage, newStores } from '../test-mount'
import RulesField from './RulesField.vue'

let mounted: VueWrapper | null = null
beforeEach(() => newStores())
afterEach(() => mounted?.unmount())

function drawing(): Drawing {
  const read = readDxf(rulePanel())
  if (!read.ok) throw new Error(read.problem.message)
  return read.value
}
const field = (of: Drawing) => (mounted = mountOnPage(RulesField, { props: { drawing: of } }))
/** A file as a browser gives it from its list. */
async function choose(wrapper: VueWrapper, name: string, words: string) {
  const input = wrapper.find<HTMLInputElement>(byTest('rules-file'))
  Object.defineProperty(input.element, 'files', { value: [new File([words], name)], configurable: true })
  await input.trigger('change')
}

describe('a drawing whose places have the numbers of grade rules', () => {
  it('asks for the table that goes with it, and hands it on as it is', async () => {
    const wrapper = field(drawing())
    expect(wrapper.text()).toContain('4 places have the number of a grade rule')
    const take = vi.spyOn(useTray(), 'takeRules').mockResolvedValue(null)
    await choose(wrapper, 'panel.rul', ruleTable(RULES))
    await vi.waitFor(() => expect(take).toHaveBeenCalled())
    const [name, bytes] = take.mock.calls[0]!
    expect([name, new TextDecoder().decode(bytes)]).toEqual(['panel.rul', ruleTable(RULES)])
  })
  it('says why a table is none', async () => {
    const wrapper = field(drawing())
    vi.spyOn(useTray(), 'takeRules').mockResolvedValue({
      code: 'x',
      where: 'file',
      message: 'it has no rule in it.',
      remedy: 'Choose another.',
    })
    await choose(wrapper, 'empty.rul', '')
    await vi.waitFor(() =>
      expect(message.value).toMatchObject({
        kind: 'fault',
        text: expect.stringContaining('empty.rul, file: it has no rule in it.') as string,
      }),
    )
  })
  it('nothing is asked for where no place has a number', () => {
    expect(field({ ...drawing(), texts: [] }).text()).toBe('')
  })
})
