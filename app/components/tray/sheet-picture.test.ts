import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it } from 'vitest'
import { line, type Point } from '~~/core/geometry'
import type { TrayPiece } from '~/data/tray-row'
import { byTest, mountOnPage } from '../test-mount'
import SheetPicture from './SheetPicture.vue'

let mounted: VueWrapper | null = null
afterEach(() => mounted?.unmount())

function square(id: string, at: Point, mm: number, more: Partial<TrayPiece>): TrayPiece {
  const corners = [at, { x: at.x + mm, y: at.y }, { x: at.x + mm, y: at.y + mm }, { x: at.x, y: at.y + mm }]
  const edges = corners.map((from, i) => ({ path: [line(from, corners[(i + 1) % 4]!)] }))
  return { taken: true, trouble: null, ...more, draft: { id, name: id, edges } } as unknown as TrayPiece
}
const FRAME = square('frame', { x: 0, y: 0 }, 1000, { taken: false, aside: 'frame' })
const FRONT = square('front', { x: 100, y: 100 }, 300, {})
const sheet = () => (mounted = mountOnPage(SheetPicture, { props: { drawing: null, times: 1, pieces: [FRONT, FRAME], chosenId: 'front' } }))

it('what lies in a larger outline lies above it, so that both can be clicked', () => {
  expect(
    sheet()
      .findAll('[role=checkbox]')
      .map((o) => [o.attributes('aria-label'), o.attributes('aria-checked')]),
  ).toEqual([
    ['Frame of the page', 'false'],
    ['front', 'true'],
  ])
})

it('a click or a key takes an outline in or out', async () => {
  const wrapper = sheet()
  await wrapper.find(byTest('sheet-front')).trigger('click')
  await wrapper.find(byTest('sheet-frame')).trigger('keydown', { key: ' ' })
  expect(wrapper.emitted('flip')).toEqual([['front'], ['frame']])
})

it('the picture holds all that was read, whatever the scale', () => {
  const shape = { index: 0, name: '', groups: [], closed: false, path: [line({ x: -200, y: 0 }, { x: 700, y: 0 })] }
  mounted = mountOnPage(SheetPicture, {
    props: { drawing: { shapes: [shape], texts: [], apart: [] } as never, times: 2, pieces: [FRONT], chosenId: '' },
  })
  const [x, , w] = mounted.find(byTest('sheet-picture')).attributes('viewBox')!.split(' ').map(Number)
  expect(x!).toBeLessThanOrEqual(-400)
  expect(x! + w!).toBeGreaterThanOrEqual(1400)
})
