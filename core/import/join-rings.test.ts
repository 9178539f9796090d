import { describe, expect, it } from 'vitest'
import { bounded } from '../budget'
import type { DrawnShape } from '../formats'
import { boundsOf, line, type Path, type Point, type Segment } from '../geometry'
import { ok } from '../result'
import type { Stroke } from './chain-strokes'
import { joinRings } from './join-rings'

const shapeOf = (index: number, of: Partial<DrawnShape> = {}): DrawnShape => ({
  index,
  name: '',
  groups: [],
  style: 'black',
  isDashed: false,
  isArea: false,
  hasMarkers: false,
  path: [],
  closed: false,
  ...of,
})
const strokeOf = (path: Path, index: number, of: Partial<DrawnShape> = {}): Stroke => ({ path, shape: shapeOf(index, { ...of, path }) })
const corners = (...points: Point[]): Segment[] => points.map((p, i) => line(p, points[(i + 1) % points.length]!))
/** Chords of a circle, some of them drawn the other way round. */
const circle = (at: Point, radiusMm: number, parts: number): Segment[] =>
  corners(
    ...Array.from({ length: parts }, (_, i) => ({
      x: at.x + radiusMm * Math.cos((2 * Math.PI * i) / parts),
      y: at.y + radiusMm * Math.sin((2 * Math.PI * i) / parts),
    })),
  ).map((s, i) => (i % 3 === 1 ? line(s.to, s.from) : s))
const apart = (path: readonly Segment[], of: Partial<DrawnShape> = {}): Stroke[] => path.map((s, i) => strokeOf([s], i, of))

describe('small marks that are drawn part by part', () => {
  it.each([3, 4, 12, 60])('are one closed stroke: a ring of %i parts, whichever way each is drawn', (parts) => {
    const [ring, ...others] = joinRings(apart(circle({ x: 50, y: 80 }, 3, parts)))
    expect(others).toEqual([])
    expect(ring!.shape.closed).toBe(true)
    expect(ring!.of).toHaveLength(parts)
    ring!.path.forEach((s, i) => {
      const next = ring!.path[(i + 1) % parts]!
      expect(Math.hypot(next.from.x - s.to.x, next.from.y - s.to.y)).toBeLessThan(0.001)
    })
    expect(boundsOf(ring!.path).maxX).toBeCloseTo(53, 6)
  })

  it('are found beside other lines, which stay as they are', () => {
    const lines = apart([line({ x: 0, y: 0 }, { x: 400, y: 0 }), line({ x: 46, y: 80 }, { x: 54, y: 81 })])
    const joined = joinRings([...lines, ...apart(circle({ x: 50, y: 80 }, 3, 4)), ...apart(circle({ x: 90, y: 80 }, 2, 4))])
    expect(joined).toHaveLength(4)
    expect(joined.slice(0, 2)).toEqual(lines)
  })

  it('stay apart where they are larger than marks, or open, or of two looks', () => {
    for (const strokes of [
      apart(circle({ x: 50, y: 80 }, 12, 8)),
      apart(circle({ x: 50, y: 80 }, 3, 8).slice(1)),
      circle({ x: 50, y: 80 }, 3, 4).map((s, i) => strokeOf([s], i, { style: i < 2 ? 'black' : 'red' })),
    ])
      expect(joinRings(strokes)).toEqual(strokes)
  })

  it('are looked for once along a line of many chords that closes nowhere, or far away', () => {
    const wavy = Array.from({ length: 20_000 }, (_, i) => ({ x: i * 0.1, y: Math.sin(i / 50) }))
    const strokes = apart(wavy.slice(1).map((p, i) => line(wavy[i]!, p)))
    const work = bounded('rings', () => ok(joinRings(strokes)), 10 * strokes.length)
    expect(work.ok && work.value).toEqual(strokes)
    const large = apart(circle({ x: 0, y: 0 }, 900, 20_000))
    const walked = bounded('rings', () => ok(joinRings(large)), 10 * large.length)
    expect(walked.ok && walked.value.length).toBe(large.length)
  })

  it('stay apart where another small line meets them, or they go in and out again', () => {
    const ring = circle({ x: 50, y: 80 }, 3, 4)
    const met = apart([...ring, line(ring[0]!.from, { x: 60, y: 80 })])
    expect(joinRings(met)).toEqual(met)
    const slit = apart([line({ x: 0, y: 0 }, { x: 0, y: 6 }), line({ x: 0, y: 6 }, { x: 0, y: 0 })])
    expect(joinRings(slit)).toEqual(slit)
  })
})
