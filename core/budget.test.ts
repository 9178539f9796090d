import { describe, expect, it } from 'vitest'
import { bounded, finite, spend, Unworkable } from './budget'
import { ok, refuse } from './result'

const forever = () => {
  for (;;) spend()
}

describe('a budget', () => {
  it('ends a loop that would never end, naming what was worked on', () => {
    const ended = bounded('Front', forever, 1000)
    expect(ended).toMatchObject({ ok: false, problem: { code: 'too-much-work', where: 'Front' } })
    expect(!ended.ok && ended.problem.remedy).toMatch(/\.$/)
  })
  it('lets results and refusals through as they are', () => {
    expect(bounded('x', () => ok(3))).toEqual(ok(3))
    const refusal = refuse('no-room', 'Front', 'there is no room.', 'Take less.')
    expect(bounded('x', () => refusal)).toBe(refusal)
  })
  it('of the inside takes from that of the outside, and what it has not used goes on', () => {
    const done: boolean[] = []
    const outer = bounded(
      'outer',
      () => {
        for (let i = 0; i < 12; i++) done.push(bounded('inner', () => (spend(10), ok(0)), 50).ok)
        return ok(0)
      },
      100,
    )
    expect(outer.ok).toBe(true)
    expect(done).toEqual([...new Array<boolean>(10).fill(true), false, false])
  })
  it('does not swallow a bug', () => {
    expect(() =>
      bounded('x', () => {
        throw new TypeError('a bug')
      }),
    ).toThrow('a bug')
  })
  it('turns a figure that is none into a refusal', () => {
    for (const figure of [NaN, Infinity, -Infinity]) {
      expect(() => finite(figure)).toThrow(Unworkable)
      expect(bounded('Back', () => ok(finite(figure)))).toMatchObject({ ok: false, problem: { code: 'not-finite', where: 'Back' } })
    }
    expect(finite(-3.5)).toBe(-3.5)
  })
})
