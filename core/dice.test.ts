import { expect, it } from 'vitest'
import { diceOf } from './dice'

it('throws the same numbers for the same seed, others for another, evenly over 0 to 1', () => {
  const thrown = (seed: number) => {
    const dice = diceOf(seed)
    return Array.from({ length: 4000 }, () => dice())
  }
  expect(thrown(3)).toEqual(thrown(3))
  expect(thrown(3)).not.toEqual(thrown(4))
  const numbers = thrown(11)
  expect(numbers.every((n) => n >= 0 && n < 1)).toBe(true)
  for (let tenth = 0; tenth < 10; tenth++)
    expect(Math.abs(numbers.filter((n) => Math.floor(n * 10) === tenth).length - 400)).toBeLessThan(90)
})
