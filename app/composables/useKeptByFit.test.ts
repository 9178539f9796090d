import { createPinia, setActivePinia } from 'pinia'
import { nextTick, ref } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useKeptByFit } from './useKeptByFit'

const kept = new Map<string, string>()
beforeEach(() => {
  kept.clear()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  setActivePinia(createPinia())
})
afterEach(() => vi.unstubAllGlobals())

const read = (own: unknown): number => (typeof own === 'number' ? own : 7)

it('is begun anew for each fit, and stays what it was set to', async () => {
  const fit = ref<string | null>('a')
  const choice = useKeptByFit('kept', fit, read)
  expect(choice.value).toBe(7)
  choice.value = 3
  fit.value = 'b'
  expect(choice.value).toBe(7)
  choice.value = 4
  fit.value = 'a'
  expect(choice.value).toBe(3)
  await nextTick()
  expect(useKeptByFit('kept', ref('b'), read).value).toBe(4)
})

it('takes what cannot be read for nothing, and forgets what lies longest back', () => {
  const fit = ref<string | null>('bad')
  const choice = useKeptByFit<unknown>('kept', fit, (own) => own)
  choice.value = 'nonsense'
  expect(useKeptByFit('kept', fit, read).value).toBe(7)
  for (let i = 0; i < 70; i++) {
    fit.value = `fit-${i}`
    choice.value = i
  }
  fit.value = 'bad'
  expect(choice.value).toBeUndefined()
  fit.value = 'fit-69'
  expect(choice.value).toBe(69)
})
