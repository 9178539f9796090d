import { describe, expect, it } from 'vitest'
import { cubic, line, placeAt, measureLength, type Path } from '~~/core/geometry'
import { shapeOf } from '~~/core/pattern'
import { draftBlouse } from '~~/demo/blouse'
import { betweenOutlines, betweenPaths, samplePath } from './usePieceDrawing'

const straight: Path = [line({ x: 0, y: 0 }, { x: 100, y: 0 })]
const lower: Path = [line({ x: 0, y: 40 }, { x: 100, y: 40 })]
const pointsOf = (d: string) => [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => ({ x: Number(m[1]), y: Number(m[2]) }))

describe('drawing a piece between two stops', () => {
  it('samples at equal lengths, ends included', () => {
    const curve: Path = [line({ x: 0, y: 0 }, { x: 10, y: 0 }), cubic({ x: 10, y: 0 }, { x: 60, y: 0 }, { x: 90, y: 30 }, { x: 90, y: 90 })]
    const points = samplePath(curve)
    const total = measureLength(curve)
    points.forEach((p, i) => {
      const want = placeAt(curve, (total * i) / (points.length - 1)).point
      expect(Math.hypot(p.x - want.x, p.y - want.y)).toBeLessThan(0.6)
    })
  })
  it('is the first path at 0, the second at 1, and half way at a half', () => {
    expect(pointsOf(betweenPaths(straight, lower, 0)).every((p) => p.y === 0)).toBe(true)
    expect(pointsOf(betweenPaths(straight, lower, 1)).every((p) => p.y === 40)).toBe(true)
    expect(pointsOf(betweenPaths(straight, lower, 0.5)).every((p) => p.y === 20)).toBe(true)
  })
  it('is drawn as curves where it lies still, and where nothing moves', () => {
    const [curve, further] = [60, 70].map((x): Path => [cubic({ x: 0, y: 0 }, { x, y: 0 }, { x: 90, y: 30 }, { x: 90, y: 90 })])
    expect(betweenPaths(curve!, further!, 0)).toBe('M0 0C60 0 90 30 90 90')
    expect(betweenPaths(curve!, further!, 1)).toBe('M0 0C70 0 90 30 90 90')
    expect(betweenPaths(curve!, structuredClone(curve!), 0.4)).toBe(betweenPaths(curve!, further!, 0))
    expect(betweenPaths(curve!, further!, 0.4)).toMatch(/^M[^C]+$/)
  })
  it('draws a closed outline through every corner', () => {
    const front = draftBlouse().pieces[0]!
    const shape = shapeOf(front, 'one')
    const d = betweenOutlines(front, shape, shape, 0.3)
    expect(d.startsWith('M')).toBe(true)
    expect(d.endsWith('Z')).toBe(true)
    const points = pointsOf(d)
    for (const edge of front.edges) {
      const corner = shape.edges[edge.id]![0]!.from
      expect(points.some((p) => Math.hypot(p.x - corner.x, p.y - corner.y) < 0.02)).toBe(true)
    }
  })
})
