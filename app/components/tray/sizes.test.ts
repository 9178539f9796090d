import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import type { PieceDraft } from '~~/core/import'
import { cubic, line, type Path, type Point } from '~~/core/geometry'
import { byTest, mountOnPage } from '../test-mount'
import SizesField from './SizesField.vue'

let mounted: VueWrapper | null = null
afterEach(() => mounted?.unmount())

/** A square of so many millimetres, a path an edge. */
function square(mm: number): Path[] {
  const corners: Point[] = [
    { x: 0, y: 0 },
    { x: mm, y: 0 },
    { x: mm, y: mm },
    { x: 0, y: mm },
  ]
  return corners.map((from, i) => [line(from, corners[(i + 1) % 4]!)])
}
const draft = (other: Path, pairs: Record<string, number> = {}) =>
  ({
    id: 'p',
    name: 'Pocket',
    kind: 'other',
    edges: square(100).map((path) => ({ path, role: 'other', fold: false, allowanceMm: 0 })),
    sizeName: '2',
    sizes: [{ name: '3', path: other, pairs }],
  }) as unknown as PieceDraft
/** The same square larger, its upper right corner cut round: there is no corner there. */
const ROUND: Path = [
  line({ x: 0, y: 0 }, { x: 60, y: 0 }),
  cubic({ x: 60, y: 0 }, { x: 92, y: 0 }, { x: 110, y: 18 }, { x: 110, y: 50 }),
  line({ x: 110, y: 50 }, { x: 110, y: 110 }),
  line({ x: 110, y: 110 }, { x: 0, y: 110 }),
  line({ x: 0, y: 110 }, { x: 0, y: 0 }),
]
const field = (of: PieceDraft, pairing: { sizeName: string; corner: number } | null = null) =>
  (mounted = mountOnPage(SizesField, { props: { draft: of, pairing } }))

describe('sizes that lie over each other', () => {
  it('are said to be complete where every corner was found in every size', () => {
    const wrapper = field(draft(square(110).flat()))
    expect(wrapper.text()).toContain('2 sizes lie over each other')
    expect(wrapper.text()).toContain('Every corner was found')
    expect(wrapper.findAll('button')).toHaveLength(0)
  })
  it('name the corner that one of them has not got, which is then shown by hand', async () => {
    const wrapper = field(draft(ROUND))
    expect(wrapper.text()).toContain('Size 3: no corner where edge 2 begins')
    await wrapper.find(byTest('pair-3-1')).trigger('click')
    expect(wrapper.emitted('pair')).toEqual([[{ sizeName: '3', corner: 1 }]])
    expect(field(draft(ROUND), { sizeName: '3', corner: 1 }).find(byTest('pair-3-1')).text()).toContain('Click on its line')
  })
  it('lack it no more once it was paired', () => {
    expect(field(draft(ROUND, { 1: 85 })).text()).toContain('Every corner was found')
  })
})
