import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Drawing, DrawnShape } from '~~/core/formats'
import { line } from '~~/core/geometry'
import { useTray } from '~/stores/tray'
import { byTest, mountOnPage, newStores } from '../test-mount'
import LayersField from './LayersField.vue'

let mounted: VueWrapper | null = null
beforeEach(() => newStores())
afterEach(() => mounted?.unmount())

const on = (layer: string, index: number): DrawnShape => ({
  index,
  name: layer,
  groups: [layer],
  style: '',
  isDashed: false,
  isArea: false,
  hasMarkers: false,
  path: [line({ x: 0, y: 0 }, { x: 50, y: index })],
  closed: false,
})
const drawing = (shapes: DrawnShape[], apart: DrawnShape[]): Drawing => ({
  shapes,
  apart,
  texts: [],
  mmPerUnit: 1,
  scaleFrom: 'mm',
  page: null,
  leftOut: [],
})
const field = (of: Drawing) => (mounted = mountOnPage(LayersField, { props: { drawing: of } }))

describe('layers of a file', () => {
  it('that nobody knows are asked about, open, with how many lines they have; the others may be said otherwise', () => {
    const wrapper = field(drawing([on('Help', 1), on('seam line', 2)], [on('117', 3), on('117', 4)]))
    expect(wrapper.text()).toContain('Layers that the standard does not know (1)')
    expect(wrapper.text()).toContain('117, 2 lines')
    const boxes = wrapper.findAll('details')
    expect(boxes.map((b) => b.attributes('open') !== undefined)).toEqual([true, false])
    const texts = (name: string) =>
      wrapper
        .find(byTest(`layer-${name}`))
        .findAll('option')
        .map((o) => o.text())
    expect(texts('117')[0]).toBe('left out, as nobody says')
    expect(texts('seam line')[0]).toBe('seam lines')
    expect(texts('Help')).toContain('notches')
  })
  it('are kept as they are chosen; chosen back, nothing is said of them', async () => {
    const wrapper = field(drawing([], [on('REF', 1)]))
    const say = vi.spyOn(useTray(), 'sayLayer').mockResolvedValue({ ok: true, value: undefined } as never)
    await wrapper.find(byTest('layer-REF')).setValue('inner line')
    await wrapper.find(byTest('layer-REF')).setValue('as-it-is')
    expect(say.mock.calls).toEqual([
      ['REF', 'inner line'],
      ['REF', null],
    ])
  })
  it('are shown in the drawing while one looks at them', async () => {
    const wrapper = field(drawing([], [on('REF', 1)]))
    await wrapper.find('li').trigger('pointerenter')
    await wrapper.find('li').trigger('pointerleave')
    expect(wrapper.emitted('show')).toEqual([['REF'], [null]])
  })
  it('are not spoken of where a file has none', () => {
    expect(field(drawing([], [])).text()).toBe('')
  })
})
