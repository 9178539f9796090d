import { effectScope, nextTick, ref, shallowRef, type EffectScope } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useFrameLater } from './useFrameLater'

let frames: (() => void)[] = []
let scope: EffectScope
const frame = () => frames.splice(0).forEach((run) => run())

beforeEach(() => {
  frames = []
  scope = effectScope()
  vi.stubGlobal('requestAnimationFrame', (run: () => void) => frames.push(run))
  vi.stubGlobal('cancelAnimationFrame', () => (frames = []))
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})

function begin() {
  const list = shallowRef(['front', 'back'])
  const ground = ref(0)
  const shown = scope.run(() =>
    useFrameLater(
      () => list.value,
      () => ground.value,
    ),
  )!
  return { list, ground, shown }
}

it('leaves the first frame to the rest and shows all in the second', () => {
  const { shown } = begin()
  frame()
  expect(shown.value).toEqual([])
  frame()
  expect(shown.value).toEqual(['front', 'back'])
  expect(frames).toHaveLength(0)
})

it('keeps the old things until then on the same ground, and none on new ground', async () => {
  const { list, ground, shown } = begin()
  frame()
  frame()
  list.value = ['sleeve']
  await nextTick()
  expect(shown.value).toEqual(['front', 'back'])
  frame()
  frame()
  expect(shown.value).toEqual(['sleeve'])
  ground.value = 1
  await nextTick()
  expect(shown.value).toEqual([])
  frame()
  frame()
  expect(shown.value).toEqual(['sleeve'])
})

it('shows the latest every other frame when new ones come in every frame', async () => {
  const { list, shown } = begin()
  const seen: string[] = []
  for (const name of ['a', 'b', 'c', 'd']) {
    list.value = [name]
    await nextTick()
    frame()
    seen.push(shown.value.join())
  }
  expect(seen).toEqual(['', 'b', 'b', 'd'])
})

it('stops with the component that shows them', () => {
  begin()
  scope.stop()
  expect(frames).toHaveLength(0)
})
