import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { line } from '~~/core/geometry'
import type { TrayPiece } from '~/data/tray-row'
import { useTray } from '~/stores/tray'
import { byTest, mountOnPage, newStores } from '../test-mount'
import ReadList from './ReadList.vue'

let mounted: VueWrapper | null = null
beforeEach(() => newStores())
afterEach(() => mounted?.unmount())

const ACROSS = [line({ x: 0, y: 0 }, { x: 40, y: 0 })]
const list = (more: Partial<TrayPiece>) =>
  (mounted = mountOnPage(ReadList, {
    props: {
      piece: {
        readings: { name: 'written', grain: 'guessed', allowance: 'drawn' },
        draft: {
          id: 'front-2',
          name: 'Front',
          count: 2,
          mirrored: true,
          edges: [],
          lines: [
            { name: 'pocket', path: ACROSS },
            { name: 'side dart', path: ACROSS, role: 'dart' },
          ],
          points: [{ name: 'button', role: 'other', at: { x: 3, y: 3 }, isOut: true }],
          sizeName: '',
          sizes: [],
          grain: { from: { x: 0, y: 0 }, to: { x: 0, y: 9 } },
          allowanceIncluded: true,
        },
        ...more,
      } as unknown as TrayPiece,
    },
  }))
const done = { ok: true, value: undefined } as never

it('what was read is listed with how sure it is; what does not apply is not', () => {
  const wrapper = list({})
  expect(
    wrapper.findAll('li').map((l) =>
      l
        .find('p')
        .findAll('span')
        .map((s) => s.text()),
    ),
  ).toEqual([
    ['Name', 'Front', 'written so'],
    ['Grain', 'as drawn here', 'guessed'],
    ['Seam allowance', 'within the outline', 'drawn so'],
  ])
  expect(wrapper.find(byTest('read-grain')).text()).toContain('Look at it: nothing in it is called the grain')
})

it('a guess that is right is said to be so by a click', async () => {
  const wrapper = list({})
  const say = vi.spyOn(useTray(), 'sayRight').mockResolvedValue(done)
  await wrapper.find(byTest('right-grain')).trigger('click')
  expect(say).toHaveBeenCalledExactlyOnceWith('front-2', 'grain')
  expect(wrapper.find(byTest('right-name')).exists()).toBe(false)
})

it('what is drawn within it is ticked, and taken out and in; a dart is none of that', async () => {
  const wrapper = list({})
  const flip = vi.spyOn(useTray(), 'flipWithin').mockResolvedValue(done)
  const boxes = wrapper.findAll('input[type=checkbox]')
  expect(boxes.map((b) => [b.attributes('data-test'), (b.element as HTMLInputElement).checked])).toEqual([
    ['within-lines-0', true],
    ['within-points-0', false],
  ])
  await boxes[0]!.trigger('change')
  expect(flip).toHaveBeenCalledExactlyOnceWith('front-2', 'lines', 0)
})

it.each([
  [true, 'Leave this one out, and cut the other turned over, too'],
  [false, 'Leave this one out, and cut the other as often as both'],
])('a piece that is drawn twice is one by a button; turned over: %s', async (turned, words) => {
  const wrapper = list({ twin: { id: 'front-1', turned } })
  const take = vi.spyOn(useTray(), 'takeAsOne').mockResolvedValue(done)
  const button = wrapper.find(byTest('take-as-one'))
  expect(button.text()).toBe(words)
  await button.trigger('click')
  expect(take).toHaveBeenCalledExactlyOnceWith('front-2')
})
