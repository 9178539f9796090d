import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { nearestPlace } from '../geometry'
import { layOutSheet } from '../paper'
import { plotOf, usualPens, writeHpgl } from './hpgl-out'

const words = { garmentName: 'B', wearerName: null, sizeName: '4', date: 'd', changes: [], ruler: 'cm' as const }
const sheet = layOutSheet(draftBlouse(), 'one', words, 900)
const plot = plotOf(sheet, usualPens())

/** Reads HPGL by its own rules: what is drawn with which pen, in mm from the lower left. */
function draw(text: string): { pen: number; points: { x: number; y: number }[] }[] {
  const out: { pen: number; points: { x: number; y: number }[] }[] = []
  let [pen, down, x, y] = [0, false, 0, 0]
  for (const command of text.split(';').map((c) => c.trim())) {
    const [name, rest] = [command.slice(0, 2), command.slice(2)]
    const figures = rest === '' ? [] : rest.split(',').map(Number)
    if (name === 'SP') pen = figures[0]!
    if (name === 'PU') down = false
    if (name === 'PD') {
      down = true
      out.push({ pen, points: [{ x, y }] })
    }
    if (name === 'PU' || name === 'PD')
      for (let i = 0; i + 1 < figures.length; i += 2) {
        ;[x, y] = [figures[i]! / 40, figures[i + 1]! / 40]
        if (down) out.at(-1)!.points.push({ x, y })
      }
  }
  return out
}

describe('HPGL', () => {
  const drawn = draw(writeHpgl(plot))
  it('draws every cut line with the knife, within 0.1 mm, closed, and nothing else with it', () => {
    const knife = drawn.filter((d) => d.pen === 2)
    expect(knife).toHaveLength(sheet.pieces.length)
    for (const { points } of knife) {
      const off = sheet.pieces.map((p) =>
        Math.max(...points.map((q) => nearestPlace(p.cutLine, { x: q.x, y: sheet.heightMm - q.y }).distanceMm)),
      )
      expect(Math.min(...off)).toBeLessThan(0.1)
      expect(Math.hypot(points[0]!.x - points.at(-1)!.x, points[0]!.y - points.at(-1)!.y)).toBeLessThan(0.05)
    }
  })
  it('finishes everything within a piece before its cut line, piece after piece', () => {
    const names = [...new Set(plot.strokes.map((s) => s.pieceName))]
    for (const name of names) {
      const own = plot.strokes.map((s, i) => ({ ...s, i })).filter((s) => s.pieceName === name)
      expect(own.at(-1)!.what).toBe('cut')
      expect(own.at(-1)!.i - own[0]!.i + 1).toBe(own.length)
    }
  })
  it('leaves out what has no pen, and takes longer where it goes slower', () => {
    const bare = plotOf(sheet, { ...usualPens(), seam: { pen: 0, speedCm: 30 }, inner: { pen: 0, speedCm: 30 } })
    expect(bare.strokes.some((s) => s.what === 'seam' || s.what === 'inner')).toBe(false)
    expect(plotOf(sheet, { ...usualPens(), cut: { pen: 2, speedCm: 5 } }).seconds).toBeGreaterThan(plot.seconds * 1.5)
  })
  it('stays on the sheet', () => {
    for (const { points } of drawn)
      for (const p of points) {
        expect(p.x).toBeGreaterThanOrEqual(0)
        expect(p.x).toBeLessThanOrEqual(sheet.widthMm)
        expect(p.y).toBeGreaterThanOrEqual(0)
        expect(p.y).toBeLessThanOrEqual(sheet.heightMm)
      }
  })
})
