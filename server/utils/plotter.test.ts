import { describe, expect, it } from 'vitest'
import { Plotter, PlotterRefusal, PlotRequestSchema } from './plotter'

const strokes = Array.from({ length: 10 }, (_, i) => `SP1;VS10;PU0,${i * 400};PD4000,${i * 400};PU;`)
const send = (plotter: Plotter, from: number, count: number, job = 'a') =>
  plotter.take({ job, from, of: strokes.length, strokes: strokes.slice(from, from + count) })
function refused(act: () => unknown): string {
  try {
    act()
  } catch (error) {
    if (error instanceof PlotterRefusal) return error.code
    throw error
  }
  return 'taken'
}

describe('the simulated plotter', () => {
  it('draws what it is sent, tells how far it is and how long it took', () => {
    const plotter = new Plotter()
    send(plotter, 0, 4)
    const state = send(plotter, 4, 6)
    expect(state).toMatchObject({ done: 10, of: 10, trouble: 'none' })
    // Ten lines of 100 mm at 100 mm in a second, and the ways between.
    expect(state.seconds).toBeGreaterThan(10)
    expect(plotter.drawing(8).strokes.map((s) => s.points)).toEqual(['M0.00 80.00L100.00 80.00', 'M0.00 90.00L100.00 90.00'])
  })
  it('busy, out of paper and cut off: nothing is lost, nothing is drawn twice, it goes on where it stopped', () => {
    const plotter = new Plotter()
    plotter.setTrouble('busy')
    expect(refused(() => send(plotter, 0, 3))).toBe('busy')
    expect(plotter.state().done).toBe(0)
    plotter.setTrouble('none')
    send(plotter, 0, 3)
    plotter.setTrouble('cut-off')
    expect(refused(() => send(plotter, 3, 4))).toBe('cut-off')
    const { done } = plotter.state()
    expect(done).toBe(5)
    // Sent again from where the page thought that it was: it says where it stands.
    expect(refused(() => send(plotter, 3, 4))).toBe('out-of-step')
    send(plotter, done, 2)
    plotter.setTrouble('out-of-paper')
    expect(refused(() => send(plotter, 7, 3))).toBe('out-of-paper')
    plotter.setTrouble('none')
    send(plotter, 7, 3)
    expect(new Set(plotter.drawing(0).strokes.map((s) => s.points)).size).toBe(10)
  })
  it('begins another job, and refuses what it does not know', () => {
    const plotter = new Plotter()
    send(plotter, 0, 3)
    expect(send(plotter, 0, 2, 'b')).toMatchObject({ job: 'b', done: 2 })
    expect(refused(() => plotter.take({ job: 'b', from: 2, of: 3, strokes: ['LB hello;'] }))).toBe('wrong')
    expect(refused(() => plotter.take({ job: 'b', from: 2, of: 3, strokes: ['PDx,1;'] }))).toBe('wrong')
    expect(PlotRequestSchema.safeParse({ job: '', from: -1, of: 1, strokes: [] }).success).toBe(false)
  })
})
