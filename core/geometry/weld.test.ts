import { expect, it } from 'vitest'
import { cubic, line, weld } from './index'

it('makes ends that differ by noise one point, and leaves the rest of every part as it is', () => {
  const path = [
    line({ x: 0, y: 0 }, { x: 10, y: 0 }),
    cubic({ x: 10 + 1e-13, y: -1e-13 }, { x: 12, y: 1 }, { x: 14, y: 4 }, { x: 15, y: 8 }),
    line({ x: 15, y: 8 + 1e-12 }, { x: 0, y: 20 }),
  ]
  const welded = weld(path)
  for (const [i, part] of welded.entries()) {
    if (i > 0) expect(part.from).toBe(welded[i - 1]!.to)
    expect(part).toEqual({ ...path[i]!, from: i === 0 ? path[0]!.from : path[i - 1]!.to })
  }
  expect(path[1]!.from).toEqual({ x: 10 + 1e-13, y: -1e-13 })
  expect(weld([])).toEqual([])
})
