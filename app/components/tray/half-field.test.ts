import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { line, type Point } from '~~/core/geometry'
import type { PieceDraft } from '~~/core/import'
import { byTest, mountOnPage, newStores } from '../test-mount'
import HalfField from './HalfField.vue'

let mounted: VueWrapper | null = null
beforeEach(() => newStores())
afterEach(() => mounted?.unmount())

const corners: Point[] = [
  { x: 0, y: 0 },
  { x: 800, y: 0 },
  { x: 800, y: 70 },
  { x: 0, y: 70 },
]
const band = (some: Partial<PieceDraft> = {}): PieceDraft => ({
  id: 'band',
  name: 'Waistband',
  kind: 'band',
  count: 1,
  mirrored: false,
  edges: corners.map((p, i) => ({
    path: [line(p, corners[(i + 1) % 4]!)],
    role: i % 2 === 0 ? 'band' : 'band-end',
    fold: false,
    allowanceMm: 10,
  })),
  allowanceIncluded: true,
  grain: { from: { x: 100, y: 35 }, to: { x: 700, y: 35 } },
  notches: [],
  lines: [],
  sizeName: '',
  sizes: [],
  ...some,
})
const field = (draft: PieceDraft, besideHalves = true) => (mounted = mountOnPage(HalfField, { props: { draft, besideHalves } }))

it('offers half of a piece that is drawn whole beside halves', async () => {
  const wrapper = field(band())
  await wrapper.find(byTest('take-half')).trigger('click')
  expect(wrapper.emitted('take')).toHaveLength(1)
})

it.each([
  ['where no other piece is a half', band(), false],
  ['of a sleeve, which is cut whole', band({ kind: 'sleeve' }), true],
  ['where a fold is there', band({ edges: band().edges.map((e, i) => ({ ...e, fold: i === 1 })) }), true],
] as const)('offers nothing %s', (_, draft, besideHalves) => {
  expect(field(draft, besideHalves).find(byTest('half-field')).exists()).toBe(false)
})
