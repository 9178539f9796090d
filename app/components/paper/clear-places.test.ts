import { describe, expect, it } from 'vitest'
import { clearPlaces } from './clear-places'

const words = { width: 40, height: 30 }
const page = { x: 100, y: 50, width: 240 }
const upright = (x: number) => [
  { x, y: 0 },
  { x, y: 200 },
]

describe('the names of pages on the map', () => {
  it('stand at the left of a page that is free', () => {
    expect(clearPlaces([page], [upright(300)], words)).toEqual([{ x: 100, y: 50 }])
  })

  it('go along the top to where no line runs', () => {
    expect(clearPlaces([page], [upright(120)], words)).toEqual([{ x: 150, y: 50 }])
    expect(clearPlaces([page], [upright(120), upright(160)], words)).toEqual([{ x: 200, y: 50 }])
  })

  it('leave lines below them alone, and go below one that runs across', () => {
    const below = [
      { x: 90, y: 90 },
      { x: 400, y: 90 },
    ]
    const through = below.map(({ x }) => ({ x, y: 60 }))
    expect(clearPlaces([page], [below], words)).toEqual([{ x: 100, y: 50 }])
    expect(clearPlaces([page], [through], words)).toEqual([{ x: 100, y: 80 }])
  })

  /** Lines across, so far apart, from below the top. */
  const hatching = (apart: number, count: number) =>
    Array.from({ length: count }, (_, i) => [
      { x: 90, y: 55 + apart * i },
      { x: 400, y: 55 + apart * i },
    ])

  it('stay at the upper left where there is no room, and no more of it elsewhere', () => {
    expect(clearPlaces([page], hatching(10, 9), words)).toEqual([{ x: 100, y: 50 }])
  })

  it('stand where the fewest lines run, where some run everywhere', () => {
    expect(clearPlaces([page], [...hatching(10, 9), upright(120), upright(260)], words)).toEqual([{ x: 150, y: 50 }])
    expect(clearPlaces([page], hatching(10, 7), words)).toEqual([{ x: 100, y: 110 }])
  })
})
