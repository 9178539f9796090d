import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'
import { byTest, mountOnPage, newStores } from '../test-mount'
import DoubtsList from './DoubtsList.vue'

let mounted: VueWrapper | null = null
beforeEach(() => newStores())
afterEach(() => mounted?.unmount())
const list = (more: Partial<TrayPiece>) =>
  (mounted = mountOnPage(DoubtsList, {
    props: { piece: { doubts: ['the grain is guessed'], draft: { id: 'front-2' }, ...more } as unknown as TrayPiece },
  }))

it('doubts are listed, and nothing can be pressed where nothing takes them back', () => {
  const wrapper = list({})
  expect(wrapper.findAll('li').map((l) => l.text())).toEqual(['the grain is guessed'])
  expect(wrapper.findAll('button')).toHaveLength(0)
})
it.each([
  [true, 'Leave this one out, and cut the other turned over, too'],
  [false, 'Leave this one out, and cut the other as often as both'],
])('a piece that is drawn twice is one by a button; turned over: %s', async (turned, words) => {
  const wrapper = list({ twin: { id: 'front-1', turned } })
  const take = vi.spyOn(useTray(), 'takeAsOne').mockResolvedValue({ ok: true, value: undefined } as never)
  const button = wrapper.find(byTest('take-as-one'))
  expect(button.text()).toBe(words)
  await button.trigger('click')
  expect(take).toHaveBeenCalledExactlyOnceWith('front-2')
})
