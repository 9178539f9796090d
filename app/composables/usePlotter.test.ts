import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { drawPieces } from '~~/core/paper'
import { draftBlouse } from '~~/demo/blouse'
import { Plotter, PlotterRefusal, type PlotRequest } from '~~/server/utils/plotter'
import { usePlotter } from './usePlotter'

const words = { garmentName: 'B', wearerName: null, sizeName: '1', date: 'd', changes: [], ruler: 'cm' as const }
const drawn = shallowRef(drawPieces(draftBlouse(), 'one', words))
vi.mock('~/composables/useSheets', () => ({ useSheets: () => ({ drawn }) }))

let plotter: Plotter
let isDead = false
let requests: number[] = []
let scope: EffectScope
const answer = (body: unknown) => Promise.resolve({ json: () => Promise.resolve(body) })

beforeEach(() => {
  plotter = new Plotter()
  isDead = false
  requests = []
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: () => {},
  })
  vi.stubGlobal('fetch', (url: string, { body }: { body?: string } = {}) => {
    if (isDead) return Promise.reject(new Error('no server'))
    const asked = body === undefined ? null : (JSON.parse(body) as { trouble?: 'busy' } & PlotRequest)
    if (asked === null) return answer({ ...plotter.state(), drawing: plotter.drawing(Number(url.split('=')[1])) })
    if (asked.trouble) return answer(plotter.setTrouble(asked.trouble))
    requests.push(body!.length)
    try {
      return answer(plotter.take(asked))
    } catch (error) {
      if (error instanceof PlotterRefusal) return answer({ problem: { code: error.code, message: error.message } })
      throw error
    }
  })
  setActivePinia(createPinia())
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})
const begin = () => scope.run(() => usePlotter())!

describe('plotting', () => {
  it('sends all lines in requests that the server takes, and shows what was drawn', async () => {
    const own = begin()
    await own.send()
    expect(own.done.value).toBe(own.plot.value.strokes.length)
    expect(own.drawn.value).toHaveLength(own.plot.value.strokes.length)
    expect(own.problem.value).toBe('')
    expect(Math.max(...requests)).toBeLessThan(65_536)
  })
  it('says why it stopped, and goes on from there without drawing anything twice', async () => {
    const own = begin()
    plotter.setTrouble('cut-off')
    await own.send()
    expect(own.problem.value).toContain('the line was lost')
    expect(own.done.value).toBeGreaterThan(0)
    expect(own.trouble.value).toBe('none')
    await own.send()
    expect(own.done.value).toBe(own.plot.value.strokes.length)
    expect(new Set(own.drawn.value.map((s) => s.points)).size).toBe(own.drawn.value.length)
  })
  it('says that a machine does not answer', async () => {
    const own = begin()
    isDead = true
    await own.send()
    expect(own.problem.value).toContain('does not answer')
    expect(own.isSending.value).toBe(false)
  })
  it('another sheet is another plot, begun anew', async () => {
    const own = begin()
    await own.send()
    const before = own.job.value
    own.pens.value = { ...own.pens.value, seam: { pen: 0, speedCm: 30 } }
    await nextTick()
    expect(own.job.value).not.toBe(before)
    await own.look()
    expect(own.done.value).toBe(0)
  })
  it('pens that cannot be read are begun anew', () => {
    localStorage.setItem('tidal-seam-pens', '{"cut":{"pen":"knife"}}')
    expect(begin().pens.value.cut).toEqual({ pen: 2, speedCm: 15 })
  })
})
